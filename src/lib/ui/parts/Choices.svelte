<script lang="ts">
  interface Choice {
    readonly label: string;
    readonly choose: () => void;
  }

  let {
    text,
    choices,
    onescape,
  }: {
    text: string;
    choices: readonly Choice[];
    /** What Escape does, if anything. */
    onescape?: () => void;
  } = $props();

  let group: HTMLElement;

  /** Left and right go from button to button, Escape takes the way out. */
  function move(event: KeyboardEvent) {
    const buttons = [...group.querySelectorAll('button')];
    const at = buttons.indexOf(event.target as HTMLButtonElement);
    const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    if (by !== undefined) buttons[(at + by + buttons.length) % buttons.length]?.focus();
    else if (event.key === 'Escape' && onescape) onescape();
    else return;
    event.preventDefault();
  }
</script>

<div
  bind:this={group}
  role="toolbar"
  tabindex="-1"
  aria-label={text}
  onkeydown={move}
  class="flex flex-wrap items-center gap-2 border-b border-line bg-marigold px-3 py-1.5 text-on-marigold"
>
  <span class="mr-auto">{text}</span>
  <span class="flex gap-2">
    {#each choices as { label, choose }, index (label)}
      <button
        type="button"
        data-takes-focus={index === 0 ? '' : undefined}
        class="key-shaped border-on-marigold bg-marigold px-2 py-0.5 outline-offset-1 focus-visible:outline-2 focus-visible:outline-on-marigold"
        onclick={choose}>{label}</button
      >
    {/each}
  </span>
</div>
