<script lang="ts">
  import { heldKeyAt, KEY_MAP, type HeldKey } from '../../core/keys/key-map';
  import type { Desk } from '../desk/desk.svelte';
  import type { LegendEntry } from '../legends';
  import { KEY_TEXTS } from '../texts';
  import Key from './Key.svelte';
  import { keyName } from './key-names';

  /** Keys and what they do; each does the same when the pointer presses it, with Shift too. */
  let { desk, entries }: { desk: Desk; entries: readonly LegendEntry[] } = $props();

  function press(event: MouseEvent, key: HeldKey) {
    const shifted = event.shiftKey ? heldKeyAt({ code: KEY_MAP[key].code, shift: true }) : null;
    desk.press(shifted ?? key);
  }

  /** A glance lasts as long as the button is down. */
  const glance = (key: HeldKey, on: boolean) => key === 'glance' && desk.glance(on);
</script>

{#each entries as { keys, text } (text)}
  <span class="flex items-center gap-1 whitespace-nowrap">
    {#each keys as key (key)}
      <!-- The keyboard has the keys themselves: these are not in its way, and do not take them from where they go. -->
      <button
        type="button"
        tabindex="-1"
        aria-label="{keyName(KEY_MAP[key].code)} {KEY_TEXTS[key]}"
        class="flex min-h-6 min-w-6 items-center justify-center gap-1"
        onmousedown={(event) => event.preventDefault()}
        onclick={(event) => press(event, key)}
        onpointerdown={() => glance(key, true)}
        onpointerup={() => glance(key, false)}
        onpointerleave={() => glance(key, false)}
      >
        <Key dark code={KEY_MAP[key].code} />
        {keys.length === 1 ? text : ''}
      </button>
    {/each}
    {#if keys.length > 1}{text}{/if}
  </span>
{/each}
