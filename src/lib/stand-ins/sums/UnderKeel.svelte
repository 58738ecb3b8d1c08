<script lang="ts">
  import { SUMS_TEXTS } from '../texts';
  import { resultText, type UnderKeel } from './sums';

  /** The water over the ground, and what the ship takes of it. */
  let { parts }: { parts: UnderKeel } = $props();

  /** A part of less than this share has no room for its name. */
  const NARROW = 0.08;
  const total = $derived(parts.depth + parts.tide);
  const water = $derived([
    { name: 'depth', metres: parts.depth, look: 'bg-tide text-white' },
    { name: 'tide', metres: parts.tide, look: 'bg-tide/60 text-ink' },
  ]);
  const ship = $derived([
    { name: 'draught', metres: parts.draught, look: 'bg-ink text-paper' },
    { name: 'squat', metres: parts.squat, look: 'bg-ink-soft text-paper' },
    {
      name: 'clearance',
      metres: parts.clearance,
      look:
        parts.clearance < 0 ? 'bg-marigold text-on-marigold' : 'bg-paper-high text-ink border border-line',
    },
  ]);
</script>

<div
  role="group"
  aria-label={SUMS_TEXTS.parts}
  class="flex flex-col gap-1 border-t border-line-soft px-3 py-2 text-xs"
>
  {#each [water, ship] as bar, nth (nth)}
    <div class="flex h-6 w-full gap-px">
      {#each bar as { name, metres, look } (name)}
        <!-- What is too narrow for its name shows it when it is pointed at, and stands above as a sum. -->
        <span
          title="{name} {resultText(metres)} m"
          class="truncate px-1.5 leading-6 {look}"
          style:flex="{Math.max(0, metres)} 1 0"
          >{metres / total < NARROW ? '' : name} {resultText(metres)}</span
        >
      {/each}
    </div>
  {/each}
</div>
