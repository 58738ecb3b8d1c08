<script lang="ts">
  import AskForKey from '$lib/ui/access/AskForKey.svelte';

  // The link that Key Fold prints carries the key behind a #, which browsers send to nobody.
  const key = location.hash.slice(1);
</script>

<AskForKey {key} />
