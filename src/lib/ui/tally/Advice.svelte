<script lang="ts">
  import type { WindowId } from '../../core/model/ids';
  import { find, has } from '../../core/model/table';
  import type { Advice, PlaceAdvice } from '../../core/tally/advice';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import { ADVICE_TEXTS, hundredthText } from '../words/tally-texts';

  interface Props {
    advice: Advice;
    titleOf: (window: string) => string;
    bind: (window: WindowId) => void;
  }
  /** Which key should mean what. Nothing is changed before somebody says so, and it can be undone. */
  let { advice, titleOf, bind }: Props = $props();

  const desk = deskHere();
  /** The changes that were made here, by what undoes them. */
  let made = $state.raw<readonly string[]>([]);

  const applicationOf = (id: string) => find(desk.session.applications, id);
  const places = $derived(advice.places.filter(({ application }) => applicationOf(application)));
  const shortcuts = $derived(advice.shortcuts.filter(({ window }) => has(desk.session.windows, window)));
  const undoable = $derived(made.filter((entry) => desk.session.placesBefore.some(({ id }) => id === entry)));

  function accept({ application, digit }: PlaceAdvice) {
    desk.wish({ type: 'put-in-index', thing: application, digit });
    const entry = desk.session.placesBefore.at(-1)?.id;
    if (entry !== undefined) made = [...made, entry];
    desk.say(ADVICE_TEXTS.stands(applicationOf(application)?.name ?? application, digit));
  }

  function undo() {
    const entry = undoable.at(-1);
    if (entry === undefined) return;
    desk.wish({ type: 'put-index-back', entry });
    desk.say(ADVICE_TEXTS.undone);
  }
</script>

{#snippet line(name: string, digit: string | null, text: string, label: string, does: () => void)}
  <li class="flex flex-wrap items-center gap-x-3 border-b border-line-soft py-1">
    <b class="min-w-40"
      >{name}{#if digit !== null}&ensp;<Key label={digit} />{/if}</b
    >
    <span class="flex-1">{text}</span>
    <button type="button" class="border border-ink bg-paper-high px-2 py-0.5" onclick={does}
      >{label}<span class="sr-only"> {name}</span></button
    >
  </li>
{/snippet}

<section aria-label={ADVICE_TEXTS.title} class="col-span-full border-t-2 border-ink pt-1.5">
  <h3 class="font-[650]">{ADVICE_TEXTS.title}</h3>
  <p class="mb-1.5 text-[13px]/4 text-ink-soft">
    {places.length + shortcuts.length === 0 ? ADVICE_TEXTS.none : ADVICE_TEXTS.hint}
  </p>
  <ol class="flex flex-col">
    {#each places as one (one.application)}
      {@render line(
        applicationOf(one.application)?.name ?? one.application,
        one.digit,
        `${ADVICE_TEXTS.place(one.from)} ${ADVICE_TEXTS.worth(one)}`,
        ADVICE_TEXTS.put,
        () => accept(one),
      )}
    {/each}
    {#each shortcuts as one (one.window)}
      {@render line(
        titleOf(one.window),
        null,
        `${ADVICE_TEXTS.shortcut} ${ADVICE_TEXTS.worth(one)}`,
        ADVICE_TEXTS.bind,
        () => bind(one.window),
      )}
    {/each}
  </ol>
  {#if undoable.length > 0}
    <button type="button" class="mt-1.5 border border-ink bg-paper-high px-2 py-0.5" onclick={undo}
      >{ADVICE_TEXTS.undo}</button
    >
  {/if}
  {#if advice.policies.length > 0}
    <table class="mt-2 text-[13px]">
      <caption class="text-left whitespace-nowrap text-ink-soft max-sm:whitespace-normal"
        >{ADVICE_TEXTS.policiesOf(advice.switches)}</caption
      >
      <thead>
        <tr class="border-b border-line text-left">
          {#each ADVICE_TEXTS.columns as column, at (column)}<th
              class={['pr-6 font-[650]', at > 0 && 'text-right']}
              scope="col">{column}</th
            >{/each}
        </tr>
      </thead>
      <tbody>
        {#each advice.policies as { policy, presses, seconds } (policy)}
          <tr class="border-b border-line-soft">
            <th class="pr-6 text-left font-normal" scope="row">{ADVICE_TEXTS.policies[policy]}</th>
            <td class="pr-6 text-right tabular-nums">{hundredthText(presses)}</td>
            <td class="pr-6 text-right tabular-nums">{hundredthText(seconds)} s</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</section>
