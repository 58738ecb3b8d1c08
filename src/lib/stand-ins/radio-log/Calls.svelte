<script lang="ts">
  import { GUEST_TEXTS } from '../texts';
  import type { PreviewProps } from '../view';
  import { callsOf, radioLog } from './radio-log';

  /** What was heard, the newest first. */
  let { document, text, day }: PreviewProps = $props();

  const log = $derived(radioLog(text));
  const calls = $derived(log ? callsOf(document.title, log, day).toReversed() : []);
</script>

{#if log?.paused}<p class="border-b border-line bg-sheet px-3 py-1 font-semibold">
    {GUEST_TEXTS.paused}
  </p>{/if}
<ol class="px-3 py-1.5 text-[13px]">
  {#each calls as { time, from, message, marked }, nth (calls.length - nth)}
    <li
      class="grid min-h-7 grid-cols-[16px_48px_120px_1fr] items-center gap-2 border-b border-line-soft py-0.5"
    >
      <span>{marked ? '◆' : ''}</span><span class="font-mono">{time}</span><b class="truncate">{from}</b><span
        >{message}</span
      >
    </li>
  {/each}
</ol>
