<script lang="ts">
  import { usedAt } from '../../core/model/order';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { digitOf } from '../../core/slices/places/selectors';
  import { titleOf, windowOf } from '../../core/slices/windows/selectors';
  import { standingOfLoneWindow } from '../../core/switcher/standing';
  import { standingText } from '../../core/switcher/standing-text';
  import { deskHere } from '../desk/desk.svelte';
  import Monogram from '../parts/Monogram.svelte';
  import { TEXTS } from '../words/texts';
  import { durationText } from '../words/times';

  /** What a window is called, how it stands, and the digit of its application’s place. */
  let { id, now, selected }: { id: string; now: Date; selected: boolean } = $props();

  const desk = deskHere();
  const window = $derived(windowOf(desk.session, id));
  const application = $derived(applicationOf(desk.session, window.application));
  const digit = $derived(digitOf(desk.session, window.application));
  const used = $derived(usedAt(desk.session.recent.windows, id));
  const states = $derived([
    ...(desk.session.front === id ? [TEXTS.front] : []),
    ...(application.answering ? [] : [standingText({ type: 'not-answering' })]),
    ...standingOfLoneWindow(desk.session, id).map(standingText),
  ]);
  const ago = $derived(used === null ? TEXTS.neverUsed : durationText(used, now, 'short'));
</script>

<div
  class={[
    '@container flex h-full min-w-0 items-center gap-2 overflow-hidden pl-1.5 text-[13px]',
    digit === null && 'pr-1.5',
    // An outline without colour is seen where the system sets all colours.
    selected
      ? 'bg-marigold text-on-marigold outline-2 -outline-offset-2 outline-transparent'
      : 'bg-paper-high',
  ]}
>
  <Monogram {application} />
  <b class="min-w-8 shrink grow truncate font-[650]" dir="auto" title={titleOf(window)}>{titleOf(window)}</b>
  {#if states.length > 0}
    <span class={['min-w-0 shrink-[99] truncate text-xs', !selected && 'text-ink-soft']}
      >{states.join(' · ')}</span
    >
  {:else}
    <!-- Where there is little room it is the title that is read. -->
    <span class={['shrink-0 text-xs @max-[180px]:sr-only', !selected && 'text-ink-soft']}>{ago}</span>
  {/if}
  {#if digit !== null}
    <span
      class="mr-0 ml-0.5 h-[22px] shrink-0 rounded-l-[6px] border border-r-0 border-line bg-paper px-1.5 font-mono text-xs/5 text-ink"
      aria-hidden="true">{digit}</span
    >
  {/if}
</div>
