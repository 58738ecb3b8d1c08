<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { onMount, tick } from 'svelte';
  import { applicationTarget } from '../../core/actions/target';
  import type { ApplicationId } from '../../core/model/ids';
  import { rollCall } from '../../core/roll-call/roll-call';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { standingText } from '../../core/switcher/standing-text';
  import { askForProcesses } from '../../client/ask-for-processes';
  import type { ProgramUse } from '../../core/display/processes';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import Monogram from '../parts/Monogram.svelte';
  import { ROLL_CALL_TEXTS } from '../words/roll-call-texts';

  /** What runs and whether it answers: what hangs is on top and has the keys, one of which ends it. */
  const desk = deskHere();
  const TICK_MS = 1_000;
  const MEASURE_MS = 2_000;

  let list = $state<HTMLElement | null>(null);
  let now = $state(new Date());
  const present = $derived(rollCall(desk.session));
  const silent = $derived(present.filter(({ answering }) => !answering).length);
  const live = $derived(desk.session.host.kind === 'live');
  /** What programs use, where the host knows. */
  let uses = $state.raw<ReadonlyMap<ApplicationId, ProgramUse>>(new Map());

  async function measure() {
    uses = new Map((await askForProcesses(desk.link.id)).map((use) => [use.application, use]));
  }

  onMount(() => {
    void focusRow(0);
    const clock = setInterval(() => (now = new Date()), TICK_MS);
    if (live) void measure();
    const measuring = live ? setInterval(() => void measure(), MEASURE_MS) : undefined;
    return () => {
      clearInterval(clock);
      clearInterval(measuring);
    };
  });

  async function focusRow(index: number) {
    await tick();
    const rows = list?.querySelectorAll<HTMLElement>('[data-application]') ?? [];
    rows[Math.min(Math.max(index, 0), rows.length - 1)]?.focus();
  }

  function go(id: ApplicationId) {
    desk.dialog = null;
    desk.wish({ type: 'switch-to-application', application: id });
  }

  async function end(id: ApplicationId, again: boolean) {
    const at = present.findIndex(({ application }) => application === id);
    desk.invoke('end-now', applicationTarget(desk.session, id));
    if (again && !applicationOf(desk.session, id).running) desk.invoke('reopen');
    // What has taken its place has the keys now.
    await focusRow(at);
  }

  function onkeydown(event: KeyboardEvent) {
    const id = event.target instanceof HTMLElement ? event.target.dataset.application : undefined;
    const at = present.findIndex(({ application }) => application === id);
    // Control with R is the browser's own, and must end nothing.
    if (id === undefined || at === -1 || event.ctrlKey || event.metaKey || event.altKey) return;
    const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: present.length - 1 }[event.key];
    if (to !== undefined) void focusRow((to + present.length) % present.length);
    else if (event.key === 'Delete') void end(id, false);
    else if (event.code === 'KeyR' && !live) void end(id, true);
    else return;
    event.preventDefault();
  }
</script>

<Dialog.Root
  bind:open={() => desk.dialog === 'roll-call', (open) => (desk.dialog = open ? 'roll-call' : null)}
>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-(--veil)" />
    <Dialog.Content
      onOpenAutoFocus={(event) => event.preventDefault()}
      class="fixed top-12 left-1/2 z-50 flex max-h-[calc(100%-72px)] w-[760px] max-w-full -translate-x-1/2 flex-col gap-2 overflow-y-auto border-l-[30px] border-bar bg-paper-high p-5 outline-none"
    >
      <div class="flex flex-wrap items-baseline gap-x-3">
        <Dialog.Title class="text-lg font-[650]">{ROLL_CALL_TEXTS.title}</Dialog.Title>
        <Dialog.Description class="text-ink-soft"
          >{present.length === 0
            ? ROLL_CALL_TEXTS.nobody
            : ROLL_CALL_TEXTS.summary(present.length, silent)}</Dialog.Description
        >
      </div>
      <!-- Its rows have the focus, and they are buttons. -->
      <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
      <ul bind:this={list} role="list" {onkeydown} class="flex flex-col">
        {#each present as one (one.application)}
          {@const application = applicationOf(desk.session, one.application)}
          {@const use = uses.get(one.application)}
          <li class="border-b border-line-soft">
            <button
              type="button"
              data-application={one.application}
              class={[
                'grid min-h-10 w-full grid-cols-[30px_130px_1fr_auto] items-center gap-x-3 border-l-4 px-2 text-left outline-none focus-visible:bg-marigold focus-visible:text-on-marigold max-sm:grid-cols-[30px_1fr]',
                one.answering ? 'border-transparent' : 'border-ink',
              ]}
              onclick={() => go(one.application)}
            >
              <Monogram {application} />
              <b class="truncate font-[650]" dir="auto">{application.name}</b>
              <span class="min-w-0 text-[13px]/4 max-sm:col-start-2">
                {#if !one.answering}<b class="font-[650]"
                    >{one.silentSince === null
                      ? ROLL_CALL_TEXTS.silent
                      : ROLL_CALL_TEXTS.silentFor(one.silentSince, now)}</b
                  >{:else}{ROLL_CALL_TEXTS.answers}{/if}{#each one.standing.filter(({ type }) => type !== 'not-answering' && type !== 'minimised' && type !== 'no-windows') as standing (standing.type)}{`, ${standingText(standing)}`}{/each}{#if use}<br
                  />{ROLL_CALL_TEXTS.use(use, now)}{/if}
              </span>
              <span class="text-right text-[13px]/4 max-sm:col-start-2 max-sm:text-left">
                {ROLL_CALL_TEXTS.windows(one.windows, one.minimised)}<br />
                {one.usedAt === null ? ROLL_CALL_TEXTS.neverUsed : ROLL_CALL_TEXTS.usedAgo(one.usedAt, now)}
              </span>
            </button>
          </li>
        {/each}
      </ul>
      <p class="flex flex-wrap gap-x-4 gap-y-1 text-[13px] text-ink-soft">
        <span><Key label="Enter" /> {ROLL_CALL_TEXTS.keys.go}</span>
        <span><Key label="Del" /> {live ? ROLL_CALL_TEXTS.keys.endLive : ROLL_CALL_TEXTS.keys.end}</span>
        {#if !live}<span><Key label="R" /> {ROLL_CALL_TEXTS.keys.restart}</span>{/if}
        <span><Key label="Esc" /> {ROLL_CALL_TEXTS.keys.close}</span>
      </p>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
