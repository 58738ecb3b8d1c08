<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { onDestroy, onMount, tick, untrack } from 'svelte';
  import { chordText, type Chord } from '../../core/keys/chord';
  import { pressedAs } from '../../core/keys/reach';
  import { again, arrived, begunCheck, missed, missing, proposals } from '../../core/shortcuts/reach-check';
  import { holdKeyOf } from '../../core/slices/settings/state';
  import { shortcutOf } from '../../core/slices/shortcuts/selectors';
  import { browserSite } from '../../client/browser-site';
  import { keepMissed } from '../../client/reach-checked';
  import { PROGRAM_KEYS } from '../../stand-ins/program-keys';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import { chordCaps } from '../parts/key-names';
  import { REACH_TEXTS } from '../words/texts';

  /** Asks for every combination in use, one after the other, and keeps in this browser which did not arrive. */
  const desk = deskHere();
  const BUTTON = 'key-shaped shrink-0 border-line bg-paper px-2 py-0.5';

  let check = $state.raw(untrack(() => begunCheck(desk.keys)));
  let proposed = $state.raw<ReturnType<typeof proposals>>([]);
  let list = $state<HTMLElement>();

  const holdKey = $derived(holdKeyOf(desk.session.settings));
  const asked = $derived(check.asked[check.at]);
  const seen = $derived([...check.seen.values()].filter((what) => what === 'arrived').length);

  onMount(() => desk.record(true));
  onDestroy(() => {
    if (desk.recording) desk.record(false);
  });
  $effect(() => {
    const { recorded } = desk;
    if (recorded) untrack(() => hear(recorded));
  });

  function hear(recorded: NonNullable<typeof desk.recorded>) {
    if ('chord' in recorded) check = arrived(check, recorded.chord);
    else if (recorded.code === 'Enter') check = missed(check);
    else if (recorded.code === 'Backspace') check = again(check);
    if (asked) desk.record(true);
    else finish();
  }

  function finish() {
    desk.record(false);
    const gone = missing(check).map(({ chord }) => chordText(pressedAs(chord, holdKey)));
    keepMissed(gone);
    proposed = proposals(check, {
      keys: desk.keys,
      holdKey,
      programs: PROGRAM_KEYS,
      site: browserSite(),
      missed: new Set(gone),
    });
    void tick().then(() => list?.querySelector<HTMLElement>('button')?.focus());
  }

  function take({ chord: before, invocation, instead }: (typeof proposed)[number]) {
    if (!instead) return;
    const { action, argument } = invocation;
    const shortcut = action === 'shortcut' && argument ? shortcutOf(desk.session, argument) : undefined;
    if (shortcut) desk.wish({ type: 'put-shortcut', shortcut: { ...shortcut, chord: instead } });
    else desk.wish({ type: 'set-key', key: { action, argument, chord: instead } });
    proposed = proposed.filter(({ chord }) => chord !== before);
    void tick().then(() => list?.querySelector<HTMLElement>('button')?.focus());
  }
</script>

{#snippet caps(chord: Chord)}
  <span class="inline-flex gap-1"
    >{#each chordCaps(holdKey, chord) as label (label)}<Key {label} />{/each}</span
  >
{/snippet}

<Dialog.Root
  bind:open={() => desk.dialog === 'reach-check', (open) => (desk.dialog = open ? 'reach-check' : null)}
>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-(--veil)" />
    <Dialog.Content
      class="fixed top-6 left-1/2 z-50 flex max-h-[calc(100%-48px)] w-[720px] max-w-full -translate-x-1/2 flex-col gap-3 overflow-y-auto border-l-[30px] border-bar bg-paper-high p-5 outline-none"
    >
      <Dialog.Title class="text-lg font-[650]">{REACH_TEXTS.title}</Dialog.Title>
      <Dialog.Description class="text-ink-soft">{REACH_TEXTS.hint}</Dialog.Description>
      {#if asked}
        <div class="flex flex-col gap-2 border-2 border-ink p-4" role="status">
          <p class="flex items-baseline gap-3 text-base">
            {REACH_TEXTS.press} <span class="text-lg">{@render caps(asked.chord)}</span>
            <span class="text-ink-soft">{desk.registry.words(asked.invocation, desk.session).title}</span>
          </p>
          <p class="text-ink-soft">
            <Key label="Enter" />
            {REACH_TEXTS.missed} · <Key label="Backspace" />
            {REACH_TEXTS.again} · <Key label="Esc" />
            {REACH_TEXTS.stop}
          </p>
          {#if !desk.recording}
            <button type="button" class="{BUTTON} self-start" onclick={() => desk.record(true)}
              >{REACH_TEXTS.goOn}</button
            >
          {/if}
        </div>
      {:else}
        <p class="font-[650]" role="status">{REACH_TEXTS.over(seen, check.asked.length)}</p>
        <ul bind:this={list} class="flex flex-col gap-1.5">
          {#each proposed as one (chordText(one.chord))}
            <li class="flex items-center gap-3">
              <span class="w-36">{@render caps(one.chord)}</span>
              <span class="min-w-0 flex-1 truncate"
                >{desk.registry.words(one.invocation, desk.session).title}</span
              >
              {#if one.instead}
                <button type="button" class="{BUTTON} flex items-center gap-2" onclick={() => take(one)}
                  >{REACH_TEXTS.instead} {@render caps(one.instead)}</button
                >
              {/if}
            </li>
          {/each}
        </ul>
      {/if}
      <ol class="flex flex-wrap gap-1.5" aria-label={REACH_TEXTS.list}>
        {#each check.asked as one, n (chordText(one.chord))}
          {@const what = check.seen.get(chordText(one.chord))}
          <li
            class={[
              'flex items-center gap-1 border px-1 py-0.5 text-xs',
              n === check.at ? 'border-2 border-ink' : 'border-line',
              what === 'arrived' ? 'bg-paper' : what === 'missed' ? 'hatched' : 'border-dashed',
            ]}
          >
            {@render caps(one.chord)}
            {what ? REACH_TEXTS[what === 'arrived' ? 'arrived' : 'not'] : ''}
          </li>
        {/each}
      </ol>
      <Dialog.Close class="{BUTTON} self-end">{REACH_TEXTS.close}</Dialog.Close>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
