<script lang="ts">
  import { untrack } from 'svelte';
  import { CaretKeeper } from '../../client/caret-keeper';
  import { LONGEST_TEXT } from '../../core/model/limits';
  import { DraftKeeper } from './draft-keeper';
  import type { ViewProps } from '../view';
  import { isSaveKey } from './save-key';

  let { document, text, actions, waits }: ViewProps = $props();

  let written = $state(untrack(() => text));
  let area: HTMLTextAreaElement;
  const keeper = new DraftKeeper((now) => actions.keepDraft(document.id, now));
  const carets = new CaretKeeper(sessionStorage, location.pathname);

  // What another page wrote comes in here; what was just typed is not overwritten by its own echo.
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
  $effect(() => {
    const caret = carets.take(untrack(() => document.id));
    if (!caret) return;
    area.setSelectionRange(caret.start, caret.end);
    area.scrollTop = caret.scrollTop;
  });

  function leavePage() {
    keeper.flush();
    const { selectionStart: start, selectionEnd: end, scrollTop } = area;
    carets.keep(document.id, { start, end, scrollTop });
  }

  function save(event: KeyboardEvent) {
    if (!isSaveKey(event)) return;
    event.preventDefault();
    keeper.flush();
    actions.save(document.id);
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
  aria-label={document.title}
  spellcheck="false"
  class="block size-full resize-none bg-transparent px-4 py-3 leading-relaxed outline-none"></textarea>
