<script lang="ts">
  import { page } from '$app/state';
</script>

<main class="creased grid h-full place-content-center gap-2 text-center">
  <h1 class="text-xl font-[650]">{page.status === 404 ? 'Not here' : 'Something went wrong'}</h1>
  <p>{page.error?.message}</p>
  <p><a class="underline" href="/">Go to the harbour office of Ellavane</a></p>
</main>
