<script lang="ts">
  import { deskHere } from '../desk/desk.svelte';
  import Chord from '../parts/Chord.svelte';
  import { endedName, putAwayText } from '../words/sayings';
  import { TEXTS } from '../words/texts';

  const desk = deskHere();
  const last = $derived(desk.session.ended.at(-1));

  /** The ways on from here: only those that lead somewhere. */
  const ways = $derived([
    ...(desk.session.recent.applications.length > 0
      ? [{ action: 'older-application', text: TEXTS.goesToLast }]
      : []),
    ...(last ? [{ action: 'reopen', text: TEXTS.reopens(endedName(desk.session, last)) }] : []),
    ...(desk.putAway ? [{ action: 'put-back', text: TEXTS.undoes(putAwayText(desk.putAway)) }] : []),
    { action: 'search', text: TEXTS.findsAnything },
  ]);
</script>

<div class="absolute inset-x-0 top-1/3 flex flex-col items-center gap-2 text-ink-soft">
  <p class="pb-1 text-lg">{TEXTS.emptySurface}</p>
  {#each ways as { action, text } (action)}
    <p>
      <Chord {action} />
      {text}
    </p>
  {/each}
</div>
