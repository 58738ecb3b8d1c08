<script lang="ts">
  import { tick } from 'svelte';
  import { pickFile } from '../../client/pick-file';
  import { FILE_ENDINGS } from '../../core/carrying/carried';
  import { LONGEST_TITLE } from '../../core/model/limits';
  import Strip from '../Strip.svelte';
  import { FOLDER_TEXTS, GUEST_TEXTS } from '../texts';
  import type { PreviewProps, ViewProps } from '../view';
  import { walkList } from '../walk-list';

  /** What is in a folder. Each can be opened, renamed and carried elsewhere, where that is not only looked at. */
  let { document, actions, waits = true }: PreviewProps & Partial<ViewProps> = $props();

  const items = $derived(actions?.itemsOf(document.id) ?? []);
  let here = $state(0);
  /** What is called otherwise just now, by its id. */
  let renaming = $state<string | null>(null);
  let list: HTMLElement;

  const focusHere = async () => {
    await tick();
    list.querySelectorAll('button')[here]?.focus();
  };

  function rename(title: string) {
    if (renaming !== null && title.trim() !== '') actions?.renameDocument(renaming, title.trim());
    renaming = null;
    void focusHere();
  }

  function inName(event: KeyboardEvent & { currentTarget: HTMLInputElement }) {
    event.stopPropagation();
    if (event.isComposing) return;
    if (event.key === 'Enter') rename(event.currentTarget.value);
    else if (event.key === 'Escape') rename('');
    else return;
    event.preventDefault();
  }

  function writeAll(name: HTMLInputElement) {
    name.focus();
    name.select();
  }

  function inList(event: KeyboardEvent) {
    walkList(event);
    const item = items[here];
    if (event.ctrlKey || event.altKey || event.metaKey || event.defaultPrevented) return;
    if (event.key === 'F2') renaming = item?.id ?? null;
    else if (event.key.toLowerCase() === 'o') openWith();
    else if (event.key.toLowerCase() === 'n') make();
    else return;
    event.preventDefault();
  }

  function openWith() {
    const item = items[here];
    if (item) actions?.carry({ type: 'document', document: item.id });
  }

  const make = () => actions?.carry({ type: 'new', folder: document.id, title: FOLDER_TEXTS.untitled });

  async function takeIn() {
    const file = await pickFile(FILE_ENDINGS.join());
    if (file) actions?.carryFile(file);
  }

  /** Once the drag has begun: a page that changes before makes some browsers give it up. */
  function drag(event: DragEvent, id: string, title: string) {
    event.dataTransfer?.setData('text/plain', title);
    setTimeout(() => actions?.carry({ type: 'document', document: id }));
  }
</script>

<div class="flex size-full flex-col">
  <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
  <ul bind:this={list} class="min-h-0 flex-1 overflow-auto" onkeydown={inList}>
    {#each items as { id, title, application }, nth (id)}
      <li
        class="border-b border-line-soft"
        draggable={!waits && renaming !== id}
        ondragstart={(event) => drag(event, id, title)}
        ondragend={() => actions?.letGo()}
      >
        {#if renaming === id}
          <input
            {@attach writeAll}
            value={title}
            maxlength={LONGEST_TITLE}
            aria-label={FOLDER_TEXTS.name}
            onkeydown={inName}
            onblur={() => (renaming = null)}
            spellcheck="false"
            autocomplete="off"
            class="m-0.5 w-72 max-w-full border border-line bg-paper-high px-2.5 py-1"
          />
        {:else}
          <button
            type="button"
            data-takes-focus={nth === here ? '' : undefined}
            onfocus={() => (here = nth)}
            class="flex w-full items-baseline gap-3 px-3 py-1.5 text-left -outline-offset-2 hover:bg-paper-high focus-visible:bg-paper-high"
            onclick={() => actions?.openDocument(id)}
            ><span class="flex-1 truncate">{title}</span><span class="text-ink-soft">{application}</span
            ></button
          >
        {/if}
      </li>
    {:else}
      <li class="px-3 py-1.5 text-ink-soft">{GUEST_TEXTS.emptyFolder}</li>
    {/each}
  </ul>
  {#if actions}
    <Strip says={FOLDER_TEXTS.count(items.length)}>
      <button type="button" class="strip-button" disabled={items.length === 0} onclick={openWith}
        >{FOLDER_TEXTS.openWith}</button
      >
      <button
        type="button"
        class="strip-button"
        disabled={items.length === 0}
        onclick={() => (renaming = items[here]?.id ?? null)}>{FOLDER_TEXTS.rename}</button
      >
      <button
        type="button"
        class="strip-button"
        data-takes-focus={items.length === 0 ? '' : undefined}
        onclick={make}>{FOLDER_TEXTS.make}</button
      >
      <button type="button" class="strip-button" onclick={takeIn}>{FOLDER_TEXTS.takeIn}</button>
    </Strip>
  {/if}
</div>
