<script lang="ts">
  import { HOME_PAGE } from '$lib/client/session-api';
  import AskForKey from '$lib/ui/access/AskForKey.svelte';

  // The link that Key Fold prints carries the key behind a #, which browsers send to nobody.
  const key = location.hash.slice(1);
  // Whoever was sent here wanted to go to a desk: to nothing else.
  const wanted = new URLSearchParams(location.search).get('to') ?? '';
  const to = /^\/sessions\/[a-z0-9-]+(\?panel)?$/.test(wanted) ? wanted : HOME_PAGE;
</script>

<AskForKey {key} {to} />
