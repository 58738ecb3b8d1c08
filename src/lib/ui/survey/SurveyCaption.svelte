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
  const state = $derived.by(() => {
    const states = standingOfLoneWindow(desk.session, id).map(standingText);
    if (!application.answering) states.unshift(standingText({ type: 'not-answering' }));
    if (desk.session.front === id) states.unshift(TEXTS.front);
    if (states.length > 0) return states.join(' · ');
    return used === null ? TEXTS.neverUsed : durationText(used, now, 'short');
  });
</script>

<div
  class={[
    'flex h-full min-w-0 items-center gap-2 overflow-hidden pl-1.5 text-[13px]',
    // An outline without colour is seen where the system sets all colours.
    selected
      ? 'bg-marigold text-on-marigold outline-2 -outline-offset-2 outline-transparent'
      : 'bg-paper-high',
  ]}
>
  <Monogram {application} />
  <b class="min-w-8 shrink grow truncate font-[650]" dir="auto" title={titleOf(window)}>{titleOf(window)}</b>
  <span class={['min-w-0 shrink-[99] truncate text-xs', !selected && 'text-ink-soft']}>{state}</span>
  {#if digit !== null}
    <span
      class="mr-0 ml-0.5 h-[22px] shrink-0 rounded-l-[6px] border border-r-0 border-line bg-paper px-1.5 font-mono text-xs/5 text-ink"
      aria-hidden="true">{digit}</span
    >
  {/if}
</div>
