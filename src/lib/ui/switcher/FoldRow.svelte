<script lang="ts">
  import { standingText } from '../../core/switcher/standing-text';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { titleOf, windowOf } from '../../core/slices/windows/selectors';
  import { digitOf } from '../../core/slices/places/selectors';
  import { standingOfApplication } from '../../core/switcher/standing';
  import type { FoldRow } from '../../core/switcher/switcher';
  import { deskHere } from '../desk/desk.svelte';
  import Monogram from '../parts/Monogram.svelte';
  import PlaceDigit from './PlaceDigit.svelte';
  import { spoken } from '../words/spoken';
  import { TEXTS } from '../words/texts';

  const desk = deskHere();
  let {
    row,
    index,
    room,
  }: {
    row: FoldRow;
    index: number;
    /** In px, what it leaves free for the unfolded row that lies over it; null if it is seen itself. */
    room: number | null;
  } = $props();

  /** More titles than these do not fit a line. */
  const MOST_TITLES = 8;

  const application = $derived(applicationOf(desk.session, row.application));
  const digit = $derived(digitOf(desk.session, row.application));
  const standing = $derived(standingOfApplication(desk.session, row.application, row.leaves));
  const windows = $derived(row.leaves.slice(0, MOST_TITLES).map((leaf) => windowOf(desk.session, leaf)));
  const chips = $derived([
    ...(desk.isShut(row.application) ? [TEXTS.opensNot] : []),
    ...standing.map(standingText),
  ]);
  const heard = $derived(
    spoken(
      application.name,
      ...windows.map((window) => titleOf(window) + (window.minimised ? ` (${TEXTS.minimised})` : '')),
      ...chips,
    ),
  );
</script>

<div
  id="row-{row.application}"
  role="row"
  tabindex="-1"
  data-application={room === null ? row.application : undefined}
  style:height={room === null ? undefined : `${room}px`}
  aria-label={application.name}
  aria-rowindex={index + 1}
  class={[
    'border-b border-line contain-layout contain-style',
    application.hidden ? 'hatched' : index % 2 ? 'fold-down' : 'fold-up',
    room !== null && 'invisible',
    desk.isShut(row.application) && 'shut',
  ]}
>
  <div
    role="rowheader"
    aria-label={heard}
    class="grid h-[37px] grid-cols-[40px_34px_minmax(132px,20%)_1fr_auto] max-sm:grid-cols-[40px_34px_6rem_minmax(0,1fr)_auto] items-center pr-3.5"
  >
    <PlaceDigit {digit} />
    <Monogram {application} />
    <b class="truncate pr-2 font-[650]">{application.name}</b>
    <span class="truncate text-ink-soft">
      {#each windows as window, position (window.id)}
        {#if position > 0}<span class="px-1.5 opacity-60" aria-hidden="true">⟩</span>{/if}<bdi
          class={window.minimised ? 'underline decoration-line decoration-double underline-offset-2' : ''}
          >{titleOf(window)}</bdi
        >
      {/each}
    </span>
    <span class="flex gap-1.5 pl-2">
      {#each chips as chip (chip)}<span class="chip bg-paper-high not-first:max-sm:hidden">{chip}</span
        >{/each}
    </span>
  </div>
</div>
