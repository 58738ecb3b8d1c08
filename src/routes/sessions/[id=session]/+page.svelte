<script lang="ts">
  import { page } from '$app/state';
  import DeskPage from '$lib/ui/desk/DeskPage.svelte';

  let { data } = $props();
</script>

{#key data.id}
  {#if data.stored}
    <DeskPage id={data.id} stored={data.stored} panel={page.url.searchParams.has('panel')} />
  {:else if data.LockedPage}
    <data.LockedPage session={data.id} panel={page.url.searchParams.has('panel')} />
  {/if}
{/key}
