<script lang="ts">
  import { KEY_MAP, type HeldKey } from '../../core/keys/key-map';
  import { scrollToSpan, visibleSlice } from '../../core/layout/slice';
  import { unfoldedRow, type Switcher } from '../../core/switcher/switcher';
  import { keyLabel } from '../../client/key-labels.svelte';
  import type { Desk } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import {
    LEAF_LINE_HEIGHT,
    LEAVES_PER_LINE,
    MOST_LEAF_LINES,
    ROW_HEIGHT,
    SWITCHER_FRAME,
    UNFOLDED_FRAME,
  } from '../sizes';
  import { TEXTS } from '../texts';
  import FoldRow from './FoldRow.svelte';
  import UnfoldedRow from './UnfoldedRow.svelte';

  let { desk, switcher, now }: { desk: Desk; switcher: Switcher; now: Date } = $props();

  const LEGEND: readonly { keys: readonly HeldKey[]; text: string }[] = [
    { keys: ['newer-application', 'older-application'], text: 'applications' },
    { keys: ['previous-window', 'next-window'], text: 'windows' },
    { keys: ['minimise'], text: 'minimise' },
    { keys: ['hide-or-show'], text: 'hide' },
    { keys: ['close'], text: 'close' },
    { keys: ['quit'], text: 'quit' },
  ];

  let dialog: HTMLElement;
  let list: HTMLElement;
  let pageHeight = $state(0);
  let scrollTop = $state(0);

  // Reckoned, not measured: measuring would make the browser lay the page out in the middle of a step.
  const viewHeight = $derived(pageHeight - SWITCHER_FRAME);
  const unfolded = $derived(unfoldedRow(switcher));
  const leafLines = $derived(
    Math.min(MOST_LEAF_LINES, Math.ceil((unfolded?.leaves.length ?? 0) / LEAVES_PER_LINE)),
  );
  const leavesHeight = $derived(leafLines * LEAF_LINE_HEIGHT);
  const tallHeight = $derived(UNFOLDED_FRAME + Math.max(leavesHeight, ROW_HEIGHT));
  const totalHeight = $derived(switcher.rows.length * ROW_HEIGHT + tallHeight - ROW_HEIGHT);
  const slice = $derived(
    visibleSlice({
      count: switcher.rows.length,
      lineHeight: ROW_HEIGHT,
      tall: switcher.row,
      tallHeight,
      scrollTop,
      viewHeight,
      spare: 2,
    }),
  );
  const offset = $derived(
    slice.from * ROW_HEIGHT + (slice.from > switcher.row ? tallHeight - ROW_HEIGHT : 0),
  );
  const activeId = $derived(desk.highlighted?.window ? `leaf-${desk.highlighted.window}` : undefined);

  // The highlighted row is always in full view.
  $effect.pre(() => {
    const top = switcher.row * ROW_HEIGHT;
    scrollTop = scrollToSpan(scrollTop, viewHeight, top, top + tallHeight);
  });
  // Set only when it moves: touching it makes the browser lay the page out at once.
  let scrolledTo = 0;
  $effect(() => {
    if (scrollTop === scrolledTo) return;
    scrolledTo = scrollTop;
    list.scrollTop = scrollTop;
  });
  $effect(() => dialog.focus({ preventScroll: true }));
</script>

<svelte:window bind:innerHeight={pageHeight} />
<div class="absolute inset-0 z-10 bg-(--veil)" aria-hidden="true"></div>
<div
  bind:this={dialog}
  role="dialog"
  aria-modal="true"
  aria-label={TEXTS.switcher}
  tabindex="-1"
  class="absolute inset-y-6 left-1/2 [contain:layout_style] z-20 flex w-[912px] max-w-full -translate-x-1/2 flex-col justify-start px-1.5 outline-none"
>
  <div class="cut-corner flex h-11 shrink-0 items-center gap-3 px-4 text-bar-ink">
    <span class="text-[17px]">{TEXTS.switchTo}</span>
    <span class="mr-4 ml-auto font-mono text-xs text-bar-soft">{TEXTS.running(switcher.rows.length)}</span>
  </div>
  <div
    bind:this={list}
    style:max-height="{viewHeight}px"
    onscroll={() => (scrolledTo = scrollTop = list.scrollTop)}
    role="grid"
    tabindex="0"
    aria-label={TEXTS.switchTo}
    aria-rowcount={switcher.rows.length}
    aria-activedescendant={activeId}
    class="-mx-1.5 overflow-x-hidden overflow-y-auto px-1.5 outline-none"
  >
    <div role="presentation" class="relative" style:height="{totalHeight}px">
      <div role="presentation" class="absolute inset-x-0" style:top="{offset}px">
        {#each switcher.rows.slice(slice.from, slice.to) as row, position (row.application)}
          {@const index = slice.from + position}
          {#if index === switcher.row}
            <UnfoldedRow {desk} {row} {index} {leavesHeight} {now} />
          {:else}
            <FoldRow {desk} {row} {index} />
          {/if}
        {/each}
      </div>
    </div>
  </div>
  <div class="flex shrink-0 items-center gap-4 bg-bar px-4 py-2 text-[13px] text-bar-ink">
    {#each LEGEND as { keys, text } (text)}
      <span>
        {#each keys as key (key)}<Key dark label={keyLabel(KEY_MAP[key].code)} />&nbsp;{/each}{text}
      </span>
    {/each}
    <span class="ml-auto">
      {#if switcher.mode === 'holding'}
        let go of <Key dark label={desk.session.settings.holdKey} /> to switch
      {:else}
        <Key dark label="Enter" /> to switch
      {/if}
      · <Key dark label="Esc" /> to stay
    </span>
  </div>
</div>
