<script lang="ts">
  import { format } from 'date-fns';
  import { KEY_MAP, type HeldKey } from '../../core/keys/key-map';
  import { applicationOf, askingTitles, titleOf, windowOf } from '../../core/session/views';
  import { keyLabel } from '../../client/key-labels.svelte';
  import type { Desk } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import { putAwayText, TEXTS } from '../texts';

  let { desk, now }: { desk: Desk; now: Date } = $props();

  const RESTING: readonly [HeldKey, string][] = [
    ['older-application', 'older'],
    ['newer-application', 'newer'],
    ['next-window', 'next window'],
  ];
  const HELD: readonly [HeldKey, string][] = [
    ...RESTING,
    ['minimise', 'minimise'],
    ['hide-or-show', 'hide'],
    ['close', 'close'],
    ['quit', 'quit'],
    ['sweep', 'sweep'],
    ['glance', 'glance'],
  ];

  const SHIFTED: readonly [HeldKey, string][] = [
    ['minimise-all', 'minimise all'],
    ['solo', 'solo'],
    ['close-all', 'close all'],
    ['end-now', 'end now'],
    ['reopen', 'reopen'],
  ];

  const front = $derived(desk.session.front === null ? null : windowOf(desk.session, desk.session.front));
  const asking = $derived(askingTitles(desk.session).length);
  const workspace = $derived(desk.session.workspaces.find(({ id }) => id === desk.session.workspace)?.name);
  const keys = $derived(desk.held ? (desk.shifted ? SHIFTED : HELD) : RESTING);
</script>

<footer
  class="relative z-30 flex h-[30px] shrink-0 items-center gap-3.5 bg-bar px-3 text-[13px] whitespace-nowrap text-bar-ink"
>
  {#if desk.urgent}
    <span class="truncate bg-marigold px-2 text-on-marigold">{desk.announcement}</span>
  {:else if front}
    <b>{applicationOf(desk.session, front.application).name}</b>
    <span class="truncate">{titleOf(front)}</span>
  {:else}
    <span>{TEXTS.nothingInFront}</span>
  {/if}
  {#if desk.putAway}
    <span class="truncate text-bar-soft"
      ><Key dark label={keyLabel(KEY_MAP['put-back'].code)} /> puts back {putAwayText(desk.putAway)}</span
    >
  {/if}
  {#if desk.link.offline}
    <span class="bg-marigold px-2 text-on-marigold"
      >{TEXTS.offline}{desk.link.unsent > 0 ? ` (${TEXTS.unsent(desk.link.unsent)})` : ''}</span
    >
  {/if}
  {#if asking > 0}<span class="bg-marigold px-2 text-on-marigold">{TEXTS.askingCount(asking)}</span>{/if}
  <span class="ml-auto flex items-center gap-2.5">
    {#if !desk.held}hold <Key dark label={desk.session.settings.holdKey} /> then{/if}
    {#each keys as [key, text] (key)}
      <span><Key dark label={keyLabel(KEY_MAP[key].code)} /> {text}</span>
    {/each}
  </span>
  <button type="button" class="underline underline-offset-2" onclick={() => desk.openStaying()}
    >{TEXTS.switchButton}</button
  >
  <span class="text-bar-soft">{workspace}</span>
  <time class="font-mono text-xs">{format(now, 'EEE d MMM HH:mm')}</time>
</footer>
