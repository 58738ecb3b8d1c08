<script lang="ts">
  import { tick, untrack } from 'svelte';
  import { afterNavigate, goto } from '$app/navigation';
  import type { OwnKeys } from '../../core/drill/practice-desk';
  import { withRound, type DrillRecord } from '../../core/drill/record';
  import type { Round } from '../../core/drill/round';
  import type { Skill } from '../../core/drill/skills';
  import { keepDrill, keptDrill } from '../../client/drill/drill-keeper';
  import { leaveLocked } from '../../client/lock';
  import { followNews } from '../../client/news/follow';
  import { pageStorage } from '../../client/page-storage';
  import { sessionPage } from '../../client/session-api';
  import Key from '../parts/Key.svelte';
  import { applyTheme } from '../theme/theme';
  import { DRILL_TEXTS } from '../words/drill-texts';
  import Curve from './Curve.svelte';
  import DrillRound from './DrillRound.svelte';
  import SkillTable from './SkillTable.svelte';

  /** Practice: rounds of a minute, how each key goes, and one's own curve. `after`: the event after which the session is followed. */
  let { session, own, after, first }: { session: string; own: OwnKeys; after: number; first: Skill | null } =
    $props();

  let record = $state.raw<DrillRecord>(keptDrill(pageStorage()));
  let holding = $state(untrack(() => own.settings.holding));
  let running = $state(false);
  let result = $state('');
  let wanted = $state(untrack(() => first));
  let button = $state<HTMLButtonElement | null>(null);

  // Not before: the framework takes the focus away at the end of every navigation.
  afterNavigate(() => button?.focus());
  $effect(() => applyTheme(own.settings.theme));
  // A desk that is locked is locked at all its pages.
  $effect(() => followNews({ session, after }, ({ type }) => type === 'locked' && void leaveLocked(session)));

  async function over(round: Round) {
    if (!running) return;
    running = false;
    wanted = null;
    const kept = keptDrill(pageStorage());
    const after = withRound(kept, round, holding);
    const past = after === kept ? null : after.rounds.at(-1);
    result = DRILL_TEXTS.result(past?.tasks ?? 0, past?.missed ?? 0, past?.median ?? null);
    record = after;
    if (!keepDrill(pageStorage(), after)) result += ` ${DRILL_TEXTS.notKept}`;
    await tick();
    button?.focus();
  }

  function onkeydown(event: KeyboardEvent) {
    if (running || event.altKey || event.ctrlKey || event.metaKey) return;
    if (event.key === 'Escape') void goto(sessionPage(session));
    else if (event.code === 'KeyH') holding = !holding;
    else return;
    event.preventDefault();
  }
</script>

<svelte:window {onkeydown} />
<div class="sr-only" role="status" aria-live="polite">{running ? '' : result}</div>
<svelte:head><title>{DRILL_TEXTS.title} · Key Fold</title></svelte:head>

{#if running}
  <DrillRound {own} {holding} schedules={record.schedules} first={wanted} {over} />
{:else}
  <main class="flex h-full flex-col bg-paper">
    <div class="min-h-0 flex-1 overflow-auto px-8 pt-4 pb-6 max-sm:px-3">
      <div class="border-l-[6px] border-marigold pl-4">
        <h1 class="text-[22px]/7 font-[650]">{result || DRILL_TEXTS.title}</h1>
        <p class="max-w-[90ch] text-[13px] text-ink-soft">{DRILL_TEXTS.hint}</p>
      </div>
      <p class="mt-4 flex flex-wrap items-center gap-4">
        <button
          bind:this={button}
          type="button"
          class="key-shaped border-line bg-paper-high px-3 py-1 font-[650]"
          onclick={() => (running = true)}>{result ? DRILL_TEXTS.again : DRILL_TEXTS.start}</button
        >
        <span>{DRILL_TEXTS.holding[`${holding}`]}.</span>
      </p>
      <div class="mt-5 grid grid-cols-2 gap-x-9 gap-y-5 max-lg:grid-cols-1">
        <SkillTable {record} />
        <Curve {record} />
      </div>
    </div>
    <footer
      class="flex min-h-[30px] shrink-0 flex-wrap items-center gap-x-4 bg-bar px-3 text-[13px] text-bar-ink"
    >
      <b>{DRILL_TEXTS.title}</b>
      <span class="ml-auto flex flex-wrap gap-x-3.5">
        <button
          type="button"
          class="flex h-6 items-center gap-1.5"
          aria-pressed={holding}
          onclick={() => (holding = !holding)}><Key dark label="H" />{DRILL_TEXTS.level}</button
        >
        <a class="flex h-6 items-center gap-1.5" href={sessionPage(session)}
          ><Key dark label="Esc" />{DRILL_TEXTS.back}</a
        >
      </span>
    </footer>
  </main>
{/if}
