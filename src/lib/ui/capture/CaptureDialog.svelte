<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { onMount, tick } from 'svelte';
  import { delayAfter, shotsOf, type Shot } from '../../core/capture/shot';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { titleOf, windowOf } from '../../core/slices/windows/selectors';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import Monogram from '../parts/Monogram.svelte';
  import { CAPTURE_TEXTS } from '../words/capture-texts';
  import { Capture } from './capture.svelte';

  /** What a picture is taken of, and when. While a wait goes on, it ends that. */
  const desk = deskHere();
  const capture = (desk.capture ??= new Capture(desk));
  const shots = $derived(shotsOf(desk.session));
  const dropped = capture.taken !== null;
  let list = $state<HTMLElement | null>(null);

  onMount(() => {
    if (capture.left !== null) {
      capture.stop();
      desk.dialog = null;
      return desk.say(CAPTURE_TEXTS.cancelled);
    }
    // What it takes is there when it is needed.
    void import('../../client/capture/page-picture');
    void import('./painter');
    void focusRow(0);
  });

  async function focusRow(index: number) {
    await tick();
    const rows = rowsOf();
    rows[(index + rows.length) % rows.length]?.focus();
  }
  const rowsOf = () => [...(list?.querySelectorAll('button') ?? [])];

  async function take(shot: Shot) {
    desk.dialog = null;
    // It is gone before anything is looked at.
    await tick();
    capture.begin(shot);
  }

  function onkeydown(event: KeyboardEvent) {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const rows = rowsOf();
    const at = rows.findIndex((row) => row === event.target);
    const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: rows.length - 1 }[event.key];
    if (to !== undefined) void focusRow(to);
    else if (event.code === 'KeyD') capture.delay = delayAfter(capture.delay);
    else return;
    event.preventDefault();
  }

  const ROW =
    'grid min-h-9 w-full grid-cols-[30px_1fr] items-center gap-x-3 px-2 text-left outline-none focus-visible:bg-marigold focus-visible:text-on-marigold';
</script>

<Dialog.Root bind:open={() => desk.dialog === 'capture', (open) => (desk.dialog = open ? 'capture' : null)}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-(--veil)" />
    <Dialog.Content
      onOpenAutoFocus={(event) => event.preventDefault()}
      class="fixed top-12 left-1/2 z-50 flex max-h-[calc(100%-72px)] w-[560px] max-w-full -translate-x-1/2 flex-col gap-2 overflow-y-auto border-l-[30px] border-bar bg-paper-high p-5 outline-none"
    >
      <div class="flex flex-wrap items-baseline gap-x-3">
        <Dialog.Title class="text-lg font-[650]">{CAPTURE_TEXTS.title}</Dialog.Title>
        <span class="chip border-line bg-marigold text-on-marigold" role="status"
          >{CAPTURE_TEXTS.delay(capture.delay)}</span
        >
      </div>
      <Dialog.Description class="text-ink-soft"
        >{shots.length === 0 ? CAPTURE_TEXTS.live.off : CAPTURE_TEXTS.hint}</Dialog.Description
      >
      <!-- Its rows have the focus, and they are buttons. -->
      <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
      <ul bind:this={list} role="list" {onkeydown} class="flex flex-col">
        {#each shots as shot (shot.of === 'window' ? shot.window : shot.of)}
          <!-- There may be thousands, of which a screenful is painted. -->
          <li class="border-b border-line-soft [contain-intrinsic-height:37px] [content-visibility:auto]">
            <button type="button" class={ROW} onclick={() => void take(shot)}>
              {#if shot.of === 'window'}
                {@const window = windowOf(desk.session, shot.window)}
                {@const application = applicationOf(desk.session, window.application)}
                <Monogram {application} />
                <span class="truncate" dir="auto"
                  ><b class="font-[650]">{titleOf(window)}</b>
                  <span>{application.name}</span></span
                >
              {:else}
                <span></span>
                <span
                  ><b class="font-[650]">{CAPTURE_TEXTS[shot.of]}</b>
                  {shot.of === 'part' ? CAPTURE_TEXTS.partHint : CAPTURE_TEXTS.everythingHint}</span
                >
              {/if}
            </button>
          </li>
        {/each}
        {#if dropped}
          <li class="border-b border-line-soft">
            <button type="button" class={ROW} onclick={() => (desk.dialog = 'picture')}>
              <span></span>
              <span>{CAPTURE_TEXTS.dropped}</span>
            </button>
          </li>
        {/if}
      </ul>
      <p class="flex flex-wrap gap-x-4 gap-y-1 text-[13px] text-ink-soft">
        <span><Key label="Enter" /> {CAPTURE_TEXTS.keys.take}</span>
        <span><Key code="KeyD" /> {CAPTURE_TEXTS.keys.delay}</span>
        <span><Key label="Esc" /> {CAPTURE_TEXTS.keys.close}</span>
      </p>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
