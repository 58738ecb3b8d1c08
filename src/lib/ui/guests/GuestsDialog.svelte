<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { tick, untrack } from 'svelte';
  import { desktopEntry, entryText } from '../../core/guests/desktop-entry';
  import { guestId, monogramFor } from '../../core/guests/guest';
  import { OPENINGS, pageFrom, pageProblems, pageText, type PageWanted } from '../../core/guests/page';
  import { webAddress } from '../../core/guests/web-address';
  import { webManifest } from '../../core/guests/web-manifest';
  import { LONGEST_TITLE } from '../../core/model/limits';
  import { find, has } from '../../core/model/table';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { changingGuest, guestOf, guestsOf, removingGuest } from '../../core/slices/setup/selectors';
  import type { Guest } from '../../core/slices/setup/state';
  import { downloadText } from '../../client/download';
  import { hueOf } from '../../client/hue-of';
  import { pictureFromFile } from '../../client/picture-from-file';
  import { sendJson } from '../../client/send-json';
  import { FRAMES, sessionPage } from '../../client/session-api';
  import FileButton from '../parts/FileButton.svelte';
  import { deskHere } from '../desk/desk.svelte';
  import Monogram from '../parts/Monogram.svelte';
  import { GUESTS_TEXTS } from '../words/texts';

  /** Applications that were added: web pages, and programs of the machine by their desktop entries. */
  const desk = deskHere();
  const BUTTON = 'key-shaped shrink-0 border-line bg-paper px-2 py-0.5 disabled:text-ink-soft';
  const FIELD = 'min-w-0 border border-line bg-paper px-1.5 py-0.5';

  type Draft = { -readonly [Field in keyof PageWanted]: PageWanted[Field] } & {
    monogram: string;
    hue: number;
  };
  const FRESH: Draft = {
    name: '',
    address: '',
    scope: '',
    opening: 'frame',
    picture: null,
    monogram: '',
    hue: 200,
  };

  let draft = $state<Draft>({ ...FRESH });
  /** The guest that is changed; null while a new one is made. */
  let changing = $state.raw<Guest | null>(null);
  let pasted = $state('');
  let said = $state('');
  let tried = $state(false);
  let addressField = $state<HTMLInputElement>();

  /** The application whose desktop entry is handed out. */
  let handed = $state(untrack(() => desk.session.applications[0]?.id ?? ''));

  const guests = $derived(guestsOf(desk.session));
  const problems = $derived(pageProblems(draft));
  const shown = $derived<typeof problems>(tried ? problems : {});
  const manifestProblem = $derived.by(() => {
    if (pasted.trim() === '') return null;
    const read = webManifest(pasted, addressOf(draft.address));
    return 'problem' in read ? read.problem : null;
  });

  function addressOf(text: string): URL | null {
    const read = webAddress(text);
    return 'url' in read ? read.url : null;
  }

  function fillIn() {
    const read = webManifest(pasted, addressOf(draft.address));
    if ('problem' in read) return;
    const { name, shortName, startUrl, scope, display, themeColour, picture } = read.manifest;
    draft = {
      ...draft,
      name: shortName,
      address: startUrl.href,
      scope: scope.href === new URL('.', startUrl).href ? '' : scope.href,
      opening: display === 'browser' ? 'browser-window' : 'frame',
      monogram: monogramFor(shortName),
      hue: (themeColour === null ? null : hueOf(themeColour)) ?? draft.hue,
      picture: picture ?? draft.picture,
    };
    said = GUESTS_TEXTS.filledIn(name);
    void askAboutFrames();
  }

  /** Whether the page permits frames says the page itself; where it cannot be asked, the choice stays as it is. */
  async function askAboutFrames() {
    const address = addressOf(draft.address);
    if (!address) return;
    const answer = await sendJson<{ frames: 'permitted' | 'refused' | 'unknown' }>(
      FRAMES,
      JSON.stringify({ address: address.href }),
    );
    if (!('value' in answer) || draft.address !== address.href) return;
    const { frames } = answer.value;
    if (frames === 'refused') draft.opening = 'browser-window';
    said = GUESTS_TEXTS.frames[frames];
  }

  function addressChanged() {
    const address = addressOf(draft.address);
    if (!address) return;
    draft.address = address.href;
    void askAboutFrames();
  }

  function nameChanged() {
    if (draft.monogram === '') draft.monogram = monogramFor(draft.name);
  }

  async function takePicture(file: File | undefined) {
    if (!file) return;
    try {
      draft.picture = await pictureFromFile(file);
    } catch {
      said = GUESTS_TEXTS.noPicture(file.name);
    }
  }

  /** Files that were dropped: manifests, pictures and desktop entries tell themselves apart. */
  async function takeFiles(files: Iterable<File>) {
    for (const file of files) {
      if (file.type.startsWith('image/')) await takePicture(file);
      else if (file.name.endsWith('.desktop')) addEntry(file.name, await file.text());
      else {
        pasted = await file.slice(0, MOST_READ).text();
        fillIn();
      }
    }
  }
  const MOST_READ = 300_000;

  function addEntry(file: string, text: string) {
    const read = desktopEntry(text);
    if ('problem' in read) {
      said = GUESTS_TEXTS.noEntry(file, read.problem);
      return;
    }
    const { entry } = read;
    if (
      entry.application !== null &&
      find(desk.session.applications, entry.application)?.name === entry.name
    ) {
      said = GUESTS_TEXTS.isHere(entry.name);
      return;
    }
    const look = {
      monogram: entry.monogram ?? monogramFor(entry.name),
      hue: entry.hue ?? hueFrom(entry.name),
    };
    if (entry.url === null) return add({ name: entry.name, ...look, kind: 'desktop-entry', text });
    const wanted: PageWanted = {
      name: entry.name,
      address: entry.url,
      scope: '',
      opening: 'frame',
      picture: null,
    };
    const [problem] = Object.values(pageProblems(wanted));
    if (problem !== undefined) said = GUESTS_TEXTS.noEntry(file, problem);
    else add({ name: entry.name, ...look, kind: 'page', text: pageText(wanted) });
  }

  /** A hue of its own for each name. */
  const hueFrom = (name: string) =>
    [...name].reduce((sum, letter) => (sum * 31 + (letter.codePointAt(0) ?? 0)) % 360, 7);

  function add(guest: Omit<Guest, 'id' | 'home'>) {
    const { applications, documents } = desk.session;
    const id = guestId(guest.name, (one) => has(applications, one) || has(documents, one));
    desk.wish(changingGuest({ ...guest, id, home: id }));
    said = GUESTS_TEXTS.added(guest.name);
  }

  async function keep() {
    tried = true;
    if (Object.keys(problems).length > 0) {
      await tick();
      document.querySelector<HTMLElement>('[aria-invalid=true]')?.focus();
      return;
    }
    const { name, hue, monogram } = draft;
    const made = {
      name: name.trim(),
      monogram: monogramOf(monogram, name),
      hue,
      kind: 'page',
      text: pageText(draft),
    } as const;
    if (changing) desk.wish(changingGuest({ ...made, id: changing.id, home: changing.home }));
    else add(made);
    startAnew();
  }

  const monogramOf = (typed: string, name: string) =>
    [...typed.trim()].length === 2 ? typed.trim() : monogramFor(name);

  function change(guest: Guest) {
    const read = pageFrom(guest.text);
    if (!('page' in read)) return;
    const { address, scope, opening, picture } = read.page;
    changing = guest;
    draft = {
      name: guest.name,
      monogram: guest.monogram,
      hue: guest.hue,
      address: address.href,
      scope: scope.href === new URL('.', address).href ? '' : scope.href,
      opening,
      picture,
    };
    addressField?.focus();
  }

  function startAnew() {
    changing = null;
    tried = false;
    pasted = '';
    draft = { ...FRESH };
    addressField?.focus();
  }

  function remove(guest: Guest) {
    desk.wish(removingGuest(guest.id));
    said = desk.announcement;
    addressField?.focus();
  }

  /** A program of the machine as it came, a page by its address, and what lives on this desk by the desk's own. */
  function handOut(application: string) {
    const { name, monogram, hue } = applicationOf(desk.session, application);
    const guest = guestOf(desk.session, application);
    const read = guest?.kind === 'page' ? pageFrom(guest.text) : null;
    const url = read && 'page' in read ? read.page.address.href : location.origin + sessionPage(desk.link.id);
    const content =
      guest?.kind === 'desktop-entry' ? guest.text : entryText({ application, name, monogram, hue, url });
    downloadText(content, `${application}.desktop`, 'application/x-desktop');
  }
</script>

{#snippet problem(id: string, text: string | undefined)}
  {#if text !== undefined}<p {id} class="border-l-4 sm:col-start-2 border-marigold pl-2 text-[13px]">
      {text}
    </p>{/if}
{/snippet}

<Dialog.Root bind:open={() => desk.dialog === 'guests', (open) => (desk.dialog = open ? 'guests' : null)}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-(--veil)" />
    <Dialog.Content
      class="fixed top-6 left-1/2 z-50 flex max-h-[calc(100%-48px)] w-[900px] max-w-full -translate-x-1/2 flex-col gap-3 overflow-y-auto border-l-[30px] border-bar bg-paper-high p-5 accent-ink outline-none"
      onOpenAutoFocus={(event) => {
        event.preventDefault();
        addressField?.focus();
      }}
      ondragover={(event) => event.preventDefault()}
      ondrop={(event) => {
        event.preventDefault();
        void takeFiles(event.dataTransfer?.files ?? []);
      }}
    >
      <Dialog.Title class="text-lg font-[650]">{GUESTS_TEXTS.title}</Dialog.Title>
      <Dialog.Description class="text-ink-soft">{GUESTS_TEXTS.hint}</Dialog.Description>
      {#if guests.length === 0}
        <p class="text-ink-soft">{GUESTS_TEXTS.none}</p>
      {:else}
        <ul class="flex shrink-0 flex-col">
          {#each guests as guest (guest.id)}
            {@const read = guest.kind === 'page' ? pageFrom(guest.text) : null}
            <li class="flex items-center gap-3 border-b border-line-soft py-1 max-sm:flex-wrap">
              <Monogram application={applicationOf(desk.session, guest.id)} />
              <b class="w-32 truncate max-sm:flex-1">{guest.name}</b>
              <span class="min-w-0 flex-1 truncate font-mono text-[13px] max-sm:order-last max-sm:basis-full"
                >{read && 'page' in read ? read.page.address.href : GUESTS_TEXTS.ofTheMachine}</span
              >
              {#if read && 'page' in read}
                <span class="chip border-line">{GUESTS_TEXTS.openings[read.page.opening]}</span>
                <button
                  type="button"
                  class={BUTTON}
                  aria-label={GUESTS_TEXTS.changing(guest.name)}
                  onclick={() => change(guest)}>{GUESTS_TEXTS.change}</button
                >
              {/if}
              <button
                type="button"
                class={BUTTON}
                aria-label={GUESTS_TEXTS.removing(guest.name)}
                onclick={() => remove(guest)}>{GUESTS_TEXTS.remove}</button
              >
            </li>
          {/each}
        </ul>
      {/if}
      <h3 class="border-t border-line pt-2 font-[650]">
        {changing ? GUESTS_TEXTS.changing(changing.name) : GUESTS_TEXTS.make}
      </h3>
      <form
        class="grid grid-cols-[100px_minmax(0,1fr)] items-baseline gap-x-3 gap-y-2 max-sm:grid-cols-[minmax(0,1fr)]"
        novalidate
        onsubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <label for="guest-address" class="font-[650]">{GUESTS_TEXTS.address}</label>
        <input
          id="guest-address"
          bind:this={addressField}
          bind:value={draft.address}
          onchange={addressChanged}
          placeholder="https://"
          spellcheck="false"
          aria-invalid={shown.address !== undefined}
          aria-describedby="guest-address-problem"
          class="{FIELD} font-mono"
        />
        {@render problem('guest-address-problem', shown.address)}
        <label for="guest-name" class="font-[650]">{GUESTS_TEXTS.name}</label>
        <span class="flex flex-wrap gap-3">
          <input
            id="guest-name"
            bind:value={draft.name}
            onchange={nameChanged}
            maxlength={LONGEST_TITLE}
            aria-invalid={shown.name !== undefined}
            aria-describedby="guest-name-problem"
            class="{FIELD} flex-1"
          />
          <label class="flex items-baseline gap-2"
            >{GUESTS_TEXTS.monogram}
            <input bind:value={draft.monogram} maxlength="4" class="{FIELD} w-12 text-center" /></label
          >
          <label class="flex items-center gap-2"
            >{GUESTS_TEXTS.hue}
            <input type="range" min="0" max="359" bind:value={draft.hue} class="w-28" />
            <span
              class="spine block h-[22px] w-[26px] rounded-xs text-center text-[11px]/[22px]"
              style:--hue={draft.hue}
              aria-hidden="true"
              >{#if draft.picture}<img
                  src={draft.picture}
                  alt=""
                  class="mx-auto size-[20px]"
                />{:else}{monogramOf(draft.monogram, draft.name)}{/if}</span
            ></label
          >
        </span>
        {@render problem('guest-name-problem', shown.name)}
        <span class="font-[650]" id="guest-opening">{GUESTS_TEXTS.opening}</span>
        <span role="radiogroup" aria-labelledby="guest-opening" class="flex gap-4">
          {#each OPENINGS as opening (opening)}
            <label class="flex items-baseline gap-2"
              ><input type="radio" name="opening" value={opening} bind:group={draft.opening} />
              {GUESTS_TEXTS.openings[opening]}</label
            >
          {/each}
        </span>
        <label for="guest-scope" class="font-[650]">{GUESTS_TEXTS.scope}</label>
        <input
          id="guest-scope"
          bind:value={draft.scope}
          placeholder={GUESTS_TEXTS.scopeHint}
          spellcheck="false"
          aria-invalid={shown.scope !== undefined}
          aria-describedby="guest-scope-problem"
          class="{FIELD} font-mono"
        />
        {@render problem('guest-scope-problem', shown.scope)}
        <span class="font-[650]">{GUESTS_TEXTS.picture}</span>
        <span class="flex flex-wrap items-center gap-3">
          <FileButton
            text={GUESTS_TEXTS.choosePicture}
            accept="image/*"
            take={([file]) => void takePicture(file)}
          />
          {#if draft.picture}<button type="button" class={BUTTON} onclick={() => (draft.picture = null)}
              >{GUESTS_TEXTS.noPictureAnyMore}</button
            >{/if}
        </span>
        {@render problem('guest-picture-problem', shown.picture)}
        <label for="guest-manifest" class="font-[650]">{GUESTS_TEXTS.manifest}</label>
        <span class="flex flex-wrap gap-3">
          <textarea
            id="guest-manifest"
            rows="2"
            bind:value={pasted}
            spellcheck="false"
            placeholder={GUESTS_TEXTS.manifestHint}
            aria-invalid={manifestProblem !== null}
            aria-describedby="guest-manifest-problem"
            class="{FIELD} flex-1 font-mono text-xs"></textarea>
          <button
            type="button"
            class="{BUTTON} self-start"
            disabled={pasted.trim() === '' || manifestProblem !== null}
            onclick={fillIn}>{GUESTS_TEXTS.fillIn}</button
          >
        </span>
        {@render problem('guest-manifest-problem', manifestProblem ?? undefined)}
        <span class="flex items-center gap-2 sm:col-start-2">
          <button type="submit" class={BUTTON}>{GUESTS_TEXTS.keep}</button>
          {#if changing}<button type="button" class={BUTTON} onclick={startAnew}>{GUESTS_TEXTS.stop}</button
            >{/if}
          <span role="status" class="text-[13px] text-ink-soft">{said}</span>
        </span>
      </form>
      <div class="flex flex-wrap items-center gap-2 border-t border-line pt-2">
        <button
          type="button"
          class={BUTTON}
          disabled={desk.session.setupsBefore.length === 0}
          onclick={() => desk.invoke('undo-setup')}>{GUESTS_TEXTS.undo}</button
        >
        <FileButton
          text={GUESTS_TEXTS.entries}
          accept=".desktop"
          multiple
          take={(files) => void takeFiles(files)}
        />
        <label class="flex items-center gap-2"
          >{GUESTS_TEXTS.entryOf}
          <select bind:value={handed} class="border border-line bg-paper p-0.5">
            {#each desk.session.applications as { id, name } (id)}<option value={id}>{name}</option>{/each}
          </select></label
        >
        <button type="button" class={BUTTON} onclick={() => handOut(handed)}
          >{GUESTS_TEXTS.exportEntry}</button
        >
        <Dialog.Close class="{BUTTON} ml-auto">{GUESTS_TEXTS.close}</Dialog.Close>
      </div>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
