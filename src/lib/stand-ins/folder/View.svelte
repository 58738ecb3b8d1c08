<script lang="ts">
  import { GUEST_TEXTS } from '../texts';
  import type { PreviewProps, ViewProps } from '../view';

  /** What is in a folder. Each can be opened, where that is not only looked at. */
  let { document, actions }: PreviewProps & Partial<ViewProps> = $props();

  /** The arrows go from one to the next, as in lists everywhere (common practice). */
  function walk(event: KeyboardEvent) {
    const by = { ArrowDown: 'nextElementSibling', ArrowUp: 'previousElementSibling' } as const;
    const to = event.key === 'ArrowDown' || event.key === 'ArrowUp' ? by[event.key] : null;
    const line = event.target instanceof Element ? event.target.closest('li') : null;
    const next = to && line?.[to]?.querySelector('button');
    if (!next) return;
    event.preventDefault();
    next.focus();
  }

  const items = $derived(actions?.itemsOf(document.id) ?? []);
</script>

<ul class="flex flex-col">
  {#each items as { id, title, application }, nth (id)}
    <li class="border-b border-line-soft">
      <button
        type="button"
        data-takes-focus={nth === 0 ? '' : undefined}
        onkeydown={walk}
        class="flex w-full items-baseline gap-3 px-3 py-1.5 text-left hover:bg-paper-high focus-visible:bg-paper-high"
        onclick={() => actions?.openDocument(id)}
        ><span class="flex-1 truncate">{title}</span><span class="text-ink-soft">{application}</span></button
      >
    </li>
  {:else}
    <li class="px-3 py-1.5 text-ink-soft">{GUEST_TEXTS.emptyFolder}</li>
  {/each}
</ul>
