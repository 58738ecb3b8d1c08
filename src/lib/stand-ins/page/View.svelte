<script lang="ts">
  import { pageFrom } from '../../core/guests/page';
  import { GUEST_TEXTS } from '../texts';
  import type { ViewProps } from '../view';

  /** A web page: in a frame, or what stands for it while it is in a browser window of its own. */
  let { document: shown, text, window: id, actions }: ViewProps = $props();

  const read = $derived(pageFrom(text));
  const page = $derived('page' in read ? read.page : null);
  const BUTTON = 'key-shaped shrink-0 border-line bg-paper px-2 py-0.5';

  let frame = $state<HTMLIFrameElement>();
  let give = $state<HTMLButtonElement>();
  let inPage = $state(false);
  let kept = $state(false);
  const opened = $derived(actions.isPageOpen(id));

  /** The keys are where the focus is: in the frame of the page, they never come here. */
  const look = () => {
    inPage = frame !== undefined && document.activeElement === frame;
  };

  function giveKeys() {
    // The frame of the page itself is inside a document of ours.
    frame?.contentDocument?.querySelector('iframe')?.focus();
    look();
  }

  function show() {
    kept = !actions.showPage(id);
  }
</script>

<svelte:window onblur={look} onfocus={look} />

{#if page?.opening === 'frame'}
  <div class="flex h-full flex-col">
    <div
      class={[
        'flex shrink-0 items-center gap-2 border-b border-line-soft px-2 py-1 text-[13px]',
        inPage ? 'bg-marigold text-on-marigold' : 'bg-paper-high',
      ]}
    >
      <!-- Whoever comes out of the page by Tab, at either end of it, is back in Key Fold. -->
      <button
        bind:this={give}
        type="button"
        class="{BUTTON} text-ink"
        data-takes-focus
        onfocus={look}
        onclick={() => !inPage && giveKeys()}
        onpointerdown={(event) => {
          if (!inPage) return;
          event.preventDefault();
          give?.focus();
        }}>{inPage ? GUEST_TEXTS.back : GUEST_TEXTS.give}</button
      >
      <span class="min-w-0 flex-1 truncate" role="status"
        >{inPage ? GUEST_TEXTS.inPage : page.address.host}</span
      >
      {#if !inPage}
        <span class="truncate text-ink-soft">{GUEST_TEXTS.frames}</span>
        <button
          type="button"
          class="shrink-0 underline underline-offset-2"
          onclick={() => actions.openInBrowser(shown.application)}>{GUEST_TEXTS.own}</button
        >
      {/if}
    </div>
    <iframe
      bind:this={frame}
      title={GUEST_TEXTS.frame(shown.title)}
      src={actions.frameOf(shown.id)}
      tabindex="-1"
      class="min-h-0 w-full flex-1 border-0 bg-white"
    ></iframe>
    <button type="button" class="sr-only" onfocus={() => give?.focus()}>{GUEST_TEXTS.back}</button>
  </div>
{:else if page}
  <div class="flex flex-col items-start gap-2 px-4 py-3">
    <p>{GUEST_TEXTS.asBrowserWindow}</p>
    <p class="font-mono text-[13px] break-all">{page.address.href}</p>
    <button type="button" class={BUTTON} data-takes-focus onclick={show}
      >{opened ? GUEST_TEXTS.forward : GUEST_TEXTS.open}</button
    >
    {#if kept}<p role="alert" class="border-l-4 border-marigold pl-2">{GUEST_TEXTS.kept}</p>{/if}
  </div>
{/if}
