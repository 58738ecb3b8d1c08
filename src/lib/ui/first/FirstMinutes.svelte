<script lang="ts">
  import { untrack } from 'svelte';
  import { isDone, LESSON_KEYS, LESSONS, type Moment } from '../../core/lessons/lessons';
  import { deskHere } from '../desk/desk.svelte';
  import Chord from '../parts/Chord.svelte';
  import { LESSON_TEXTS } from '../words/texts';

  /** What to try next, above the foot line; it takes no key and no focus. */
  const desk = deskHere();

  let before: Moment = untrack(() => ({ state: desk.state, session: desk.session }));
  const lesson = $derived(LESSONS[desk.lessons.at]);

  const number = $derived(Math.min(desk.lessons.at + 1, LESSONS.length));

  $effect(() => {
    const after: Moment = { state: desk.state, session: desk.session };
    const done = lesson !== undefined && isDone(lesson, before, after);
    before = after;
    if (done) untrack(() => desk.lessons.goOn());
  });
</script>

<aside
  class="absolute bottom-[38px] left-3 z-30 flex max-w-[calc(100%-24px)] items-stretch bg-paper-high shadow-front"
  aria-label={LESSON_TEXTS.title}
>
  <div
    class="w-[30px] shrink-0 bg-marigold text-center font-mono text-xs/[30px] text-on-marigold"
    aria-hidden="true"
  >
    {number}
  </div>
  <div class="flex flex-col gap-1 border border-l-0 border-line px-3 py-1.5">
    <p class="flex flex-wrap items-center gap-x-2" role="status">
      {#if lesson}
        <Chord {...LESSON_KEYS[lesson]} />
        <span>{LESSON_TEXTS.lessons[lesson]}</span>
      {:else}
        <span>{LESSON_TEXTS.over}</span>
      {/if}
    </p>
    <p class="flex flex-wrap items-center gap-x-2 text-[13px] text-ink-soft">
      {LESSON_TEXTS.title}: {LESSON_TEXTS.step(number, LESSONS.length)}
      <button
        type="button"
        tabindex="-1"
        class="underline underline-offset-2"
        onmousedown={(event) => event.preventDefault()}
        onclick={() => desk.invoke('first-minutes')}>{LESSON_TEXTS.leave}</button
      >
      <Chord action="first-minutes" />
    </p>
  </div>
</aside>
