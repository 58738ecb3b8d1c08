<script lang="ts">
  import { addDays, startOfToday } from 'date-fns';
  import { keepsTally } from '../../core/slices/settings/state';
  import { COLUMNS, type Column } from '../../core/tally/columns';
  import { download } from '../../client/download';
  import { fetchInTime } from '../../client/fetch-in-time';
  import { switchesAddress } from '../../client/session-api';
  import { deskHere } from '../desk/desk.svelte';
  import SwitchSetting from '../parts/SwitchSetting.svelte';
  import { TALLY_TEXTS } from '../words/tally-texts';
  import { weekdayText } from './figures';

  /** What is recorded, just as it is stored: to be read, handed out, forgotten, and turned off. */
  let { forgotten }: { forgotten: () => void } = $props();

  type Line = Readonly<Record<Column, string | number | boolean | null>>;
  type Forgettable = keyof typeof TEXTS.spans;
  const TEXTS = TALLY_TEXTS.record;
  const BUTTON = 'border border-ink bg-paper-high px-2 py-0.5';
  /** Lines that are shown at once; more on demand. */
  const LINES = 200;

  const desk = deskHere();
  const { settings } = $derived(desk.session);
  let back = $state(0);
  let lines = $state.raw<readonly Line[]>([]);
  let shown = $state(LINES);
  let sure = $state<Forgettable | null>(null);
  let said = $state('');

  const day = $derived(addDays(startOfToday(), -back));
  const span = $derived({ since: day.toISOString(), until: addDays(day, 1).toISOString() });

  $effect(() => void read(span));

  async function read(asked: typeof span) {
    const response = await fetchInTime(switchesAddress(desk.link.id, { ...asked, as: 'jsonl' })).catch(
      () => null,
    );
    if (asked !== span) return;
    const text = response?.ok ? await response.text() : '';
    lines = text
      .split('\n')
      .filter((line) => line !== '')
      .map((line) => JSON.parse(line) as Line)
      .reverse();
    shown = LINES;
    if (!response?.ok) said = TALLY_TEXTS.failed;
  }

  async function forget(what: Forgettable) {
    sure = null;
    const query = what === 'day' ? span : {};
    const response = await fetchInTime(switchesAddress(desk.link.id, query), { method: 'DELETE' }).catch(
      () => null,
    );
    if (!response?.ok) {
      said = TEXTS.notForgotten;
      return;
    }
    said = TEXTS.forgotten(((await response.json()) as { forgotten: number }).forgotten);
    await read(span);
    forgotten();
  }

  const exportAs = (as: keyof typeof TEXTS.exports) =>
    download(switchesAddress(desk.link.id, { as }), `${desk.link.id}-switches.${as}`);
  const text = (value: Line[Column]) => (value === null ? '' : String(value));
</script>

<div class="mt-4 flex flex-col gap-3">
  <SwitchSetting
    name="tally"
    title={TEXTS.on}
    hint={TEXTS.onHint}
    checked={keepsTally(settings)}
    change={(tally: boolean) => desk.wish({ type: 'change-settings', settings: { ...settings, tally } })}
  />
  <div class="flex flex-wrap items-center gap-x-6 gap-y-2">
    <span class="flex items-center gap-2"
      >{TEXTS.export}
      {#each Object.keys(TEXTS.exports) as (keyof typeof TEXTS.exports)[] as as (as)}
        <button type="button" class={BUTTON} onclick={() => exportAs(as)}>{TEXTS.exports[as]}</button>
      {/each}
    </span>
    <span class="flex items-center gap-2">
      {#if sure}
        {TEXTS.sure(TEXTS.spans[sure])}
        <button type="button" class={BUTTON} onclick={() => sure && void forget(sure)}>{TEXTS.yes}</button>
        <!-- svelte-ignore a11y_autofocus (what it asks about is under the keys just now) -->
        <button type="button" class={BUTTON} autofocus onclick={() => (sure = null)}>{TEXTS.no}</button>
      {:else}
        {TEXTS.forget}
        {#each Object.keys(TEXTS.spans) as Forgettable[] as what (what)}
          <button type="button" class={BUTTON} onclick={() => (sure = what)}>{TEXTS.spans[what]}</button>
        {/each}
      {/if}
    </span>
    <span role="status" class="font-[650]">{said}</span>
  </div>
  <p class="text-[13px] text-ink-soft">{TEXTS.keptElsewhere}</p>
  <div class="flex items-center gap-3">
    <b
      >{lines.length === 0
        ? `${weekdayText(day.getTime())}: ${TEXTS.none}`
        : TEXTS.of(weekdayText(day.getTime()), lines.length)}</b
    >
    <button type="button" class={BUTTON} onclick={() => (back += 1)}>{TALLY_TEXTS.earlier}</button>
    {#if back > 0}<button type="button" class={BUTTON} onclick={() => (back -= 1)}>{TALLY_TEXTS.later}</button
      >{/if}
  </div>
  <div class="overflow-x-auto">
    <table class="w-full font-mono text-[11.5px] whitespace-nowrap">
      <thead>
        <tr class="border-b border-ink text-left">
          {#each COLUMNS as column (column)}<th scope="col" class="pr-2">{column}</th>{/each}
        </tr>
      </thead>
      <tbody>
        {#each lines.slice(0, shown) as line (line.seq)}
          <tr class="border-b border-line-soft">
            {#each COLUMNS as column (column)}<td class="pr-2">{text(line[column])}</td>{/each}
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
  {#if lines.length > shown}
    <button type="button" class="{BUTTON} self-start" onclick={() => (shown += LINES)}
      >{TEXTS.earlierLines}</button
    >
  {/if}
</div>
