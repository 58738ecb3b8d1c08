<script lang="ts">
  import { Dialog, RadioGroup } from 'bits-ui';
  import { goto } from '$app/navigation';
  import { fetchInTime } from '../../client/fetch-in-time';
  import {
    BLOCKS,
    blockOf,
    EDGES,
    edgesOf,
    followsTabs,
    SWITCHER_SCOPES,
    switcherScopeOf,
    holdKeyOf,
    INDEX_STANCES,
    indexStanceOf,
    THEMES,
    USABLE_HOLD_KEYS,
    type Pictures,
    type Rim,
    type Settings,
  } from '../../core/slices/settings/state';
  import { catalogueOf } from '../../core/search/session-catalogue';
  import { HOME_PAGE, sessionAddress, sessionPage, SESSIONS } from '../../client/session-api';
  import { canInstall, inFullScreen, inOwnWindow, install } from '../../client/own-window.svelte';
  import { strongest } from '../../core/slices/learning/learning';
  import { deskHere } from '../desk/desk.svelte';
  import { TAB_TEXTS } from '../words/display-texts';
  import { KIND_TEXTS, SETTINGS_TEXTS, TEXTS } from '../words/texts';

  import FileButton from '../parts/FileButton.svelte';
  import SwitchSetting from '../parts/SwitchSetting.svelte';
  import PictureSetting from '../display/PictureSetting.svelte';
  import RimSetting from './RimSetting.svelte';
  import KeyboardSetting from './KeyboardSetting.svelte';

  const desk = deskHere();

  const settings = $derived(desk.session.settings);
  const learned = $derived(strongest(desk.session.learned, new Date().toISOString()));
  const catalogue = $derived(catalogueOf(desk.session, desk.registry));
  let importing = $state('');

  /** A large desk waits for its turn to be checked. */
  const IMPORT_TAKES_MS = 60_000;

  const change = (patch: Partial<Settings>) =>
    desk.wish({ type: 'change-settings', settings: { ...settings, ...patch } });
  const changeRim = (rim: Rim) => change({ rim });
  const changePictures = (pictures: Pictures) => change({ pictures });

  /** A remembered choice by its title; what it stood for may have ended since. */
  function nameOf(choice: string): string {
    const [candidate] = catalogue.learnedAs(choice);
    return candidate ? `${candidate.title} (${KIND_TEXTS[candidate.subject.kind]})` : SETTINGS_TEXTS.gone;
  }

  async function importDocument([file]: readonly File[]) {
    if (!file) return;
    try {
      const response = await fetchInTime(
        SESSIONS,
        {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: await file.text(),
        },
        IMPORT_TAKES_MS,
      );
      const answer = (await response.json()) as { id?: string; detail?: string };
      if (!response.ok || !answer.id) importing = SETTINGS_TEXTS.notImported(file.name, answer.detail ?? '');
      else await goto(sessionPage(answer.id));
    } catch {
      importing = SETTINGS_TEXTS.notImported(file.name, SETTINGS_TEXTS.noServer);
    }
  }

  let deleting = $state(false);
  let notDeleted = $state('');

  async function deleteSession() {
    const response = await fetchInTime(sessionAddress(desk.link.id), { method: 'DELETE' }).catch(() => null);
    if (response?.ok) location.assign(HOME_PAGE);
    else notDeleted = SETTINGS_TEXTS.notDeleted(SETTINGS_TEXTS.noServer);
  }

  const BUTTON = 'key-shaped shrink-0 border-line bg-paper px-2 py-0.5';
</script>

{#snippet choices(name: string, value: string, options: readonly string[], onchange: (value: string) => void)}
  <div class="grid grid-cols-[150px_1fr] items-baseline gap-2">
    <span id="setting-{name}" class="font-[650]">{SETTINGS_TEXTS.names[name]}</span>
    <RadioGroup.Root {value} onValueChange={onchange} aria-labelledby="setting-{name}" class="flex gap-2">
      {#each options as option (option)}
        <RadioGroup.Item
          value={option}
          class="rounded-[3px] border border-line px-2.5 py-0.5 data-[state=checked]:border-ink data-[state=checked]:bg-ink data-[state=checked]:font-semibold data-[state=checked]:text-paper"
        >
          {SETTINGS_TEXTS.options[option] ?? option}
        </RadioGroup.Item>
      {/each}
    </RadioGroup.Root>
  </div>
{/snippet}

<Dialog.Root bind:open={() => desk.dialog === 'settings', (open) => (desk.dialog = open ? 'settings' : null)}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-(--veil)" />
    <Dialog.Content
      class="fixed top-6 left-1/2 z-50 flex max-h-[calc(100%-48px)] w-[620px] -translate-x-1/2 flex-col gap-4 overflow-y-auto border-l-[30px] border-bar bg-paper-high p-5 outline-none"
    >
      <Dialog.Title class="text-lg font-[650]">{SETTINGS_TEXTS.title}</Dialog.Title>
      {@render choices('holdKey', holdKeyOf(settings), USABLE_HOLD_KEYS, (value) =>
        change({ holdKey: USABLE_HOLD_KEYS.find((key) => key === value) ?? holdKeyOf(settings) }),
      )}
      {#if SETTINGS_TEXTS.holdKeyHints[holdKeyOf(settings)]}
        <p class="-mt-2 pl-[158px] text-ink-soft">{SETTINGS_TEXTS.holdKeyHints[holdKeyOf(settings)]}</p>
      {/if}
      <KeyboardSetting />
      {@render choices('block', blockOf(settings), BLOCKS, (value) =>
        change({ block: BLOCKS.find((block) => block === value) ?? blockOf(settings) }),
      )}
      <p class="-mt-2 pl-[158px] text-ink-soft">{SETTINGS_TEXTS.blockHints[blockOf(settings)]}</p>
      {@render choices('theme', settings.theme, THEMES, (value) =>
        change({ theme: THEMES.find((theme) => theme === value) ?? settings.theme }),
      )}
      {@render choices('index', indexStanceOf(settings), INDEX_STANCES, (value) =>
        change({ index: INDEX_STANCES.find((stance) => stance === value) ?? indexStanceOf(settings) }),
      )}
      {@render choices('switcherShows', switcherScopeOf(settings), SWITCHER_SCOPES, (value) =>
        change({
          switcherShows: SWITCHER_SCOPES.find((scope) => scope === value) ?? switcherScopeOf(settings),
        }),
      )}
      {#if desk.session.host.kind === 'live'}
        <PictureSetting change={changePictures} />
        <SwitchSetting
          name="tabs"
          title={TAB_TEXTS.title}
          hint={TAB_TEXTS.hint}
          checked={followsTabs(settings)}
          change={(browserTabs: boolean) => change({ browserTabs })}
        />
      {:else}
        {@render choices('edges', edgesOf(settings), EDGES, (value) =>
          change({ edges: EDGES.find((edges) => edges === value) ?? edgesOf(settings) }),
        )}
        <RimSetting change={changeRim} />
      {/if}
      <SwitchSetting
        name="holding"
        title={SETTINGS_TEXTS.names.holding ?? ''}
        hint={SETTINGS_TEXTS.holdingHint}
        checked={!settings.holding}
        change={(off: boolean) => change({ holding: !off })}
      />

      <h3 class="mt-1 border-t border-line pt-3 font-[650]">{SETTINGS_TEXTS.learned}</h3>
      {#if learned.length === 0}
        <p class="text-ink-soft">{SETTINGS_TEXTS.nothingLearned}</p>
      {:else}
        <ul class="flex max-h-40 shrink-0 flex-col gap-1 overflow-y-auto">
          {#each learned as choice (`${choice.letters} ${choice.choice}`)}
            <li class="flex items-center gap-3">
              <kbd class="w-24 truncate font-mono">{choice.letters}</kbd>
              <span class="flex-1 truncate">{nameOf(choice.choice)}</span>
              <button
                type="button"
                class={BUTTON}
                aria-label={SETTINGS_TEXTS.forgetOne(nameOf(choice.choice))}
                onclick={() => desk.wish({ type: 'forget-choices', choice: choice.choice })}
                >{SETTINGS_TEXTS.forget}</button
              >
            </li>
          {/each}
        </ul>
        <button
          type="button"
          class="{BUTTON} self-start"
          onclick={() => desk.wish({ type: 'forget-choices', choice: null })}
          >{SETTINGS_TEXTS.forgetAll}</button
        >
      {/if}

      <h3 class="mt-1 border-t border-line pt-3 font-[650]">{SETTINGS_TEXTS.ownWindow}</h3>
      <p class="text-ink-soft">
        {inOwnWindow()
          ? SETTINGS_TEXTS.ownWindowIs
          : canInstall()
            ? SETTINGS_TEXTS.ownWindowHint
            : `${SETTINGS_TEXTS.ownWindowHint} ${SETTINGS_TEXTS.ownWindowMenu}`}
      </p>
      <div class="flex gap-3">
        {#if canInstall() && !inOwnWindow()}
          <button type="button" class={BUTTON} onclick={() => void install()}>{SETTINGS_TEXTS.install}</button
          >
        {/if}
        <button type="button" class={BUTTON} onclick={() => void desk.fullScreen()}
          >{inFullScreen() ? SETTINGS_TEXTS.leaveFullScreen : SETTINGS_TEXTS.fullScreen}</button
        >
      </div>

      <h3 class="mt-1 border-t border-line pt-3 font-[650]">{SETTINGS_TEXTS.document}</h3>
      <div class="flex items-center gap-3">
        <button type="button" class={BUTTON} onclick={() => desk.exportDocument()}
          >{SETTINGS_TEXTS.exportButton}</button
        >
        <FileButton text={SETTINGS_TEXTS.importLabel} accept="application/json,.json" take={importDocument} />
      </div>
      {#if importing}<p role="alert" class="font-semibold">{importing}</p>{/if}

      {#if desk.link.aside.length > 0}
        <h3 class="mt-1 border-t border-line pt-3 font-[650]">{SETTINGS_TEXTS.aside}</h3>
        <p class="text-ink-soft">{TEXTS.asideCount(desk.link.aside.length)}. {SETTINGS_TEXTS.asideHint}</p>
        <div class="flex gap-3">
          <button type="button" class={BUTTON} onclick={() => desk.link.retryAside()}
            >{SETTINGS_TEXTS.asideRetry}</button
          >
          <button type="button" class={BUTTON} onclick={() => desk.exportAside()}
            >{SETTINGS_TEXTS.asideExport}</button
          >
          <button type="button" class={BUTTON} onclick={() => desk.link.dropAside()}
            >{SETTINGS_TEXTS.asideDrop}</button
          >
        </div>
      {/if}

      <h3 class="mt-1 border-t border-line pt-3 font-[650]">{SETTINGS_TEXTS.deleteSession}</h3>
      <div class="flex items-center gap-3">
        {#if deleting}
          <button type="button" class={BUTTON} onclick={deleteSession}>{SETTINGS_TEXTS.deleteSure}</button>
          <button type="button" class={BUTTON} onclick={() => (deleting = false)}
            >{SETTINGS_TEXTS.deleteNot}</button
          >
        {:else}
          <button type="button" class={BUTTON} onclick={() => (deleting = true)}
            >{SETTINGS_TEXTS.deleteButton}</button
          >
        {/if}
        <span class="text-ink-soft">{SETTINGS_TEXTS.deleteHint}</span>
      </div>
      {#if notDeleted}<p role="alert" class="font-semibold">{notDeleted}</p>{/if}
      <Dialog.Close class="{BUTTON} self-end">{SETTINGS_TEXTS.close}</Dialog.Close>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
