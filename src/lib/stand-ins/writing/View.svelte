<script lang="ts">
  import { untrack } from 'svelte';
  import { CaretKeeper } from '../../client/caret-keeper';
  import { isCommandKey } from '../command-key';
  import Strip from '../Strip.svelte';
  import StripField from '../StripField.svelte';
  import { WRITING_TEXTS } from '../texts';
  import type { ViewProps } from '../view';
  import { DraftKeeper } from './draft-keeper';
  import { Pen } from './pen';
  import type { Found } from './whole-editor';
  import { wordsText } from './words';

  let { document, text, actions, waits }: ViewProps = $props();

  let written = $state(untrack(() => text));
  let place: HTMLElement;
  let pen: Pen | undefined;
  /** What is sought; null while nothing is. */
  let sought = $state<string | null>(null);
  /** Where the caret was when seeking began: more letters seek from there again. */
  let from = 0;
  let found = $state.raw<Found>({ nth: 0, of: 0 });
  const keeper = new DraftKeeper((now) => actions.keepDraft(document.id, now));
  const carets = new CaretKeeper(sessionStorage, location.pathname);

  $effect(() => {
    // Made once: with what it asks for, it would be made anew whenever that is different.
    const made = untrack(make);
    pen = made;
    return () => made.destroy();
  });
  $effect(() => {
    void waits;
    pen?.refresh();
  });
  // What another page wrote comes in here; what was just typed is not overwritten by its own echo.
  $effect(() => {
    const incoming = text;
    if (keeper.waiting || incoming === untrack(() => written)) return;
    written = incoming;
    pen?.take(incoming);
  });
  $effect(() => {
    const end = actions.beforeActing(() => {
      pen?.settle();
      keeper.flush();
    });
    return () => {
      end();
      keeper.flush();
    };
  });

  function make(): Pen {
    return new Pen(
      place,
      {
        text: written,
        label: document.title,
        writable: () => !waits,
        refused: () => actions.say(WRITING_TEXTS.tooLong),
        lacking,
        written: (now) => {
          written = now;
          keeper.typed(now);
        },
      },
      carets.take(document.id),
    );
  }

  function leavePage() {
    keeper.flush();
    if (pen) carets.keep(document.id, pen.caret);
  }

  function key(event: KeyboardEvent) {
    if (isCommandKey(event, 's')) {
      keeper.flush();
      actions.save(document.id);
    } else if (isCommandKey(event, 'f')) beginFinding();
    else return;
    event.preventDefault();
  }

  function beginFinding() {
    if (sought !== null || !pen) return;
    from = Math.min(pen.caret.start, pen.caret.end);
    sought = '';
  }

  function seek(letters: string) {
    sought = letters;
    pen?.ask((whole) => (found = whole.seek(letters, from)));
  }

  function go(which: 'next' | 'previous') {
    pen?.ask((whole) => (found = whole.goTo(which)));
  }

  function lacking() {
    sought = null;
    pen?.focus();
    actions.say(WRITING_TEXTS.lacking);
  }

  function leaveFinding() {
    pen?.ask((whole) => whole.seek(''));
    sought = null;
    pen?.focus();
  }
</script>

<svelte:window onpagehide={leavePage} />
<!-- The keys are those of the text and of the line in which one seeks. -->
<!-- svelte-ignore a11y_no_static_element_interactions -->
<div class="flex size-full flex-col" onkeydown={key}>
  <div
    bind:this={place}
    onfocusout={() => keeper.flush()}
    class="writing min-h-0 flex-1 *:block *:size-full *:resize-none *:overflow-auto *:px-4 *:py-3 *:leading-relaxed *:break-words *:whitespace-pre-wrap *:outline-none"
  ></div>
  <Strip says={wordsText(written)}>
    {#if sought !== null}
      <StripField
        label={WRITING_TEXTS.find}
        letters={sought}
        type={seek}
        enter={(back) => go(back ? 'previous' : 'next')}
        leave={leaveFinding}
      />
      <span class="whitespace-nowrap">{WRITING_TEXTS.found(found)}</span>
    {:else}
      <button type="button" class="strip-button" onclick={beginFinding}>{WRITING_TEXTS.find}</button>
    {/if}
  </Strip>
</div>

<style>
  .writing :global(.ProseMirror-search-match) {
    background: var(--color-marigold);
    color: var(--color-on-marigold);
  }
  .writing :global(.ProseMirror-active-search-match) {
    outline: 2px solid var(--color-ink);
  }
</style>
