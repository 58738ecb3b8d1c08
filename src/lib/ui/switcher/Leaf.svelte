<script lang="ts">
  import { standingText } from '../../core/switcher/standing-text';
  import { durationText } from '../words/times';
  import { usedAt } from '../../core/model/order';
  import { activeTab, titleOf, windowOf } from '../../core/slices/windows/selectors';
  import { documentOf } from '../../core/slices/documents/selectors';
  import { shownText } from '../../core/slices/drafts/selectors';
  import { standingOfWindow } from '../../core/switcher/standing';
  import type { SwitcherSize } from '../../core/layout/switcher-size';
  import { folded, type SplitTitle } from '../../core/layout/similar-titles';
  import StandIn from '../../stand-ins/StandIn.svelte';
  import { OUTSIDE } from '../../core/slices/host/events';
  import { deskHere } from '../desk/desk.svelte';
  import WindowPicture from '../display/WindowPicture.svelte';
  import Comma from '../parts/Comma.svelte';
  import { TEXTS } from '../words/texts';

  const desk = deskHere();
  let {
    id,
    selected,
    preview,
    title,
    size,
    now,
  }: {
    id: string;
    selected: boolean;
    preview: boolean;
    /** Its title, split from what it shares with its neighbours. */
    title: SplitTitle | undefined;
    size: SwitcherSize;
    now: Date;
  } = $props();

  /** Letters that fit a leaf's width in the small type. */
  const FOLDED_LETTERS = 28;
  /** More tabs than these are not marked one by one. */
  const MOST_TAB_MARKS = 12;

  const window = $derived(windowOf(desk.session, id));
  const document = $derived(documentOf(desk.session, activeTab(window).document));
  /** What it shows is not known here: the display has it. */
  const outside = $derived(document.kind === OUTSIDE);
  const text = $derived(shownText(desk.session, window));
  const standing = $derived(standingOfWindow(desk.session, id).map(standingText));
  const tabs = $derived(
    window.tabs.length > 1
      ? TEXTS.tabsOf(window.tabs.findIndex((tab) => tab.id === window.activeTab) + 1, window.tabs.length)
      : '',
  );
  const states = $derived([tabs, ...standing].filter((state) => state !== ''));
  const used = $derived(usedAt(desk.session.recent.windows, id));
  const ago = $derived(used === null ? TEXTS.neverUsed : TEXTS.ago(durationText(used, now, 'short')));
</script>

<div
  role="gridcell"
  id="leaf-{id}"
  aria-selected={selected}
  tabindex="-1"
  data-window={id}
  title={titleOf(window)}
  style:width="{size.leafWidth}px"
  style:height="{size.leafHeight}px"
  class="flex flex-col justify-end border border-line bg-paper contain-layout contain-size contain-style
    {selected ? 'outline-[3px] outline-offset-2 outline-ink' : ''}"
>
  {#if outside}
    <div
      class={['min-h-0 flex-1 overflow-hidden border-b border-line-soft', window.minimised && 'opacity-60']}
      aria-hidden="true"
    >
      <WindowPicture {id} width={size.leafWidth} looked={preview} />
    </div>
  {/if}
  {#if window.minimised}
    <div class="fold-up mx-2 mb-1 h-3 border border-line" aria-hidden="true"></div>
  {:else if !outside}
    <div class="min-h-0 flex-1 overflow-hidden border-b border-line-soft" aria-hidden="true" inert>
      <div
        class="origin-top-left"
        style:width="{size.preview.width}px"
        style:height="{size.preview.height}px"
        style:transform="scale({size.preview.scale})"
      >
        {#if preview}<StandIn {document} {text} day={now} />{/if}
      </div>
    </div>
  {/if}
  {#if window.tabs.length > 1}
    <!-- Which of its tabs is shown. -->
    <div class="flex h-1 gap-0.5 px-2 pt-0.5" aria-hidden="true">
      {#each window.tabs.slice(0, MOST_TAB_MARKS) as { id: tab } (tab)}
        <span class={['h-0.5 flex-1', tab === window.activeTab ? 'bg-ink' : 'bg-line']}></span>
      {/each}
    </div>
  {/if}
  <div class="px-2 py-1">
    <div class="text-[13px] leading-tight">
      {#if title?.shared}<span class="block truncate text-xs text-ink-soft"
          >{folded(title.shared, FOLDED_LETTERS)}</span
        >{/if}<b class="font-[650] wrap-break-word" dir="auto">{title?.own ?? titleOf(window)}</b>
    </div>
    <span class="flex justify-between gap-2 text-xs whitespace-nowrap text-ink-soft">
      <span class="truncate">
        {#if states.length > 0}<Comma />{states.join(' · ')}{/if}
      </span>
      <span><Comma />{ago}</span>
    </span>
  </div>
</div>
