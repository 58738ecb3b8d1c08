<script lang="ts">
  import { untrack } from 'svelte';
  import { applyTheme } from '../theme/theme';
  import { afterNavigate } from '$app/navigation';

  interface Props {
    title: string;
    label: string;
    hint: string;
    done: string;
    /** What stands in the line at first. */
    secret?: string;
    /** Tries what was entered, and answers what is wrong with it. */
    enter: (secret: string) => Promise<string | null>;
    /** Said beside the line. */
    note?: string;
    onkeydown?: (event: KeyboardEvent) => void;
  }
  /** A page of its own that asks for one secret. */
  let { title, label, hint, done, secret = '', enter, note = '', onkeydown }: Props = $props();

  let entered = $state(untrack(() => secret));
  let wrong = $state('');
  let busy = false;
  let line: HTMLInputElement;

  // What somebody has chosen is part of what cannot be seen yet.
  $effect(() => applyTheme('system'));
  // Not before: the framework takes the focus away at the end of every navigation.
  afterNavigate(() => line.focus());

  async function submit(event: Event) {
    event.preventDefault();
    if (busy || entered === '') return;
    busy = true;
    wrong = (await enter(entered)) ?? '';
    busy = false;
    if (wrong) line.select();
  }
</script>

<svelte:head><title>{title} · Key Fold</title></svelte:head>

<main class="creased grid h-full grid-cols-[minmax(0,480px)] place-content-center">
  <form onsubmit={submit} class="flex flex-col gap-3 border-l-[30px] border-bar bg-paper-high p-5">
    <h1 class="text-lg font-[650]">{title}</h1>
    <label class="flex flex-col gap-1">
      {label}
      <input
        bind:this={line}
        bind:value={entered}
        {onkeydown}
        type="password"
        autocomplete="current-password"
        spellcheck="false"
        class="border border-ink-soft bg-paper px-2 py-1 font-mono"
      />
    </label>
    {#if note}<p role="status">{note}</p>{/if}
    {#if wrong}<p role="alert" class="font-semibold">{wrong}</p>{/if}
    <p class="text-ink-soft">{hint}</p>
    <button class="key-shaped self-start border-line bg-paper px-2 py-0.5">{done}</button>
  </form>
</main>
