<script lang="ts">
  import { untrack } from 'svelte';
  import { CaretKeeper } from '../../client/caret-keeper';
  import { LONGEST_TEXT } from '../../core/model/limits';
  import { DraftKeeper } from './draft-keeper';
  import { isSaveKey } from './save-key';

  let {
    id,
    text,
    title,
    waits,
    onwrite,
    onsave,
    beforeActing,
  }: {
    /** The document's id. */
    id: string;
    /** The text as the session has it: the draft, or else what was saved. */
    text: string;
    title: string;
    /** True while a draft of it is offered: then nothing is written. */
    waits: boolean;
    onwrite: (text: string) => void;
    onsave: () => void;
    beforeActing: (flush: () => void) => () => void;
  } = $props();

  let written = $state(untrack(() => text));
  let area: HTMLTextAreaElement;
  const keeper = new DraftKeeper((now) => onwrite(now));
  const carets = new CaretKeeper(sessionStorage, location.pathname);

  // What another page wrote comes in here; what was just typed is not overwritten by its own echo.
  $effect(() => {
    const incoming = text;
    if (!keeper.waiting && incoming !== untrack(() => written)) written = incoming;
  });
  $effect(() => {
    const end = beforeActing(() => keeper.flush());
    return () => {
      end();
      keeper.flush();
    };
  });
  $effect(() => {
    const caret = carets.take(untrack(() => id));
    if (!caret) return;
    area.setSelectionRange(caret.start, caret.end);
    area.scrollTop = caret.scrollTop;
  });

  function leavePage() {
    keeper.flush();
    const { selectionStart: start, selectionEnd: end, scrollTop } = area;
    carets.keep(id, { start, end, scrollTop });
  }

  function save(event: KeyboardEvent) {
    if (!isSaveKey(event)) return;
    event.preventDefault();
    keeper.flush();
    onsave();
  }
</script>

<svelte:window onpagehide={leavePage} />
<textarea
  bind:this={area}
  bind:value={written}
  oninput={() => keeper.typed(written)}
  onblur={() => keeper.flush()}
  onkeydown={save}
  readonly={waits}
  maxlength={LONGEST_TEXT}
  data-takes-focus
  aria-label={title}
  spellcheck="false"
  class="block size-full resize-none bg-transparent px-4 py-3 leading-relaxed outline-none"></textarea>
