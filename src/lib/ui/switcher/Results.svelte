<script lang="ts">
  import type { Slice } from '../../core/layout/slice';
  import { markedFound } from '../../core/search/marks';
  import type { Found } from '../../core/search/matches';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { titleOf, windowOf } from '../../core/slices/windows/selectors';
  import { standingOfApplication, standingOfLoneWindow } from '../../core/switcher/standing';
  import type { SwitcherSearch } from '../../core/switcher/switcher';
  import { deskHere } from '../desk/desk.svelte';
  import Chord from '../parts/Chord.svelte';
  import Comma from '../parts/Comma.svelte';
  import Monogram from '../parts/Monogram.svelte';
  import { standingText } from '../../core/switcher/standing-text';
  import { KIND_TEXTS, REASONS, TEXTS } from '../words/texts';
  import MarkedText from './MarkedText.svelte';

  const desk = deskHere();
  let { search, slice }: { search: SwitcherSearch; slice: Slice } = $props();

  /** The application that a result belongs to; null for a command. */
  const ownerOf = ({ candidate: { subject } }: Found) =>
    subject.kind === 'command' ? null : applicationOf(desk.session, subject.application);

  /** Why a result stands where it does, where its marked letters alone do not say it. */
  const reasonOf = ({ kind, lesson }: Found) =>
    lesson ? TEXTS.chosenBefore(lesson.times, lesson.letters) : REASONS[kind];

  function standingOf(found: Found): string[] {
    const { subject } = found.candidate;
    const shut = subject.kind !== 'command' && desk.isShut(subject.application);
    return [...(shut ? [TEXTS.opensNot] : []), ...statesOf(found)];
  }

  function statesOf({ candidate: { subject } }: Found): string[] {
    if (subject.kind === 'window')
      return standingOfLoneWindow(desk.session, subject.window).map(standingText);
    if (subject.kind === 'tab') return [TEXTS.tabIn(titleOf(windowOf(desk.session, subject.window)))];
    if (subject.kind !== 'application') return [];
    if (!applicationOf(desk.session, subject.application).running) return [TEXTS.notRunning];
    const leaves = desk.switcher?.all.find((row) => row.application === subject.application)?.leaves ?? [];
    return standingOfApplication(desk.session, subject.application, leaves).map(standingText);
  }
</script>

{#each search.results.slice(slice.from, slice.to) as found, position (position)}
  {@const index = slice.from + position}
  {@const { candidate } = found}
  {@const marked = markedFound(found)}
  {@const reason = reasonOf(found)}
  {@const standing = standingOf(found)}
  {@const texts = marked.beside.filter(({ text }) => !standing.includes(text))}
  {@const owner = ownerOf(found)}
  <div role="row" tabindex="-1" aria-label={candidate.title} aria-rowindex={index + 1}>
    <div
      role="gridcell"
      id="result-{index}"
      tabindex="-1"
      aria-selected={index === search.highlighted}
      data-result={index}
      class="grid h-[38px] grid-cols-[34px_minmax(0,auto)_1fr_auto_96px] items-center border-b border-line pr-3.5 pl-3.5 max-sm:grid-cols-[34px_minmax(0,auto)_1fr_auto_64px]
        {index === search.highlighted
        ? '-mx-1.5 border-x-[6px] border-x-marigold bg-paper-high font-semibold'
        : index % 2
          ? 'fold-down'
          : 'fold-up'}"
    >
      {#if owner}<Monogram application={owner} />{:else}<span></span>{/if}
      <span class="truncate"><MarkedText {...marked.title} /></span>
      <span class="truncate pl-3 font-normal text-ink-soft"
        >{#each texts as beside, nth (nth)}{nth > 0 ? ' · ' : ''}<Comma /><MarkedText
            {...beside}
          />{/each}</span
      >
      <span class="flex gap-1.5 px-2 font-normal">
        {#if reason}<span class="chip bg-paper-high max-sm:hidden"><Comma />{reason}</span>{/if}
        {#each standing as text (text)}
          {@const beside = marked.beside.find((one) => one.text === text)}
          <span class="chip bg-paper-high"><Comma /><MarkedText {text} marks={beside?.marks ?? []} /></span>
        {/each}
        {#if candidate.subject.kind === 'command'}
          <span class="max-sm:hidden"><Comma /><Chord action={candidate.subject.invocation.action} /></span>
        {/if}
      </span>
      <span class="text-right text-xs font-normal text-ink-soft"
        ><Comma />{KIND_TEXTS[candidate.subject.kind]}</span
      >
    </div>
  </div>
{/each}
