<script lang="ts">
  interface Props {
    label: string;
    letters: string;
    type: (letters: string) => void;
    /** Enter; with Shift `back`. */
    enter: (back: boolean) => void;
    leave: () => void;
  }

  /** A line at the foot in which one seeks: it has the keys as soon as it is there, and Escape leaves it. */
  let { label, letters, type, enter, leave }: Props = $props();
  let field: HTMLInputElement;
  $effect(() => field.select());

  function key(event: KeyboardEvent) {
    if (event.key === 'Enter') enter(event.shiftKey);
    else if (event.key === 'Escape') leave();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<input
  bind:this={field}
  value={letters}
  oninput={({ currentTarget }) => type(currentTarget.value)}
  onkeydown={key}
  aria-label={label}
  placeholder={label}
  spellcheck="false"
  autocomplete="off"
  class="h-6 w-44 min-w-0 border border-line bg-paper px-1.5 text-ink"
/>
