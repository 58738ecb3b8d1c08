<script lang="ts">
  import { pictureOf } from '../../core/guests/picture';
  import type { Application } from '../../core/slices/applications/state';
  import { deskHere } from '../desk/desk.svelte';

  const desk = deskHere();
  let { application }: { application: Application } = $props();
  const picture = $derived(pictureOf(desk.session, application));
</script>

<span
  class="spine block h-[22px] w-[26px] shrink-0 rounded-xs text-center text-[11px]/[22px]"
  style:--hue={application.hue}
  aria-hidden="true"
  >{#if picture}<img
      src={picture}
      alt=""
      class="mx-auto size-[20px]"
    />{:else}{application.monogram}{/if}</span
>
