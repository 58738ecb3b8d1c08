<script lang="ts">
  import { onMount } from 'svelte';
  import { LOCK_TEXTS, SHORTEST_PASSPHRASE } from '../words/lock-texts';

  interface Props {
    /** Whether the one until now is asked for, too. */
    before: boolean;
    done: string;
    /** Answers what is wrong. */
    enter: (next: string, before: string) => Promise<string | null>;
  }
  /** Asks for a new passphrase, twice. */
  let { before, done, enter }: Props = $props();

  let known = $state('');
  let next = $state('');
  let again = $state('');
  let wrong = $state('');
  let form: HTMLFormElement;

  onMount(() => form.querySelector('input')?.focus());

  async function submit(event: Event) {
    event.preventDefault();
    if (next.length < SHORTEST_PASSPHRASE) wrong = LOCK_TEXTS.tooShort;
    else if (next !== again) wrong = LOCK_TEXTS.differ;
    else wrong = (await enter(next, known)) ?? '';
  }
</script>

{#snippet field(label: string, which: 'known' | 'next' | 'again')}
  <label class="flex flex-col gap-1">
    {label}
    <input
      bind:value={
        () => ({ known, next, again })[which],
        (value: string) => {
          if (which === 'known') known = value;
          else if (which === 'next') next = value;
          else again = value;
        }
      }
      type="password"
      autocomplete={which === 'known' ? 'current-password' : 'new-password'}
      spellcheck="false"
      class="border border-ink-soft bg-paper px-2 py-1 font-mono"
    />
  </label>
{/snippet}

<form bind:this={form} onsubmit={submit} class="flex flex-col gap-3">
  {#if before}{@render field(LOCK_TEXTS.fields.before, 'known')}{/if}
  {@render field(LOCK_TEXTS.fields.passphrase, 'next')}
  {@render field(LOCK_TEXTS.fields.again, 'again')}
  {#if wrong}<p role="alert" class="font-semibold">{wrong}</p>{/if}
  <button class="key-shaped self-start border-line bg-paper px-2 py-0.5">{done}</button>
</form>
