<script lang="ts">
  import Search from '@lucide/svelte/icons/search';
  import { LEGENDS } from '../../core/actions/views/legend';
  import { carriedTitle } from '../../core/carrying/carried';
  import { visibleSlice } from '../../core/layout/slice';
  import { switcherSize } from '../../core/layout/switcher-size';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { titleOf, windowOf } from '../../core/slices/windows/selectors';
  import {
    commitEffect,
    highlightedResult,
    unfoldedRow,
    windowsElsewhere,
    type Switcher,
  } from '../../core/switcher/switcher';
  import { holdKeyOf } from '../../core/slices/settings/state';
  import { deskHere } from '../desk/desk.svelte';
  import Chord from '../parts/Chord.svelte';
  import Key from '../parts/Key.svelte';
  import Legend from '../parts/Legend.svelte';
  import { MOST_LEAF_LINES, ROW_HEIGHT, SWITCHER_FRAME, UNFOLDED_FRAME } from '../sizes';
  import { TEXTS } from '../words/texts';
  import Results from './Results.svelte';
  import FoldRow from './FoldRow.svelte';
  import { ListScroll } from './list-scroll.svelte';
  import UnfoldedRow from './UnfoldedRow.svelte';

  const desk = deskHere();
  let { switcher, now }: { switcher: Switcher; now: Date } = $props();

  let dialog: HTMLElement;
  let pageWidth = $state(innerWidth);
  let pageHeight = $state(innerHeight);
  const scroll = new ListScroll();

  // Calculated, not measured: measuring would make the browser lay the page out in the middle of a step.
  const viewHeight = $derived(pageHeight - SWITCHER_FRAME);
  const unfolded = $derived(unfoldedRow(switcher));
  const size = $derived(switcherSize({ width: pageWidth, height: pageHeight }));
  const leafLines = $derived(
    Math.min(MOST_LEAF_LINES, Math.ceil((unfolded?.leaves.length ?? 0) / size.perLine)),
  );
  const leavesHeight = $derived(leafLines * size.lineHeight);
  const tallHeight = $derived(UNFOLDED_FRAME + Math.max(leavesHeight, ROW_HEIGHT));
  const totalHeight = $derived(
    Math.max(1, switcher.rows.length) * ROW_HEIGHT + (unfolded ? tallHeight - ROW_HEIGHT : 0),
  );
  const slice = $derived(
    visibleSlice({
      count: switcher.search?.results.length ?? switcher.rows.length,
      lineHeight: ROW_HEIGHT,
      tall: switcher.search ? -1 : switcher.row,
      tallHeight,
      scrollTop: scroll.top,
      viewHeight,
      spare: 2,
    }),
  );
  const offset = $derived(
    slice.from * ROW_HEIGHT +
      (!switcher.search && unfolded && slice.from > switcher.row ? tallHeight - ROW_HEIGHT : 0),
  );
  // Making rows and laying them out is what costs most in a step, so none is made, thrown away or moved in the page:
  // every row is there folded, and the unfolded one lies over the room that its folded one leaves. Those who hear the
  // page find it there too: `aria-owns` says the order of the rows (WAI-ARIA 1.2).
  const drawn = $derived(switcher.rows.slice(slice.from, slice.to));
  const unfoldedAt = $derived(switcher.row - slice.from);
  const order = $derived(
    drawn.map(({ application }, at) => (at === unfoldedAt ? 'unfolded-row' : `row-${application}`)).join(' '),
  );
  /** The highlight, where what is carried cannot be laid down. */
  const shut = $derived(
    desk.highlighted && desk.isShut(desk.highlighted.application) ? desk.highlighted : null,
  );
  /** What letting go or Enter will do at this moment. */
  const willDo = $derived.by(() => {
    const { carrying, highlighted } = desk;
    if (carrying && highlighted) {
      const { name } = applicationOf(desk.session, highlighted.application);
      return TEXTS.willOpenIn(carriedTitle(desk.session, carrying), name);
    }
    const will = commitEffect(switcher, desk.session);
    switch (will.type) {
      case 'window':
        return TEXTS.willSwitch(titleOf(windowOf(desk.session, will.window)));
      case 'application':
        return TEXTS.willOpenWindow(applicationOf(desk.session, will.application).name);
      case 'found': {
        const { subject, title } = will.found.candidate;
        if (subject.kind === 'command') return TEXTS.willDo(title);
        const running =
          subject.kind === 'window' ||
          subject.kind === 'tab' ||
          applicationOf(desk.session, subject.application).running;
        return subject.kind !== 'document' && running ? TEXTS.willSwitch(title) : TEXTS.willOpen(title);
      }
      case 'nothing': {
        const { front } = desk.session;
        return TEXTS.willStay(front === null ? null : titleOf(windowOf(desk.session, front)));
      }
    }
  });
  const activeId = $derived.by(() => {
    if (switcher.search)
      return switcher.search.highlighted < 0 ? undefined : `result-${switcher.search.highlighted}`;
    return desk.highlighted?.window ? `leaf-${desk.highlighted.window}` : undefined;
  });

  // Whenever the highlight moves it comes into full view.
  $effect.pre(() => {
    const top = (switcher.search?.highlighted ?? switcher.row) * ROW_HEIGHT;
    scroll.reveal(viewHeight, top, top + (switcher.search ? ROW_HEIGHT : tallHeight));
  });
  let line: HTMLInputElement;
  // While the key is held the dialog has the focus, and no letter is text; once it stays, the search line has it.
  const staying = $derived(switcher.mode === 'staying');
  $effect(() => (staying ? line : dialog).focus({ preventScroll: true }));

  const within = $derived(switcher.search?.within ?? []);
  const scrollHeight = $derived(
    switcher.search ? Math.max(ROW_HEIGHT, switcher.search.results.length * ROW_HEIGHT) : totalHeight,
  );

  /** How many rows there are, and where the rest is. */
  const whatIsShown = $derived(
    switcher.shows === 'everything'
      ? TEXTS.running(switcher.rows.length)
      : TEXTS.shownHere(
          switcher.rows.length,
          windowsElsewhere(switcher, desk.session).map(({ name, windows }) => `${name} ${windows}`),
          desk.chord('everything-or-here'),
        ),
  );

  const emptyText = $derived.by(() => {
    if (switcher.search)
      return switcher.search.results.length === 0 && TEXTS.nothingFound(switcher.search.letters);
    return switcher.rows.length === 0 && TEXTS.nothingRuns(desk.chord('search'));
  });

  let draggedOver: EventTarget | null = null;
  /** What lies under the pointer: a result, a leaf, or a row. */
  function under(event: Event): (() => void) | null {
    const target = event.target instanceof Element ? event.target : null;
    const { result } = target?.closest<HTMLElement>('[data-result]')?.dataset ?? {};
    if (result !== undefined) return () => desk.pointResult(Number(result));
    const { application } = target?.closest<HTMLElement>('[data-application]')?.dataset ?? {};
    const { window: leaf } = target?.closest<HTMLElement>('[data-window]')?.dataset ?? {};
    return application === undefined ? null : () => desk.point(application, leaf ?? null);
  }

  /** A press of the pointer beside the search line must not take the keys away from it. */
  function keepFocus(event: MouseEvent) {
    if (event.target !== line) event.preventDefault();
  }

  function hover(event: PointerEvent) {
    if (desk.pointerMoved(event)) under(event)?.();
  }

  /** What is dragged over a row unfolds it, and over a leaf goes to that. */
  function dragOver(event: DragEvent) {
    if (!desk.carrying) return;
    event.preventDefault();
    if (event.target !== draggedOver) under(event)?.();
    draggedOver = event.target;
  }

  function drop(event: DragEvent) {
    if (!desk.carrying) return;
    event.preventDefault();
    event.stopPropagation();
    under(event)?.();
    desk.invoke('commit');
  }

  function choose(event: MouseEvent) {
    const point = under(event);
    if (!point) return;
    point();
    desk.invoke(event.shiftKey ? 'commit-all' : 'commit');
  }
</script>

<svelte:window bind:innerWidth={pageWidth} bind:innerHeight={pageHeight} />
<div
  class="absolute inset-0 z-10 bg-(--veil)"
  aria-hidden="true"
  onpointerdown={() => desk.invoke('cancel')}
></div>
<div
  bind:this={dialog}
  onmousedown={keepFocus}
  role="dialog"
  aria-modal="true"
  aria-label={TEXTS.switcher}
  tabindex="-1"
  class="{desk.glancing
    ? 'glanced-through'
    : ''} absolute top-6 left-1/2 max-h-[calc(100%-84px)] z-20 will-change-transform [contain:layout_style] flex -translate-x-1/2 flex-col justify-start px-1.5 outline-none"
  style:width="{size.width}px"
>
  <div class="cut-corner flex h-11 shrink-0 items-center gap-3 px-4 text-bar-ink">
    <label class="flex flex-1 items-center gap-3">
      <span class="truncate text-[17px] max-sm:sr-only"
        >{desk.carrying ? TEXTS.carry(carriedTitle(desk.session, desk.carrying)) : TEXTS.switchTo}</span
      >
      <Search size={15} aria-hidden="true" class="text-bar-soft" />
      {#each within as { candidate }, nth (nth)}
        <span class="chip shrink-0 border-bar-soft text-bar-ink" data-within
          ><span class="sr-only">{TEXTS.within}</span> {candidate.title}</span
        >
      {/each}
      <input
        bind:this={line}
        type="text"
        role="combobox"
        aria-expanded="true"
        aria-haspopup="grid"
        aria-autocomplete="list"
        value={switcher.search?.letters ?? ''}
        oninput={(event) => desk.type(event.currentTarget.value)}
        onfocus={() => desk.openStaying()}
        aria-label={TEXTS.searchLine}
        aria-controls="switcher-list"
        aria-activedescendant={activeId}
        placeholder={within.length > 0 ? TEXTS.insideHint : TEXTS.searchHint}
        autocomplete="off"
        spellcheck="false"
        class="h-8 flex-1 border-0 bg-transparent text-bar-ink outline-none placeholder:text-bar-soft"
      />
    </label>
    <span class="mr-4 ml-auto font-mono text-xs text-bar-soft"
      >{switcher.search ? TEXTS.foundCount(switcher.search.results.length) : whatIsShown}</span
    >
  </div>
  <!-- Its keys are handled at the window, before anything in the page sees them. -->
  <!-- svelte-ignore a11y_click_events_have_key_events -->
  <div
    style:max-height="{viewHeight}px"
    {@attach scroll.keep}
    onpointermove={hover}
    ondragenter={dragOver}
    ondragover={dragOver}
    ondrop={drop}
    onclick={choose}
    id="switcher-list"
    role="grid"
    tabindex="0"
    aria-label={TEXTS.switchTo}
    aria-rowcount={switcher.search?.results.length ?? switcher.rows.length}
    aria-activedescendant={activeId}
    class="-mx-1.5 overflow-x-hidden overflow-y-auto px-1.5 outline-none"
  >
    <div role="presentation" class="relative bg-paper" style:height="{scrollHeight}px">
      <div
        role="rowgroup"
        aria-owns={switcher.search ? undefined : order}
        class="absolute inset-x-0"
        style:top="{offset}px"
      >
        {#if switcher.search}
          <Results search={switcher.search} {slice} />
        {:else}
          {#each drawn as row, position (row.application)}
            {@const index = slice.from + position}
            <FoldRow {row} {index} room={index === switcher.row ? tallHeight : null} />
          {/each}
          {#if unfolded && unfoldedAt in drawn}
            <UnfoldedRow
              row={unfolded}
              index={switcher.row}
              top={unfoldedAt * ROW_HEIGHT}
              {size}
              {leavesHeight}
              {now}
            />
          {/if}
        {/if}
        {#if emptyText}
          <div role="row" tabindex="-1" class="bg-paper-high px-4 leading-[38px]">
            <span role="gridcell">{emptyText}</span>
          </div>
        {/if}
      </div>
    </div>
  </div>
  <div class="flex shrink-0 flex-col gap-1 bg-bar px-4 py-1.5 text-[13px] text-bar-ink">
    <span class="truncate" data-says>
      {#if shut}
        {TEXTS.cannotOpen(applicationOf(desk.session, shut.application).name)}
      {:else if !staying && !desk.unsure}
        {TEXTS.release} <Key dark label={holdKeyOf(desk.session.settings)} />
      {:else}
        <Key dark label="Enter" />
      {/if}
      {shut ? '' : willDo}
      · <Key dark label="Esc" />
      {TEXTS.toCancel}
      {#if highlightedResult(switcher)?.lesson}
        ·
        <button
          type="button"
          tabindex="-1"
          onmousedown={(event) => event.preventDefault()}
          onclick={() => desk.invoke('forget-highlighted')}
          ><Chord dark action="forget-highlighted" /> {TEXTS.toForget}</button
        >
      {/if}
    </span>
    <!-- What does not fit goes to a second line, which is not seen: no key is cut in two. -->
    <span class="flex h-6 min-w-0 flex-wrap items-center gap-x-3.5 overflow-hidden whitespace-nowrap">
      {#if desk.shifted && desk.explained}
        <Legend groups={LEGENDS.holding} shift />
      {:else if staying || desk.unsure}
        <span
          ><Key dark label="↑" /> <Key dark label="↓" /> {switcher.search ? TEXTS.results : TEXTS.rows}</span
        >
        {#if switcher.search}<span><Key dark label="→" /> {TEXTS.goesInto}</span>{/if}
        {#if within.length > 0}<span><Key dark label="←" /> {TEXTS.goesOut}</span>{/if}
        {#if !switcher.search}<span><Key dark label="←" /> <Key dark label="→" /> {TEXTS.leaves}</span>{/if}
        <span><Key dark label={holdKeyOf(desk.session.settings)} /> +</span>
        <Legend groups={LEGENDS.staying} />
      {:else}
        <Legend groups={LEGENDS.holding} />
      {/if}
    </span>
  </div>
</div>
