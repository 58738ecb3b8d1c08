<script lang="ts">
  import { untrack } from 'svelte';
  import { mayBePictured } from '../../core/display/pictures';
  import { titleOf, windowOf } from '../../core/slices/windows/selectors';
  import { deskHere } from '../desk/desk.svelte';

  /** How a window of a display looks just now; while that is not known, what it is called. */
  let { id, width, looked = true }: { id: string; width: number; looked?: boolean } = $props();

  const desk = deskHere();
  const may = $derived(mayBePictured(desk.session, id));
  $effect(() => {
    if (!looked || !may) return;
    const wide = width * devicePixelRatio;
    return untrack(() => desk.pictures.look(id, wide));
  });
  const picture = $derived(may ? desk.pictures.of(id) : null);
</script>

{#if picture}
  <img src={picture} alt="" class="size-full object-contain" draggable="false" />
{:else}
  <div
    class="grid size-full place-content-center overflow-hidden px-3 text-center text-sm font-[650] text-ink-soft"
    dir="auto"
  >
    <span class="line-clamp-3 wrap-break-word">{titleOf(windowOf(desk.session, id))}</span>
  </div>
{/if}
