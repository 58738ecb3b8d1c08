<script module lang="ts">
  import type { Tally } from '../../core/tally/tally';

  /** What was shown last: it is there at once when the tally is opened again, until it is reckoned anew. */
  let kept: { readonly session: string; readonly tally: Tally } | null = null;
</script>

<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { onMount, tick, untrack } from 'svelte';
  import { windowTarget } from '../../core/actions/target';
  import type { WindowId } from '../../core/model/ids';
  import { PUBLISHED, type Operators } from '../../core/tally/operators';
  import { find } from '../../core/model/table';
  import { blockOf, keepsTally } from '../../core/slices/settings/state';
  import { titleOf } from '../../core/slices/windows/selectors';
  import type { FromTallyWorker } from '../../client/tally/messages';
  import { TallyAsker } from '../../client/tally/tally-asker';
  import { isWriting } from '../../client/is-writing';
  import { pageStorage } from '../../client/page-storage';
  import { DEMO_ID } from '../../demo/demo-id';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import { FIGURE_SENTENCES, savedSentence, TALLY_TEXTS } from '../words/tally-texts';
  import {
    bandsFigure,
    fromToFigure,
    missesFigure,
    practiceFigure,
    stepsFigure,
    waysFigure,
    type Names,
  } from './figures';
  import Advice from './Advice.svelte';
  import Habits from './Habits.svelte';
  import { loadPlotly } from './load-plotly';
  import OperatorFields from './OperatorFields.svelte';
  import { keepOperators, keptOperators } from './own-operators';
  import { paletteOf } from './palette';
  import Pane from './Pane.svelte';
  import { PERIODS, stretch, type Period } from './periods';
  import Recorded from './Recorded.svelte';
  import { bandsTable, fromToTable, missesTable, practiceTable, stepsTable, waysTable } from './tables';

  /** The figures about one's own switching, and what is recorded for them. */
  const desk = deskHere();

  let period = $state<Period>('week');
  /** How many periods before the one that ends today. */
  let back = $state(0);
  let asTables = $state(false);
  let view = $state<'figures' | 'recorded'>('figures');
  let operators = $state.raw<Operators>(keptOperators(pageStorage()));
  const before = untrack(() => (kept?.session === desk.link.id ? kept : null));
  let first = $state<number | null>(null);
  let reading = $state(true);
  let failed = $state(false);
  let tally = $state.raw<Tally | null>(before?.tally ?? null);
  let content = $state<HTMLElement | null>(null);

  const asker = new TallyAsker(desk.link.id, (news) => hear(news));
  const asked = $derived(stretch(period, back, first ?? Date.now()));
  const { settings, applications } = $derived(desk.session);
  const theme = $derived(settings.theme);
  const palette = $derived.by(() => {
    void theme;
    return paletteOf(applications);
  });
  /** What keys mean now, the same object as long as nothing else is. */
  const block = $derived(blockOf(desk.session.settings));
  const keys = $derived.by(() => {
    const [things, aims, hand] = [desk.session.places, desk.session.shortcuts, block];
    return {
      places: things,
      block: hand,
      shortcuts: aims.flatMap(({ aim }) => ('window' in aim ? [aim.window] : [])),
    };
  });
  const names: Names = {
    application: (id) => find(desk.session.applications, id)?.name ?? id,
    monogram: (id) => find(desk.session.applications, id)?.monogram ?? id.slice(0, 2),
  };
  const windowTitle = (id: string) => {
    const window = find(desk.session.windows, id);
    return window ? titleOf(window) : id;
  };

  function hear(news: FromTallyWorker) {
    if (news.type === 'answer') {
      tally = news.tally;
      if (period === 'week' && back === 0) kept = { session: desk.link.id, tally };
      return;
    }
    reading = false;
    failed = news.type === 'failed';
    if (news.type === 'read') first = news.first;
    if (first === null) tally = null;
  }

  function read() {
    reading = true;
    asker.read();
  }

  onMount(() => {
    read();
    void loadPlotly();
    return () => asker.stop();
  });
  $effect(() => {
    if (first !== null) asker.ask({ ...asked, operators, keys });
  });

  function choose(next: Period) {
    period = next;
    back = 0;
  }

  function go(by: 1 | -1) {
    if (PERIODS[period] !== null) back = Math.max(0, back + by);
  }

  async function show(next: typeof view) {
    view = next;
    await tick();
    content?.focus();
    content?.scrollTo({ top: 0 });
  }

  /** Makes a shortcut to a window. */
  function bind(window: WindowId) {
    desk.dialog = null;
    desk.invoke('shortcuts', windowTarget(desk.session, window));
  }

  function changeOperators(next: Operators) {
    operators = next;
    keepOperators(pageStorage(), next);
  }

  /** What was forgotten is in no figure any more. */
  function forgotten() {
    tally = null;
    kept = null;
    first = null;
    read();
  }

  const KEYS: Readonly<Record<string, () => void>> = {
    KeyD: () => choose('day'),
    KeyW: () => choose('week'),
    KeyM: () => choose('month'),
    KeyA: () => choose('all'),
    KeyT: () => (asTables = !asTables),
    KeyR: () => void show(view === 'recorded' ? 'figures' : 'recorded'),
    ArrowLeft: () => go(1),
    ArrowRight: () => go(-1),
  };

  function onkeydown(event: KeyboardEvent) {
    const does = event.altKey || event.ctrlKey || event.metaKey ? undefined : KEYS[event.code];
    if (!does || (event.target instanceof Element && isWriting(event.target))) return;
    event.preventDefault();
    does();
  }

  /** Back from what is recorded to the figures; false where one is there already. */
  function leave(): boolean {
    if (view === 'figures') return false;
    void show('figures');
    return true;
  }

  const range = $derived(
    view === 'recorded' || PERIODS[period] === null
      ? ''
      : new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long' }).formatRange(
          asked.since,
          asked.until - 1,
        ),
  );
</script>

{#snippet legend(key: string, text: string, does: () => void, pressed?: boolean)}
  <button type="button" class="flex h-6 shrink-0 items-center gap-1.5" aria-pressed={pressed} onclick={does}>
    <Key dark label={key} /><span class={pressed ? 'font-[650] underline underline-offset-4' : ''}
      >{text}</span
    >
  </button>
{/snippet}

<Dialog.Root bind:open={() => desk.dialog === 'tally', (open) => (desk.dialog = open ? 'tally' : null)}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-paper" />
    <Dialog.Content
      {onkeydown}
      onEscapeKeydown={(event) => leave() && event.preventDefault()}
      onOpenAutoFocus={(event: Event) => {
        event.preventDefault();
        content?.focus();
      }}
      class="fixed inset-0 z-50 flex flex-col bg-paper outline-none"
    >
      <div
        bind:this={content}
        tabindex="-1"
        class="min-h-0 flex-1 overflow-auto px-8 pt-4 pb-6 outline-none max-sm:px-3"
      >
        <div class="border-l-[6px] border-marigold pl-4">
          <Dialog.Title class="text-[22px]/7 font-[650]">
            {#if failed}{TALLY_TEXTS.failed}
            {:else if view === 'recorded'}{TALLY_TEXTS.record.title}
            {:else if tally}{savedSentence(tally)}
            {:else if reading || first !== null}{TALLY_TEXTS.reading}
            {:else}{TALLY_TEXTS.nothing}{/if}
          </Dialog.Title>
          <Dialog.Description class="text-[13px] text-ink-soft">
            {#if view === 'recorded'}{TALLY_TEXTS.record.hint}
            {:else}
              {range ? `${range} · ` : ''}{keepsTally(settings) ? TALLY_TEXTS.about : TALLY_TEXTS.off}{desk
                .link.id === DEMO_ID
                ? ` ${TALLY_TEXTS.invented}`
                : ''}
            {/if}
          </Dialog.Description>
        </div>
        {#if view === 'recorded'}
          <Recorded {forgotten} />
        {:else if tally}
          {@const shown = { palette, asTable: asTables }}
          <div class="mt-4 grid grid-cols-2 gap-x-9 gap-y-5 max-lg:grid-cols-1">
            <Pane
              {...shown}
              title={TALLY_TEXTS.figures.bands}
              sentence={FIGURE_SENTENCES.bands(tally, names.application)}
              figure={bandsFigure(tally, palette, names)}
              table={bandsTable(tally, names)}
            />
            <Pane
              {...shown}
              title={TALLY_TEXTS.figures.steps}
              sentence={FIGURE_SENTENCES.steps(tally)}
              figure={stepsFigure(tally, palette)}
              table={stepsTable(tally)}
            />
            <Pane
              {...shown}
              title={TALLY_TEXTS.figures.fromTo}
              sentence={FIGURE_SENTENCES.fromTo(tally, windowTitle)}
              figure={fromToFigure(tally, palette, names)}
              table={fromToTable(tally, names)}
            />
            <Pane
              {...shown}
              title={TALLY_TEXTS.figures.practice}
              sentence={FIGURE_SENTENCES.practice(tally)}
              figure={practiceFigure(tally, palette)}
              table={practiceTable(tally)}
            />
            <Pane
              {...shown}
              title={TALLY_TEXTS.figures.ways}
              sentence={FIGURE_SENTENCES.ways(tally)}
              figure={waysFigure(tally, palette)}
              table={waysTable(tally)}
            />
            <Pane
              {...shown}
              title={TALLY_TEXTS.figures.misses}
              sentence={FIGURE_SENTENCES.misses(tally)}
              figure={missesFigure(tally, palette)}
              table={missesTable(tally)}
            />
            <Habits habits={tally.habits} titleOf={windowTitle} {bind} />
            <Advice advice={tally.advice} titleOf={windowTitle} {bind} />
            <OperatorFields {operators} {tally} change={changeOperators} published={PUBLISHED} />
          </div>
        {/if}
      </div>
      <footer
        class="flex min-h-[30px] shrink-0 flex-wrap items-center gap-x-4 bg-bar px-3 text-[13px] text-bar-ink"
      >
        <b>{TALLY_TEXTS.title}</b>
        <span class="text-bar-soft">{TALLY_TEXTS.periodNames[period]}</span>
        <span class="ml-auto flex flex-wrap gap-x-3.5">
          {#if view === 'figures'}
            {#each Object.keys(PERIODS) as Period[] as one (one)}
              {@render legend(
                one.charAt(0).toUpperCase(),
                TALLY_TEXTS.periods[one],
                () => choose(one),
                period === one,
              )}
            {/each}
            {#if PERIODS[period] !== null}
              {@render legend('←', TALLY_TEXTS.earlier, () => go(1))}
              {#if back > 0}{@render legend('→', TALLY_TEXTS.later, () => go(-1))}{/if}
            {/if}
            {@render legend(
              'T',
              asTables ? TALLY_TEXTS.asPictures : TALLY_TEXTS.asTables,
              () => (asTables = !asTables),
            )}
          {/if}
          {@render legend(
            'R',
            TALLY_TEXTS.recorded,
            () => void show(view === 'recorded' ? 'figures' : 'recorded'),
            view === 'recorded',
          )}
          {@render legend('Esc', TALLY_TEXTS.back, () => leave() || (desk.dialog = null))}
        </span>
      </footer>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
