<script lang="ts">
  import { page } from '$app/state';
  import { SKILLS } from '$lib/core/drill/skills';
  import DrillPage from '$lib/ui/drill/DrillPage.svelte';

  let { data } = $props();
  const wanted = $derived(page.url.searchParams.get('skill'));
  const first = $derived(SKILLS.find((skill) => skill === wanted) ?? null);
</script>

{#if data.stored}
  <DrillPage session={data.id} own={data.stored.session} {first} />
{:else if data.LockedPage}
  <data.LockedPage session={data.id} panel={false} />
{/if}
