<script lang="ts">
  import { tick } from 'svelte';
  import { placeViews } from '../../core/index/place-view';
  import { indexStanceOf } from '../../core/slices/settings/state';
  import { DIGITS } from '../../core/slices/places/state';
  import { deskHere } from '../desk/desk.svelte';
  import { TEXTS } from '../words/texts';
  import Cut from './Cut.svelte';

  /** The ten numbered places, cut into the right edge of the surface like a dictionary's letters. */
  const desk = deskHere();

  const places = $derived(placeViews(desk.session));
  const walk = $derived(desk.walk);
  const away = $derived(indexStanceOf(desk.session.settings) === 'away');
  const empty = $derived(places.every((place) => place === null));

  /** Whether the pointer has been here: then it may carry something. */
  let pointed = $state(false);
  let element: HTMLElement;
  /** Whoever walks has the focus at the place where the walk is. */
  const keysTo = $derived(walk && desk.dialog === null ? `place-${DIGITS[walk.at] ?? 'none'}` : null);
  $effect(() => {
    if (keysTo !== null) void focusPlace(keysTo);
  });

  async function focusPlace(id: string) {
    await tick();
    (element.querySelector<HTMLElement>(`#${id}`) ?? element).focus({ preventScroll: true });
  }
</script>

<nav
  bind:this={element}
  aria-label={TEXTS.index}
  tabindex="-1"
  onpointerenter={() => (pointed = true)}
  class={[
    'index flex w-31 shrink-0 flex-col overflow-hidden pt-4 outline-none max-md:absolute max-md:inset-y-0 max-md:right-0 max-md:z-6',
    away && 'absolute inset-y-0 right-0 z-6',
    !walk && (away ? 'hidden' : 'max-md:hidden'),
  ]}
>
  <ol class="grid max-h-[530px] min-h-0 flex-1 grid-rows-[repeat(10,minmax(0,1fr))] gap-1.25">
    {#each DIGITS as digit, at (digit)}
      <Cut {digit} place={places[at] ?? null} walked={walk?.at === at} {pointed} />
    {/each}
  </ol>
  {#if walk?.letters}
    <p class="mt-2 mr-2 self-end bg-marigold px-2 font-mono text-xs text-on-marigold">{walk.letters}</p>
  {/if}
  {#if empty && walk}
    <p class="mt-2 bg-paper p-2 text-xs">{TEXTS.emptyIndex(desk.chord('add-to-index'))}</p>
  {/if}
</nav>
