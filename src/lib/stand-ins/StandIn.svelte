<script lang="ts">
  import type { AppDocument } from '../core/slices/documents/state';
  import type { DocumentId } from '../core/model/ids';
  import Letter from './letter/Letter.svelte';
  import Prose from './prose/Prose.svelte';
  import Table from './table/Table.svelte';
  import TideCurve from './tide/TideCurve.svelte';

  /** What a stand-in may ask of the desk. */
  export interface StandInActions {
    readonly keepDraft: (document: DocumentId, text: string) => void;
    readonly save: (document: DocumentId) => void;
    readonly beforeActing: (flush: () => void) => () => void;
  }

  let {
    document,
    text,
    day,
    actions,
    waits = false,
  }: {
    document: AppDocument;
    /** The text to show: the draft, or else what was saved. */
    text: string;
    day: Date;
    /** Absent where it is only looked at, as in a preview. */
    actions?: StandInActions;
    /** True while a draft of it is offered: then nothing is written to it. */
    waits?: boolean;
  } = $props();
</script>

{#if document.kind === 'tide-constants'}
  <TideCurve {text} title={document.title} {day} />
{:else if document.kind === 'table'}
  <Table {text} title={document.title} />
{:else if document.kind === 'letter' && actions}
  <Letter
    id={document.id}
    {text}
    title={document.title}
    {waits}
    onwrite={(written) => actions.keepDraft(document.id, written)}
    onsave={() => actions.save(document.id)}
    beforeActing={actions.beforeActing}
  />
{:else}
  <Prose {text} />
{/if}
