<script lang="ts">
  import type { Round } from '../../core/drill/round';
  import { digitOfSkill } from '../../core/drill/skills';
  import type { Task } from '../../core/drill/task';
  import { find } from '../../core/model/table';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { titleOf, windowOf } from '../../core/slices/windows/selectors';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import { routeCaps } from '../tally/route-caps';
  import { DRILL_TEXTS } from '../words/drill-texts';

  /** What is to be done, over the practice desk; it takes no key and no focus. */
  let { round, seconds, stop }: { round: Round; seconds: number; stop: () => void } = $props();

  const desk = deskHere();
  const titleNow = (id: string) => {
    const window = find(desk.session.windows, id);
    return window ? titleOf(window) : '';
  };

  function textOf(task: Task): string {
    const { tasks } = DRILL_TEXTS;
    switch (task.kind) {
      case 'put-away':
        return tasks['put-away'](task.windows.map(titleNow));
      case 'end':
        return tasks.end(applicationOf(desk.session, task.application).name);
      case 'reach': {
        const title = titleNow(task.window);
        if (digitOfSkill(task.skill) === null) return tasks[task.skill as 'flip'](title);
        const { application } = windowOf(desk.session, task.window);
        return tasks.place(title, applicationOf(desk.session, application).name);
      }
    }
  }

  const text = $derived(round.task ? textOf(round.task) : '');
  const caps = $derived(round.task ? routeCaps(round.task, desk.session, desk.keys) : []);
  const last = $derived(round.tries.at(-1));
</script>

<aside
  aria-label={DRILL_TEXTS.title}
  class="z-30 flex min-h-[46px] shrink-0 items-stretch border-b border-ink bg-paper-high"
>
  <div
    class="grid w-[62px] shrink-0 place-items-center bg-marigold font-mono text-on-marigold"
    aria-hidden="true"
  >
    {DRILL_TEXTS.left(seconds)}
  </div>
  <p class="flex flex-1 flex-wrap items-center gap-x-3 px-4 text-[17px]/6 font-[650]" role="status">
    <span>{text}</span>
    {#if round.helped}
      <span class="flex items-center gap-1 text-[13px] font-normal">
        {DRILL_TEXTS.help}
        {#each caps as cap, nth (nth)}<Key label={cap} />{/each}
      </span>
    {/if}
  </p>
  <p class="flex items-center gap-x-3 px-4 text-[13px] text-ink-soft">
    {#if last}<span>{DRILL_TEXTS.outcomes[last.outcome]}</span>{/if}
    <span>{DRILL_TEXTS.done(round.tries.length)}</span>
    <button
      type="button"
      tabindex="-1"
      class="flex items-center gap-1.5"
      onmousedown={(event) => event.preventDefault()}
      onclick={stop}><Key label="Esc" /> {DRILL_TEXTS.stop}</button
    >
  </p>
</aside>
