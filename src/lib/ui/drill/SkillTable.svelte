<script lang="ts">
  import { median, type DrillRecord } from '../../core/drill/record';
  import type { Schedule } from '../../core/drill/schedule';
  import { SKILLS } from '../../core/drill/skills';
  import { countText, secondsText } from '../words/tally-texts';
  import { DRILL_TEXTS, skillWords } from '../words/drill-texts';

  /** How each skill goes: tries, misses, times, and when it comes again. */
  let { record }: { record: DrillRecord } = $props();

  const MINUTE_MS = 60_000;
  const HOUR_MS = 60 * MINUTE_MS;
  const DAY_MS = 24 * HOUR_MS;

  function dueText(schedule: Schedule | undefined): string {
    const { due } = DRILL_TEXTS;
    if (!schedule) return due.new;
    const left = Date.parse(schedule.due) - Date.now();
    if (left <= 0) return due.now;
    if (left < HOUR_MS) return due.minutes(Math.ceil(left / MINUTE_MS));
    if (left < DAY_MS) return due.hours(Math.round(left / HOUR_MS));
    return due.days(Math.round(left / DAY_MS));
  }
</script>

<section aria-label={DRILL_TEXTS.skills} class="min-w-0 overflow-x-auto border-t-2 border-ink pt-1.5">
  <h2 class="font-[650]">{DRILL_TEXTS.skills}</h2>
  <table class="w-full text-[13px]">
    <thead>
      <tr class="border-b border-line text-left">
        {#each DRILL_TEXTS.columns as column (column)}<th scope="col" class="pr-3 font-[650]">{column}</th
          >{/each}
      </tr>
    </thead>
    <tbody>
      {#each SKILLS as skill (skill)}
        {@const known = record.skills[skill]}
        {@const middle = median(known?.times ?? [])}
        <tr class="border-b border-line-soft">
          <th scope="row" class="pr-3 text-left font-normal">{skillWords(skill)}</th>
          <td class="pr-3 font-mono text-[12px]">{known ? countText(known.tries) : ''}</td>
          <td class="pr-3 font-mono text-[12px]">{known ? countText(known.missed) : ''}</td>
          <td class="pr-3 font-mono text-[12px]">{middle === null ? '' : secondsText(middle)}</td>
          <td class="pr-3">{dueText(record.schedules[skill])}</td>
        </tr>
      {/each}
    </tbody>
  </table>
</section>
