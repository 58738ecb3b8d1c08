<script lang="ts">
  import { untrack } from 'svelte';
  import { DraftKeeper } from './draft-keeper';

  let {
    text,
    title,
    onwrite,
    onsave,
    beforeActing,
  }: {
    /** The text as the session has it: the draft, or else what was saved. */
    text: string;
    title: string;
    onwrite: (text: string) => void;
    onsave: () => void;
    beforeActing: (flush: () => void) => () => void;
  } = $props();

  let written = $state(untrack(() => text));
  const keeper = new DraftKeeper((now) => onwrite(now));

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

  function save(event: KeyboardEvent) {
    if (!(event.ctrlKey || event.metaKey) || event.altKey || event.code !== 'KeyS') return;
    event.preventDefault();
    keeper.flush();
    onsave();
  }
</script>

<svelte:window onpagehide={() => keeper.flush()} />
<textarea
  bind:value={written}
  oninput={() => keeper.typed(written)}
  onblur={() => keeper.flush()}
  onkeydown={save}
  data-takes-focus
  aria-label={title}
  spellcheck="false"
  class="block size-full resize-none bg-transparent px-4 py-3 leading-relaxed outline-none"></textarea>
