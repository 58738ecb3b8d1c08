<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import type { Session } from '../../core/session/session';
  import { leaveLocked } from '../../client/lock';
  import { Outbox } from '../../client/outbox';
  import { SessionLink } from '../../client/session-link.svelte';
  import { pageStorage } from '../../client/page-storage';
  import { rememberDesk } from '../../client/visited-desks';
  import { followOwnWindow } from '../../client/own-window.svelte';
  import { followKeyboard } from '../../client/key-labels.svelte';
  import Index from '../index/Index.svelte';
  import { DEMO_ID } from '../../demo/demo-id';
  import FootLine from '../foot/FootLine.svelte';
  import Rim from '../surface/Rim.svelte';
  import Surface from '../surface/Surface.svelte';
  import Survey from '../survey/Survey.svelte';
  import Switcher from '../switcher/Switcher.svelte';
  import { applyTheme } from '../theme/theme';
  import { Desk, provideDesk } from './desk.svelte';
  import DeskDialog from './DeskDialog.svelte';
  import { ACCESS_PAGE } from '../../client/session-api';

  /** `panel`: this is the page of Key Fold's own window on a display. */
  let { id, stored, panel }: { id: string; stored: { session: Session; seq: number }; panel: boolean } =
    $props();

  const CLOCK_MS = 10_000;

  const leaving = { keyNeeded: () => location.assign(ACCESS_PAGE), locked };
  const desk = untrack(
    () =>
      new Desk(
        (listener) => new SessionLink(id, stored, new Outbox(pageStorage(), id), { ...listener, ...leaving }),
      ),
  );
  let covered = $state(false);

  function locked() {
    covered = true;
    void leaveLocked(id);
  }

  provideDesk(desk);
  untrack(() => desk.lessons.takeUp(id === DEMO_ID));
  let now = $state(new Date());
  const host = $derived(desk.session.host);
  untrack(() => rememberDesk(pageStorage(), { id, title: desk.session.title }));

  /** A press beside the windows must not take the keys from the one in front. */
  function keepKeys(event: MouseEvent) {
    const target = event.target instanceof Element ? event.target : null;
    if (!target?.closest('section, input, [role=dialog], [data-place]')) event.preventDefault();
  }

  const bringsFiles = ({ dataTransfer }: DragEvent) => dataTransfer?.types.includes('Files') ?? false;

  function admitFiles(event: DragEvent) {
    if (bringsFiles(event)) event.preventDefault();
  }

  /** A file that is dropped is taken up, not shown by the browser in place of this page. */
  function dropped(event: DragEvent) {
    if (!bringsFiles(event)) return;
    event.preventDefault();
    const file = event.dataTransfer?.files[0];
    if (file) void desk.carryFile(file);
  }

  onMount(() => {
    const endings = [desk.link.open(), followKeyboard(), followOwnWindow()];
    const clock = setInterval(() => (now = new Date()), CLOCK_MS);
    return () => {
      desk.leave();
      for (const end of endings) end();
      clearInterval(clock);
    };
  });
  // Not in every browser; then the first letter of a search does the work.
  $effect(() => {
    if (!desk.session || !('requestIdleCallback' in globalThis)) return;
    const idle = requestIdleCallback(() => desk.prepareSearch());
    return () => cancelIdleCallback(idle);
  });
  $effect(() => desk.loadPatterns());
  $effect(() => {
    void desk.session;
    untrack(() => desk.pages.follow());
  });
  let heard = untrack(() => desk.session);
  $effect(() => {
    const { session } = desk;
    untrack(() => desk.hearSilence(heard, session));
    heard = session;
  });
  // What the switcher lies over is there to be seen alone, once the keys have left it: a caret that is taken away with its
  // text forgets where it was.
  let behind: HTMLElement;
  $effect(() => {
    behind.inert = desk.shown;
  });
  $effect(() => applyTheme(desk.session.settings.theme));
</script>

<svelte:window
  onkeydowncapture={desk.onKey}
  onkeyupcapture={desk.onKey}
  onpointermovecapture={desk.onPointer}
  onpointerdowncapture={desk.onPointer}
  onwheelcapture={desk.onPointer}
  ondragover={admitFiles}
  ondrop={dropped}
  onblur={desk.onBlur}
  onpagehide={desk.onBlur}
/>
<svelte:head><title>{desk.session.title} · Key Fold</title></svelte:head>

<div
  role="presentation"
  class="relative flex h-full flex-col overflow-hidden"
  data-unsent={desk.link.unsent}
  onmousedown={keepKeys}
>
  <div bind:this={behind} class="relative flex min-h-0 flex-1">
    {#if host.kind === 'live'}
      {#await import('../display/DisplayChart.svelte') then { default: DisplayChart }}
        <DisplayChart {host} />
      {/await}
    {:else}
      <Surface day={now} />
      <Rim />
    {/if}
    {#if desk.survey?.sheet}
      <Survey survey={desk.survey} sheet={desk.survey.sheet} {now} />
    {/if}
    <Index />
  </div>
  {#if desk.switcher && desk.shown}
    <Switcher switcher={desk.switcher} {now} />
  {/if}
  {#if desk.lessons.on}
    {#await import('../first/FirstMinutes.svelte') then { default: FirstMinutes }}<FirstMinutes />{/await}
  {/if}
  <FootLine {now} />
  <DeskDialog />
  {#if panel}
    {#await import('../display/Panel.svelte') then { default: Panel }}<Panel />{/await}
  {/if}
  {#if covered}<div class="creased fixed inset-0 z-60 bg-paper"></div>{/if}
  <div class="sr-only" role="status" aria-live="polite">{desk.announcement}</div>
</div>
