<script lang="ts">
  import type { Plan } from '../../core/display/plan';
  import { deskHere } from '../desk/desk.svelte';
  import { DISPLAY_TEXTS } from '../words/display-texts';

  /** Where the windows of a display are, drawn small: a sheet with a spine each, the front one with a marigold edge. */
  const desk = deskHere();
  let { plan }: { plan: Plan } = $props();

  /** In pixels of the display, so that what is drawn keeps its shape at any size. */
  const unit = $derived(plan.screen.width / 100);
  /** How wide the spine of a window is. */
  const spine = (width: number) => Math.min(width / 3, 3.6 * unit);
  const bring = (window: string) => desk.wish({ type: 'bring-to-front', window, raiseAll: false });
</script>

<!-- Who uses keys reaches every window by the switcher; these are for the pointer. -->
<svg
  viewBox="{-unit} {-unit} {plan.screen.width + 2 * unit} {plan.screen.height + 2 * unit}"
  class="max-h-full w-full"
  role="group"
  aria-label={DISPLAY_TEXTS.chart}
>
  <rect
    width={plan.screen.width}
    height={plan.screen.height}
    class="fill-paper stroke-line"
    stroke-width={unit / 4}
    stroke-dasharray="{unit} {unit / 2}"
  />
  {#each plan.windows as { window, application, title, box, front } (window)}
    <g
      role="button"
      tabindex="-1"
      aria-label="{title} — {application.name}"
      class="cursor-pointer"
      onclick={() => bring(window)}
      onkeydown={(event) => event.key === 'Enter' && bring(window)}
    >
      <rect
        x={box.x}
        y={box.y}
        width={box.width}
        height={box.height}
        class={front ? 'fill-paper-high stroke-ink' : 'fill-paper-high stroke-line'}
        stroke-width={unit / 4}
      />
      {#if front}
        <rect x={box.x} y={box.y} width={box.width} height={unit} class="fill-marigold" />
      {/if}
      <rect
        x={box.x}
        y={box.y}
        width={spine(box.width)}
        height={box.height}
        class="spine-fill"
        style:--hue={application.hue}
      />
      <!-- Cut off where the window ends. -->
      <svg x={box.x} y={box.y} width={box.width} height={box.height} aria-hidden="true">
        <text x={spine(box.width) + unit} y={3.2 * unit} font-size={1.7 * unit} class="fill-ink">{title}</text
        >
      </svg>
      <text
        x={box.x + spine(box.width) / 2}
        y={box.y + 3.2 * unit}
        text-anchor="middle"
        font-size={1.7 * unit}
        class="fill-white font-mono"
        aria-hidden="true">{application.monogram}</text
      >
    </g>
  {/each}
</svg>
