<script lang="ts">
  import { untrack } from 'svelte';
  import { manifestOf } from './manifests';
  import Unknown from './unknown/View.svelte';
  import type { PreviewProps, ViewProps } from './view';
  import { previewOf, restingOf, viewOf } from './views';

  /** The program that shows a document: in a window, or small and only to be looked at, without actions. */
  let {
    document,
    text,
    day,
    window = '',
    actions,
    waits = false,
    active = false,
  }: PreviewProps & Partial<ViewProps> = $props();

  const problem = $derived(manifestOf(document.kind)?.problem(text) ?? null);
  const View = $derived(viewOf(document.kind));
  const Preview = $derived(previewOf(document.kind));
  const Resting = $derived(restingOf(document.kind));

  /** Once it has had the keys it keeps what it has: caret, undo, scrolling. */
  let woken = $state(false);
  $effect.pre(() => {
    if (active && !untrack(() => woken)) woken = true;
  });
</script>

{#if problem !== null}
  <Unknown {document} {text} {day} why={problem} />
{:else if actions && Resting && !woken}
  <Resting {document} {text} {day} />
{:else if actions}
  <View {document} {text} {day} {window} {actions} {waits} {active} />
{:else}
  <Preview {document} {text} {day} />
{/if}
