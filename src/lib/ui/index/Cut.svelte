<script lang="ts">
  import { pictureOf } from '../../core/guests/picture';
  import type { PlaceView } from '../../core/index/place-view';
  import type { Digit } from '../../core/slices/places/state';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import { placeName } from '../words/texts';
  import { carriedByPointer } from './carried-by-pointer';

  /** One place of the index. */
  let {
    digit,
    place,
    walked,
    pointed,
  }: {
    digit: Digit;
    place: PlaceView | null;
    walked: boolean;
    /** Whether the pointer has come to the index. */
    pointed: boolean;
  } = $props();

  const desk = deskHere();
  /** More ticks than these do not fit. */
  const MOST_TICKS = 8;
  const picture = $derived(place ? pictureOf(desk.session, place.application) : null);
  /** Where there are more, their number takes the room of two. */
  const ticks = $derived(place && place.windows.length > MOST_TICKS ? MOST_TICKS - 2 : MOST_TICKS);
  const more = $derived(Math.max(0, (place?.windows.length ?? 0) - ticks));

  function press(event: MouseEvent) {
    desk.invoke({ action: event.shiftKey ? 'new-window-at-place' : 'place', argument: digit });
  }

  /**
   * A press takes the focus, or nothing could be carried; when it is over the focus goes back where it was, unless someone
   * walks here.
   */
  function giveBack({ currentTarget, relatedTarget }: FocusEvent & { currentTarget: HTMLElement }) {
    if (desk.walk) return;
    const over = new AbortController();
    const back = () => {
      over.abort();
      if (desk.walk || document.activeElement !== currentTarget) return;
      if (relatedTarget instanceof HTMLElement) relatedTarget.focus({ preventScroll: true });
      else currentTarget.blur();
    };
    for (const end of ['pointerup', 'dragend']) addEventListener(end, back, { signal: over.signal });
  }

  function menu(event: MouseEvent) {
    event.preventDefault();
    desk.openPlaceMenu(digit);
  }
</script>

<li class="min-h-0 [container-type:size]" {@attach pointed && carriedByPointer(desk, digit, () => place)}>
  {#if place}
    {@const { application, inFront, name } = place}
    <button
      type="button"
      id="place-{digit}"
      data-place={digit}
      tabindex="-1"
      aria-label={placeName(place)}
      aria-current={inFront ? 'true' : undefined}
      aria-haspopup="menu"
      onfocus={giveBack}
      onclick={press}
      oncontextmenu={menu}
      class={[
        'cut grid h-full grid-cols-[26px_1fr] overflow-hidden rounded-l-md border border-r-0 text-left',
        inFront ? 'ml-0 w-full border-ink' : 'ml-3 w-28 border-line',
        application.running ? 'shadow-behind' : 'border-dashed text-ink-soft',
        walked
          ? 'bg-marigold text-on-marigold outline-2 -outline-offset-2 outline-ink'
          : application.hidden
            ? 'hatched'
            : application.running
              ? 'bg-paper'
              : 'bg-sheet',
      ]}
    >
      <!-- Drawn, not written: nobody would say it to a machine that listens. -->
      <span
        class={[
          'flex items-center justify-center text-xs',
          picture ? '' : 'before:content-[attr(data-monogram)]',
          application.running ? 'spine' : 'border-r border-dashed border-line font-mono font-bold',
        ]}
        style:--hue={application.hue}
        data-monogram={application.monogram}
        >{#if picture}<img src={picture} alt="" class="size-[22px]" />{/if}</span
      >
      <!-- Where there is no room for two lines, the digit and the name share one. -->
      <span
        class="flex min-w-0 flex-col justify-center gap-0.5 px-1.5 [@container(max-height:38px)]:flex-row-reverse [@container(max-height:38px)]:items-center [@container(max-height:38px)]:justify-end"
        aria-hidden="true"
      >
        <span
          class={[
            'truncate text-[13px] leading-4',
            inFront && 'font-[650]',
            application.hidden && 'forced-colors:italic',
          ]}>{name}</span
        >
        <span class="flex h-4 items-end gap-0.75">
          <span class="mr-1 self-center leading-none"><Key label={digit} /></span>
          {#each place.windows.slice(0, ticks) as { minimised }, nth (nth)}
            <span class={['border-l-3 [@container(max-height:38px)]:hidden', minimised ? 'h-1.25' : 'h-3.5']}
            ></span>
          {/each}
          {#if more > 0}<span class="text-[11px] leading-none">+{more}</span>{/if}
        </span>
      </span>
    </button>
  {:else}
    <span
      class="empty-place ml-3 flex h-full w-28 items-center rounded-l-md border border-r-0 border-dashed border-line pl-8 text-ink-soft"
      ><Key label={digit} /></span
    >
  {/if}
</li>
