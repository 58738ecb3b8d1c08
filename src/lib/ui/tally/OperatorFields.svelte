<script lang="ts">
  import { OPERATOR_RANGE, pointerSeconds, type Operators } from '../../core/tally/operators';
  import type { Tally } from '../../core/tally/tally';
  import { TALLY_TEXTS } from '../words/tally-texts';
  import { isOperator } from './own-operators';

  /** The operators that the comparison with the pointer is reckoned with, to be changed. */
  let {
    operators,
    published,
    tally,
    change,
  }: { operators: Operators; published: Operators; tally: Tally; change: (next: Operators) => void } =
    $props();

  const TEXTS = TALLY_TEXTS.pointer;
  const NAMES = Object.keys(TEXTS.operators) as (keyof Operators)[];
  const own = $derived(NAMES.some((name) => operators[name] !== published[name]));

  function changed(name: keyof Operators, input: HTMLInputElement) {
    const value = input.valueAsNumber;
    if (isOperator(value)) change({ ...operators, [name]: value });
    else input.valueAsNumber = operators[name];
  }
</script>

<section aria-label={TEXTS.title} class="col-span-full border-t-2 border-ink pt-1.5">
  <h3 class="font-[650]">{TEXTS.title}</h3>
  <p class="text-[13px]/4 text-ink-soft">
    {TEXTS.total(tally.keySeconds, tally.pointerSeconds)}
    {TEXTS.sum(pointerSeconds(operators))}
  </p>
  <p class="mb-2 text-[13px]/4 text-ink-soft">{TEXTS.hint}</p>
  <div class="flex flex-wrap items-end gap-x-6 gap-y-2">
    {#each NAMES as name (name)}
      <label class="flex flex-col text-[13px]"
        >{TEXTS.operators[name]}
        <input
          type="number"
          step="0.01"
          min={OPERATOR_RANGE.least}
          max={OPERATOR_RANGE.most}
          value={operators[name]}
          onchange={({ currentTarget }) => changed(name, currentTarget)}
          class="h-7 w-24 border border-ink bg-paper-high px-1.5 font-mono"
        />
      </label>
    {/each}
    {#if own}
      <button type="button" class="h-7 border border-ink px-2" onclick={() => change(published)}
        >{TEXTS.published}</button
      >
    {/if}
  </div>
</section>
