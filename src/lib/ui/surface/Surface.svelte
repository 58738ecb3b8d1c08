<script lang="ts">
  import { isWriting } from '../../client/is-writing';
  import { find } from '../../core/model/table';
  import { onMount, tick, untrack } from 'svelte';
  import { afterNavigate } from '$app/navigation';
  import { isAsking } from '../../core/slices/windows/selectors';
  import { loadLater } from '../../stand-ins/views';
  import { deskHere } from '../desk/desk.svelte';
  import { later } from '../desk/later';
  import { TEXTS } from '../words/texts';
  import EmptySurface from './EmptySurface.svelte';
  import { SurfaceWindows } from './surface-windows';
  import WindowSheet from './Window.svelte';

  const desk = deskHere();
  let { day }: { day: Date } = $props();

  // Until it is measured, as large as it commonly is: what is in front is there from the first frame.
  let width = $state(untrack(() => desk.surface.width));
  let height = $state(untrack(() => desk.surface.height));
  let surface: HTMLElement;
  /** Whether it may be scrolled: asking it would make the browser lay the page out. */
  let scrolled = false;
  const surfaceWindows = new SurfaceWindows();
  const windows = $derived(surfaceWindows.of(desk.session, desk.surface, desk.lifted, desk.pictured));
  $effect.pre(() => {
    const surface = { width, height };
    untrack(() => desk.meetSurface(surface));
  });
  onMount(() => later(loadLater));
  const empty = $derived(windows.sheets.every(({ showing }) => showing === 'away'));

  // The keys go to the front window: focus follows the front, comes back when the switcher closes, and goes to a
  // question in the front window when it is asked and back when it is answered.
  const front = $derived(desk.session.front === null ? null : find(desk.session.windows, desk.session.front));
  // Which question it shows, so that one that follows another takes the keys as well.
  const question = $derived.by(() => {
    if (!front) return null;
    if (isAsking(front)) return 'closing';
    return front.offeringDraft ? 'draft' : null;
  });
  // Not before the page has arrived: the framework takes the focus away at the end of every navigation.
  let arrived = $state(false);
  afterNavigate(() => {
    arrived = true;
  });
  const elsewhere = $derived(
    desk.shown || desk.dialog !== null || desk.walk !== null || desk.survey !== null,
  );
  const keysTo = $derived(!arrived || elsewhere ? undefined : (front?.id ?? null));
  const shownTab = $derived(front?.activeTab);
  $effect(() => {
    void shownTab;
    if (keysTo !== undefined) void focusFront(keysTo, question !== null);
  });

  // Asked for by a key that goes through the sections of the page.
  $effect(() => {
    if (desk.sectionAsked?.section === 'front') untrack(() => void focusFront(front?.id ?? null, false));
  });

  // Whatever had the focus may be gone with what happened, on another page for one: then it comes back to the front.
  $effect(() => {
    void desk.session;
    if (keysTo !== undefined) void refocusIfLost(keysTo);
  });

  function scrollBack() {
    surface.scrollTo(0, 0);
    scrolled = false;
  }

  async function refocusIfLost(id: string | null) {
    await tick();
    if (document.activeElement === document.body) await focusFront(id, question !== null);
  }

  async function focusFront(id: string | null, asked: boolean) {
    await tick();
    const element = id === null ? surface : surface.querySelector<HTMLElement>(`#window-${id}`);
    const focused = document.activeElement;
    const inSight = focused?.closest('[data-out-of-sight]') === null;
    const there = id !== null && element !== focused && inSight && element?.contains(focused);
    if (!element || (there && !asked)) return;
    // A question or a text first; else the content, so that the arrow and Page keys scroll it.
    const within =
      element.querySelector<HTMLElement>('[data-takes-focus]:not([data-out-of-sight] *)') ??
      element.querySelector<HTMLElement>('[data-scrolls]');
    (id !== null && within ? within : element).focus({ preventScroll: true });
    // A question must be seen, also where its window reaches beyond a small screen.
    scrolled ||= asked;
    if (asked) within?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
    else if (scrolled) scrollBack();
    // A caret left where a text field was would make the browser seek a place for it at every frame.
    const selection = getSelection();
    if (selection?.isCollapsed && !isWriting(document.activeElement)) selection.removeAllRanges();
  }
</script>

<main
  bind:this={surface}
  bind:clientWidth={width}
  bind:clientHeight={height}
  onscroll={() => (scrolled = true)}
  aria-label={TEXTS.surface}
  tabindex="-1"
  class="creased relative isolate min-h-0 flex-1 overflow-hidden outline-none contain-strict will-change-transform"
>
  <h1 class="sr-only">{desk.session.title}</h1>
  <div class={desk.glancing ? 'glanced-through' : ''}>
    {#each windows.sheets as sheet (sheet.window.id)}
      <WindowSheet {sheet} {day} />
    {/each}
    <div class="sr-only">
      {#each windows.covered as { id, name } (id)}<section aria-label={name}></section>{/each}
    </div>
  </div>
  {#if empty}
    <EmptySurface />
  {/if}
</main>
