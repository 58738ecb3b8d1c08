<script lang="ts">
  import Strip from '../Strip.svelte';
  import { GUEST_TEXTS, RADIO_TEXTS } from '../texts';
  import type { ViewProps } from '../view';
  import { walkList } from '../walk-list';
  import { callsOf, radioLog, withMark, withPause, type Call } from './radio-log';

  /** A log that grows while one reads it, the newest first; what matters can be marked. */
  let { document, text, day, actions, waits }: ViewProps = $props();

  const log = $derived(radioLog(text));
  const calls = $derived(log ? callsOf(document.title, log, day) : []);
  const marked = $derived(calls.filter((call) => call.marked));
  let onlyMarked = $state(false);
  const shown = $derived((onlyMarked ? marked : calls).toReversed());

  const mark = (call: Call) => actions.write(document.id, withMark(text, call, !call.marked));
  const pause = () => actions.write(document.id, withPause(text, log?.paused ? null : new Date()));
</script>

<div class="flex size-full flex-col">
  {#if log?.paused}<p class="border-b border-line bg-sheet px-3 py-1 font-semibold">
      {GUEST_TEXTS.paused}
    </p>{/if}
  <ol class="min-h-0 flex-1 overflow-auto px-1.5 py-1.5 text-[13px]">
    {#each shown as call, nth (`${call.time} ${call.from} ${call.message}`)}
      <li class="border-b border-line-soft">
        <button
          type="button"
          aria-pressed={call.marked}
          disabled={waits}
          title={call.marked ? RADIO_TEXTS.unmark : RADIO_TEXTS.mark}
          data-takes-focus={nth === 0 ? '' : undefined}
          onkeydown={walkList}
          onclick={() => mark(call)}
          class="grid min-h-7 w-full grid-cols-[16px_48px_120px_1fr] items-center gap-2 px-1.5 py-0.5 text-left -outline-offset-2"
        >
          <span>{call.marked ? '◆' : ''}</span><span class="font-mono">{call.time}</span><b class="truncate"
            >{call.from}</b
          ><span>{call.message}</span>
        </button>
      </li>
    {:else}
      <li class="px-1.5 text-ink-soft">{RADIO_TEXTS.noneMarked}</li>
    {/each}
  </ol>
  <Strip says={RADIO_TEXTS.count(calls.length, marked.length)}>
    <button type="button" class="strip-button" disabled={waits} onclick={pause}
      >{log?.paused ? RADIO_TEXTS.goOn : RADIO_TEXTS.pause}</button
    >
    <button
      type="button"
      class="strip-button"
      aria-pressed={onlyMarked}
      onclick={() => (onlyMarked = !onlyMarked)}
      >{onlyMarked ? RADIO_TEXTS.all : RADIO_TEXTS.onlyMarked}</button
    >
  </Strip>
</div>
