<script lang="ts">
  import { tick, untrack } from 'svelte';
  import { downloadText } from '../../client/download';
  import { pickFile } from '../../client/pick-file';
  import { LONGEST_TEXT } from '../../core/model/limits';
  import { isCommandKey } from '../command-key';
  import Strip from '../Strip.svelte';
  import StripField from '../StripField.svelte';
  import { TABLE_TEXTS } from '../texts';
  import type { ViewProps } from '../view';
  import { DraftKeeper } from '../writing/draft-keeper';
  import { arranged, sortedBy, type Sorting } from './arranged';
  import { isFigure } from './figure';
  import { csvOf, rowsOf, rowsText, withCell, withoutRow, withRow, type Rows } from './rows';
  import { stepped, type Cell } from './step';

  let { document, text, actions, waits }: ViewProps = $props();

  let written = $state(untrack(() => text));
  /** Texts that can be taken back to, and done again. */
  let [past, future] = [[] as string[], [] as string[]];
  const rows = $derived(rowsOf(written));

  let sorting = $state.raw<Sorting>(null);
  /** The filter; null while there is none. */
  let filter = $state<string | null>(null);
  const shown = $derived(arranged(rows, sorting, filter ?? ''));

  /** By the row's number in the text, so that sorting takes the keys along. */
  let at = $state.raw<Cell>({ row: 0, column: 0 });
  /** The same among the rows that are shown. */
  const here = $derived<Cell>({
    row: at.row < 0 ? -1 : shown.indexOf(at.row) < 0 ? Math.min(0, shown.length - 1) : shown.indexOf(at.row),
    column: Math.min(at.column, rows.head.length - 1),
  });
  /** What stands in the cell that is edited; null while none is. */
  let editing = $state<string | null>(null);
  let grid: HTMLElement;

  const keeper = new DraftKeeper((now) => actions.keepDraft(document.id, now));
  $effect(() => {
    const incoming = text;
    if (keeper.waiting || incoming === untrack(() => written)) return;
    written = incoming;
    [past, future] = [[], []];
  });
  $effect(() => {
    const flush = () => {
      finish();
      keeper.flush();
    };
    const end = actions.beforeActing(flush);
    return () => {
      end();
      keeper.flush();
    };
  });

  function writeAtItsEnd(cell: HTMLInputElement) {
    cell.focus();
    cell.setSelectionRange(cell.value.length, cell.value.length);
  }

  async function focusHere() {
    await tick();
    grid.querySelector<HTMLElement>('[tabindex="0"]')?.focus();
  }

  function become(next: string) {
    written = next;
    keeper.typed(next);
  }

  function change(to: Rows) {
    const next = csvOf(to);
    if (waits || next === written) return;
    if (next.length > LONGEST_TEXT) return actions.say(TABLE_TEXTS.tooLong);
    past.push(written);
    future = [];
    become(next);
  }

  function takeBack(from: string[], to: string[]) {
    const next = from.pop();
    if (next === undefined) return;
    to.push(written);
    become(next);
  }

  function go(to: Cell) {
    at = { row: to.row < 0 ? -1 : (shown[to.row] ?? -1), column: to.column };
    void focusHere();
  }

  function edit(letters?: string) {
    if (waits || here.row < 0) return;
    at = { row: shown[here.row] ?? 0, column: here.column };
    editing = letters ?? rows.body[at.row]?.[at.column] ?? '';
  }

  /** Takes what is written in the open cell. */
  function finish() {
    if (editing === null) return;
    const cell = editing;
    editing = null;
    change(withCell(rows, at.row, at.column, cell));
  }

  function finishAndGo(rowsOn: number, columnsOn: number) {
    finish();
    go({
      row: Math.max(0, Math.min(here.row + rowsOn, shown.length - 1)),
      column: Math.max(0, Math.min(here.column + columnsOn, rows.head.length - 1)),
    });
  }

  function inCell(event: KeyboardEvent) {
    event.stopPropagation();
    if (event.isComposing) return;
    const back = event.shiftKey ? -1 : 1;
    if (event.key === 'Enter') finishAndGo(back, 0);
    else if (event.key === 'Tab') finishAndGo(0, back);
    else if (event.key === 'Escape') {
      editing = null;
      void focusHere();
    } else if (isCommandKey(event, 's')) {
      finish();
      void focusHere();
      save();
    } else return;
    event.preventDefault();
  }

  function save() {
    keeper.flush();
    actions.save(document.id);
  }

  function addRow() {
    const place = here.row < 0 ? 0 : at.row + 1;
    change(withRow(rows, place));
    // A new row has none of the words that are sought.
    filter = null;
    at = { row: place, column: 0 };
    void focusHere();
  }

  function removeRow() {
    if (here.row < 0) return;
    const next = shown[here.row + 1] ?? shown[here.row - 1] ?? -1;
    const gone = shown[here.row] ?? 0;
    change(withoutRow(rows, gone));
    at = { row: next > gone ? next - 1 : next, column: at.column };
    void focusHere();
  }

  function inGrid(event: KeyboardEvent) {
    const { key, ctrlKey, metaKey, altKey } = event;
    const plain = !ctrlKey && !metaKey && !altKey;
    const to =
      altKey || metaKey ? null : stepped(here, event, { rows: shown.length, columns: rows.head.length });
    if (to) go(to);
    else if (isCommandKey(event, 's')) save();
    else if (isCommandKey(event, 'f')) filter ??= '';
    else if (isCommandKey(event, 'z'))
      takeBack(...(event.shiftKey ? ([future, past] as const) : ([past, future] as const)));
    else if (isCommandKey(event, 'y')) takeBack(future, past);
    else if (ctrlKey && key === 'Enter') addRow();
    else if (ctrlKey && key === 'Delete') removeRow();
    else if (plain && here.row < 0 && (key === 'Enter' || key === ' '))
      sorting = sortedBy(sorting, here.column);
    else if (plain && (key === 'Enter' || key === 'F2')) edit();
    else if (plain && (key === 'Delete' || key === 'Backspace'))
      change(withCell(rows, at.row, at.column, ''));
    else if (plain && [...key].length === 1) edit(key);
    else return;
    event.preventDefault();
  }

  function copy(event: ClipboardEvent) {
    if (editing !== null || here.row < 0) return;
    event.clipboardData?.setData('text/plain', rows.body[at.row]?.[at.column] ?? '');
    event.preventDefault();
  }

  function paste(event: ClipboardEvent) {
    const cell = event.clipboardData?.getData('text/plain');
    if (editing !== null || here.row < 0 || cell === undefined) return;
    change(withCell(rows, at.row, at.column, cell));
    event.preventDefault();
  }

  async function takeIn() {
    const file = await pickFile('.csv,text/csv');
    if (!file) return;
    change(rowsOf(await file.text()));
    actions.say(TABLE_TEXTS.tookIn(file.name, rowsText(rows.body.length)));
  }

  const handOut = () => downloadText(written, `${document.title}.csv`, 'text/csv');
  const says = $derived(
    filter ? TABLE_TEXTS.some(shown.length, rowsText(rows.body.length)) : rowsText(rows.body.length),
  );
</script>

<svelte:window onpagehide={() => keeper.flush()} />
<div class="flex size-full flex-col">
  <div class="min-h-0 flex-1 overflow-auto">
    <table
      bind:this={grid}
      role="grid"
      aria-label={document.title}
      aria-readonly={waits}
      class="w-full border-collapse text-[13px]"
      onkeydown={inGrid}
      oncopy={copy}
      onpaste={paste}
    >
      <thead class="sticky top-0 bg-paper">
        <tr class="border-b border-line text-left text-ink-soft">
          {#each rows.head as name, column (column)}
            {@const sorted = sorting?.column === column ? sorting : null}
            <th
              scope="col"
              tabindex={here.row < 0 && here.column === column ? 0 : -1}
              data-takes-focus={here.row < 0 && here.column === column ? '' : undefined}
              aria-sort={sorted ? (sorted.down ? 'descending' : 'ascending') : 'none'}
              class="cursor-pointer px-2.5 py-1 font-semibold -outline-offset-2"
              onclick={() => {
                sorting = sortedBy(sorting, column);
                go({ row: -1, column });
              }}>{name} {sorted ? (sorted.down ? '▾' : '▴') : ''}</th
            >
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each shown as row, nth (row)}
          <tr class="border-b border-line-soft">
            {#each rows.body[row] ?? [] as cell, column (column)}
              {@const current = nth === here.row && here.column === column}
              <td
                tabindex={current ? 0 : -1}
                data-takes-focus={current && editing === null ? '' : undefined}
                class={[
                  '-outline-offset-2',
                  isFigure(cell) && 'font-mono whitespace-nowrap',
                  !(current && editing !== null) && 'px-2.5 py-1',
                ]}
                onclick={() => current || go({ row: nth, column })}
                ondblclick={() => edit()}
              >
                {#if current && editing !== null}
                  <input
                    {@attach writeAtItsEnd}
                    type="text"
                    bind:value={editing}
                    onkeydown={inCell}
                    onblur={finish}
                    aria-label={rows.head[column]}
                    data-takes-focus
                    spellcheck="false"
                    autocomplete="off"
                    class="w-full min-w-16 bg-paper-high px-2.5 py-1 outline-2 -outline-offset-2 outline-ink"
                  />
                {:else}{cell}{/if}
              </td>
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
  <Strip {says}>
    {#if filter !== null}
      <StripField
        label={TABLE_TEXTS.filter}
        letters={filter}
        type={(letters: string) => (filter = letters)}
        enter={() => go({ row: shown.length > 0 ? 0 : -1, column: at.column })}
        leave={() => {
          filter = null;
          void focusHere();
        }}
      />
    {:else}
      <button type="button" class="strip-button" onclick={() => (filter = '')}>{TABLE_TEXTS.filter}</button>
    {/if}
    <button type="button" class="strip-button" onclick={addRow} disabled={waits}>{TABLE_TEXTS.addRow}</button>
    <button type="button" class="strip-button" onclick={takeIn} disabled={waits}>{TABLE_TEXTS.takeIn}</button>
    <button type="button" class="strip-button" onclick={handOut}>{TABLE_TEXTS.handOut}</button>
  </Strip>
</div>
