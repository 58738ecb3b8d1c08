<script lang="ts">
  import { GROUPS } from '../../core/actions/action';
  import { rimActions } from '../../core/rim/rim';
  import { RIM_PARTS, rimOf, type Rim, type RimPart } from '../../core/slices/settings/state';
  import { deskHere } from '../desk/desk.svelte';
  import { KEYS_TEXTS, RIM_TEXTS, SETTINGS_TEXTS } from '../words/texts';

  /** What each corner and edge of the surface does, laid out as they lie. */
  let { change }: { change: (rim: Rim) => void } = $props();
  const desk = deskHere();
  const rim = $derived(rimOf(desk.session.settings));
  const offered = $derived(rimActions(desk.registry, desk.session));
  const groups = $derived(GROUPS.filter((group) => offered.some((action) => action.group === group)));

  function choose(part: RimPart, action: string) {
    const { [part]: _, ...others } = rim;
    change(action === '' ? others : { ...others, [part]: action });
  }

  const CELLS: Readonly<Record<RimPart, string>> = {
    topLeft: 'sm:col-start-1 sm:row-start-1',
    top: 'sm:col-start-2 sm:row-start-1',
    topRight: 'sm:col-start-3 sm:row-start-1',
    left: 'sm:col-start-1 sm:row-start-2',
    right: 'sm:col-start-3 sm:row-start-2',
    bottomLeft: 'sm:col-start-1 sm:row-start-3',
    bottom: 'sm:col-start-2 sm:row-start-3',
    bottomRight: 'sm:col-start-3 sm:row-start-3',
  };
</script>

<fieldset class="grid grid-cols-1 gap-1.5 sm:grid-cols-3">
  <legend class="mb-1 font-[650]">{SETTINGS_TEXTS.names['rim']}</legend>
  {#each RIM_PARTS as part (part)}
    <label class={['flex min-w-0 flex-col text-[13px] text-ink-soft', CELLS[part]]}>
      {RIM_TEXTS.parts[part]}
      <select
        class="min-h-6 w-full border border-line bg-paper p-0.5 text-ink"
        value={rim[part] ?? ''}
        onchange={(event) => choose(part, event.currentTarget.value)}
      >
        <option value="">{RIM_TEXTS.nothing}</option>
        {#each groups as group (group)}
          <optgroup label={KEYS_TEXTS.groups[group]}>
            {#each offered.filter((action) => action.group === group) as action (action.id)}
              <option value={action.id}>{action.words(null, desk.session).title}</option>
            {/each}
          </optgroup>
        {/each}
      </select>
    </label>
  {/each}
  <p class="text-ink-soft sm:col-span-3">{RIM_TEXTS.hint}</p>
</fieldset>
