<script lang="ts">
  import { onMount } from 'svelte';
  import { ACCESS } from '../../client/session-api';
  import { fetchInTime } from '../../client/fetch-in-time';
  import SecretForm from '../parts/SecretForm.svelte';
  import { ACCESS_TEXTS } from '../words/texts';

  /** `to`: where to go on to. */
  let { key, to }: { key: string; to: string } = $props();

  onMount(() => {
    if (key !== '') void enter(key);
  });

  async function enter(entered: string): Promise<string | null> {
    const response = await fetchInTime(ACCESS, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ key: entered.trim() }),
    }).catch(() => null);
    if (response?.ok) {
      location.assign(to);
      return null;
    }
    const problem = (await response?.json().catch(() => null)) as { detail?: string } | null | undefined;
    return problem?.detail ?? ACCESS_TEXTS.noServer;
  }
</script>

<SecretForm
  title={ACCESS_TEXTS.title}
  label={ACCESS_TEXTS.label}
  hint={ACCESS_TEXTS.hint}
  done={ACCESS_TEXTS.enter}
  secret={key}
  {enter}
/>
