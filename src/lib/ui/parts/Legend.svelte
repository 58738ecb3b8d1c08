<script lang="ts">
  import { FRESH, type Group, type Invocation } from '../../core/actions/action';
  import type { Position } from '../../core/actions/binding';
  import { legendOf } from '../../core/actions/views/legend';
  import { holdKeyOf } from '../../core/slices/settings/state';
  import { deskHere } from '../desk/desk.svelte';
  import Key from './Key.svelte';
  import { chordName, keyName } from './key-names';

  /**
   * Keys and what they do; each does the same when the pointer presses it, with Shift too. `whole`: with the hold key,
   * where it is not held.
   */
  let {
    groups,
    shift = false,
    whole = false,
  }: { groups: readonly Group[]; shift?: boolean; whole?: boolean } = $props();

  const desk = deskHere();
  const entries = $derived(legendOf(desk.registry, desk.keys, desk.session, { groups, shift }));
  const hold = $derived(holdKeyOf(desk.session.settings));

  function press(event: MouseEvent, invocation: Invocation, at: Position) {
    const shifted = event.shiftKey ? desk.keys.at(['held'], { code: at.code, key: '', shift: true }) : null;
    const pressed = shifted?.invocation ?? invocation;
    if (!lasts(pressed)) desk.invoke(pressed);
  }

  /** What lasts while a key is down lasts as long as the button is. */
  const lasts = ({ action }: Invocation) => desk.registry.action(action).press === 'while-down';
  const during = (invocation: Invocation, released: boolean) =>
    lasts(invocation) && desk.invoke(invocation, undefined, { ...FRESH, released });
</script>

{#each entries as { keys, text } (text)}
  <span class="flex items-center gap-1 whitespace-nowrap">
    {#if whole}<Key dark label={hold} />{/if}
    {#each keys as { invocation, at, title } (at.code)}
      <!-- The keyboard has the keys themselves: these are not in its way, and do not take them from where they go. -->
      <button
        type="button"
        tabindex="-1"
        aria-label="{whole ? chordName(hold, at) : keyName(at.code)} {keys.length > 1 ? title : text}"
        class="flex min-h-6 min-w-6 items-center justify-center gap-1"
        onmousedown={(event) => event.preventDefault()}
        onclick={(event) => press(event, invocation, at)}
        onpointerdown={() => during(invocation, false)}
        onpointerup={() => during(invocation, true)}
        onpointerleave={() => during(invocation, true)}
      >
        <Key dark code={at.code} />
        {keys.length === 1 ? text : ''}
      </button>
    {/each}
    {#if keys.length > 1}{text}{/if}
  </span>
{/each}
