<script lang="ts">
  import type { Figure, Palette } from './figures';
  import Plot from './Plot.svelte';
  import type { TableOfFigure } from './tables';

  /** A figure with its heading and what it says; as a table where that is asked for. */
  let {
    title,
    sentence,
    figure,
    palette,
    table,
    asTable,
    height = 230,
  }: {
    title: string;
    sentence: string;
    figure: Figure;
    palette: Palette;
    table: TableOfFigure;
    asTable: boolean;
    height?: number;
  } = $props();
</script>

<section aria-label={title} class="flex min-w-0 flex-col border-t-2 border-ink pt-1.5">
  <h3 class="font-[650]">{title}</h3>
  <p class="mb-1.5 text-[13px]/4 text-ink-soft">{sentence}</p>
  {#if !asTable}<Plot {figure} {palette} {height} />{/if}
  <div class={asTable ? 'overflow-x-auto' : 'sr-only'}>
    <table class="w-full text-[13px]">
      <thead>
        <tr class="border-b border-line text-left">
          {#each table.head as name (name)}<th scope="col" class="pr-3 font-[650]">{name}</th>{/each}
        </tr>
      </thead>
      <tbody>
        {#each table.rows as row, nth (nth)}
          <tr class="border-b border-line-soft">
            {#each row as cell, column (column)}
              {#if column === 0}<th scope="row" class="pr-3 text-left font-normal">{cell}</th>
              {:else}<td class="pr-3 font-mono text-[12px]">{cell}</td>{/if}
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
</section>
