<script lang="ts">
  import { page } from '$app/state';
  import { SKILLS } from '$lib/core/drill/skills';
  import DrillPage from '$lib/ui/drill/DrillPage.svelte';

  let { data } = $props();
  const wanted = $derived(page.url.searchParams.get('skill'));
  const first = $derived(SKILLS.find((skill) => skill === wanted) ?? null);
</script>

{#if data.own}
  <DrillPage session={data.id} own={data.own} after={data.after} {first} />
{:else if data.LockedPage}
  <data.LockedPage session={data.id} panel={false} />
{/if}
