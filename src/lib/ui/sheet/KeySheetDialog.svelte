<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { keySheet, type SheetKey } from '../../core/actions/views/key-sheet';
  import { holdKeyOf } from '../../core/slices/settings/state';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import KeyFace from '../parts/KeyFace.svelte';
  import { capsTogether } from '../parts/key-names';
  import { SHEET_TEXTS } from '../words/texts';

  /** The keys as they are now, on one page, to be printed. */
  const desk = deskHere();
  /** More keys of one line than these are not all shown. */
  const MOST_KEYS = 2;
  const sheet = $derived(keySheet(desk.registry, desk.keys, desk.session));
  const hold = $derived(holdKeyOf(desk.session.settings));
  const BUTTON = 'key-shaped shrink-0 border-line bg-paper px-2 py-0.5';

  /** How far each row stands to the right of the one above, in keys: as keyboards are built (common practice). */
  const STAGGER = { digits: 0, top: 0.5, home: 0.75, bottom: 1.25 } as const;
  /** The first key of a row may lie left of the first letter. */
  const LEFTMOST = -1;
  /** In parts of a key, so that the staggering has whole columns. */
  const PARTS = 4;
  const columnOf = (row: keyof typeof STAGGER, { column }: SheetKey) =>
    Math.round((column - LEFTMOST + STAGGER[row]) * PARTS) + 1;
</script>

{#snippet cap({ code, plain, shifted }: SheetKey)}
  <b class="font-mono text-[13px]"><KeyFace {code} /></b>
  {#if plain}<span
      class={[
        'leading-[14px]',
        shifted ? 'line-clamp-2' : 'line-clamp-4',
        plain.own && 'underline underline-offset-2',
      ]}>{plain.short}</span
    >{/if}
  {#if shifted}
    <span
      class={[
        'mt-auto line-clamp-2 border-t border-dotted border-line text-[11px]/[14px] text-ink-soft',
        shifted.own && 'underline underline-offset-2',
      ]}>{shifted.short}</span
    >
  {/if}
{/snippet}

<Dialog.Root
  bind:open={() => desk.dialog === 'key-sheet', (open) => (desk.dialog = open ? 'key-sheet' : null)}
>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-(--veil)" />
    <Dialog.Content
      data-prints
      class="fixed top-4 left-1/2 z-50 flex max-h-[calc(100%-32px)] w-[1180px] max-w-full -translate-x-1/2 flex-col gap-2 overflow-auto border-l-[30px] border-bar bg-paper-high p-4 outline-none"
    >
      <div class="flex flex-wrap items-baseline gap-3">
        <Dialog.Title class="text-lg font-[650]">{SHEET_TEXTS.title(hold)}</Dialog.Title>
        <Dialog.Description class="text-ink-soft">{SHEET_TEXTS.hint}</Dialog.Description>
        <span class="ml-auto flex gap-2 print:hidden">
          <button type="button" class={BUTTON} onclick={() => print()}>{SHEET_TEXTS.print}</button>
          <Dialog.Close class={BUTTON}>{SHEET_TEXTS.close}</Dialog.Close>
        </span>
      </div>
      <div class="flex min-w-[1080px] flex-col gap-1.5 print:min-w-0">
        {#each sheet.rows as { row, keys } (row)}
          <ul class="grid grid-cols-[repeat(52,minmax(0,1fr))] gap-x-1.5" aria-label={SHEET_TEXTS.rows[row]}>
            {#each keys as key (key.code)}
              <li
                style:grid-column="{columnOf(row, key)} / span {PARTS}"
                class={[
                  'flex h-[78px] flex-col overflow-hidden rounded-[3px] border px-1.5 py-0.5 text-[12.5px]',
                  key.plain || key.shifted
                    ? 'border-ink bg-paper'
                    : 'border-dashed border-line text-ink-soft',
                ]}
              >
                {@render cap(key)}
              </li>
            {/each}
          </ul>
        {/each}
        <ul class="grid grid-cols-[repeat(52,minmax(0,1fr))] gap-x-1.5">
          <li
            class="col-span-24 col-start-14 flex h-9 items-center gap-3 rounded-[3px] border border-ink bg-paper px-1.5 text-[12.5px]"
          >
            {@render cap(sheet.space)}
          </li>
          {#each sheet.others as key (key.code)}
            <li
              class="col-span-4 flex h-9 flex-col rounded-[3px] border border-ink bg-paper px-1.5 text-[12.5px]"
            >
              {@render cap(key)}
            </li>
          {/each}
        </ul>
      </div>
      <div class="columns-4 gap-6 max-sm:columns-1 print:columns-6 print:gap-3">
        {#each sheet.elsewhere as { scope, lines } (scope)}
          <section aria-label={SHEET_TEXTS.scopes[scope]} class="mb-2">
            <h3 class="border-b border-line text-[13px] font-[650]">{SHEET_TEXTS.scopes[scope]}</h3>
            <ul>
              {#each lines as { title, bounds } (title)}
                <li class="flex items-baseline gap-1.5 py-px text-[12px]/4">
                  <span class="flex shrink-0 flex-wrap gap-0.5"
                    >{#each capsTogether(bounds.slice(0, MOST_KEYS)) as label, nth (nth)}<Key
                        {label}
                      />{/each}{#if bounds.length > MOST_KEYS}…{/if}</span
                  >
                  <span class="min-w-0">{title}</span>
                </li>
              {/each}
            </ul>
          </section>
        {/each}
      </div>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
