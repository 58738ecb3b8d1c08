<script lang="ts">
  import { find } from '../../core/model/table';
  import { durationText } from '../words/times';
  import type { DocumentId, WindowId } from '../../core/model/ids';
  import { deskHere } from '../desk/desk.svelte';
  import Choices from '../parts/Choices.svelte';
  import { TEXTS } from '../words/texts';

  const desk = deskHere();
  let { id, document, day }: { id: WindowId; document: DocumentId; day: Date } = $props();

  const draft = $derived(find(desk.session.drafts, document));
  const ago = $derived(draft ? durationText(draft.at, day) : '');
  const answer = (given: 'take-up' | 'drop') => () =>
    desk.answer({ type: 'answer-draft', window: id, answer: given });
</script>

<Choices
  text={TEXTS.draftText(ago)}
  choices={[
    { label: TEXTS.takeUp, choose: answer('take-up') },
    { label: TEXTS.drop, choose: answer('drop') },
  ]}
/>
