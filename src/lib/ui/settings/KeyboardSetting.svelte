<script lang="ts">
  import { onMount } from 'svelte';
  import { Combobox } from 'bits-ui';
  import type { Layout } from '../../core/keys/labels';
  import { seatOf, WRITING_KEYS } from '../../core/keys/writing-keys';
  import { chooseLayout, chosenLayout } from '../../client/key-labels.svelte';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import { SETTINGS_TEXTS } from '../words/texts';

  /** Stands for finding it out. */
  const AUTOMATIC = '';

  /** More than these nobody reads through. */
  const MOST_SHOWN = 40;

  const desk = deskHere();
  const bound = new Set(desk.keys.bindings.flatMap(({ at }) => ('code' in at ? [at.code] : [])));
  const rows = (['top', 'home', 'bottom'] as const).map((row) =>
    WRITING_KEYS.filter((code) => bound.has(code) && seatOf(code)?.row === row),
  );

  let layouts = $state.raw<readonly Layout[]>([]);
  let typed = $state<string | null>(null);

  const chosen = $derived(chosenLayout());
  const title = $derived(chosen?.title ?? SETTINGS_TEXTS.keyboardAutomatic);
  const options = $derived([{ name: AUTOMATIC, title: SETTINGS_TEXTS.keyboardAutomatic }, ...layouts]);
  const found = $derived.by(() => {
    const wanted = (typed ?? '').trim().toLocaleLowerCase();
    return options.filter((option) => option.title.toLocaleLowerCase().includes(wanted)).slice(0, MOST_SHOWN);
  });

  // Not with the page: they are many. Not when the list opens either: they are there when the first letter is typed.
  onMount(async () => {
    layouts = (await import('../../keyboards/layouts')).LAYOUTS;
  });

  function choose(name: string) {
    chooseLayout(layouts.find((layout) => layout.name === name) ?? null);
    typed = null;
  }
</script>

<!-- Which layout the labels of keys are from. -->
<div class="grid grid-cols-[150px_1fr] items-baseline gap-2">
  <label for="setting-keyboard" class="font-[650]">{SETTINGS_TEXTS.names.keyboard}</label>
  <div class="flex flex-col gap-1.5">
    <Combobox.Root
      type="single"
      value={chosen?.name ?? AUTOMATIC}
      inputValue={title}
      onValueChange={choose}
      onOpenChange={(open) => {
        if (!open) typed = null;
      }}
    >
      <span class="flex w-80 border border-line">
        <Combobox.Input
          id="setting-keyboard"
          oninput={(event) => (typed = event.currentTarget.value)}
          onfocus={(event) => event.currentTarget.select()}
          autocomplete="off"
          spellcheck="false"
          class="min-w-0 flex-1 bg-paper px-2 py-0.5"
        />
        <Combobox.Trigger
          tabindex={-1}
          aria-label={SETTINGS_TEXTS.keyboardShow}
          class="border-l border-line bg-paper px-2 font-mono">▾</Combobox.Trigger
        >
      </span>
      <Combobox.Content
        sideOffset={2}
        align="start"
        class="z-50 max-h-64 w-80 overflow-y-auto border border-ink bg-paper-high"
      >
        {#each found as option (option.name)}
          <Combobox.Item
            value={option.name}
            label={option.title}
            class="px-2 py-0.5 data-highlighted:bg-marigold data-highlighted:text-on-marigold data-selected:font-semibold"
          >
            {option.title}
          </Combobox.Item>
        {:else}
          <p class="px-2 py-0.5 text-ink-soft">{SETTINGS_TEXTS.keyboardNotFound}</p>
        {/each}
      </Combobox.Content>
    </Combobox.Root>
    <p class="flex flex-wrap gap-1">
      {#each rows as row, index (index)}
        <span class="mr-3 flex gap-1"
          >{#each row as code (code)}<Key {code} />{/each}</span
        >
      {/each}
    </p>
    <p class="text-ink-soft">{SETTINGS_TEXTS.keyboardHint}</p>
  </div>
</div>
