<script lang="ts">
  import { idsOf } from '../../core/model/order';
  import { find } from '../../core/model/table';
  import { picturesOf, type Pictures } from '../../core/slices/settings/state';
  import { deskHere } from '../desk/desk.svelte';
  import Monogram from '../parts/Monogram.svelte';
  import SwitchSetting from '../parts/SwitchSetting.svelte';
  import { PICTURE_TEXTS } from '../words/display-texts';

  /** Whether pictures of a display's windows are shown, and of which programs there are none. */
  let { change }: { change: (pictures: Pictures) => void } = $props();

  const desk = deskHere();
  const pictures = $derived(picturesOf(desk.session.settings));
  /** Those that run, and those that are left out whether they run or not. */
  const applications = $derived(
    [...new Set([...idsOf(desk.session.recent.applications), ...pictures.except])].flatMap(
      (id) => find(desk.session.applications, id) ?? [],
    ),
  );

  function leave(application: string, out: boolean) {
    const others = pictures.except.filter((id) => id !== application);
    change({ ...pictures, except: out ? [...others, application] : others });
  }
</script>

<SwitchSetting
  name="pictures"
  title={PICTURE_TEXTS.title}
  hint={PICTURE_TEXTS.hint}
  checked={pictures.shown}
  change={(shown: boolean) => change({ ...pictures, shown })}
/>
{#if pictures.shown && applications.length > 0}
  <fieldset class="-mt-2 pl-[158px]">
    <legend class="text-ink-soft">{PICTURE_TEXTS.except}</legend>
    <ul class="-mx-1 mt-1 flex max-h-40 flex-wrap gap-2 overflow-y-auto p-1">
      {#each applications as application (application.id)}
        {@const out = pictures.except.includes(application.id)}
        <li>
          <button
            type="button"
            aria-pressed={out}
            class="flex min-h-7 items-center gap-2 rounded-[3px] border border-line px-1.5 py-0.5 aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
            onclick={() => leave(application.id, !out)}
          >
            <Monogram {application} />
            <span dir="auto">{application.name}</span>
          </button>
        </li>
      {/each}
    </ul>
  </fieldset>
{/if}
