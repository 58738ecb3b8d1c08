<script lang="ts">
  import type { WindowId } from '../../core/model/ids';
  import { deskHere } from '../desk/desk.svelte';
  import Choices from '../parts/Choices.svelte';
  import { TEXTS } from '../words/texts';

  const desk = deskHere();
  let { id }: { id: WindowId } = $props();

  const answer = (given: 'save' | 'drop' | 'keep-open') => () =>
    desk.answer({ type: 'answer-closing', window: id, answer: given });
</script>

<Choices
  text={TEXTS.askingText}
  choices={[
    { label: TEXTS.save, choose: answer('save') },
    { label: TEXTS.drop, choose: answer('drop') },
    { label: TEXTS.keepOpen, choose: answer('keep-open') },
  ]}
  onescape={answer('keep-open')}
/>
