<script lang="ts">
  import { SUMS_TEXTS } from '../texts';
  import { resultText, type Sum } from './sums';

  /** What each line comes to, beside it. */
  let { lines, sums }: { lines: number; sums: readonly Sum[] | null } = $props();
</script>

<ol class="w-28 shrink-0 border-l border-line-soft bg-sheet px-2 py-2 text-right" aria-hidden="true">
  {#each { length: lines }, nth (nth)}
    {@const sum = sums?.[nth]}
    <li class="h-6 truncate">
      {#if sum && sum.result !== null}<b>{resultText(sum.result)}</b>
      {:else if sum?.problem}<span class="text-ink-soft" title={sum.problem}>{SUMS_TEXTS.wrong}</span>
      {:else if !sums && nth === 0}<span class="text-ink-soft">{SUMS_TEXTS.reckoning}</span>{/if}
    </li>
  {/each}
</ol>
