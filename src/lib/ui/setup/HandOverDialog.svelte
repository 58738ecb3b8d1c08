<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { tick } from 'svelte';
  import { changeFrom, isTakeable, isTakenAtFirst, itemsOf, type Item } from '../../core/setup/hand-over';
  import { setupDocument, type SetupDocument } from '../../core/setup/setup-document';
  import { LARGEST_BATCH } from '../../core/model/limits';
  import { downloadJson } from '../../client/download';
  import { sendJson } from '../../client/send-json';
  import { SETUPS } from '../../client/session-api';
  import FileButton from '../parts/FileButton.svelte';
  import { deskHere } from '../desk/desk.svelte';
  import { itemText } from '../words/setup-words';
  import { SETUP_TEXTS, SETTINGS_TEXTS } from '../words/texts';

  /** Hands the set-up out, and takes over what somebody else handed out, piece by piece. */
  const desk = deskHere();
  const BUTTON = 'key-shaped shrink-0 border-line bg-paper px-2 py-0.5 disabled:text-ink-soft';

  let offered = $state.raw<SetupDocument | null>(null);
  let taken = $state.raw<ReadonlySet<string>>(new Set());
  let problem = $state('');
  let done = $state('');
  let takeIt = $state<HTMLButtonElement>();
  let closer = $state<HTMLElement | null>(null);

  const items = $derived(offered ? itemsOf(desk.session, offered, desk.registry) : []);
  const parts = $derived(
    Object.entries(SETUP_TEXTS.parts)
      .map(([part, title]) => ({
        title,
        items: items.filter((item) => item.part === part && item.state !== 'same'),
      }))
      .filter((part) => part.items.length > 0),
  );
  const same = $derived(items.filter(({ state }) => state === 'same').length);
  const chosen = $derived(items.filter((item) => isTakeable(item) && taken.has(item.id)).length);

  async function read(file: File | undefined) {
    if (!file) return;
    [problem, done] = ['', ''];
    if (file.size > LARGEST_BATCH) {
      problem = SETUP_TEXTS.tooLarge(file.name);
      return;
    }
    const answer = await sendJson<SetupDocument>(SETUPS, await file.text());
    if ('problem' in answer) {
      problem = SETUP_TEXTS.notRead(file.name, answer.problem ?? SETTINGS_TEXTS.noServer);
      return;
    }
    offered = answer.value;
    taken = new Set(
      itemsOf(desk.session, offered, desk.registry)
        .filter(isTakenAtFirst)
        .map(({ id }) => id),
    );
    await tick();
    takeIt?.focus();
  }

  /** An application that something needs comes with it, and goes with it. */
  function tickItem(item: Item, on: boolean) {
    const next = new Set(taken);
    if (on) {
      next.add(item.id);
      if (item.needs !== null) next.add(item.needs);
    } else {
      next.delete(item.id);
      for (const { id, needs } of items) if (needs === item.id) next.delete(id);
    }
    taken = next;
  }

  function take() {
    // Once they are taken over, they are the same here.
    const count = chosen;
    desk.wish({ type: 'change-setup', setup: changeFrom(desk.session, items, taken) });
    done = SETUP_TEXTS.taken(count);
    offered = null;
    // What was pressed is gone.
    closer?.focus();
  }

  function handOut() {
    downloadJson(setupDocument(desk.session), `${desk.link.id}-set-up.json`);
    done = SETUP_TEXTS.handedOut;
  }
</script>

<Dialog.Root
  bind:open={() => desk.dialog === 'hand-over', (open) => (desk.dialog = open ? 'hand-over' : null)}
>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-(--veil)" />
    <Dialog.Content
      class="fixed top-6 left-1/2 z-50 flex max-h-[calc(100%-48px)] w-[860px] max-w-full -translate-x-1/2 flex-col gap-3 overflow-y-auto border-l-[30px] border-bar bg-paper-high p-5 accent-ink outline-none"
      ondragover={(event) => event.preventDefault()}
      ondrop={(event) => {
        event.preventDefault();
        void read(event.dataTransfer?.files[0]);
      }}
    >
      <Dialog.Title class="text-lg font-[650]">{SETUP_TEXTS.title}</Dialog.Title>
      <Dialog.Description class="text-ink-soft">{SETUP_TEXTS.hint}</Dialog.Description>
      <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
        <button type="button" class={BUTTON} onclick={handOut}>{SETUP_TEXTS.handOut}</button>
        <FileButton
          text={SETUP_TEXTS.takeOver}
          accept="application/json,.json"
          invalid={problem !== ''}
          describedBy="setup-problem"
          take={([file]) => void read(file)}
        />
      </div>
      {#if problem}<p id="setup-problem" role="alert" class="border-l-4 border-marigold pl-2">
          {problem}
        </p>{/if}
      <p role="status" class={done ? '' : 'sr-only'}>{done}</p>
      {#if offered}
        <h3 class="border-t border-line pt-2 font-[650]">{SETUP_TEXTS.from(offered.title)}</h3>
        {#if parts.length === 0}<p>{SETUP_TEXTS.nothingNew}</p>{/if}
        {#each parts as { title, items: some } (title)}
          <fieldset>
            <legend class="font-[650]">{title}</legend>
            <ul>
              {#each some as item (item.id)}
                {@const text = itemText(item, offered, desk)}
                <li class="border-b border-line-soft py-0.5">
                  <label
                    class={[
                      'grid grid-cols-[20px_1fr_1fr] items-baseline gap-2 max-sm:grid-cols-[20px_1fr]',
                      !isTakeable(item) && 'text-ink-soft',
                    ]}
                  >
                    <input
                      type="checkbox"
                      checked={isTakeable(item) && taken.has(item.id)}
                      disabled={!isTakeable(item)}
                      onchange={(event) => tickItem(item, event.currentTarget.checked)}
                    />
                    <span><b class="font-[650]">{text.what}</b> {text.to}</span>
                    <span
                      class={[
                        'max-sm:col-start-2',
                        item.misfit || item.collides ? 'border-l-4 border-marigold pl-2' : 'text-ink-soft',
                      ]}>{text.note}</span
                    >
                  </label>
                </li>
              {/each}
            </ul>
          </fieldset>
        {/each}
        {#if same > 0}<p class="text-ink-soft">{SETUP_TEXTS.same(same)}</p>{/if}
        <div class="flex gap-2">
          <button bind:this={takeIt} type="button" class={BUTTON} disabled={chosen === 0} onclick={take}
            >{SETUP_TEXTS.take(chosen)}</button
          >
          <button
            type="button"
            class={BUTTON}
            onclick={() => (taken = new Set(items.filter(isTakeable).map(({ id }) => id)))}
            >{SETUP_TEXTS.all}</button
          >
          <button type="button" class={BUTTON} onclick={() => (offered = null)}>{SETUP_TEXTS.stop}</button>
        </div>
      {/if}
      <div class="flex justify-between border-t border-line pt-2">
        <button
          type="button"
          class={BUTTON}
          disabled={desk.session.setupsBefore.length === 0}
          onclick={() => {
            desk.invoke('undo-setup');
            done = desk.announcement;
          }}>{SETUP_TEXTS.undo}</button
        >
        <Dialog.Close bind:ref={closer} class={BUTTON}>{SETUP_TEXTS.close}</Dialog.Close>
      </div>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
