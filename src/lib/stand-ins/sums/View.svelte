<script lang="ts">
  import { untrack } from 'svelte';
  import { LONGEST_TEXT } from '../../core/model/limits';
  import { isCommandKey } from '../command-key';
  import Strip from '../Strip.svelte';
  import { SUMS_TEXTS } from '../texts';
  import type { ViewProps } from '../view';
  import { DraftKeeper } from '../writing/draft-keeper';
  import Results from './Results.svelte';
  import { reckoner } from './reckoner.svelte';
  import { reckoned, resultText, underKeelIn } from './sums';
  import UnderKeel from './UnderKeel.svelte';

  /** A sheet of sums one writes, with what they come to beside it. */
  let { document, text, actions, waits }: ViewProps = $props();

  let written = $state(untrack(() => text));
  let caretLine = $state(0);
  const keeper = new DraftKeeper((now) => actions.keepDraft(document.id, now));

  $effect(() => reckoner.load());
  const sums = $derived(reckoner.evaluate && reckoned(written, reckoner.evaluate));
  const parts = $derived(sums && underKeelIn(sums));
  const lines = $derived(written.split('\n').length);
  const says = $derived.by(() => {
    const sum = sums?.[caretLine];
    if (!sum) return '';
    if (sum.result !== null) return `${sum.label || sum.written.trim()}: ${resultText(sum.result)}`;
    return sum.problem ?? sum.label;
  });

  $effect(() => {
    const incoming = text;
    if (!keeper.waiting && incoming !== untrack(() => written)) written = incoming;
  });
  $effect(() => {
    const end = actions.beforeActing(() => keeper.flush());
    return () => {
      end();
      keeper.flush();
    };
  });

  /** A selection that changed is told later, when the text may have gone: the event itself says of which it was. */
  function lookWhere({ currentTarget: { value, selectionStart } }: { currentTarget: HTMLTextAreaElement }) {
    caretLine = value.slice(0, selectionStart).split('\n').length - 1;
  }

  function save(event: KeyboardEvent) {
    if (!isCommandKey(event, 's')) return;
    event.preventDefault();
    keeper.flush();
    actions.save(document.id);
  }
</script>

<svelte:window onpagehide={() => keeper.flush()} />
<div class="flex size-full flex-col">
  <div class="min-h-0 flex-1 overflow-auto">
    <div class="flex min-h-full font-mono text-[13px]/6">
      <textarea
        bind:value={written}
        oninput={(event) => {
          keeper.typed(written);
          lookWhere(event);
        }}
        onselectionchange={lookWhere}
        onblur={() => keeper.flush()}
        onkeydown={save}
        readonly={waits}
        maxlength={LONGEST_TEXT}
        rows={lines}
        wrap="off"
        data-takes-focus
        aria-label={SUMS_TEXTS.sheet(document.title)}
        spellcheck="false"
        class="block flex-1 resize-none overflow-x-auto overflow-y-hidden bg-transparent px-3 py-2 outline-none"
      ></textarea>
      <Results {lines} {sums} />
    </div>
  </div>
  {#if parts}<UnderKeel {parts} />{/if}
  <Strip {says} />
</div>
