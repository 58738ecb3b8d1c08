<script lang="ts">
  import { page } from '$app/state';
  import DeskPage from '$lib/ui/desk/DeskPage.svelte';

  let { data } = $props();
</script>

{#key data.id}
  <DeskPage id={data.id} stored={data.stored} panel={page.url.searchParams.has('panel')} />
{/key}
