<script lang="ts">
  import Search from '@lucide/svelte/icons/search';
  import { cubicOut } from 'svelte/easing';
  import type { Geometry } from '../../core/model/geometry';
  import { boxOn } from '../../core/placing/placement';
  import { isVisible } from '../../core/session/session';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { windowOf } from '../../core/slices/windows/selectors';
  import { has } from '../../core/model/table';
  import { sheetOn, SURVEY_ORDERS } from '../../core/survey/sheet';
  import {
    boxesOf,
    FAMILIES_WIDTH,
    readingOrder,
    SURVEY_HEAD,
    type Sheeted,
    type Survey,
  } from '../../core/survey/survey';
  import { workspaceName } from '../../core/slices/workspaces/selectors';
  import { deskHere } from '../desk/desk.svelte';
  import Monogram from '../parts/Monogram.svelte';
  import { SURVEY_TEXTS } from '../words/texts';
  import SurveyCaption from './SurveyCaption.svelte';
  import SurveyPicture from './SurveyPicture.svelte';

  const desk = deskHere();
  let { survey, sheet, now }: { survey: Survey; sheet: Sheeted; now: Date } = $props();

  /** More pictures than these come without motion. */
  const MOST_MOVING = 60;
  const MOVE_MS = 150;

  const paper = $derived(sheetOn({ width: desk.paper.width, height: desk.paper.height - SURVEY_HEAD }));
  const boxes = $derived(boxesOf(survey, paper).filter(({ id }) => has(desk.session.windows, id)));
  const pictures = $derived(new Map(sheet.laid?.pictures.map((picture) => [picture.id, picture])));
  const order = $derived(readingOrder(sheet, survey.order));
  const height = $derived(boxes.reduce((most, { box }) => Math.max(most, box.y + box.height), 0) + paper.gap);
  /** The applications, where each has one caption. */
  const families = $derived.by(() => {
    if (sheet.form !== 'families') return [];
    const counts = new Map<string, number>();
    for (const { application } of sheet.windows) counts.set(application, (counts.get(application) ?? 0) + 1);
    return [...counts].sort(([a], [b]) => (a < b ? -1 : 1));
  });
  const owner = $derived(
    survey.at !== null && has(desk.session.windows, survey.at)
      ? windowOf(desk.session, survey.at).application
      : null,
  );

  const still = matchMedia('(prefers-reduced-motion: reduce)');
  /** From where a window lies to its picture, and back. It delays no key: what is pressed meanwhile counts. */
  function flight(element: Element, { id, to }: { id: string; to: Geometry }) {
    const window = has(desk.session.windows, id) ? windowOf(desk.session, id) : null;
    if (still.matches || boxes.length > MOST_MOVING || !window || !isVisible(desk.session, window))
      return { duration: 0 };
    const from = boxOn(desk.paper, window);
    const [x, y] = [from.x - to.x, from.y - SURVEY_HEAD - to.y];
    const [wide, high] = [from.width / to.width, from.height / to.height];
    return {
      duration: MOVE_MS,
      easing: cubicOut,
      css: (_t: number, u: number) =>
        `transform: translate(${u * x}px, ${u * y}px) scale(${1 + u * (wide - 1)}, ${1 + u * (high - 1)}); transform-origin: 0 0`,
    };
  }

  let line: HTMLInputElement;
  $effect(() => line.focus({ preventScroll: true }));

  let scroller: HTMLElement;
  $effect(() => {
    const box = boxes.find(({ id }) => id === survey.at)?.box;
    if (!box || height <= scroller.clientHeight) return;
    const { scrollTop, clientHeight } = scroller;
    if (box.y < scrollTop) scroller.scrollTop = box.y - paper.gap;
    else if (box.y + box.height > scrollTop + clientHeight)
      scroller.scrollTop = box.y + box.height - clientHeight + paper.gap;
  });

  function under(event: Event): string | undefined {
    const target = event.target instanceof Element ? event.target : null;
    return target?.closest<HTMLElement>('[data-window]')?.dataset.window;
  }
  function hover(event: PointerEvent) {
    const id = under(event);
    if (desk.pointerMoved(event) && id !== undefined) desk.pointSurvey(id);
  }
  function choose(event: MouseEvent) {
    const id = under(event);
    if (id === undefined) return;
    desk.pointSurvey(id);
    desk.invoke('choose-surveyed');
  }
  /** A press of the pointer beside the line must not take the keys away from it. */
  function keepFocus(event: MouseEvent) {
    if (event.target !== line) event.preventDefault();
  }
</script>

<div
  role="dialog"
  aria-modal="true"
  aria-label={SURVEY_TEXTS.title}
  tabindex="-1"
  class="{desk.glancing ? 'glanced-through' : ''} absolute top-0 left-0 z-10 flex flex-col contain-strict"
  style:width="{desk.paper.width}px"
  style:height="{desk.paper.height}px"
  onmousedown={keepFocus}
>
  <div
    class="flex shrink-0 items-center gap-4 overflow-hidden bg-bar px-4 whitespace-nowrap text-bar-ink"
    style:height="{SURVEY_HEAD}px"
  >
    <b class="text-[17px] font-normal">{SURVEY_TEXTS.title}</b>
    <span class="shrink-0 text-[13px] text-bar-soft max-sm:sr-only"
      >{SURVEY_TEXTS.shown(
        sheet.windows.length,
        survey.elsewhere ? '' : workspaceName(desk.session, desk.session.workspace),
      )}{survey.only === null ? '' : ` · ${applicationOf(desk.session, survey.only).name}`}</span
    >
    <label class="flex min-w-0 flex-1 items-center gap-2">
      <Search size={15} aria-hidden="true" class="shrink-0 text-bar-soft" />
      <input
        bind:this={line}
        type="text"
        role="combobox"
        value={survey.letters}
        oninput={(event) => desk.type(event.currentTarget.value)}
        aria-label={SURVEY_TEXTS.filter}
        aria-expanded="true"
        aria-controls="survey-sheet"
        aria-activedescendant={survey.at === null ? undefined : `surveyed-${survey.at}`}
        placeholder={SURVEY_TEXTS.filter}
        autocomplete="off"
        spellcheck="false"
        class="h-8 min-w-0 flex-1 border-0 bg-transparent text-bar-ink outline-none placeholder:text-bar-soft"
      />
    </label>
    <span class="flex shrink-0 items-center gap-1 text-[13px] max-sm:sr-only" aria-hidden="true">
      {#each SURVEY_ORDERS as name (name)}
        <span
          class={[
            'px-1',
            name === survey.order
              ? 'underline decoration-marigold decoration-2 underline-offset-8'
              : 'text-bar-soft',
          ]}>{SURVEY_TEXTS.orders[name]}</span
        >
      {/each}
    </span>
    {#if survey.at !== null}
      <span class="shrink-0 font-mono text-xs text-bar-soft"
        >{SURVEY_TEXTS.of(order.indexOf(survey.at) + 1, order.length)}</span
      >
    {/if}
  </div>
  <!-- Its keys are handled at the window, before anything in the page sees them. -->
  <!-- svelte-ignore a11y_click_events_have_key_events -->
  <div
    bind:this={scroller}
    id="survey-sheet"
    role="listbox"
    tabindex="-1"
    aria-label={SURVEY_TEXTS.title}
    class="creased relative min-h-0 flex-1 overflow-x-hidden overflow-y-auto outline-none"
    onpointermove={hover}
    onclick={choose}
  >
    {#if sheet.windows.length === 0}
      <p class="pt-24 text-center text-lg text-ink-soft">{SURVEY_TEXTS.nothing(survey.letters)}</p>
    {/if}
    {#each families as [id, count] (id)}
      {@const application = applicationOf(desk.session, id)}
      <div
        role="presentation"
        class={['flex h-[30px] items-center gap-2 px-3', id === owner && 'bg-marigold text-on-marigold']}
        style:width="{FAMILIES_WIDTH - 16}px"
      >
        <Monogram {application} />
        <b class="truncate font-[650]" dir="auto">{application.name}</b>
        <span class="ml-auto font-mono text-xs">{count}</span>
      </div>
    {/each}
    <div
      role="presentation"
      class="absolute top-0"
      style:left="{sheet.form === 'families' ? FAMILIES_WIDTH : 0}px"
      style:height="{sheet.laid ? 0 : height}px"
    >
      {#each boxes as { id, box } (id)}
        {@const picture = pictures.get(id)?.picture}
        <div
          role="option"
          id="surveyed-{id}"
          aria-selected={id === survey.at}
          tabindex="-1"
          data-window={id}
          class="absolute"
          style:left="{box.x}px"
          style:top="{box.y}px"
          style:width="{box.width}px"
          style:height="{box.height}px"
          in:flight|global={{ id, to: box }}
          out:flight|global={{ id, to: box }}
        >
          {#if picture}
            <SurveyPicture
              {id}
              {now}
              width={picture.width}
              height={picture.height}
              captionHeight={paper.captionHeight}
              selected={id === survey.at}
            />
          {:else}
            <SurveyCaption {id} {now} selected={id === survey.at} />
          {/if}
        </div>
      {/each}
    </div>
  </div>
  {#if survey.enlarged && survey.at !== null && has(desk.session.windows, survey.at)}
    {@const window = windowOf(desk.session, survey.at)}
    {@const box = boxOn(desk.paper, window)}
    {@const scale = Math.min(
      (desk.paper.width - 80) / box.width,
      (paper.height - 80 - paper.captionHeight) / box.height,
      1.6,
    )}
    <div
      class="absolute inset-x-0 bottom-0 z-10 flex items-center justify-center bg-(--veil)"
      style:top="{SURVEY_HEAD}px"
    >
      <div style:width="{box.width * scale}px" style:height="{box.height * scale + paper.captionHeight}px">
        <SurveyPicture
          id={survey.at}
          {now}
          width={box.width * scale}
          height={box.height * scale}
          captionHeight={paper.captionHeight}
          selected
          whole
        />
      </div>
    </div>
  {/if}
</div>
