<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { untrack } from 'svelte';
  import type { Chord } from '../../core/keys/chord';
  import { LONGEST_TITLE } from '../../core/model/limits';
  import { find } from '../../core/model/table';
  import { aimText, windowsAimedAt } from '../../core/shortcuts/aim';
  import { titlePattern } from '../../core/shortcuts/title-pattern';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { holdKeyOf } from '../../core/slices/settings/state';
  import { isPencil } from '../../core/slices/shortcuts/selectors';
  import { FURTHER, type Aim, type Further, type Shortcut } from '../../core/slices/shortcuts/state';
  import { titleOf, windowOf } from '../../core/slices/windows/selectors';
  import { newId } from '../../client/ids';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import { chordCaps } from '../parts/key-names';
  import { SHORTCUT_TEXTS, windowName } from '../words/texts';
  import ChordField from './ChordField.svelte';

  /** The shortcuts that there are, and a new one to what was in front or highlighted. */
  const desk = deskHere();
  const BUTTON = 'key-shaped shrink-0 border-line bg-paper px-2 py-0.5 disabled:text-ink-soft';

  type Kind = 'window' | 'application' | 'titles';
  interface Draft {
    readonly id: string;
    kind: Kind;
    window: string;
    application: string;
    title: string;
    opens: boolean;
    further: Further;
  }

  /** A title as an expression that matches just that. */
  const escaped = (title: string) => title.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

  const first = untrack(() => desk.state.dialogOn);
  let draft = $state(untrack(fresh));
  let chord = $state.raw<Chord | null>(null);
  let taken = $state(false);
  let keepIt = $state<HTMLButtonElement>();
  let closer = $state<HTMLElement | null>(null);
  /** The shortcut that is changed; null while a new one is made. */
  let changing = $state.raw<Shortcut | null>(null);

  const holdKey = $derived(holdKeyOf(desk.session.settings));
  const windows = $derived(desk.session.recent.windows.map(({ id }) => windowOf(desk.session, id)));
  const pattern = $derived(titlePattern(draft.title));
  const problem = $derived(draft.kind === 'titles' && 'problem' in pattern ? pattern.problem : null);
  const aim = $derived<Aim>(
    draft.kind === 'window'
      ? { window: draft.window }
      : { application: draft.application, title: draft.kind === 'titles' ? draft.title : null },
  );
  const matching = $derived(
    problem === null && draft.kind === 'titles'
      ? windowsAimedAt(desk.session, aim, () => ('matches' in pattern ? pattern.matches : null))
      : [],
  );
  const there = $derived(
    draft.kind === 'window' ? windows.some(({ id }) => id === draft.window) : draft.application !== '',
  );

  function fresh(): Draft {
    const { session } = desk;
    const application = first?.application ?? session.applications[0]?.id ?? '';
    // On another page it may have been closed meanwhile.
    const window = first?.window ? find(session.windows, first.window) : undefined;
    return {
      id: newId(),
      kind: window ? 'window' : 'application',
      window: window?.id ?? session.recent.windows[0]?.id ?? '',
      application,
      title: window ? escaped(titleOf(window)) : '',
      opens: true,
      further: 'next-window',
    };
  }

  function change(shortcut: Shortcut, kind?: Kind) {
    const { id, aim, opens, further } = shortcut;
    const window = 'window' in aim ? windowOf(desk.session, aim.window) : null;
    changing = shortcut;
    ({ chord } = shortcut);
    draft = {
      id,
      kind:
        kind ?? (window ? 'window' : 'application' in aim && aim.title !== null ? 'titles' : 'application'),
      window: window?.id ?? desk.session.recent.windows[0]?.id ?? '',
      application: 'application' in aim ? aim.application : (window?.application ?? ''),
      title: 'application' in aim ? (aim.title ?? '') : window ? escaped(titleOf(window)) : '',
      opens,
      further,
    };
  }

  function startAnew() {
    changing = null;
    chord = null;
    draft = fresh();
  }

  function keep() {
    if (!chord) return;
    const { id, opens, further } = draft;
    desk.wish({ type: 'put-shortcut', shortcut: { id, chord, aim, opens, further } });
    startAnew();
    // What was pressed cannot be pressed again, and would lose the focus.
    closer?.focus();
  }
</script>

{#snippet radio(kind: Kind, text: string)}
  <label class="flex items-center gap-2">
    <input type="radio" name="kind" value={kind} bind:group={draft.kind} />
    {text}
  </label>
{/snippet}

<Dialog.Root
  bind:open={() => desk.dialog === 'shortcuts', (open) => (desk.dialog = open ? 'shortcuts' : null)}
>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-(--veil)" />
    <Dialog.Content
      class="fixed top-6 left-1/2 z-50 flex max-h-[calc(100%-48px)] w-[900px] max-w-full -translate-x-1/2 flex-col gap-3 overflow-y-auto border-l-[30px] border-bar bg-paper-high p-5 accent-ink outline-none"
    >
      <Dialog.Title class="text-lg font-[650]">{SHORTCUT_TEXTS.title}</Dialog.Title>
      <Dialog.Description class="text-ink-soft">{SHORTCUT_TEXTS.hint}</Dialog.Description>
      {#if desk.session.shortcuts.length === 0}
        <p class="text-ink-soft">{SHORTCUT_TEXTS.none}</p>
      {:else}
        <ul class="flex shrink-0 flex-col">
          {#each desk.session.shortcuts as shortcut (shortcut.id)}
            {@const name = desk.chordName(shortcut.chord)}
            <li class="flex items-center gap-3 border-b border-line-soft py-1">
              <span class="flex w-40 gap-1"
                >{#each chordCaps(holdKey, shortcut.chord) as label (label)}<Key {label} />{/each}</span
              >
              <span class="min-w-0 flex-1 truncate">{aimText(desk.session, shortcut.aim)}</span>
              <span class="chip {isPencil(shortcut) ? 'border-dashed' : 'border-ink'}"
                >{isPencil(shortcut) ? SHORTCUT_TEXTS.pencil : SHORTCUT_TEXTS.ink}</span
              >
              {#if isPencil(shortcut)}
                <button type="button" class={BUTTON} onclick={() => change(shortcut, 'titles')}
                  >{SHORTCUT_TEXTS.toInk}</button
                >
              {/if}
              <button
                type="button"
                class={BUTTON}
                aria-label={SHORTCUT_TEXTS.changing(name)}
                onclick={() => change(shortcut)}>{SHORTCUT_TEXTS.change}</button
              >
              <button
                type="button"
                class={BUTTON}
                aria-label="{SHORTCUT_TEXTS.remove} {name}"
                onclick={() => desk.wish({ type: 'remove-shortcut', shortcut: shortcut.id })}
                >{SHORTCUT_TEXTS.remove}</button
              >
            </li>
          {/each}
        </ul>
      {/if}
      <h3 class="border-t border-line pt-2 font-[650]">
        {changing ? SHORTCUT_TEXTS.changing(desk.chordName(changing.chord)) : SHORTCUT_TEXTS.make}
      </h3>
      <form
        class="grid grid-cols-2 gap-x-8 gap-y-3 max-sm:grid-cols-1"
        onsubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <ChordField
          bind:chord
          bind:taken
          but={changing && { action: 'shortcut', argument: changing.id }}
          onrecorded={() => keepIt?.focus()}
        />
        <div class="flex flex-col gap-2">
          <fieldset class="flex flex-col gap-1">
            <legend class="font-[650]">{SHORTCUT_TEXTS.goesTo}</legend>
            {@render radio('window', SHORTCUT_TEXTS.window)}
            {@render radio('application', SHORTCUT_TEXTS.application)}
            {@render radio('titles', SHORTCUT_TEXTS.titles)}
          </fieldset>
          {#if draft.kind === 'window'}
            <label class="flex items-center gap-2">
              <span class="w-24 font-[650]">{SHORTCUT_TEXTS.whichWindow}</span>
              <select bind:value={draft.window} class="min-w-0 flex-1 border border-line bg-paper p-0.5">
                {#each windows as window (window.id)}
                  <option value={window.id}>{windowName(desk.session, window)}</option>
                {/each}
              </select>
            </label>
          {:else}
            <label class="flex items-center gap-2">
              <span class="w-24 font-[650]">{SHORTCUT_TEXTS.whichApplication}</span>
              <select bind:value={draft.application} class="min-w-0 flex-1 border border-line bg-paper p-0.5">
                {#each desk.session.applications as { id, name } (id)}
                  <option value={id}>{name}</option>
                {/each}
              </select>
            </label>
          {/if}
          {#if draft.kind === 'titles'}
            <label class="flex items-center gap-2">
              <span class="w-24 font-[650]">{SHORTCUT_TEXTS.pattern}</span>
              <input
                bind:value={draft.title}
                maxlength={LONGEST_TITLE}
                placeholder={SHORTCUT_TEXTS.patternHint}
                spellcheck="false"
                aria-invalid={problem !== null}
                aria-describedby="shortcut-pattern"
                class="min-w-0 flex-1 border border-line bg-paper px-1.5 py-0.5 font-mono"
              />
            </label>
            <div id="shortcut-pattern" role="status" class="pl-26 text-[13px]">
              {#if problem !== null}
                <p class="border-l-4 border-marigold pl-2">{problem}</p>
              {:else}
                <p class="text-ink-soft">{SHORTCUT_TEXTS.matches(matching.length)}</p>
                <ul class="max-h-20 overflow-y-auto">
                  {#each matching as window (window.id)}<li class="truncate">{titleOf(window)}</li>{/each}
                </ul>
              {/if}
            </div>
          {/if}
          {#if draft.kind !== 'window'}
            <label class="flex items-center gap-2">
              <input type="checkbox" bind:checked={draft.opens} />
              {SHORTCUT_TEXTS.opens}
              {#if draft.application}({applicationOf(desk.session, draft.application).name}){/if}
            </label>
          {/if}
          <fieldset class="flex flex-col gap-1">
            <legend class="font-[650]">{SHORTCUT_TEXTS.further}</legend>
            {#each FURTHER as further (further)}
              <label class="flex items-center gap-2">
                <input type="radio" name="further" value={further} bind:group={draft.further} />
                {draft.kind === 'window' && further === 'next-window'
                  ? SHORTCUT_TEXTS.stays
                  : SHORTCUT_TEXTS.furthers[further]}
              </label>
            {/each}
          </fieldset>
          <div class="flex gap-2">
            <button
              bind:this={keepIt}
              type="submit"
              class={BUTTON}
              disabled={!chord || taken || problem !== null || !there}>{SHORTCUT_TEXTS.keep}</button
            >
            {#if changing}
              <button type="button" class={BUTTON} onclick={startAnew}>{SHORTCUT_TEXTS.stop}</button>
            {/if}
          </div>
        </div>
      </form>
      <div class="flex justify-between border-t border-line pt-2">
        <button
          type="button"
          class={BUTTON}
          disabled={desk.session.keysBefore.length === 0}
          onclick={() => desk.invoke('undo-keys')}>{SHORTCUT_TEXTS.undo}</button
        >
        <Dialog.Close bind:ref={closer} class={BUTTON}>{SHORTCUT_TEXTS.close}</Dialog.Close>
      </div>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
