<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { tick } from 'svelte';
  import type { WorkspaceId } from '../../core/model/ids';
  import { LONGEST_TITLE } from '../../core/model/limits';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { titleOf, windowOf } from '../../core/slices/windows/selectors';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import { TEXTS, WORKSPACES_TEXTS } from '../words/texts';

  /** All workspaces: going to one, carrying something there, adding, naming and removing them. */
  const desk = deskHere();

  let list = $state<HTMLElement | null>(null);
  let renaming = $state<WorkspaceId | null>(null);
  let name = $state('');
  let added = $state('');

  /** What would be carried: what was in front, or highlighted, when this was opened. */
  const target = $derived.by(() => {
    const on = desk.state.dialogOn;
    return on && desk.session.windows.some(({ id }) => id === on.window) ? on : null;
  });
  const carried = $derived(
    target?.window ? { window: target.window, title: titleOf(windowOf(desk.session, target.window)) } : null,
  );
  const countOf = (id: WorkspaceId) =>
    desk.session.windows.filter((window) => window.workspace === id).length;

  const rowOf = (id: WorkspaceId) => list?.querySelector<HTMLElement>(`[data-workspace="${id}"]`);

  async function focusRow(id: WorkspaceId | undefined) {
    await tick();
    if (id !== undefined) rowOf(id)?.focus();
  }

  function close(does: () => void) {
    desk.dialog = null;
    does();
  }

  function go(id: WorkspaceId, event: MouseEvent | KeyboardEvent) {
    if (event.shiftKey && carried)
      close(() => desk.wish({ type: 'carry-window', window: carried.window, workspace: id }));
    else if (event.ctrlKey && target)
      close(() => desk.wish({ type: 'carry-application', application: target.application, workspace: id }));
    else if (id === desk.session.workspace) desk.dialog = null;
    else close(() => desk.wish({ type: 'enter-workspace', workspace: id }));
  }

  async function beginRenaming(id: WorkspaceId, now: string) {
    renaming = id;
    name = now;
    await tick();
    list?.querySelector<HTMLInputElement>('input')?.select();
  }

  function rename(event: SubmitEvent, id: WorkspaceId) {
    event.preventDefault();
    if (name.trim() !== '') desk.wish({ type: 'rename-workspace', workspace: id, name: name.trim() });
    renaming = null;
    void focusRow(id);
  }

  function remove(id: WorkspaceId) {
    const ids = desk.session.workspaces.map((one) => one.id);
    const at = ids.indexOf(id);
    desk.wish({ type: 'remove-workspace', workspace: id });
    void focusRow(desk.session.workspaces[Math.min(at, desk.session.workspaces.length - 1)]?.id);
  }

  function add(event: SubmitEvent) {
    event.preventDefault();
    if (added.trim() === '') return;
    const before = desk.session.workspaces.length;
    desk.wish({ type: 'add-workspace', name: added.trim() });
    if (desk.session.workspaces.length === before) return;
    added = '';
    void focusRow(desk.session.workspaces.at(-1)?.id);
  }

  /** The keys of the list; what else is pressed there is the dialog's. */
  function onkeydown(event: KeyboardEvent) {
    const row =
      event.target instanceof HTMLElement ? event.target.closest<HTMLElement>('[data-workspace]') : null;
    if (!row || event.target instanceof HTMLInputElement) return;
    const ids = desk.session.workspaces.map(({ id }) => id);
    const at = ids.indexOf(row.dataset.workspace ?? '');
    const id = ids[at];
    if (id === undefined) return;
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step !== undefined) void focusRow(ids[(at + step + ids.length) % ids.length]);
    else if (event.key === 'Home' || event.key === 'End')
      void focusRow(ids.at(event.key === 'Home' ? 0 : -1));
    else if (event.key === 'Enter') go(id, event);
    else if (event.key === 'F2') void beginRenaming(id, desk.session.workspaces[at]?.name ?? '');
    else if (event.key === 'Delete') remove(id);
    else return;
    event.preventDefault();
  }

  const BUTTON = 'key-shaped shrink-0 border-line bg-paper px-2 py-0.5';
</script>

<Dialog.Root
  bind:open={() => desk.dialog === 'workspaces', (open) => (desk.dialog = open ? 'workspaces' : null)}
>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-(--veil)" />
    <Dialog.Content
      onOpenAutoFocus={(event) => {
        event.preventDefault();
        void focusRow(desk.session.workspace);
      }}
      class="fixed top-12 left-1/2 z-50 flex max-h-[calc(100%-72px)] w-[560px] max-w-full -translate-x-1/2 flex-col gap-3 overflow-y-auto border-l-[30px] border-bar bg-paper-high p-5 outline-none"
    >
      <Dialog.Title class="text-lg font-[650]">{WORKSPACES_TEXTS.title}</Dialog.Title>
      <!-- Its rows have the focus, and they are buttons. -->
      <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
      <ul bind:this={list} role="list" {onkeydown} class="flex flex-col">
        {#each desk.session.workspaces as { id, name: called } (id)}
          {@const here = id === desk.session.workspace}
          <li class="flex items-center gap-2 border-b border-line-soft py-0.5">
            {#if renaming === id}
              <form class="flex flex-1 gap-2" onsubmit={(event) => rename(event, id)}>
                <input
                  bind:value={name}
                  maxlength={LONGEST_TITLE}
                  aria-label={WORKSPACES_TEXTS.newName(called)}
                  class="min-w-0 flex-1 border border-ink bg-paper px-2 py-1"
                  onkeydown={(event) => {
                    if (event.key !== 'Escape') return;
                    event.stopPropagation();
                    renaming = null;
                    void focusRow(id);
                  }}
                />
                <button type="submit" class={BUTTON}>{WORKSPACES_TEXTS.rename}</button>
              </form>
            {:else}
              <button
                type="button"
                data-workspace={id}
                aria-current={here ? 'true' : undefined}
                class="flex min-h-8 min-w-0 flex-1 items-center gap-3 border-l-4 px-2 text-left outline-none focus-visible:bg-marigold focus-visible:text-on-marigold {here
                  ? 'border-ink'
                  : 'border-transparent'}"
                onclick={(event) => go(id, event)}
              >
                <b class="truncate font-[650]">{called}</b>
                <span class="ml-auto shrink-0 text-xs"
                  >{[here ? WORKSPACES_TEXTS.here : '', TEXTS.windows(countOf(id))]
                    .filter(Boolean)
                    .join(' · ')}</span
                >
              </button>
              <button
                type="button"
                class={BUTTON}
                tabindex="-1"
                aria-label={WORKSPACES_TEXTS.renaming(called)}
                onclick={() => beginRenaming(id, called)}>{WORKSPACES_TEXTS.rename}</button
              >
              <button
                type="button"
                class={BUTTON}
                tabindex="-1"
                aria-label={WORKSPACES_TEXTS.removing(called)}
                disabled={desk.session.workspaces.length === 1}
                onclick={() => remove(id)}>{WORKSPACES_TEXTS.remove}</button
              >
            {/if}
          </li>
        {/each}
      </ul>
      <p class="flex flex-wrap items-center gap-x-3 gap-y-1 text-[13px] text-ink-soft">
        <span><Key label="Enter" /> {WORKSPACES_TEXTS.goes}</span>
        {#if carried}
          <span><Key label="Shift" /> <Key label="Enter" /> {WORKSPACES_TEXTS.carries(carried.title)}</span>
        {/if}
        {#if target}
          <span
            ><Key label="Ctrl" />
            <Key label="Enter" />
            {WORKSPACES_TEXTS.carriesAll(applicationOf(desk.session, target.application).name)}</span
          >
        {/if}
        <span><Key label="F2" /> {WORKSPACES_TEXTS.rename}</span>
        <span><Key label="Delete" /> {WORKSPACES_TEXTS.remove}</span>
      </p>
      <form class="flex items-center gap-2" onsubmit={add}>
        <input
          bind:value={added}
          maxlength={LONGEST_TITLE}
          placeholder={WORKSPACES_TEXTS.addHint}
          aria-label={WORKSPACES_TEXTS.addHint}
          class="min-w-0 flex-1 border border-line bg-paper px-2 py-1"
        />
        <button type="submit" class={BUTTON}>{WORKSPACES_TEXTS.add}</button>
      </form>
      {#if desk.announcement && desk.urgent}<p role="status">{desk.announcement}</p>{/if}
      <Dialog.Close class="{BUTTON} self-end">{WORKSPACES_TEXTS.close}</Dialog.Close>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
