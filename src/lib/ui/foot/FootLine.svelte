<script lang="ts">
  import { format } from 'date-fns';
  import { KEY_MAP } from '../../core/keys/key-map';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { askingWindows } from '../../core/slices/recency/selectors';
  import { titleOf, windowOf } from '../../core/slices/windows/selectors';
  import { holdKeyOf } from '../../core/slices/settings/state';
  import type { Desk } from '../desk/desk.svelte';
  import { LEGENDS } from '../legends';
  import Chord from '../parts/Chord.svelte';
  import Key from '../parts/Key.svelte';
  import Legend from '../parts/Legend.svelte';
  import { putAwayText, TEXTS } from '../texts';

  let { desk, now }: { desk: Desk; now: Date } = $props();

  const front = $derived(desk.session.front === null ? null : windowOf(desk.session, desk.session.front));
  const asking = $derived(askingWindows(desk.session).length);
  const workspace = $derived(desk.session.workspaces.find(({ id }) => id === desk.session.workspace)?.name);
  const keys = $derived.by(() => {
    const { foot } = LEGENDS;
    if (desk.shown) return desk.held && desk.shifted ? foot.underSwitcherWithShift : foot.underSwitcher;
    if (!desk.held) return foot.resting;
    return desk.shifted ? foot.heldWithShift : foot.held;
  });
</script>

<footer
  class="relative z-30 flex h-[30px] shrink-0 items-center gap-3.5 bg-bar px-3 text-[13px] whitespace-nowrap text-bar-ink"
>
  {#if desk.urgent}
    <span class="truncate bg-marigold px-2 text-on-marigold">{desk.announcement}</span>
  {:else if front}
    <b class="shrink-0">{applicationOf(desk.session, front.application).name}</b>
    <span class="max-w-60 shrink-0 truncate">{titleOf(front)}</span>
  {:else}
    <span>{TEXTS.nothingInFront}</span>
  {/if}
  {#if desk.putAway}
    <button
      type="button"
      tabindex="-1"
      class="truncate text-bar-soft"
      onmousedown={(event) => event.preventDefault()}
      onclick={() => desk.press('put-back')}
      ><Key dark code={KEY_MAP['put-back'].code} />
      {TEXTS.putsBack(putAwayText(desk.putAway))}</button
    >
  {/if}
  {#if desk.link.offline}
    <span class="bg-marigold px-2 text-on-marigold"
      >{TEXTS.offline}{desk.link.unsent > 0 ? ` (${TEXTS.unsent(desk.link.unsent)})` : ''}</span
    >
  {:else if desk.link.late}
    <span class="shrink-0 bg-marigold px-2 text-on-marigold">{TEXTS.notStoredYet(desk.link.unsent)}</span>
  {/if}
  {#if asking > 0}
    <button
      type="button"
      tabindex="-1"
      class="flex shrink-0 items-center gap-1.5 bg-marigold px-2 text-on-marigold"
      onmousedown={(event) => event.preventDefault()}
      onclick={() => desk.nextQuestion()}
      ><Chord settings={desk.session.settings} held="next-question" />
      {TEXTS.askingCount(asking)}</button
    >
  {/if}
  {#if desk.link.aside.length > 0}
    <button
      type="button"
      class="shrink-0 bg-marigold px-2 text-on-marigold underline underline-offset-2"
      onclick={() => (desk.settingsOpen = true)}>{TEXTS.asideCount(desk.link.aside.length)}</button
    >
  {/if}
  <!-- What does not fit goes to a second line, which is not seen: no key is cut in two. -->
  <span class="ml-auto flex h-6 min-w-0 flex-wrap items-center justify-end gap-x-2.5 overflow-hidden">
    {#if !desk.held}<span class="flex h-6 items-center gap-1"
        >hold <Key dark label={holdKeyOf(desk.session.settings)} /> then</span
      >{/if}
    <Legend {desk} entries={keys} />
  </span>
  <button type="button" class="underline underline-offset-2" onclick={() => desk.openStaying()}
    >{TEXTS.switchButton}</button
  >
  <span class="shrink-0 text-bar-soft">{workspace}</span>
  <time class="shrink-0 font-mono text-xs">{format(now, 'EEE d MMM HH:mm')}</time>
</footer>
