<script lang="ts">
  import { drillPage } from '../../client/session-api';
  import { skillFor } from '../../core/drill/skills';
  import { digitOf } from '../../core/slices/places/selectors';
  import { windowOf } from '../../core/slices/windows/selectors';
  import { has } from '../../core/model/table';
  import type { WindowId } from '../../core/model/ids';
  import type { Habit } from '../../core/tally/habits';
  import { deskHere } from '../desk/desk.svelte';
  import { TALLY_TEXTS } from '../words/tally-texts';

  /** Where someone goes by more keys than it takes, and what would be shorter. */
  let {
    habits,
    titleOf,
    bind,
  }: { habits: readonly Habit[]; titleOf: (window: string) => string; bind: (window: WindowId) => void } =
    $props();

  const desk = deskHere();
  const TEXTS = TALLY_TEXTS.habits;
  const placeOf = (window: WindowId) => digitOf(desk.session, windowOf(desk.session, window).application);
  /** Less than this, in s a week, is not worth a word. */
  const WORTH_SAYING = 0.5;
</script>

<section aria-label={TEXTS.title} class="col-span-full border-t-2 border-ink pt-1.5">
  <h3 class="font-[650]">{TEXTS.title}</h3>
  <p class="mb-1.5 text-[13px]/4 text-ink-soft">{habits.length === 0 ? TEXTS.none : TEXTS.hint}</p>
  <ol class="flex flex-col">
    {#each habits as habit (habit.window)}
      <li class="flex flex-wrap items-center gap-x-3 border-b border-line-soft py-1">
        <b class="min-w-40">{titleOf(habit.window)}</b>
        <span class="min-w-72 text-ink-soft">{TEXTS.line(habit.perWeek, habit.way)}</span>
        <span class="flex-1">
          {habit.saves >= WORTH_SAYING && habit.better !== habit.way
            ? TEXTS.better(habit.better, habit.saves)
            : ''}
          {TEXTS.bound(habit.boundSaves)}
        </span>
        {#if has(desk.session.windows, habit.window)}
          {@const skill = skillFor(habit.better, placeOf(habit.window))}
          {#if skill}
            <a class="border border-ink bg-paper-high px-2 py-0.5" href={drillPage(desk.link.id, skill)}
              >{TEXTS.practise}<span class="sr-only"> {titleOf(habit.window)}</span></a
            >
          {/if}
          <button
            type="button"
            class="border border-ink bg-paper-high px-2 py-0.5"
            onclick={() => bind(habit.window)}
            >{TEXTS.bind}<span class="sr-only"> {titleOf(habit.window)}</span></button
          >
        {:else}<span class="text-ink-soft">{TEXTS.gone}</span>{/if}
      </li>
    {/each}
  </ol>
</section>
