<script lang="ts">
  import { LETTERS_A_ROW, seatOf } from '../../core/keys/writing-keys';
  import { keyLabel } from '../../client/key-labels.svelte';
  import { keyName } from './key-names';

  /** What is printed on the key at a position, or, as long as that is not known, where it is among the letters. */
  let { code }: { code: string } = $props();

  const ROWS = ['top', 'home', 'bottom'];
  /** How far each row stands to the right of the one above, in columns: as keyboards are built (common practice). */
  const STAGGER = [0, 0.25, 0.75];
  const COLUMN = 3.5;
  const ROW = 5;

  const seat = $derived(keyLabel(code) === null ? seatOf(code) : null);
  const keys = ROWS.flatMap((row, down) =>
    Array.from({ length: LETTERS_A_ROW }, (_, column) => ({
      row,
      column,
      x: (column + (STAGGER[down] ?? 0)) * COLUMN,
      y: down * ROW,
    })),
  );
</script>

{#if seat}
  <svg
    viewBox="0 0 38 15"
    role="img"
    aria-label={keyName(code)}
    class="inline-block h-[15px] w-[38px] align-[-3px]"
  >
    {#each keys as { row, column, x, y } (`${row} ${column}`)}
      {#if row === seat.row && column === seat.column}
        <rect {x} {y} width="5" height="5" fill="currentColor" />
      {:else}
        <rect x={x + 1} y={y + 1.5} width="2" height="2" fill="currentColor" opacity="0.5" />
      {/if}
    {/each}
  </svg>
{:else}{keyName(code)}{/if}
