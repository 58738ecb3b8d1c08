<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { untrack } from 'svelte';
  import { boxOn } from '../../core/placing/placement';
  import { edgesOf } from '../../core/slices/settings/state';
  import { activeTab, isAsking, titleOf } from '../../core/slices/windows/selectors';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { documentOf } from '../../core/slices/documents/selectors';
  import { pictureOf } from '../../core/guests/picture';
  import { isUnsaved, textIn } from '../../core/slices/drafts/selectors';
  import StandIn from '../../stand-ins/StandIn.svelte';
  import { deskHere } from '../desk/desk.svelte';
  import { standingText } from '../../core/switcher/standing-text';
  import { keyName } from '../parts/key-names';
  import KeyFace from '../parts/KeyFace.svelte';
  import DraftOffer from './DraftOffer.svelte';
  import { placedByPointer } from './placed-by-pointer';
  import Question from './Question.svelte';
  import type { Sheet } from './surface-windows';
  import { TEXTS, windowName } from '../words/texts';

  const desk = deskHere();
  let { sheet, day }: { sheet: Sheet; day: Date } = $props();

  const window = $derived(sheet.window);
  const front = $derived(sheet.front);
  const application = $derived(applicationOf(desk.session, window.application));
  const picture = $derived(pictureOf(desk.session, application));
  const tab = $derived(activeTab(window));
  const document = $derived(documentOf(desk.session, tab.document));
  const name = $derived(windowName(desk.session, window));
  const unsaved = $derived(isUnsaved(desk.session, window));

  /** Where it lies; while it is moved or sized, where that says. */
  const box = $derived(
    sheet.lifted && desk.placing ? boxOn(desk.surface, desk.placing.placement) : sheet.box,
  );

  /** The tabs that were shown here: they keep their content, with caret, scrolling and undo, while another one is shown. */
  let visited = $state.raw<readonly string[]>([]);
  $effect.pre(() => {
    const { id } = tab;
    if (!untrack(() => visited).includes(id)) visited = [...untrack(() => visited), id];
  });
  const panels = $derived(window.tabs.filter(({ id }) => visited.includes(id)));

  let element: HTMLElement;
  let placeable = false;
  /** What moves windows comes when a pointer first comes to this one. */
  function becomePlaceable() {
    if (placeable) return;
    placeable = true;
    void placedByPointer(element, {
      surface: () => desk.surface,
      placement: () => window,
      edgesFill: () => edgesOf(desk.session.settings) === 'fill',
      lift: () => desk.lift(window.id),
      lay: desk.lay,
      letLie: desk.letLie,
    });
  }

  const EXPOSED = 'rounded-xs border bg-paper';
  /** More than a thin line, and there too where the system sets all colours. */
  const FRONT = 'border-ink shadow-front outline-2 outline-ink';
  const BEHIND = 'border-line shadow-behind';
  /** The actions that a front window has buttons for. */
  const BUTTONS = ['minimise', 'hide-or-show', 'close'].map((action) => ({ action, argument: null }));
  const target = $derived({ application: window.application, window: window.id });

  /** The first press of a double one has brought the window to the front. */
  function maximise(event: MouseEvent) {
    if (!(event.target instanceof Element && event.target.closest('button'))) desk.invoke('maximise', target);
  }

  function openMenu(event: MouseEvent) {
    event.preventDefault();
    desk.invoke('menu', target);
  }
</script>

<section
  bind:this={element}
  onpointerenter={becomePlaceable}
  id="window-{window.id}"
  aria-label={name}
  aria-current={front ? 'true' : undefined}
  tabindex="-1"
  class={[
    'dog-ear absolute grid grid-cols-[30px_1fr] contain-strict',
    !(front && sheet.showing === 'exposed') && 'outline-none',
    window.tabs.length > 1 ? 'grid-rows-[30px_26px_1fr]' : 'grid-rows-[30px_1fr]',
    sheet.lifted && 'will-change-[left,top]',
    sheet.showing === 'exposed' ? [EXPOSED, front ? FRONT : BEHIND] : '[content-visibility:hidden]',
    sheet.showing === 'away' && 'invisible',
  ]}
  data-unsaved={unsaved}
  style:left="{box.x}px"
  style:top="{box.y}px"
  style:width="{box.width}px"
  style:height="{box.height}px"
  style:z-index={sheet.layer}
  onpointerdown={() => front || desk.wish({ type: 'bring-to-front', window: window.id, raiseAll: false })}
>
  <div
    data-moves
    class="spine row-span-full text-center text-xs/[30px]"
    style:--hue={application.hue}
    aria-hidden="true"
  >
    {#if picture}<img
        src={picture}
        alt=""
        class="mx-auto mt-1 size-[22px]"
      />{:else}{application.monogram}{/if}
  </div>
  <!-- By keys it is maximised as well. -->
  <header
    data-moves
    role="presentation"
    ondblclick={maximise}
    oncontextmenu={openMenu}
    class={[
      'touch-none',
      'flex items-center gap-2 border-b border-line-soft px-2 whitespace-nowrap',
      front && 'overflow-hidden',
      unsaved && 'pr-5',
    ]}
  >
    <b class="truncate font-[650]" dir="auto">{titleOf(window)}</b>
    {#if application.name !== titleOf(window)}
      <span class="min-w-0 shrink-[99] truncate text-ink-soft">{application.name}</span>
    {/if}
    {#if unsaved}<span class="shrink-0 text-ink-soft">· {TEXTS.unsaved}</span>{/if}
    {#if !application.answering}<span class="chip shrink-0 border-ink bg-paper-high"
        >{standingText({ type: 'not-answering' })}</span
      >{/if}
    {#if front}
      <span class="ml-auto flex shrink-0 gap-1.5">
        {#each BUTTONS as invocation (invocation.action)}
          {@const { short } = desk.registry.words(invocation, desk.session)}
          {@const code = desk.keys.chordOf(invocation)?.code}
          <!-- What is seen on it is part of its name (WCAG 2.2, 2.5.3). -->
          <button
            type="button"
            aria-label={[code && keyName(code), short].filter(Boolean).join(' ')}
            title="{short} ({desk.chord(invocation.action)})"
            class="key-shaped min-h-6 min-w-6 border-line bg-paper-high px-1 font-mono text-[11px]/4"
            onclick={() => desk.invoke(invocation, target)}><KeyFace code={code ?? ''} /></button
          >
        {/each}
      </span>
    {/if}
  </header>
  {#if window.tabs.length > 1}
    <div class="flex min-w-0 items-end border-b border-line bg-sheet px-1 pt-0.5">
      <div
        role="tablist"
        aria-label={TEXTS.tabList}
        tabindex="-1"
        onmousedown={(event) => event.preventDefault()}
        class="flex min-w-0 flex-1 items-end gap-0.5"
      >
        {#each window.tabs as { id, title } (id)}
          {@const shown = id === tab.id}
          <button
            type="button"
            role="tab"
            id="tab-{window.id}-{id}"
            tabindex="-1"
            aria-selected={shown}
            aria-controls={visited.includes(id) ? `panel-${window.id}-${id}` : undefined}
            {title}
            dir="auto"
            class={[
              'h-6 min-w-6 flex-1 basis-0 truncate border-x border-t px-2 text-left text-xs',
              shown
                ? '-mb-px max-w-56 grow-[2] border-line bg-paper font-[650]'
                : 'max-w-44 border-transparent text-ink-soft',
            ]}
            onclick={() => desk.wish({ type: 'go-to-tab', window: window.id, tab: id, inFront: true })}
            >{title}</button
          >
        {/each}
      </div>
      {#if front}
        <button
          type="button"
          tabindex="-1"
          aria-label={TEXTS.closesTab(tab.title)}
          title="{TEXTS.closesTab(tab.title)} ({desk.chord('close-tab')})"
          class="flex size-6 shrink-0 items-center justify-center text-ink-soft"
          onmousedown={(event) => event.preventDefault()}
          onclick={() => desk.invoke('close-tab', target)}><X size={13} aria-hidden="true" /></button
        >
      {/if}
    </div>
  {/if}
  <div class={['flex min-h-0 flex-col contain-strict', sheet.frameOnly && '[content-visibility:hidden]']}>
    {#if isAsking(window)}
      <Question id={window.id} />
    {:else if window.offeringDraft}
      <DraftOffer id={window.id} document={document.id} {day} />
    {/if}
    {#each panels as one (one.id)}
      {@const shown = one.id === tab.id}
      <div
        id="panel-{window.id}-{one.id}"
        role={window.tabs.length > 1 ? 'tabpanel' : 'group'}
        aria-label={window.tabs.length > 1 ? one.title : name}
        tabindex="-1"
        data-scrolls={shown ? '' : undefined}
        data-out-of-sight={shown ? undefined : ''}
        class={[
          'min-h-0 flex-1 overflow-auto outline-none',
          // Not taken away: it would forget what can be undone.
          !shown && 'invisible absolute inset-0 [content-visibility:hidden]',
        ]}
        inert={!front || !shown}
      >
        <StandIn
          document={documentOf(desk.session, one.document)}
          text={textIn(desk.session, window, one)}
          {day}
          window={window.id}
          actions={desk.standInActions}
          waits={window.offeringDraft}
          active={front && shown}
        />
      </div>
    {/each}
    {#if sheet.lifted}
      <output
        class="absolute right-2 bottom-2 bg-marigold px-2 py-0.5 font-mono text-xs text-on-marigold shadow-behind"
        >{TEXTS.figures(box)}</output
      >
    {/if}
  </div>
</section>
