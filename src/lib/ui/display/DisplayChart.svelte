<script lang="ts">
  import { tick, untrack } from 'svelte';
  import { afterNavigate } from '$app/navigation';
  import { mayBePictured } from '../../core/display/pictures';
  import { planOf } from '../../core/display/plan';
  import type { LiveHost } from '../../core/slices/host/state';
  import { workspaceName } from '../../core/slices/workspaces/selectors';
  import { deskHere } from '../desk/desk.svelte';
  import Chord from '../parts/Chord.svelte';
  import Monogram from '../parts/Monogram.svelte';
  import { DISPLAY_TEXTS } from '../words/display-texts';
  import PlanOfDisplay from './PlanOfDisplay.svelte';

  /** In the place of the surface, where the windows are a display's: a chart of it, small, to be looked at. */
  const desk = deskHere();
  let { host }: { host: LiveHost } = $props();

  const plan = $derived(planOf(desk.session));
  const running = $derived(desk.session.recent.applications.length);
  let chart: HTMLElement;
  let width = $state(untrack(() => desk.paper.width));
  let height = $state(untrack(() => desk.paper.height));

  // What is placed is placed on the display's own screen.
  $effect.pre(() => {
    const { screen } = plan;
    const paper = { width, height };
    untrack(() => desk.meetSurface(screen, paper));
  });

  // What may not be pictured any more is not kept, and what is gone neither.
  $effect(() => {
    const { session } = desk;
    untrack(() => desk.pictures.forget((id) => !mayBePictured(session, id)));
  });

  // The keys are this page's, wherever a press of the pointer left them.
  let arrived = $state(false);
  afterNavigate(() => {
    arrived = true;
  });
  const keysHere = $derived(
    arrived && !desk.shown && desk.dialog === null && desk.walk === null && desk.survey === null,
  );
  $effect(() => {
    if (keysHere) void takeKeys();
  });
  $effect(() => {
    if (desk.sectionAsked?.section === 'front') untrack(() => void takeKeys());
  });

  async function takeKeys() {
    await tick();
    chart.focus({ preventScroll: true });
  }
</script>

<main
  bind:this={chart}
  bind:clientWidth={width}
  bind:clientHeight={height}
  tabindex="-1"
  aria-label={DISPLAY_TEXTS.chart}
  class="creased relative isolate flex min-h-0 min-w-0 flex-1 flex-col items-center gap-4 overflow-y-auto px-6 py-8 outline-none"
>
  <div class="flex w-full max-w-[880px] min-w-0 flex-1 flex-col gap-4">
    <header class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
      <h1 class="text-2xl font-[650]" dir="auto">{host.name}</h1>
      <p class="text-ink-soft">
        {DISPLAY_TEXTS.counts(
          desk.session.windows.length,
          running,
          workspaceName(desk.session, desk.session.workspace),
        )}
      </p>
      <p class="ml-auto text-[13px] text-ink-soft">
        {DISPLAY_TEXTS.holdHint}
        <Chord action="older-application" />
      </p>
    </header>
    {#if host.awaySince !== undefined}
      <div role="alert" class="border-l-[30px] border-marigold bg-paper-high px-4 py-3">
        <p class="font-semibold">{DISPLAY_TEXTS.away(host)}</p>
        <p class="text-ink-soft">
          {DISPLAY_TEXTS.awayHint} <code class="font-mono">{DISPLAY_TEXTS.awayCommand}</code>
        </p>
      </div>
    {/if}
    {#if desk.session.windows.length === 0}
      <p class="py-8 text-center text-lg text-ink-soft">{DISPLAY_TEXTS.nothing}</p>
    {:else}
      <div class={['min-h-40 w-full', host.awaySince !== undefined && 'opacity-60']}>
        <PlanOfDisplay {plan} />
      </div>
    {/if}
    {#if plan.minimised.length > 0}
      <section aria-label={DISPLAY_TEXTS.minimisedHere}>
        <h2 class="pb-1 text-[13px] text-ink-soft">{DISPLAY_TEXTS.minimisedHere}</h2>
        <ul class="flex flex-wrap gap-2">
          {#each plan.minimised as { window, application, title } (window)}
            <li>
              <button
                type="button"
                tabindex="-1"
                class="fold-up flex h-8 max-w-72 items-center gap-2 border border-line px-1.5"
                onclick={() => desk.wish({ type: 'bring-to-front', window, raiseAll: false })}
              >
                <Monogram {application} />
                <span class="truncate" dir="auto">{title}</span>
              </button>
            </li>
          {/each}
        </ul>
      </section>
    {/if}
    {#if plan.elsewhere.length > 0}
      <p class="flex flex-wrap gap-x-5 text-[13px] text-ink-soft">
        {#each plan.elsewhere as { name, windows } (name)}
          <span>{DISPLAY_TEXTS.elsewhere(windows, name)}</span>
        {/each}
      </p>
    {/if}
  </div>
</main>
