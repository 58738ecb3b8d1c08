<script lang="ts">
  import { Dialog } from 'bits-ui';
  import type { Invocation } from '../../core/actions/action';
  import type { Position } from '../../core/actions/binding';
  import { keyList } from '../../core/actions/views/key-list';
  import type { Bound } from '../../core/actions/views/key-map';
  import { holdKeyOf } from '../../core/slices/settings/state';
  import { deskHere } from '../desk/desk.svelte';
  import type { Chord } from '../../core/keys/chord';
  import ChordKeys from '../parts/Chord.svelte';
  import ChordField from '../shortcuts/ChordField.svelte';
  import Key from '../parts/Key.svelte';
  import { capsOf } from '../parts/key-names';
  import { noticeText } from '../words/sayings';
  import { KEYS_TEXTS, SHORTCUT_TEXTS } from '../words/texts';

  /** What can be done right now, to what is in front, and with which keys. */
  const desk = deskHere();
  const sections = $derived(keyList(desk.registry, desk.keys, desk.session));
  const BUTTON = 'key-shaped shrink-0 border-line bg-paper px-2 py-0.5 disabled:text-ink-soft';
  let changing = $state.raw<Invocation | null>(null);
  let chord = $state.raw<Chord | null>(null);
  let taken = $state(false);
  let useIt = $state<HTMLButtonElement>();

  /** Keys of lists are what lists have everywhere; shortcuts are changed where they are made. */
  const isChangeable = (held: Position | null, others: readonly Bound[]) =>
    held !== null || others.every(({ scope }) => scope === 'anywhere');

  function begin(invocation: Invocation) {
    changing = invocation;
    chord = null;
  }

  function choose(chosen: Chord | null) {
    if (!changing) return;
    desk.wish({
      type: 'set-key',
      key: { action: changing.action, argument: changing.argument, chord: chosen },
    });
    changing = null;
  }

  function putBack() {
    if (!changing) return;
    const { action, argument } = changing;
    desk.wish({ type: 'reset-key', action, argument });
    changing = null;
  }

  /** The last of several keys that lie side by side; those between them go without saying. */
  const lastCap = (bound: Bound) => capsOf(bound).at(-1);
</script>

<Dialog.Root bind:open={() => desk.dialog === 'keys', (open) => (desk.dialog = open ? 'keys' : null)}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-(--veil)" />
    <Dialog.Content
      class="fixed top-6 left-1/2 z-50 flex max-h-[calc(100%-48px)] w-[1040px] max-w-full -translate-x-1/2 flex-col gap-3 overflow-y-auto border-l-[30px] border-bar bg-paper-high p-5 outline-none"
    >
      <Dialog.Title class="text-lg font-[650]">{KEYS_TEXTS.title}</Dialog.Title>
      <Dialog.Description class="text-ink-soft">
        {KEYS_TEXTS.hint(holdKeyOf(desk.session.settings))}
      </Dialog.Description>
      {#if changing}
        {@const what = changing}
        <form
          class="grid grid-cols-[1fr_auto] gap-x-8 gap-y-2 border-2 border-ink p-3"
          onsubmit={(event) => {
            event.preventDefault();
            if (chord) choose(chord);
          }}
        >
          <h3 class="col-span-2 font-[650]">
            {KEYS_TEXTS.changing(desk.registry.words(what, desk.session).title)}
          </h3>
          {#key what}<ChordField
              bind:chord
              bind:taken
              but={what}
              onrecorded={() => void useIt?.focus()}
            />{/key}
          <div class="flex flex-col items-stretch gap-1.5">
            {#if what.argument !== null}
              <label class="flex items-baseline gap-2"
                >{KEYS_TEXTS.which}
                <select
                  class="border border-line bg-paper p-0.5"
                  value={what.argument}
                  onchange={(event) => begin({ ...what, argument: event.currentTarget.value })}
                >
                  {#each desk.registry.action(what.action).arguments(desk.session) as argument (argument)}
                    <option value={argument}>{argument}</option>
                  {/each}
                </select></label
              >
            {/if}
            <button bind:this={useIt} type="submit" class={BUTTON} disabled={!chord || taken}
              >{KEYS_TEXTS.use}</button
            >
            <button type="button" class={BUTTON} onclick={() => choose(null)}>{KEYS_TEXTS.noKey}</button>
            <button type="button" class={BUTTON} onclick={putBack}>{KEYS_TEXTS.back}</button>
            <button type="button" class={BUTTON} onclick={() => (changing = null)}
              >{SHORTCUT_TEXTS.stop}</button
            >
          </div>
        </form>
      {/if}
      <div class="columns-2 gap-8 max-sm:columns-1">
        {#each sections as { group, lines } (group)}
          <section class="mb-3 break-inside-avoid" aria-label={KEYS_TEXTS.groups[group]}>
            <h3 class="border-b border-line pb-0.5 font-[650]">{KEYS_TEXTS.groups[group]}</h3>
            <ul>
              {#each lines as { chord, invocation, title, others, upTo, not } (`${invocation.action} ${invocation.argument}`)}
                <li class="flex items-baseline gap-2 py-0.5 text-[13px]">
                  <span class="flex w-52 shrink-0 flex-wrap gap-1">
                    <ChordKeys {...invocation} />
                    {#each others as bound, nth (nth)}
                      {#if chord !== null || nth > 0}<span class="text-ink-soft">{KEYS_TEXTS.or}</span>{/if}
                      {#each capsOf(bound) as label (label)}<Key {label} />{/each}
                    {/each}
                    {#if upTo}<span class="text-ink-soft">…</span><Key label={lastCap(upTo)} />{/if}
                  </span>
                  <span class={not ? 'text-ink-soft' : ''}>
                    {title}
                    {#if not}<span class="block text-xs">{noticeText(not, desk)}</span>{/if}
                  </span>
                  {#if isChangeable(chord, others)}
                    <button
                      type="button"
                      class="-my-0.5 ml-auto min-h-6 shrink-0 text-xs underline underline-offset-2"
                      aria-label={KEYS_TEXTS.changing(title)}
                      onclick={() => begin(invocation)}>{KEYS_TEXTS.change}</button
                    >
                  {/if}
                </li>
              {/each}
            </ul>
          </section>
        {/each}
        <p class="flex items-baseline gap-2 text-[13px]">
          <span class="flex w-52 gap-1"><Key label="Ctrl" /><Key label={KEYS_TEXTS.saveKey} /></span>
          {KEYS_TEXTS.save}
        </p>
      </div>
      <div class="flex shrink-0 gap-2">
        <button
          type="button"
          class={BUTTON}
          disabled={desk.session.keysBefore.length === 0}
          onclick={() => desk.invoke('undo-keys')}>{KEYS_TEXTS.undo}</button
        >
        <button
          type="button"
          class={BUTTON}
          disabled={desk.session.ownKeys.length === 0}
          onclick={() => desk.wish({ type: 'reset-keys' })}>{KEYS_TEXTS.backAll}</button
        >
        <button type="button" class={BUTTON} onclick={() => (desk.dialog = 'reach-check')}
          >{KEYS_TEXTS.reach}</button
        >
        <button type="button" class={BUTTON} onclick={() => (desk.dialog = 'key-sheet')}
          >{KEYS_TEXTS.sheet}</button
        >
        <Dialog.Close class="{BUTTON} ml-auto">{KEYS_TEXTS.close}</Dialog.Close>
      </div>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
