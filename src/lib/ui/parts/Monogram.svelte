<script lang="ts">
  import type { Application } from '../../core/slices/applications/state';
  let { application }: { application: Application } = $props();
</script>

<span
  class="spine block h-[22px] w-[26px] rounded-xs text-center text-[11px]/[22px]"
  style:--hue={application.hue}
  aria-hidden="true">{application.monogram}</span
>
