<script lang="ts">
  import { walkList } from '../walk-list';
  import { READER_TEXTS } from '../texts';
  import type { PreviewProps } from '../view';
  import { contentsOf, paragraphsOf } from './sections';
  import Text from './Text.svelte';

  /** A text to read, which has the keys; one of several sections has its contents beside it, whose arrows turn to them. */
  let { document, text, day }: PreviewProps = $props();
  const contents = $derived(contentsOf(paragraphsOf(text)));
  let page = $state<HTMLElement>();
  let turnedTo = $state<number>();
  const here = $derived(
    contents.some(({ paragraph }) => paragraph === turnedTo) ? turnedTo : contents[0]?.paragraph,
  );

  function turnTo(paragraph: number) {
    turnedTo = paragraph;
    page?.querySelector(`[data-paragraph="${paragraph}"]`)?.scrollIntoView({ block: 'start' });
  }
</script>

{#if contents.length === 0}
  <Text {document} {text} {day} />
{:else}
  <div class="@container flex size-full">
    <nav
      aria-label={READER_TEXTS.contents}
      class="hidden w-52 shrink-0 overflow-auto border-r border-line-soft bg-sheet py-2 text-[13px] @min-[380px]:block"
    >
      <ul>
        {#each contents as { paragraph, number, begins } (paragraph)}
          <li>
            <button
              type="button"
              tabindex={here === paragraph ? 0 : -1}
              aria-current={here === paragraph ? 'location' : undefined}
              class="flex min-h-6 w-full gap-1.5 px-2 py-0.5 text-left -outline-offset-2 aria-[current]:bg-paper-high"
              onkeydown={walkList}
              onfocus={() => turnTo(paragraph)}
              onclick={() => turnTo(paragraph)}
              ><b class="shrink-0 font-mono text-xs/5">{number}</b><span class="truncate">{begins}</span
              ></button
            >
          </li>
        {/each}
      </ul>
    </nav>
    <!-- What scrolls can be scrolled by keys (WCAG 2.2, 2.1.1). -->
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <div
      bind:this={page}
      role="region"
      aria-label={document.title}
      tabindex="0"
      class="min-w-0 flex-1 overflow-auto -outline-offset-2"
      data-takes-focus
    >
      <Text {document} {text} {day} />
    </div>
  </div>
{/if}
