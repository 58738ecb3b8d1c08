<script lang="ts">
  import { onMount } from 'svelte';
  import AskForKey from '$lib/ui/access/AskForKey.svelte';

  let key = $state('');
  // The link that Key Fold prints carries the key behind a #, which browsers send to nobody.
  onMount(() => {
    key = location.hash.slice(1);
    history.replaceState(null, '', location.pathname);
  });
</script>

{#key key}<AskForKey {key} />{/key}
