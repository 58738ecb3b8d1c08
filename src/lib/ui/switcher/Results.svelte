<script lang="ts">
  import type { Slice } from '../../core/layout/slice';
  import { marksOf, type Found } from '../../core/search/search';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { documentOf } from '../../core/slices/documents/selectors';
  import { windowOf } from '../../core/slices/windows/selectors';
  import { standingOfApplication, standingOfLoneWindow } from '../../core/switcher/standing';
  import type { SwitcherSearch } from '../../core/switcher/switcher';
  import type { Desk } from '../desk/desk.svelte';
  import Chord from '../parts/Chord.svelte';
  import Monogram from '../parts/Monogram.svelte';
  import { KIND_TEXTS, standingText, TEXTS } from '../texts';
  import MarkedText from './MarkedText.svelte';

  let { desk, search, slice }: { desk: Desk; search: SwitcherSearch; slice: Slice } = $props();

  /** The application that a result belongs to; null for a command. */
  function ownerOf({ candidate: { wish } }: Found) {
    if (wish?.type === 'bring-to-front')
      return applicationOf(desk.session, windowOf(desk.session, wish.window).application);
    if (wish?.type === 'switch-to-application') return applicationOf(desk.session, wish.application);
    if (wish?.type === 'open-document')
      return applicationOf(desk.session, documentOf(desk.session, wish.document).application);
    return null;
  }

  function standingOf({ candidate: { wish, running, kind } }: Found): string[] {
    if (wish?.type === 'bring-to-front')
      return standingOfLoneWindow(desk.session, wish.window).map(standingText);
    if (wish?.type !== 'switch-to-application') return [];
    if (!running) return kind === 'application' ? [TEXTS.notRunning] : [];
    const leaves = desk.switcher?.rows.find((row) => row.application === wish.application)?.leaves ?? [];
    return standingOfApplication(desk.session, wish.application, leaves).map(standingText);
  }
</script>

{#each search.results.slice(slice.from, slice.to) as found, position (position)}
  {@const index = slice.from + position}
  {@const { candidate } = found}
  {@const marks = marksOf(found)}
  {@const owner = ownerOf(found)}
  <div role="row" tabindex="-1" aria-label={candidate.title} aria-rowindex={index + 1}>
    <div
      role="gridcell"
      id="result-{index}"
      tabindex="-1"
      aria-selected={index === search.highlighted}
      data-result={index}
      class="grid h-[38px] grid-cols-[34px_minmax(0,auto)_1fr_auto_96px] items-center border-b border-line pr-3.5 pl-3.5
        {index === search.highlighted
        ? '-mx-1.5 border-x-[6px] border-x-marigold bg-paper-high font-semibold'
        : index % 2
          ? 'fold-down'
          : 'fold-up'}"
    >
      {#if owner}<Monogram application={owner} />{:else}<span></span>{/if}
      <span class="truncate"><MarkedText text={candidate.title} marks={marks.title} /></span>
      <span class="truncate pl-3 font-normal text-ink-soft"
        ><MarkedText text={candidate.detail} marks={marks.detail} /></span
      >
      <span class="flex gap-1.5 px-2 font-normal">
        {#each standingOf(found) as state (state)}
          <span class="rounded-xs border border-line bg-paper-high px-1.5 text-xs whitespace-nowrap"
            >{state}</span
          >
        {/each}
        {#if candidate.command?.key}
          <Chord settings={desk.session.settings} held={candidate.command.key} />
        {/if}
      </span>
      <span class="text-right text-xs font-normal text-ink-soft">{KIND_TEXTS[candidate.kind]}</span>
    </div>
  </div>
{/each}
