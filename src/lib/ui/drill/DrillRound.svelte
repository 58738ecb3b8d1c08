<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import type { Session } from '../../core/session/session';
  import type { Way } from '../../core/tally/way';
  import { deskFor, practiceDesk, type OwnKeys } from '../../core/drill/practice-desk';
  import {
    afterChange,
    beginRound,
    isOver,
    later,
    ROUND_MS,
    type Round,
    type Schedules,
  } from '../../core/drill/round';
  import type { Skill } from '../../core/drill/skills';
  import type { Choose } from '../../core/drill/task';
  import { fromDocument } from '../../core/formats/session-document';
  import { PracticeLink } from '../../client/drill/practice-link';
  import { followKeyboard } from '../../client/key-labels.svelte';
  import { ellavane } from '../../demo/ellavane';
  import { Desk, provideDesk } from '../desk/desk.svelte';
  import FootLine from '../foot/FootLine.svelte';
  import Index from '../index/Index.svelte';
  import Surface from '../surface/Surface.svelte';
  import Survey from '../survey/Survey.svelte';
  import Switcher from '../switcher/Switcher.svelte';
  import { applyTheme } from '../theme/theme';
  import { DRILL_TEXTS } from '../words/drill-texts';
  import TaskLine from './TaskLine.svelte';

  interface Props {
    own: OwnKeys;
    holding: boolean;
    schedules: Schedules;
    /** The skill to begin with. */
    first: Skill | null;
    over: (round: Round) => void;
  }
  /** A minute at the practice desk. */
  let { own, holding, schedules, first, over }: Props = $props();

  const TICK_MS = 200;
  const choose: Choose = (from) => from[Math.floor(Math.random() * from.length)];
  const base = untrack(() => practiceDesk(fromDocument(ellavane(new Date())), own, holding));
  const anew = (used: Session, task: Round['task']) => deskFor(base, used, task);

  let link: PracticeLink | undefined;
  const desk = new Desk(
    (listener) => {
      link = new PracticeLink(base, { changed, laid: () => listener.changed() });
      return link;
    },
    // What is about the page, or about a person's own desk, is not for here.
    ({ group }) => group !== 'page',
  );
  provideDesk(desk);
  // A practice desk gives no advice.
  desk.coach.on = false;

  let now = $state(Date.now());
  let round = $state.raw(untrack(() => beginRound(base, schedules, Date.now(), choose, first)));
  /** Whether the desk has to be laid anew for the task, once no key is held. */
  let due = $state(false);

  function changed(before: Session, after: Session, facts: { readonly way: Way } | null) {
    // The desk may be in the middle of several wishes.
    queueMicrotask(() => {
      const at = Date.now();
      const next = anew(after, null);
      const tries = round.tries.length;
      round = afterChange(round, { before, after, facts, next }, at, choose);
      if (round.tries.length > tries) due = true;
    });
  }

  const atRest = $derived(
    !desk.state.switcher && !desk.state.walk && !desk.state.survey && !desk.state.holding,
  );
  $effect(() => {
    if (!due || !atRest) return;
    due = false;
    untrack(() => link?.lay(anew(link.sessionNow, round.task)));
  });
  // There are no dialogs here.
  $effect(() => {
    if (desk.dialog === null) return;
    desk.dialog = null;
    desk.say(DRILL_TEXTS.notHere, true);
  });
  $effect(() => applyTheme(own.settings.theme));

  /** Where Escape has nothing else to leave, it leaves the round, and nothing beyond. */
  function onKeyDown(event: KeyboardEvent) {
    if (event.key !== 'Escape' || !atRest) return desk.onKey(event);
    event.stopPropagation();
    over(round);
  }

  onMount(() => {
    link?.lay(anew(base, round.task));
    const unfollow = followKeyboard();
    const clock = setInterval(() => {
      now = Date.now();
      round = later(round, now);
      if (isOver(round, now)) over(round);
    }, TICK_MS);
    return () => {
      unfollow();
      clearInterval(clock);
      desk.leave();
    };
  });
</script>

<svelte:window
  onkeydowncapture={onKeyDown}
  onkeyupcapture={desk.onKey}
  onpointermovecapture={desk.onPointer}
  onpointerdowncapture={desk.onPointer}
  onblur={desk.onBlur}
/>
<div class="relative flex h-full flex-col overflow-hidden">
  <TaskLine
    {round}
    seconds={Math.max(0, Math.ceil((round.since + ROUND_MS - now) / 1000))}
    stop={() => over(round)}
  />
  <div class="relative flex min-h-0 flex-1">
    <div class="relative flex min-h-0 flex-1" inert={desk.shown}>
      <Surface day={new Date(now)} />
      {#if desk.survey?.sheet}<Survey
          survey={desk.survey}
          sheet={desk.survey.sheet}
          now={new Date(now)}
        />{/if}
      <Index />
    </div>
    {#if desk.switcher && desk.shown}<Switcher switcher={desk.switcher} now={new Date(now)} />{/if}
  </div>
  <FootLine now={new Date(now)} />
  <div class="sr-only" role="status" aria-live="polite">{desk.announcement}</div>
</div>
