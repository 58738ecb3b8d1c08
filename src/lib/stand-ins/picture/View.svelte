<script lang="ts">
  import { pictureFileName, pictureFrom } from '../../core/capture/picture';
  import { download } from '../../client/download';
  import Strip from '../Strip.svelte';
  import { PICTURE_TEXTS } from '../texts';
  import type { ViewProps } from '../view';

  /** A picture that was kept, as large as there is room, and what can be done with it. */
  let { document, text, actions }: ViewProps = $props();

  const picture = $derived(pictureFrom(text));
  const address = $derived(picture ? actions.pictureAt(picture.digest) : '');
  let missing = $state(false);

  function mark() {
    if (picture) actions.markPicture(picture, document.title);
  }

  function handOut() {
    const file = pictureFileName(document.title);
    download(address, file);
    actions.say(PICTURE_TEXTS.downloaded(file));
  }

  function key(event: KeyboardEvent) {
    if (event.ctrlKey || event.altKey || event.metaKey || missing) return;
    const pressed = event.key.toLowerCase();
    if (pressed === 'm') mark();
    else if (pressed === 'd') handOut();
    else return;
    event.preventDefault();
  }
</script>

{#if picture}
  <div class="flex size-full flex-col">
    {#if missing}
      <p class="min-h-0 flex-1 px-4 py-3" role="alert">{PICTURE_TEXTS.missing}</p>
    {:else}
      <!-- It has keys of its own, and scrolls where the picture is larger. -->
      <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
      <div
        role="group"
        tabindex="0"
        data-takes-focus
        aria-label={document.title}
        class="flex min-h-0 flex-1 items-center justify-center overflow-auto bg-sheet p-2 -outline-offset-2"
        onkeydown={key}
      >
        <img
          src={address}
          alt={document.title}
          width={picture.width}
          height={picture.height}
          class="max-h-full max-w-full object-contain"
          onerror={() => (missing = true)}
        />
      </div>
    {/if}
    <Strip says={PICTURE_TEXTS.size(picture.width, picture.height, picture.bytes)}>
      {#if !missing}
        <button type="button" class="strip-button" onclick={mark}>{PICTURE_TEXTS.mark}</button>
        <button type="button" class="strip-button" onclick={handOut}>{PICTURE_TEXTS.file}</button>
      {/if}
    </Strip>
  </div>
{/if}
