<script lang="ts">
  import { DropdownMenu } from 'bits-ui';
  import type { Invocation } from '../../core/actions/action';
  import type { Target } from '../../core/actions/target';
  import { deskHere } from '../desk/desk.svelte';
  import Chord from '../parts/Chord.svelte';
  import { boundName } from '../parts/key-names';
  import { noticeText } from '../words/sayings';
  import { MENU_ITEM } from './looks';

  interface Props {
    invocation: Invocation;
    /** What it is done to; null for what the keys act on. */
    target: Target | null;
    label: string;
  }

  /** An action in a menu, with its key, or with why it cannot be done now. */
  let { invocation, target, label }: Props = $props();
  const desk = deskHere();

  const not = $derived.by(() => {
    const offer = desk.registry.offer(desk.session, invocation, target);
    return 'not' in offer ? noticeText(offer.not, desk) : '';
  });

  /** The menu closes before anything is done, so that the focus goes where that leads. */
  function act() {
    desk.dialog = null;
    desk.invoke(invocation, target ?? undefined);
  }
</script>

<DropdownMenu.Item class={MENU_ITEM} disabled={not !== ''} onSelect={act}>
  <span class="shrink-0 whitespace-nowrap">{label}</span>
  {#if not}<span class="text-xs">{not}</span>{/if}
  <span class="ml-auto pl-4"
    ><Chord action={invocation.action} /><kbd class="font-mono text-[11px] whitespace-nowrap"
      >{boundName(desk.keys, invocation)}</kbd
    ></span
  >
</DropdownMenu.Item>
