<script lang="ts">
  let { text, marks }: { text: string; marks: ReadonlySet<number> } = $props();

  /** Neighbouring letters that are all matched or all not, in one run. */
  const runs = $derived.by(() => {
    const list: { text: string; matched: boolean }[] = [];
    for (const [index, letter] of [...text].entries()) {
      const matched = marks.has(index);
      const last = list.at(-1);
      if (last?.matched === matched) last.text += letter;
      else list.push({ text: letter, matched });
    }
    return list;
  });
</script>

{#each runs as run, index (index)}{#if run.matched}<mark
      class="bg-transparent font-bold text-inherit underline decoration-2 underline-offset-2">{run.text}</mark
    >{:else}{run.text}{/if}{/each}
