<script lang="ts">
  import { standingText } from '../../core/switcher/standing-text';
  import { durationText } from '../words/times';
  import { untrack } from 'svelte';
  import { usedAt } from '../../core/model/order';
  import { splitTitles } from '../../core/layout/similar-titles';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { titleOf, windowOf } from '../../core/slices/windows/selectors';
  import type { SwitcherSize } from '../../core/layout/switcher-size';
  import { visibleSlice } from '../../core/layout/slice';
  import { standingOfApplication } from '../../core/switcher/standing';
  import type { FoldRow } from '../../core/switcher/switcher';
  import { deskHere } from '../desk/desk.svelte';
  import { digitOf } from '../../core/slices/places/selectors';
  import Monogram from '../parts/Monogram.svelte';
  import { PREVIEW_REST_MS } from '../sizes';
  import { spoken } from '../words/spoken';
  import { TEXTS } from '../words/texts';
  import { ListScroll } from './list-scroll.svelte';
  import Leaf from './Leaf.svelte';
  import PlaceDigit from './PlaceDigit.svelte';

  const desk = deskHere();
  let {
    row,
    index,
    top,
    size,
    leavesHeight,
    now,
  }: {
    row: FoldRow;
    index: number;
    /** In px from the first row that is drawn. */
    top: number;
    size: SwitcherSize;
    leavesHeight: number;
    now: Date;
  } = $props();

  const application = $derived(applicationOf(desk.session, row.application));
  const digit = $derived(digitOf(desk.session, row.application));
  const standing = $derived(standingOfApplication(desk.session, row.application, row.leaves));
  const lastUse = $derived(usedAt(desk.session.recent.applications, row.application));
  const selected = $derived(desk.highlighted?.window ?? null);

  // Stepping on quickly moves nothing and draws no previews at all; they come as soon as the highlight rests.
  const UNFOLDING: Keyframe[] = [{ transform: 'scaleY(0.86)' }, {}];
  /** Never longer than this, and only where motion is welcome. It delays nothing. */
  const UNFOLDING_TIME: KeyframeAnimationOptions = { duration: 90, easing: 'ease-out' };
  let element: HTMLElement;
  const which = $derived(row.application);
  let resting = $state(false);
  const still = matchMedia('(prefers-reduced-motion: reduce)');
  $effect(() => {
    void which;
    if (!untrack(() => desk.hurried) && !still.matches) element.animate(UNFOLDING, UNFOLDING_TIME);
    const timer = setTimeout(() => (resting = true), PREVIEW_REST_MS);
    return () => {
      clearTimeout(timer);
      resting = false;
    };
  });

  const scroll = new ListScroll();
  const lines = $derived(Math.ceil(row.leaves.length / size.perLine));
  const slice = $derived(
    visibleSlice({
      count: lines,
      lineHeight: size.lineHeight,
      tall: -1,
      tallHeight: 0,
      scrollTop: scroll.top,
      viewHeight: leavesHeight,
      spare: 0,
    }),
  );
  /** Where not all of them are in sight, which of them is highlighted. */
  const howMany = $derived(
    lines * size.lineHeight > leavesHeight && selected !== null
      ? TEXTS.windowOf(row.leaves.indexOf(selected) + 1, row.leaves.length)
      : TEXTS.windows(row.leaves.length),
  );
  const facts = $derived(
    [howMany, lastUse && TEXTS.used(durationText(lastUse, now))].filter((fact) => fact !== null),
  );
  const chips = $derived([
    ...(desk.isShut(row.application) ? [TEXTS.opensNot] : []),
    ...standing.map(standingText),
  ]);
  const titles = $derived.by(() => {
    const split = splitTitles(row.leaves.map((id) => titleOf(windowOf(desk.session, id))));
    return new Map(row.leaves.map((id, index) => [id, split[index]]));
  });
  const drawn = $derived(row.leaves.slice(slice.from * size.perLine, slice.to * size.perLine));

  $effect.pre(() => {
    const line = Math.floor(row.leaves.indexOf(selected ?? '') / size.perLine);
    if (line < 0) return;
    const top = line * size.lineHeight;
    scroll.reveal(leavesHeight, top, top + size.lineHeight);
  });
</script>

<div
  bind:this={element}
  id="unfolded-row"
  role="row"
  tabindex="-1"
  data-application={row.application}
  aria-label={application.name}
  aria-rowindex={index + 1}
  style:translate="0 {top}px"
  class="{desk.isShut(row.application)
    ? 'shut'
    : ''} absolute -inset-x-1.5 top-0 z-2 origin-top contain-layout contain-style border-x-[6px] border-marigold bg-paper-high pb-1 shadow-unfolded"
>
  <div
    role="rowheader"
    aria-label={spoken(application.name, ...facts, ...chips)}
    class="grid h-[46px] grid-cols-[40px_34px_auto_1fr_auto] items-center pr-3.5"
  >
    <PlaceDigit {digit} />
    <Monogram {application} />
    <b class="text-base font-[650]">{application.name}</b>
    <span class="truncate pl-2.5 text-ink-soft">
      {facts.join(' · ')}
    </span>
    <span class="flex gap-1.5">
      {#each chips as chip (chip)}<span class="chip bg-paper">{chip}</span>{/each}
    </span>
  </div>
  {#if row.leaves.length === 0}
    <div role="gridcell" aria-selected="true" tabindex="-1" class="px-3.5 pb-3 text-ink-soft">
      {TEXTS.noWindows}
    </div>
  {:else}
    <div
      role="presentation"
      {@attach scroll.keep}
      class="overflow-x-hidden overflow-y-auto"
      style:height="{leavesHeight}px"
    >
      <div role="presentation" class="relative" style:height="{lines * size.lineHeight}px">
        <div
          role="presentation"
          class="absolute flex flex-wrap gap-3 px-3.5 pt-1"
          style:top="{slice.from * size.lineHeight}px"
        >
          {#each drawn as id, place (place)}
            <Leaf {id} {now} {size} preview={resting} selected={id === selected} title={titles.get(id)} />
          {/each}
        </div>
      </div>
    </div>
  {/if}
</div>
