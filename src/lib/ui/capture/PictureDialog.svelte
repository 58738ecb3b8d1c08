<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { onMount, tick, untrack } from 'svelte';
  import { isMarked, LONGEST_LABEL, pointIn, worked, type EaselInput } from '../../core/capture/easel';
  import { EASEL_KEYS, meaningOf, TOOL_KEYS, type PictureDeed } from '../../core/capture/easel-keys';
  import { INKS, TOOLS, type Tool } from '../../core/capture/mark';
  import {
    folderForPictures,
    LARGEST_PICTURE,
    pictureFileName,
    picturesIn,
    pictureText,
  } from '../../core/capture/picture';
  import { fitting, scaleBeside } from '../../core/capture/zoom';
  import { keepPicture } from '../../client/capture/kept-pictures';
  import { downloadBlob } from '../../client/download';
  import { isWriting } from '../../client/is-writing';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import { CAPTURE_TEXTS } from '../words/capture-texts';
  import { INK_COLOURS } from './inks';
  import type { Painter } from './painter';
  import PictureKeys from './PictureKeys.svelte';

  /** A picture that was taken: cut, marked, blotted out, then kept, copied, handed out or dropped. */
  const TEXTS = CAPTURE_TEXTS.marking;
  const ROOM = 24;

  const desk = deskHere();
  const taken = desk.capture?.taken ?? null;

  let easel = $state.raw(taken?.easel ?? null);
  let painter = $state.raw<Painter | null>(null);
  let paper = $state<HTMLDivElement | null>(null);
  let area = $state<HTMLElement | null>(null);
  let label = $state<HTMLInputElement | null>(null);
  let width = $state(0);
  let height = $state(0);
  /** A scale, or null for whatever lets all of it be seen. */
  let zoom = $state<number | null>(null);
  /** What the pointer makes when it is pressed next. */
  let armed = $state<Tool | null>(untrack(() => (easel?.draft?.type === 'crop' ? 'crop' : null)));
  let busy = $state(false);
  let problem = $state('');

  const folder = $derived(folderForPictures(desk.session));
  const crop = $derived(easel?.steps.now.crop ?? { x: 0, y: 0, width: 1, height: 1 });
  const scale = $derived(zoom ?? fitting(crop, { width: width - ROOM, height: height - ROOM }));

  onMount(() => {
    if (!taken) {
      desk.dialog = null;
      return;
    }
    void import('./painter').then(({ Painter }) => {
      if (paper) painter = new Painter(paper, taken.source);
    });
    void tick().then(() => area?.focus());
    return () => painter?.end();
  });
  $effect(() => {
    if (painter && easel && width > 0) painter.show(easel, scale);
  });

  function work(input: EaselInput) {
    if (!easel || !taken) return;
    const before = easel;
    easel = worked(easel, input);
    taken.easel = easel;
    if (easel === before) return;
    const did = (TEXTS.did as Readonly<Record<string, string>>)[input.type];
    if (did) desk.say(did);
  }

  /** In the middle of what is seen of the picture. */
  function middle() {
    const seen = area ?? { scrollLeft: 0, scrollTop: 0 };
    const shown = {
      width: Math.min(width, crop.width * scale),
      height: Math.min(height, crop.height * scale),
    };
    return {
      x: crop.x + (seen.scrollLeft + shown.width / 2) / scale,
      y: crop.y + (seen.scrollTop + shown.height / 2) / scale,
    };
  }

  async function takeUp(tool: Tool) {
    armed = tool;
    work({ type: 'take-up', tool, middle: middle() });
    desk.say(TEXTS.begun(TEXTS.tools[tool]));
    await tick();
    (tool === 'text' ? label : area)?.focus();
  }

  function act(deed: PictureDeed) {
    switch (deed) {
      case 'smaller':
      case 'larger':
        zoom = scaleBeside(scale, deed === 'larger' ? 1 : -1);
        return desk.say(TEXTS.zoom(Math.round(zoom * 100)));
      case 'fit':
        zoom = null;
        return;
      case 'drop':
        desk.dialog = null;
        return desk.say(TEXTS.dropped(desk.chord('capture')));
      default:
        return void finish(deed);
    }
  }

  async function finish(deed: 'keep' | 'copy' | 'download') {
    if (!easel || !taken || busy) return;
    work({ type: 'place' });
    busy = true;
    problem = '';
    try {
      const { writtenPng } = await import('./painter');
      const png = await writtenPng(taken.source, easel.steps.now, easel.unit);
      problem = (await { keep, copy, download }[deed](png)) ?? '';
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    } finally {
      busy = false;
    }
    if (problem !== '') desk.say(problem);
  }

  /** @returns what is wrong */
  async function keep(png: Blob): Promise<string | null> {
    if (!folder || !taken) return TEXTS.done.noFolder;
    if (png.size > LARGEST_PICTURE) return TEXTS.tooLarge;
    const answer = await keepPicture(desk.link.id, png);
    if (!('value' in answer)) return answer.problem === null ? TEXTS.noServer : TEXTS.notKept(answer.problem);
    const { title } = taken;
    const kept = answer.value;
    desk.wish({ type: 'keep-picture', folder: folder.id, title, text: pictureText(kept) });
    // What hindered it was said.
    if (!picturesIn(desk.session).some(({ digest }) => digest === kept.digest)) return desk.announcement;
    close(TEXTS.kept(title, folder.title));
    return null;
  }

  async function copy(png: Blob): Promise<string | null> {
    try {
      await navigator.clipboard.write([new ClipboardItem({ 'image/png': png })]);
    } catch {
      return TEXTS.notCopied;
    }
    desk.say(TEXTS.copied);
    return null;
  }

  async function download(png: Blob): Promise<string | null> {
    const file = pictureFileName(taken?.title ?? '');
    downloadBlob(png, file);
    desk.say(TEXTS.downloaded(file));
    return null;
  }

  function close(says: string) {
    // It may have been left meanwhile, for another one or another dialog.
    if (desk.capture?.taken === taken) desk.capture.taken = null;
    if (desk.dialog === 'picture') desk.dialog = null;
    desk.say(says, true);
  }

  function onkeydown(event: KeyboardEvent) {
    if (!easel || event.altKey || event.isComposing) return;
    if (event.target instanceof Element && isWriting(event.target)) return inText(event);
    const onButton = event.target instanceof HTMLButtonElement;
    if (onButton && (event.key === 'Enter' || event.key === ' ')) return;
    const { code, key, shiftKey: shift, ctrlKey, metaKey } = event;
    const meaning = meaningOf({ code, key, shift, control: ctrlKey || metaKey }, easel);
    if (!meaning) return;
    event.preventDefault();
    if (meaning.type === 'tool') void takeUp(meaning.tool);
    else if (meaning.type === 'deed') act(meaning.deed);
    else {
      if (meaning.type === 'give-up') armed = null;
      work(meaning);
      follow();
    }
  }

  /** What is written is done with Enter: then arrow keys move it. */
  function inText(event: KeyboardEvent) {
    if (event.key === 'Escape') work({ type: 'give-up' });
    else if (event.key !== 'Enter') return;
    event.preventDefault();
    area?.focus();
  }

  /** What is moved stays in sight. */
  function follow() {
    const draft = easel && (easel.draft ?? easel.steps.now.marks[easel.chosen ?? -1]);
    if (!draft || !area || zoom === null) return;
    const at =
      'area' in draft
        ? draft.area
        : 'at' in draft
          ? draft.at
          : 'to' in draft
            ? draft.to
            : draft.points.at(-1);
    if (!at) return;
    const [x, y] = [(at.x - crop.x) * scale, (at.y - crop.y) * scale];
    const beside = (from: number, room: number, to: number) => to < from || to > from + room - ROOM;
    if (beside(area.scrollLeft, width, x)) area.scrollLeft = x - width / 2;
    if (beside(area.scrollTop, height, y)) area.scrollTop = y - height / 2;
  }

  function onpointer(event: PointerEvent) {
    if (!easel || !paper) return;
    const box = paper.getBoundingClientRect();
    const at = pointIn(easel, { x: event.clientX - box.x, y: event.clientY - box.y }, 1 / scale);
    if (event.type === 'pointerdown') {
      if (event.button !== 0) return;
      if (!easel.draft && armed) work({ type: 'take-up', tool: armed, middle: at });
      if (!easel.draft) return;
      paper.setPointerCapture(event.pointerId);
      work({ type: 'press', at });
      if (easel.draft?.type === 'text') setTimeout(() => label?.focus());
    } else if (event.type === 'pointermove') work({ type: 'drag', at });
    else work({ type: 'release' });
  }

  const BUTTON = 'key-shaped border-line bg-paper px-2 py-0.5 disabled:text-ink-soft';
  const REST = ['undo', 'revert', 'choose', 'smaller', 'larger', 'fit'] as const;

  function rest(name: (typeof REST)[number]) {
    if (name === 'smaller' || name === 'larger' || name === 'fit') act(name);
    else work({ type: name });
    area?.focus();
  }
</script>

<Dialog.Root bind:open={() => desk.dialog === 'picture', (open) => !open && act('drop')}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-(--veil)" />
    <Dialog.Content
      onOpenAutoFocus={(event) => event.preventDefault()}
      onEscapeKeydown={(event) => event.preventDefault()}
      onInteractOutside={(event) => event.preventDefault()}
      {onkeydown}
      class="fixed inset-4 z-50 grid grid-cols-[auto_1fr] grid-rows-[auto_1fr_auto] gap-x-3 border-l-[30px] border-bar bg-paper-high p-3 outline-none max-sm:inset-0 max-sm:grid-rows-[auto_auto_1fr_auto] max-sm:border-l-8"
    >
      <div class="col-span-2 flex flex-wrap items-baseline gap-x-4 pb-2">
        <Dialog.Title class="text-lg font-[650]">{TEXTS.title}</Dialog.Title>
        <span class="min-w-0 truncate text-ink-soft" dir="auto">{taken?.title}</span>
        <Dialog.Description class="ml-auto font-mono text-[13px]"
          >{TEXTS.label(crop.width, crop.height, easel?.steps.now.marks.length ?? 0)} · {TEXTS.zoom(
            Math.round(scale * 100),
          )}</Dialog.Description
        >
      </div>
      <div
        class="flex flex-col gap-3 overflow-y-auto pr-1 text-[13px] max-sm:col-span-2 max-sm:flex-row max-sm:flex-wrap max-sm:items-start max-sm:gap-1 max-sm:pb-2"
      >
        <div
          role="group"
          aria-label={TEXTS.toolList}
          class="flex flex-col gap-1 max-sm:flex-row max-sm:flex-wrap"
        >
          {#each TOOLS as tool (tool)}
            <button
              type="button"
              aria-pressed={armed === tool}
              class="flex min-h-7 items-center gap-2 px-1.5 text-left aria-pressed:bg-marigold aria-pressed:text-on-marigold"
              onclick={() => void takeUp(tool)}
              ><Key code={TOOL_KEYS[tool]} /><span class="whitespace-nowrap">{TEXTS.tools[tool]}</span
              ></button
            >
          {/each}
        </div>
        <div role="group" aria-label={TEXTS.inkList} class="flex gap-1">
          {#each INKS as ink, nth (ink)}
            <button
              type="button"
              aria-label="{nth + 1} {TEXTS.inks[ink]}"
              aria-pressed={easel?.ink === ink}
              class="flex min-h-7 min-w-6 flex-col items-center border border-line aria-pressed:border-b-4 aria-pressed:border-ink"
              onclick={() => {
                work({ type: 'ink', ink });
                area?.focus();
              }}
              ><span
                aria-hidden="true"
                class="h-3 w-full forced-color-adjust-none"
                style:background={INK_COLOURS[ink]}
              ></span><span aria-hidden="true" class="font-mono text-[11px]">{nth + 1}</span></button
            >
          {/each}
        </div>
        <div class="flex flex-col gap-1 max-sm:flex-row max-sm:flex-wrap">
          {#each REST as name (name)}
            <button
              type="button"
              disabled={(name === 'undo' || name === 'revert') &&
                !(easel && (isMarked(easel) || easel.draft))}
              class="flex min-h-7 items-center gap-2 px-1.5 text-left disabled:text-ink-soft"
              onclick={() => rest(name)}
              ><Key code={EASEL_KEYS[name]} /><span class="whitespace-nowrap">{TEXTS.rest[name]}</span
              ></button
            >
          {/each}
        </div>
      </div>
      <!-- Its keys are those of the dialog. -->
      <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <div
        bind:this={area}
        bind:clientWidth={width}
        bind:clientHeight={height}
        tabindex="0"
        role="group"
        aria-label={TEXTS.area}
        class="hatched relative flex overflow-auto border border-line bg-sheet max-sm:col-span-2 max-sm:min-h-40"
      >
        <div
          bind:this={paper}
          role="presentation"
          class={['m-auto shrink-0 touch-none shadow-behind', (armed ?? easel?.draft) && 'cursor-crosshair']}
          onpointerdown={onpointer}
          onpointermove={onpointer}
          onpointerup={onpointer}
          onpointercancel={onpointer}
        ></div>
      </div>
      <div class="col-span-2 flex flex-wrap items-center gap-x-4 gap-y-1 pt-2 text-[13px]">
        {#if easel?.draft?.type === 'text'}
          <label class="flex items-center gap-2"
            >{TEXTS.text}
            <input
              bind:this={label}
              value={easel.draft.text}
              maxlength={LONGEST_LABEL}
              spellcheck="false"
              autocomplete="off"
              oninput={({ currentTarget }) => work({ type: 'write', text: currentTarget.value })}
              class="w-64 border border-line bg-paper px-2 py-0.5"
            /></label
          >
          <span class="text-ink-soft">{TEXTS.write}</span>
        {:else if easel}
          <PictureKeys {easel} />
        {/if}
        {#if problem}<p role="alert" class="border-l-4 border-marigold pl-2">{problem}</p>{/if}
        {#if busy}<span role="status">{TEXTS.keeping}</span>{/if}
        <span class="ml-auto flex flex-wrap gap-2">
          {#if folder}
            <button type="button" disabled={busy} class={BUTTON} onclick={() => act('keep')}
              ><Key code={EASEL_KEYS.keep} /> {TEXTS.done.keep(folder.title)}</button
            >
          {:else}<span class="text-ink-soft">{TEXTS.done.noFolder}</span>{/if}
          <button type="button" disabled={busy} class={BUTTON} onclick={() => act('copy')}
            ><Key code={EASEL_KEYS.copy} /> {TEXTS.done.copy}</button
          >
          <button type="button" disabled={busy} class={BUTTON} onclick={() => act('download')}
            ><Key code={EASEL_KEYS.download} /> {TEXTS.done.download}</button
          >
          <button type="button" class={BUTTON} onclick={() => act('drop')}
            ><Key label="Esc" /> {TEXTS.done.drop}</button
          >
        </span>
      </div>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
