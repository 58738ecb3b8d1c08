<script lang="ts">
  import { activeTab, isAsking, titleOf } from '../../core/slices/windows/selectors';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { documentOf } from '../../core/slices/documents/selectors';
  import { pictureOf } from '../../core/guests/picture';
  import { isUnsaved, shownText } from '../../core/slices/drafts/selectors';
  import StandIn from '../../stand-ins/StandIn.svelte';
  import { deskHere } from '../desk/desk.svelte';
  import KeyFace from '../parts/KeyFace.svelte';
  import DraftOffer from './DraftOffer.svelte';
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
  const text = $derived(shownText(desk.session, window));
  const name = $derived(windowName(desk.session, window));
  const unsaved = $derived(isUnsaved(desk.session, window));

  const EXPOSED = 'rounded-xs border bg-paper';
  const FRONT = 'border-ink shadow-front';
  const BEHIND = 'border-line shadow-behind';
  /** The actions that a front window has buttons for. */
  const BUTTONS = ['minimise', 'hide-or-show', 'close'].map((action) => ({ action, argument: null }));
  const target = $derived({ application: window.application, window: window.id });
</script>

<section
  id="window-{window.id}"
  aria-label={name}
  aria-current={front ? 'true' : undefined}
  tabindex="-1"
  class={[
    'dog-ear absolute grid grid-cols-[30px_1fr] grid-rows-[30px_1fr] outline-none contain-strict',
    sheet.showing === 'exposed' ? [EXPOSED, front ? FRONT : BEHIND] : '[content-visibility:hidden]',
    sheet.showing === 'away' && 'invisible',
  ]}
  data-unsaved={unsaved}
  style:left="{window.geometry.x}px"
  style:top="{window.geometry.y}px"
  style:width="{window.geometry.width}px"
  style:height="{window.geometry.height}px"
  style:z-index={sheet.layer}
  onpointerdown={() => front || desk.wish({ type: 'bring-to-front', window: window.id, raiseAll: false })}
>
  <div class="spine row-span-2 text-center text-xs/[30px]" style:--hue={application.hue} aria-hidden="true">
    {#if picture}<img
        src={picture}
        alt=""
        class="mx-auto mt-1 size-[22px]"
      />{:else}{application.monogram}{/if}
  </div>
  <header
    class={[
      'flex items-center gap-2 border-b border-line-soft px-2 whitespace-nowrap',
      front && 'overflow-hidden',
      unsaved && 'pr-5',
    ]}
  >
    <b class="truncate font-[650]">{titleOf(window)}</b>
    {#if application.name !== titleOf(window)}
      <span class="min-w-0 shrink-[99] truncate text-ink-soft">{application.name}</span>
    {/if}
    {#if unsaved}<span class="shrink-0 text-ink-soft">· {TEXTS.unsaved}</span>{/if}
    {#if front}
      <span class="ml-auto flex shrink-0 gap-1.5">
        {#each BUTTONS as invocation (invocation.action)}
          {@const { short } = desk.registry.words(invocation, desk.session)}
          <button
            type="button"
            aria-label={short}
            title="{short} ({desk.chord(invocation.action)})"
            class="key-shaped min-h-6 min-w-6 border-line bg-paper-high px-1 font-mono text-[11px]/4"
            onclick={() => desk.invoke(invocation, target)}
            ><KeyFace code={desk.keys.chordOf(invocation)?.code ?? ''} /></button
          >
        {/each}
      </span>
    {/if}
  </header>
  <div class={['flex min-h-0 flex-col contain-strict', sheet.frameOnly && '[content-visibility:hidden]']}>
    {#if isAsking(window)}
      <Question id={window.id} />
    {:else if window.offeringDraft}
      <DraftOffer id={window.id} document={document.id} {day} />
    {/if}
    <div
      role="group"
      aria-label={name}
      tabindex="-1"
      data-scrolls
      class="min-h-0 flex-1 overflow-auto outline-none"
      inert={!front}
    >
      <StandIn
        {document}
        {text}
        {day}
        window={window.id}
        actions={desk.standInActions}
        waits={window.offeringDraft}
      />
    </div>
  </div>
</section>
