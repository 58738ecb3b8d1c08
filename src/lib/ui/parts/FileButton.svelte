<script lang="ts">
  interface Props {
    /** What it says. */
    text: string;
    /** Types of files, as in the `accept` attribute of HTML. */
    accept: string;
    multiple?: boolean;
    /** What was chosen; one file at least. */
    take: (files: readonly File[]) => void;
    /** Whether what was chosen last was wrong, and the element that says so. */
    invalid?: boolean;
    describedBy?: string;
  }

  /** Chooses files. The browser’s own words for it (“no file chosen”) are not seen: what came of it is said elsewhere. */
  let { text, accept, multiple = false, take, invalid = false, describedBy }: Props = $props();

  function changed({ currentTarget }: Event & { currentTarget: HTMLInputElement }) {
    if (currentTarget.files?.length) take([...currentTarget.files]);
    // The same file can be chosen again once it was mended.
    currentTarget.value = '';
  }
</script>

<label
  class="key-shaped relative min-h-6 shrink-0 border-line bg-paper px-2 py-0.5 outline-offset-2 outline-ink focus-within:outline-2"
>
  {text}
  <input
    type="file"
    {accept}
    {multiple}
    onchange={changed}
    aria-invalid={invalid}
    aria-describedby={describedBy}
    class="sr-only"
  />
</label>
