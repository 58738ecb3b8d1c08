<script lang="ts">
  import DeskPage from '$lib/ui/desk/DeskPage.svelte';

  let { data } = $props();
</script>

{#key data.id}
  <DeskPage id={data.id} stored={data.stored} />
{/key}
