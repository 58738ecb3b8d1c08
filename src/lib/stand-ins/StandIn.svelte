<script lang="ts">
  import { manifestOf } from './manifests';
  import Unknown from './unknown/View.svelte';
  import type { PreviewProps, ViewProps } from './view';
  import { previewOf, viewOf } from './views';

  /** The program that shows a document: in a window, or small and only to be looked at, without actions. */
  let {
    document,
    text,
    day,
    window = '',
    actions,
    waits = false,
  }: PreviewProps & Partial<ViewProps> = $props();

  const problem = $derived(manifestOf(document.kind)?.problem(text) ?? null);
  const View = $derived(viewOf(document.kind));
  const Preview = $derived(previewOf(document.kind));
</script>

{#if problem !== null}
  <Unknown {document} {text} {day} why={problem} />
{:else if actions}
  <View {document} {text} {day} {window} {actions} {waits} />
{:else}
  <Preview {document} {text} {day} />
{/if}
