<script lang="ts">
  import { untrack } from 'svelte';
  import { AWAY, dueAt, REST_MS, restAfter } from '../../core/rim/rest';
  import { rimPartAt } from '../../core/rim/rim';
  import { rimOf, type RimPart } from '../../core/slices/settings/state';
  import { deskHere } from '../desk/desk.svelte';

  /** What a resting pointer is about to do at the rim of the surface, told there; nothing that was not chosen. */
  const desk = deskHere();
  const rim = $derived(rimOf(desk.session.settings));
  const chosen = $derived(Object.keys(rim).length > 0);

  let rest = $state.raw(AWAY);
  let frame: HTMLElement;
  let timer: ReturnType<typeof setTimeout> | undefined;

  const covered = () => desk.dialog !== null || desk.shown;

  /** The action of a part; one that is not known here is none. */
  function actionAt(part: RimPart | null): string | null {
    const action = part && rim[part];
    return action && desk.registry.has(action) ? action : null;
  }

  function seen({ clientX, clientY, buttons, pointerType }: PointerEvent) {
    // A finger rests nowhere without pressing.
    if (pointerType === 'touch') return;
    const { left, top } = frame.getBoundingClientRect();
    const part = covered() ? null : rimPartAt(desk.surface, clientX - left, clientY - top);
    const before = rest;
    rest = restAfter(rest, actionAt(part) === null ? null : part, buttons !== 0, performance.now());
    if (rest === before) return;
    clearTimeout(timer);
    if (rest.part && !rest.over) timer = setTimeout(done, REST_MS);
  }

  function done() {
    // A timer may run a moment early; whatever ends the rest ends it too.
    const due = dueAt(rest, Math.max(performance.now(), rest.since + REST_MS));
    if (!due) return;
    rest = due.rest;
    const action = actionAt(due.part);
    if (action && !covered()) desk.invoke(action);
  }

  function left() {
    clearTimeout(timer);
    rest = AWAY;
  }

  $effect(() => {
    if (!chosen) return;
    const events = ['pointermove', 'pointerdown', 'pointerup'] as const;
    for (const name of events) addEventListener(name, seen, { capture: true, passive: true });
    document.documentElement.addEventListener('pointerleave', left);
    return () => {
      for (const name of events) removeEventListener(name, seen, { capture: true });
      document.documentElement.removeEventListener('pointerleave', left);
      untrack(left);
    };
  });

  const told = $derived(rest.over ? null : actionAt(rest.part));
  const SIDES: Readonly<Record<RimPart, string>> = {
    topLeft: 'top-0 left-0',
    top: 'top-0 left-1/2 -translate-x-1/2',
    topRight: 'top-0 right-0',
    left: 'top-1/2 left-0 -translate-y-1/2',
    right: 'top-1/2 right-0 -translate-y-1/2',
    bottomLeft: 'bottom-0 left-0',
    bottom: 'bottom-0 left-1/2 -translate-x-1/2',
    bottomRight: 'right-0 bottom-0',
  };
</script>

<div
  bind:this={frame}
  class="pointer-events-none absolute top-0 left-0 z-20"
  style:width="{desk.surface.width}px"
  style:height="{desk.surface.height}px"
  aria-hidden="true"
>
  {#if told && rest.part}
    <p
      data-rim={rest.part}
      class="resting absolute border-2 border-ink bg-paper-high px-2 py-0.5 text-[13px] font-[650] {SIDES[
        rest.part
      ]}"
      style:--rest="{REST_MS}ms"
    >
      {desk.registry.words({ action: told, argument: null }, desk.session).title}
    </p>
  {/if}
</div>

<style>
  /* It fills while the pointer rests. */
  .resting {
    background-image: linear-gradient(var(--marigold), var(--marigold));
    background-repeat: no-repeat;
    background-position: left bottom;
    background-size: 100% 5px;
    padding-bottom: 7px;
  }
  @media (prefers-reduced-motion: no-preference) {
    .resting {
      animation: fills var(--rest) linear;
    }
  }
  @keyframes fills {
    from {
      background-size: 0 5px;
    }
  }
</style>
