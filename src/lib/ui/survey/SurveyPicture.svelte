<script lang="ts">
  import { boxOn } from '../../core/placing/placement';
  import { isVisible } from '../../core/session/session';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { documentOf } from '../../core/slices/documents/selectors';
  import { isUnsaved, shownText } from '../../core/slices/drafts/selectors';
  import { activeTab, windowOf } from '../../core/slices/windows/selectors';
  import StandIn from '../../stand-ins/StandIn.svelte';
  import { OUTSIDE } from '../../core/slices/host/events';
  import { deskHere } from '../desk/desk.svelte';
  import WindowPicture from '../display/WindowPicture.svelte';
  import SurveyCaption from './SurveyCaption.svelte';

  /** A window, small, on its caption. `whole`: with its content even where it cannot be seen on the surface. */
  let {
    id,
    now,
    width,
    height,
    captionHeight,
    selected,
    whole = false,
  }: {
    id: string;
    now: Date;
    width: number;
    height: number;
    captionHeight: number;
    selected: boolean;
    whole?: boolean;
  } = $props();

  const SPINE = 8;

  const desk = deskHere();
  const window = $derived(windowOf(desk.session, id));
  const application = $derived(applicationOf(desk.session, window.application));
  const document = $derived(documentOf(desk.session, activeTab(window).document));
  /** What it shows is not known here: the display has it. */
  const outside = $derived(document.kind === OUTSIDE);
  const box = $derived(boxOn(desk.paper, window));
  const shown = $derived(whole || isVisible(desk.session, window));
  const scale = $derived(width / box.width);
</script>

<div
  class={[
    'dog-ear relative flex size-full flex-col border bg-paper contain-layout',
    selected
      ? 'border-ink shadow-front outline-[3px] outline-offset-2 outline-ink'
      : 'border-line shadow-behind',
  ]}
  data-unsaved={isUnsaved(desk.session, window)}
>
  {#if selected}<span class="absolute inset-y-0 -left-2.5 w-1.5 bg-marigold" aria-hidden="true"></span>{/if}
  <div
    class="flex min-h-0 flex-1 justify-center overflow-hidden border-b border-line-soft"
    aria-hidden="true"
    inert
  >
    <div class="relative overflow-hidden" style:width="{width}px" style:height="{height}px">
      {#if !shown && !outside}<div class="hatched absolute inset-0"></div>{/if}
      <div
        class="spine absolute inset-y-0 left-0"
        style:--hue={application.hue}
        style:width="{SPINE}px"
      ></div>
      {#if outside}
        <div class={['absolute inset-y-0 right-0', !shown && 'opacity-60']} style:left="{SPINE}px">
          <WindowPicture {id} {width} />
        </div>
      {:else if shown}
        <div
          class="absolute top-0 origin-top-left overflow-hidden"
          style:left="{SPINE}px"
          style:width="{box.width - SPINE / scale}px"
          style:height="{box.height}px"
          style:transform="scale({scale})"
        >
          <StandIn {document} text={shownText(desk.session, window)} day={now} />
        </div>
      {/if}
    </div>
  </div>
  <div class="shrink-0" style:height="{captionHeight - 2}px"><SurveyCaption {id} {now} {selected} /></div>
</div>
