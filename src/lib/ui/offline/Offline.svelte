<script lang="ts">
  import { onMount } from 'svelte';
  import { HOME_PAGE } from '../../client/session-api';
  import { OFFLINE_TEXTS } from '../words/texts';

  /** How often it is tried again, in ms. */
  const AGAIN_MS = 3_000;

  const isThere = () =>
    fetch(HOME_PAGE, { method: 'HEAD' }).then(
      ({ ok }) => ok,
      () => false,
    );

  onMount(() => {
    const timer = setInterval(() => {
      void isThere().then((there) => there && location.reload());
    }, AGAIN_MS);
    return () => clearInterval(timer);
  });
</script>

<svelte:head><title>{OFFLINE_TEXTS.title} · Key Fold</title></svelte:head>

<main class="creased grid h-full place-content-center">
  <div class="flex w-[480px] max-w-full flex-col gap-3 border-l-[30px] border-bar bg-paper-high p-5">
    <h1 class="text-lg font-[650]">{OFFLINE_TEXTS.title}</h1>
    <p>{OFFLINE_TEXTS.hint}</p>
    <p class="text-ink-soft">{OFFLINE_TEXTS.again}</p>
  </div>
</main>
