<script lang="ts">
  import type { HeldKey } from '../../core/keys/key-map';
  import type { Desk } from '../desk/desk.svelte';
  import Chord from '../parts/Chord.svelte';
  import { putAwayText, TEXTS } from '../texts';

  let { desk }: { desk: Desk } = $props();

  /** The ways on from here: only those that lead somewhere. */
  const ways = $derived.by(() => {
    const list: { key: HeldKey; text: string }[] = [{ key: 'search', text: TEXTS.findsAnything }];
    if (desk.putAway) list.unshift({ key: 'put-back', text: TEXTS.putsBack(putAwayText(desk.putAway)) });
    if (desk.session.ended.length > 0) list.unshift({ key: 'reopen', text: TEXTS.reopens });
    if (desk.session.recent.applications.length > 0)
      list.unshift({ key: 'older-application', text: TEXTS.goesToLast });
    return list;
  });
</script>

<div class="absolute inset-x-0 top-1/3 flex flex-col items-center gap-2 text-ink-soft">
  <p class="pb-1 text-lg">{TEXTS.emptySurface}</p>
  {#each ways as { key, text } (key)}
    <p>
      <Chord settings={desk.session.settings} held={key} />
      {text}
    </p>
  {/each}
</div>
