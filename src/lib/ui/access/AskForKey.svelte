<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { afterNavigate } from '$app/navigation';
  import { ACCESS } from '../../client/session-api';
  import { fetchInTime } from '../../client/fetch-in-time';
  import { ACCESS_TEXTS } from '../words/texts';

  /** `to`: where to go on to. */
  let { key, to }: { key: string; to: string } = $props();

  let entered = $state(untrack(() => key));
  let wrong = $state('');
  let line: HTMLInputElement;

  onMount(() => {
    if (key !== '') void enter();
  });
  // Not before: the framework takes the focus away at the end of every navigation.
  afterNavigate(() => line.focus());

  async function enter(event?: Event) {
    event?.preventDefault();
    const response = await fetchInTime(ACCESS, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ key: entered.trim() }),
    }).catch(() => null);
    if (response?.ok) return location.assign(to);
    const problem = (await response?.json().catch(() => null)) as { detail?: string } | null | undefined;
    wrong = problem?.detail ?? ACCESS_TEXTS.noServer;
    line.select();
  }
</script>

<svelte:head><title>{ACCESS_TEXTS.title} · Key Fold</title></svelte:head>

<main class="creased grid h-full place-content-center">
  <form
    onsubmit={enter}
    class="flex w-[480px] max-w-full flex-col gap-3 border-l-[30px] border-bar bg-paper-high p-5"
  >
    <h1 class="text-lg font-[650]">{ACCESS_TEXTS.title}</h1>
    <label class="flex flex-col gap-1">
      {ACCESS_TEXTS.label}
      <input
        bind:this={line}
        bind:value={entered}
        type="password"
        autocomplete="current-password"
        spellcheck="false"
        class="border border-ink-soft bg-paper px-2 py-1 font-mono"
      />
    </label>
    {#if wrong}<p role="alert" class="font-semibold">{wrong}</p>{/if}
    <p class="text-ink-soft">{ACCESS_TEXTS.hint}</p>
    <button class="key-shaped self-start border-line bg-paper px-2 py-0.5">{ACCESS_TEXTS.enter}</button>
  </form>
</main>
