<script lang="ts">
  import { GUEST_TEXTS } from '../texts';
  import type { PreviewProps } from '../view';
  import { heardUntil, radioLog } from './radio-log';

  /** What was heard, the newest first. */
  let { document, text, day }: PreviewProps = $props();

  const log = $derived(radioLog(text));
  const calls = $derived(
    log ? [...log.written, ...heardUntil(document.title, day, log.paused)].toReversed() : [],
  );
</script>

{#if log?.paused}<p class="border-b border-line bg-sheet px-3 py-1 font-semibold">
    {GUEST_TEXTS.paused}
  </p>{/if}
<ol class="px-3 py-1.5 text-[13px]">
  {#each calls as { time, from, message }, nth (calls.length - nth)}
    <li class="grid grid-cols-[48px_120px_1fr] gap-2 border-b border-line-soft py-1">
      <span class="font-mono">{time}</span><b class="truncate">{from}</b><span>{message}</span>
    </li>
  {/each}
</ol>
