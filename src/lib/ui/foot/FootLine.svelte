<script lang="ts">
  import { tick } from 'svelte';
  import { isWriting } from '../../client/is-writing';
  import { clockText } from '../words/times';
  import { LEGENDS } from '../../core/actions/views/legend';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { askingWindows } from '../../core/slices/recency/selectors';
  import { indexStanceOf } from '../../core/slices/settings/state';
  import { titleOf, windowOf } from '../../core/slices/windows/selectors';
  import { workspaceName } from '../../core/slices/workspaces/selectors';
  import { deskHere } from '../desk/desk.svelte';
  import Chord from '../parts/Chord.svelte';
  import Legend from '../parts/Legend.svelte';
  import AdviceLine from '../tally/AdviceLine.svelte';
  import ModeLegend from './ModeLegend.svelte';
  import { endedName, putAwayText } from '../words/sayings';
  import { TEXTS } from '../words/texts';

  const desk = deskHere();
  let { now }: { now: Date } = $props();

  const front = $derived(desk.session.front === null ? null : windowOf(desk.session, desk.session.front));
  const asking = $derived(askingWindows(desk.session).length);
  const workspace = $derived(workspaceName(desk.session, desk.session.workspace));
  const ended = $derived(desk.session.ended.at(-1));
  /** What was done last that can be taken back: put back if nothing ended since, else reopened. */
  const undoing = $derived.by(() => {
    const back = desk.putAway && { action: 'put-back', text: TEXTS.undoes(putAwayText(desk.putAway)) };
    const again = ended && { action: 'reopen', text: TEXTS.reopens(endedName(desk.session, ended)) };
    return desk.undoes === 'reopen' ? (again ?? back) : back;
  });
  /** The layer of Shift, also at rest; but not for each capital letter that someone writes. */
  const shift = $derived(desk.shifted && (desk.explained || !isWriting(document.activeElement)));
  const explained = $derived.by(() => {
    if (desk.shown) return LEGENDS.beneath;
    return desk.explained || shift ? LEGENDS.closed : LEGENDS.resting;
  });

  let foot: HTMLElement;
  $effect(() => {
    if (desk.sectionAsked?.section === 'foot') void takeKeys();
  });

  /** After the front window has had them, where the keys come from the index. */
  async function takeKeys() {
    await tick();
    await tick();
    // What stands in the legend comes and goes: the buttons that Tab reaches stay.
    foot.querySelector<HTMLElement>('button:not([tabindex="-1"])')?.focus();
  }
</script>

<footer
  bind:this={foot}
  class="relative z-30 flex h-[30px] shrink-0 items-center gap-3.5 border-t border-transparent bg-bar px-3 text-[13px] whitespace-nowrap text-bar-ink"
>
  {#if desk.explained && !desk.placing}
    <!-- Over the surface, so that nothing moves. -->
    <span
      class="absolute right-0 bottom-full flex h-[30px] max-w-full flex-wrap items-center justify-end gap-x-2.5 overflow-hidden border-b border-bar-key bg-bar px-3"
    >
      <span class="h-[30px] w-0"></span>
      <Legend groups={LEGENDS.otherHand} {shift} />
    </span>
  {/if}
  {#if desk.urgent}
    <span class="truncate bg-marigold px-2 text-on-marigold">{desk.announcement}</span>
  {:else if front}
    <b class="shrink-0">{applicationOf(desk.session, front.application).name}</b>
    <span class="max-w-60 shrink-0 truncate">{titleOf(front)}</span>
  {:else}
    <span>{TEXTS.nothingInFront}</span>
  {/if}
  {#if desk.coach.advice && !desk.shown}<AdviceLine advice={desk.coach.advice} />{/if}
  {#if undoing}
    <button
      type="button"
      tabindex="-1"
      class="flex h-6 min-w-0 flex-wrap items-center gap-x-1.5 overflow-hidden text-bar-soft"
      onmousedown={(event) => event.preventDefault()}
      onclick={() => desk.invoke(undoing.action)}
    >
      <!-- What does not fit goes to a second line, which is not seen: no key is cut in two. -->
      <span class="h-6 w-0"></span>
      <span class="shrink-0"><Chord dark action={undoing.action} /></span>
      <span class="min-w-24 flex-[1_1_6rem] truncate text-left">{undoing.text}</span>
    </button>
  {/if}
  {#if desk.link.offline}
    <span class="bg-marigold px-2 text-on-marigold"
      >{TEXTS.offline}{desk.link.unsent > 0 ? ` (${TEXTS.unsent(desk.link.unsent)})` : ''}</span
    >
  {:else if desk.link.late}
    <span class="shrink-0 bg-marigold px-2 text-on-marigold">{TEXTS.notStoredYet(desk.link.unsent)}</span>
  {:else if desk.link.unconfirmed > 0}
    <span class="shrink-0 text-bar-soft">{TEXTS.unconfirmed(desk.link.unconfirmed)}</span>
  {/if}
  {#if asking > 0}
    <button
      type="button"
      tabindex="-1"
      class="flex shrink-0 items-center gap-1.5 bg-marigold px-2 text-on-marigold"
      onmousedown={(event) => event.preventDefault()}
      onclick={() => desk.invoke('next-question')}
      ><Chord action="next-question" />
      {TEXTS.askingCount(asking)}</button
    >
  {/if}
  {#if desk.link.aside.length > 0}
    <button
      type="button"
      class="shrink-0 bg-marigold px-2 text-on-marigold underline underline-offset-2"
      onclick={() => (desk.dialog = 'settings')}>{TEXTS.asideCount(desk.link.aside.length)}</button
    >
  {/if}
  <!-- What does not fit goes to a second line, which is not seen: no key is cut in two. -->
  <span
    class="ml-auto flex h-6 min-w-0 shrink-[99] flex-wrap items-center justify-end gap-x-2.5 overflow-hidden"
  >
    <!-- So that what is wider than all the room goes to the second line too. -->
    <span class="h-6 w-0"></span>
    {#if desk.placing}
      <ModeLegend mode="placing" />
    {:else if desk.survey && !desk.explained}
      <ModeLegend mode="survey" />
    {:else if desk.walk && !desk.explained}
      <ModeLegend mode="index" />
    {:else}
      <Legend groups={explained} {shift} whole={!desk.explained && !desk.shown} />
    {/if}
  </span>
  {#if indexStanceOf(desk.session.settings) === 'away'}
    <button
      type="button"
      tabindex="-1"
      class="underline underline-offset-2"
      onmousedown={(event) => event.preventDefault()}
      onclick={() => desk.invoke('index')}>{TEXTS.index}</button
    >
  {/if}
  <button type="button" class="underline underline-offset-2" onclick={() => desk.openStaying()}
    >{TEXTS.openSwitcher}</button
  >
  <button
    type="button"
    tabindex="-1"
    class="max-w-48 shrink-0 truncate text-bar-soft"
    onmousedown={(event) => event.preventDefault()}
    onclick={() => desk.invoke('workspaces')}>{TEXTS.workspace(workspace)}</button
  >
  <time class="shrink-0 font-mono text-xs max-sm:hidden">{clockText(now)}</time>
</footer>
