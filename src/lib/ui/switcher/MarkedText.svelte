<script lang="ts">
  import type { MarkedText } from '../../core/search/marks';

  let { text, marks }: MarkedText = $props();

  /** The text in runs that are marked or not, by turns. */
  const runs = $derived.by(() => {
    const list: { text: string; marked: boolean }[] = [];
    let at = 0;
    for (const { from, to } of marks) {
      list.push({ text: text.slice(at, from), marked: false }, { text: text.slice(from, to), marked: true });
      at = to;
    }
    return [...list, { text: text.slice(at), marked: false }];
  });
</script>

<!-- A title in another direction of writing keeps to itself. -->
<bdi
  >{#each runs as run, index (index)}{#if run.marked}<mark
        class="bg-transparent font-bold text-inherit underline decoration-2 underline-offset-2"
        >{run.text}</mark
      >{:else}{run.text}{/if}{/each}</bdi
>
