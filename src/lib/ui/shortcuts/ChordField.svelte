<script lang="ts">
  import { onDestroy, onMount, tick, untrack } from 'svelte';
  import type { Invocation } from '../../core/actions/action';
  import type { Chord } from '../../core/keys/chord';
  import { freeChords, usersOf, type Surroundings, type User } from '../../core/shortcuts/users';
  import { holdKeyOf } from '../../core/slices/settings/state';
  import { browserSite } from '../../client/browser-site';
  import { missedHere } from '../../client/reach-checked';
  import { PROGRAM_KEYS } from '../../stand-ins/program-keys';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import { chordCaps } from '../parts/key-names';
  import { CHORD_TEXTS } from '../words/texts';

  /** Records a combination, says at once who uses it already, and offers ones that nobody uses. */
  let {
    chord = $bindable(),
    taken = $bindable(),
    but = null,
    onrecorded = () => undefined,
  }: {
    chord: Chord | null;
    /** Whether Key Fold itself uses it, so that it cannot be chosen. */
    taken?: boolean;
    /** What it is chosen for, which may have it already. */
    but?: Invocation | null;
    /** Called once one was recorded that can be chosen. */
    onrecorded?: () => void;
  } = $props();

  const desk = deskHere();
  /** As many as fit two lines. */
  const MOST_FREE = 10;
  const site = browserSite();

  const holdKey = $derived(holdKeyOf(desk.session.settings));
  const around = $derived<Surroundings>({
    keys: desk.keys,
    holdKey,
    programs: PROGRAM_KEYS,
    site,
    missed: missedHere(),
  });
  const users = $derived(chord ? usersOf(chord, around, but) : []);
  const free = $derived(freeChords(around, MOST_FREE));
  const refusal = $derived(
    desk.recorded && 'not' in desk.recorded ? CHORD_TEXTS.not[desk.recorded.not] : null,
  );

  $effect(() => {
    if (!desk.recorded || !('chord' in desk.recorded)) return;
    ({ chord } = desk.recorded);
    void tick().then(() => untrack(() => taken || onrecorded()));
  });
  $effect(() => {
    taken = users.some(({ by }) => by === 'key-fold');
  });
  // Whoever comes here wants to press one.
  onMount(() => desk.record(true));
  onDestroy(() => desk.recording && desk.record(false));

  /** One that is offered, instead of recording. */
  function choose(one: Chord) {
    desk.record(false);
    chord = one;
    onrecorded();
  }

  function textOf(user: User): string {
    switch (user.by) {
      case 'key-fold':
        return CHORD_TEXTS.keyFold(desk.registry.words(user.invocation, desk.session).title);
      case 'program':
        return CHORD_TEXTS.program(user.program, user.what);
      case 'browser':
        return user.onlyHere ? CHORD_TEXTS.browserHere : CHORD_TEXTS.browser;
      case 'desktop':
        return CHORD_TEXTS.desktop(user.what);
      case 'this-machine':
        return CHORD_TEXTS.thisMachine;
    }
  }
</script>

<div class="flex flex-col gap-1.5" role="group" aria-label={CHORD_TEXTS.label}>
  <div class="flex items-center gap-3">
    <span
      class="flex min-h-7 min-w-32 items-center gap-1 border border-line bg-paper px-2"
      aria-live="polite"
    >
      {#if chord}
        {#each chordCaps(holdKey, chord) as label (label)}<Key {label} />{/each}
      {:else}
        <span class="text-ink-soft">{CHORD_TEXTS.none}</span>
      {/if}
    </span>
    <button
      type="button"
      aria-pressed={desk.recording}
      class="key-shaped border-line px-2 py-0.5 {desk.recording
        ? 'bg-marigold text-on-marigold'
        : 'bg-paper'}"
      onclick={() => desk.record(!desk.recording)}
      >{desk.recording ? CHORD_TEXTS.recording : chord ? CHORD_TEXTS.again : CHORD_TEXTS.record}</button
    >
  </div>
  <div role="status" class="text-[13px]">
    {#if refusal}<p class="border-l-4 border-marigold pl-2">{refusal}</p>{/if}
    {#each users as user, nth (nth)}<p class="border-l-4 border-marigold pl-2">{textOf(user)}</p>{/each}
    {#if chord && !refusal && users.length === 0}
      <p class="text-ink-soft">{CHORD_TEXTS.fine} {site ? '' : CHORD_TEXTS.notMeasured}</p>
    {/if}
  </div>
  <p class="text-[13px] text-ink-soft">{CHORD_TEXTS.free}</p>
  <div class="flex flex-wrap gap-1.5">
    {#each free as one, nth (nth)}
      <button type="button" class="flex gap-0.5 border border-line px-1 py-0.5" onclick={() => choose(one)}
        >{#each chordCaps(holdKey, one) as label, nth (label)}{nth > 0 ? ' ' : ''}<Key
            {label}
          />{/each}</button
      >
    {/each}
  </div>
</div>
