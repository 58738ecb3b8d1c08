<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { onMount, tick } from 'svelte';
  import { goto } from '$app/navigation';
  import type { KnownDesk } from '../../core/protocol/known-desk';
  import { fetchInTime } from '../../client/fetch-in-time';
  import { pageStorage } from '../../client/page-storage';
  import { DESKS, sessionPage } from '../../client/session-api';
  import { visitedDesks } from '../../client/visited-desks';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import { DESK_TEXTS } from '../words/display-texts';

  /** The desks there are: displays, the demo, and those that this browser has been at. */
  const desk = deskHere();

  interface Row {
    readonly id: string;
    readonly title: string;
    readonly says: string;
  }

  let list = $state<HTMLElement | null>(null);
  let known = $state.raw<readonly KnownDesk[]>([]);
  let failed = $state(false);

  const saysOf = ({ kind, awaySince }: KnownDesk) =>
    kind === 'demo' ? DESK_TEXTS.demo : awaySince === null ? DESK_TEXTS.display : DESK_TEXTS.away;
  const rows = $derived.by((): Row[] => {
    const told = known.map((one) => ({ id: one.id, title: one.title, says: saysOf(one) }));
    const others = visitedDesks(pageStorage())
      .filter(({ id }) => !told.some((one) => one.id === id))
      .map(({ id, title }) => ({ id, title, says: DESK_TEXTS.other }));
    return [...told, ...others];
  });

  onMount(() => void read());

  async function read() {
    const response = await fetchInTime(DESKS).catch(() => null);
    if (response?.ok) known = (await response.json()) as KnownDesk[];
    else failed = true;
    // The one that was before this one is a press of Enter away.
    const visited = visitedDesks(pageStorage()).find(({ id }) => id !== desk.link.id);
    const other = rows.find(({ id }) => id === visited?.id) ?? rows.find(({ id }) => id !== desk.link.id);
    await focusRow(other?.id ?? desk.link.id);
  }

  async function focusRow(id: string | undefined) {
    await tick();
    if (id !== undefined) list?.querySelector<HTMLElement>(`[data-desk="${id}"]`)?.focus();
  }

  function go(id: string) {
    desk.dialog = null;
    if (id !== desk.link.id) void goto(sessionPage(id));
  }

  function onkeydown(event: KeyboardEvent) {
    const row = event.target instanceof HTMLElement ? event.target.dataset.desk : undefined;
    const ids = rows.map(({ id }) => id);
    const at = ids.indexOf(row ?? '');
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step !== undefined) void focusRow(ids[(at + step + ids.length) % ids.length]);
    else if (event.key === 'Home' || event.key === 'End')
      void focusRow(ids.at(event.key === 'Home' ? 0 : -1));
    else return;
    event.preventDefault();
  }
</script>

<Dialog.Root bind:open={() => desk.dialog === 'desks', (open) => (desk.dialog = open ? 'desks' : null)}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-(--veil)" />
    <Dialog.Content
      onOpenAutoFocus={(event) => event.preventDefault()}
      class="fixed top-12 left-1/2 z-50 flex max-h-[calc(100%-72px)] w-[560px] max-w-full -translate-x-1/2 flex-col gap-3 overflow-y-auto border-l-[30px] border-bar bg-paper-high p-5 outline-none"
    >
      <Dialog.Title class="text-lg font-[650]">{DESK_TEXTS.title}</Dialog.Title>
      {#if failed}<p role="alert" class="font-semibold">{DESK_TEXTS.noServer}</p>{/if}
      <!-- Its rows have the focus, and they are buttons. -->
      <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
      <ul bind:this={list} role="list" {onkeydown} class="flex flex-col">
        {#each rows as { id, title, says } (id)}
          {@const here = id === desk.link.id}
          <li class="border-b border-line-soft py-0.5">
            <button
              type="button"
              data-desk={id}
              aria-current={here ? 'true' : undefined}
              class="flex min-h-9 w-full min-w-0 items-center gap-3 border-l-4 px-2 text-left outline-none focus-visible:bg-marigold focus-visible:text-on-marigold {here
                ? 'border-ink'
                : 'border-transparent'}"
              onclick={() => go(id)}
            >
              <b class="truncate font-[650]" dir="auto">{title}</b>
              <span class="ml-auto shrink-0 text-xs">{here ? `${DESK_TEXTS.here} · ${says}` : says}</span>
            </button>
          </li>
        {/each}
      </ul>
      <p class="text-[13px] text-ink-soft"><Key label="Enter" /> {DESK_TEXTS.goes}</p>
      <Dialog.Close class="key-shaped shrink-0 self-end border-line bg-paper px-2 py-0.5"
        >{DESK_TEXTS.close}</Dialog.Close
      >
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
