<script lang="ts">
  import { desktopEntry } from '../../core/guests/desktop-entry';
  import { GUEST_TEXTS } from '../texts';
  import type { PreviewProps } from '../view';

  /** What a desktop entry says of its program. */
  let { text }: PreviewProps = $props();

  const read = $derived(desktopEntry(text));
  const entry = $derived('entry' in read ? read.entry : null);
</script>

{#if entry}
  <div class="flex flex-col gap-2 px-4 py-3 text-[13px]">
    <p class="border border-line bg-paper-high px-2 py-1">{GUEST_TEXTS.notLaunched}</p>
    {#if entry.comment}<p>{entry.comment}</p>{/if}
    <dl class="grid grid-cols-[100px_1fr] gap-y-1">
      <dt class="text-ink-soft">{GUEST_TEXTS.command}</dt>
      <dd class="font-mono">{entry.command.join(' ')}</dd>
      {#each entry.actions as { id, name, command } (id)}
        <dt class="text-ink-soft">{name}</dt>
        <dd class="font-mono">{command.join(' ')}</dd>
      {/each}
    </dl>
  </div>
{/if}
