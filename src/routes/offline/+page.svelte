<script lang="ts">
  import Offline from '$lib/ui/offline/Offline.svelte';
</script>

<Offline />
