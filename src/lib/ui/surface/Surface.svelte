<script lang="ts">
  import { tick } from 'svelte';
  import type { Desk } from '../desk/desk.svelte';
  import { TEXTS } from '../texts';
  import { SurfaceWindows } from './surface-windows';
  import WindowSheet from './Window.svelte';

  let { desk, day }: { desk: Desk; day: Date } = $props();

  let width = $state(0);
  let height = $state(0);
  let surface: HTMLElement;
  const surfaceWindows = new SurfaceWindows();
  const windows = $derived(surfaceWindows.of(desk.session, { width, height }));

  // The keys of the front window go to it: focus follows the front, and comes back when the switcher closes.
  const keysTo = $derived(desk.shown ? undefined : desk.session.front);
  $effect(() => {
    if (keysTo !== undefined) void focusFront(keysTo);
  });

  async function focusFront(front: string | null) {
    await tick();
    const element = front === null ? surface : surface.querySelector<HTMLElement>(`#window-${front}`);
    if (!element || (front !== null && element.contains(document.activeElement))) return;
    const within = element.querySelector<HTMLElement>('[data-takes-focus]');
    (front !== null && within ? within : element).focus({ preventScroll: true });
  }
</script>

<main
  bind:this={surface}
  bind:clientWidth={width}
  bind:clientHeight={height}
  aria-label={TEXTS.surface}
  tabindex="-1"
  class="creased relative isolate min-h-0 flex-1 overflow-hidden outline-none contain-strict"
>
  <h1 class="sr-only">{desk.session.title}</h1>
  <div class={desk.glancing ? 'invisible' : 'contents'}>
    {#each windows as { window, layer, front, exposed } (window.id)}
      <WindowSheet {desk} {window} {layer} {front} {exposed} {day} />
    {/each}
  </div>
  {#if windows.length === 0}
    <p class="absolute inset-x-0 top-1/3 text-center text-lg text-ink-soft">{TEXTS.emptySurface}</p>
  {/if}
</main>
