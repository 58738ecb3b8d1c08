<script lang="ts">
  import { WORKSHOP_TEXTS } from '../texts';
  import type { PreviewProps, ViewProps } from '../view';

  /** What can be tried with its windows. */
  let { document, text, window, actions, waits }: PreviewProps & Partial<ViewProps> = $props();

  /** The most that one press opens. */
  const MOST = 500;
  /** What a draft adds, so that there is something to ask about. */
  const CHANGE = ' (changed)';

  let count = $state(12);
  const asks = $derived(text.endsWith(CHANGE));
  const askOrNot = () =>
    actions?.keepDraft(document.id, asks ? text.slice(0, -CHANGE.length) : `${text}${CHANGE}`);

  function open(event: SubmitEvent) {
    event.preventDefault();
    if (window) actions?.openMore(window, Math.max(1, Math.min(MOST, Math.round(count))));
  }
</script>

<div class="flex flex-col items-start gap-3 px-4 py-3">
  <p class="max-w-[52ch]">{WORKSHOP_TEXTS.intro}</p>
  <form class="flex items-center gap-2" onsubmit={open}>
    <label class="flex items-center gap-2"
      >{WORKSHOP_TEXTS.count}
      <input
        type="number"
        min="1"
        max={MOST}
        required
        bind:value={count}
        data-takes-focus
        class="w-20 border border-line bg-paper-high px-2 py-0.5"
      /></label
    >
    <button type="submit" class="strip-button">{WORKSHOP_TEXTS.open}</button>
  </form>
  <button type="button" class="strip-button" aria-pressed={asks} disabled={waits} onclick={askOrNot}
    >{asks ? WORKSHOP_TEXTS.dontAsk : WORKSHOP_TEXTS.ask}</button
  >
  {#if asks}<p class="text-ink-soft">{WORKSHOP_TEXTS.asks}</p>{/if}
  <button type="button" class="strip-button" onclick={() => window && actions?.stopAnswering(window)}
    >{WORKSHOP_TEXTS.hang}</button
  >
</div>
