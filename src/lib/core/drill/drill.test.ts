/** Rounds at the practice desk, each task done by the very keys that it names. */
import { describe, expect, it } from 'vitest';
import { Person } from '../../../../testing/person';
import { Random } from '../../../../testing/random';
import { sessionOf } from '../../../../testing/sessions';
import { ellavane } from '../../demo/ellavane';
import { fromDocument } from '../formats/session-document';
import { isSeen, problemsOf, type Session } from '../session/session';
import { deskFor, practiceDesk } from './practice-desk';
import { curveLaw, median, MOST_ROUNDS, NO_RECORD, withRound } from './record';
import {
  afterChange,
  beginRound,
  HELP_AFTER_MS,
  isOver,
  later,
  ROUND_MS,
  taskSeconds,
  type Round,
} from './round';
import { digitOfSkill, skillFor, SKILLS, type Skill } from './skills';
import { isDone, isMissed, pressesOf, skillsOn, taskFor, waysOf, type Choose, type Task } from './task';

const AT = '2026-11-24T06:30:00.000Z';
const DESK = fromDocument(ellavane(new Date(AT)));
const practice = (holding = true) => practiceDesk(DESK, DESK, holding);
const first: Choose = ([one]) => one;
const byLot = (seed: number): Choose => {
  const random = new Random(seed);
  return (from) => from[random.below(from.length)];
};

/** Does a task by the keys that it names. */
function doIt(person: Person, { strokes }: Task): void {
  for (const stroke of strokes) {
    if ('letters' in stroke) person.letGo().type(stroke.letters);
    else if ('enter' in stroke) person.letGo().tap('Enter');
    else if (stroke.does.action === 'place') person.hold().tap(`Digit${stroke.does.argument}`);
    else person.press(stroke.does.action);
  }
  person.letGo();
}

const laid = (task: Task | null, used: Session, base: Session) => new Person(deskFor(base, used, task));

describe('every task', () => {
  it.each([true, false])(
    'is done by the keys that it names, nothing missed on the way (held: %s)',
    (holding) => {
      const base = practice(holding);
      let used = base;
      const choose = byLot(7);
      for (let turn = 0; turn < 12; turn += 1)
        for (const skill of SKILLS) {
          const task = taskFor(skill, deskFor(base, used, null), choose);
          if (!task) continue;
          const person = laid(task, used, base);
          expect(isDone(task, person.session)).toBe(false);
          doIt(person, task);
          expect([skill, task, isDone(task, person.session)]).toEqual([skill, task, true]);
          const ways = waysOf(skill);
          if (ways) expect(ways).toContain(person.facts.at(-1)?.way);
          used = person.session;
        }
    },
  );

  it('there is of each skill at the practice desk, but for the place of what is in front', () => {
    const missing = SKILLS.filter((skill) => !skillsOn(practice()).includes(skill));
    expect(missing).toEqual(['place-1']);
    expect(skillsOn(sessionOf('a: a1'))).toEqual([]);
  });
});

it('each way that somebody should use more has its drill, where there is one', () => {
  for (const skill of SKILLS)
    for (const way of waysOf(skill) ?? []) {
      const found = skillFor(way, digitOfSkill(skill));
      expect([way, found !== null && waysOf(found)?.includes(way)]).toEqual([way, true]);
    }
  expect([skillFor('place', null), skillFor('survey', '1')]).toEqual([null, null]);
});

describe('the practice desk', () => {
  const own = {
    ...DESK,
    settings: { ...DESK.settings, block: 'right', holdKey: 'Meta', tally: false, switcherShows: 'here' },
  } as const;

  it('has the keys of who practises, and nothing else of their desk', () => {
    const desk = practiceDesk(DESK, own, false);
    expect(desk.settings).toMatchObject({
      block: 'right',
      holdKey: 'Meta',
      holding: false,
      switcherShows: 'everything',
    });
    expect(desk.settings.tally).toBeUndefined();
    expect(problemsOf(desk)).toEqual([]);
    expect(desk.applications.every(({ answering, hidden }) => answering && !hidden)).toBe(true);
  });

  it('is as it was for the next task, in the order in which it was used; what has to hang hangs', () => {
    const base = practice();
    const person = new Person(base).flip().act('sweep').letGo();
    const after = deskFor(base, person.session, null);
    expect(after.recent.windows.map(({ id }) => id)).toEqual(
      person.session.recent.windows.map(({ id }) => id),
    );
    expect(after.windows.every(({ minimised }) => !minimised)).toBe(true);
    expect(after.front).toBe(person.session.recent.windows[0]?.id);
    const task = taskFor('end-hung', after, first);
    const hung = deskFor(base, person.session, task).applications.filter(({ answering }) => !answering);
    expect(hung.map(({ id }) => id)).toEqual([task?.kind === 'end' ? task.application : '']);
    expect(problemsOf(after)).toEqual([]);
  });
});

describe('what is done wrong', () => {
  const base = practice();

  it('is another window, another one put away, another application ended', () => {
    const reach = taskFor('flip', base, first) as Task;
    const elsewhere = new Person(base).step('older-application', 'older-application').release().session;
    expect(isMissed(reach, base, elsewhere)).toBe(true);
    expect(isMissed(reach, base, { ...base, front: null })).toBe(true);
    expect(isMissed(reach, base, base)).toBe(false);
    const away = taskFor('put-away', base, first) as Task;
    const right = new Person(base).act('minimise').letGo().session;
    expect(isMissed(away, base, right)).toBe(false);
    const wrong = new Person(elsewhere).act('minimise').letGo().session;
    const other = base.windows.find(
      ({ id }) => isSeen(base, id) && away.kind === 'put-away' && !away.windows.includes(id),
    );
    expect(
      isMissed(away, base, new Person(base).wish({ type: 'minimise', window: other?.id ?? '' }).session),
    ).toBe(true);
    expect(wrong).toBeDefined();
    const end = taskFor('end-hung', base, first) as Task;
    const ended = new Person(base).wish({ type: 'end-now', application: 'tides' }).session;
    expect(isMissed(end, base, ended)).toBe(true);
  });
});

describe('a round', () => {
  const base = practice();
  const begun = (schedules: Round['schedules'] = {}, skill: Skill | null = null) =>
    beginRound(base, schedules, 0, first, skill);
  /** Does its task, in so many ms after it was shown. */
  const done = (round: Round, ms: number, more: Partial<Parameters<typeof afterChange>[1]> = {}) => {
    const { task } = round;
    if (!task) throw new Error('There is no task.');
    const person = laid(task, base, base);
    const before = person.session;
    doIt(person, task);
    const change = { before, after: person.session, facts: person.facts.at(-1) ?? null, next: base, ...more };
    return afterChange(round, change, round.shownSince + ms, first);
  };

  it('begins with the first of what is new, or with what somebody wants to practise', () => {
    expect(begun().task).toMatchObject({ skill: 'flip', kind: 'reach' });
    expect(begun({}, 'search').task?.skill).toBe('search');
    // What cannot be practised just now is no reason to practise nothing.
    expect(begun({}, 'place-1').task?.skill).toBe('flip');
  });

  it('tells quick from good from slow by the model, a look at the task and one key', () => {
    const model = 1000 * (1.35 + 0.2 + 0.2);
    expect(taskSeconds(begun().task as Task) * 1000).toBeCloseTo(model, 6);
    const outcome = (ms: number) => done(begun(), ms).tries[0]?.outcome;
    expect([model - 1, model + 1, 2 * model - 1, 2 * model + 1].map(outcome)).toEqual([
      'quick',
      'good',
      'good',
      'slow',
    ]);
  });

  it('goes on with another skill, and with what was missed once that is due', () => {
    const round = done(begun(), 1_000);
    expect(round).toMatchObject({ shownSince: 1_000, missed: false, tries: [{ skill: 'flip', seconds: 1 }] });
    expect(round.task?.skill).toBe('steps');
    expect(round.schedules.flip).toBeDefined();
  });

  it('counts as missed what was reached by other keys, with help, or after something else was done', () => {
    const outcome = (round: Round) => round.tries[0]?.outcome;
    expect(outcome(done(begun(), 500, { facts: { way: 'pointer' } }))).toBe('missed');
    expect(outcome(done(begun(), 500, { facts: null }))).toBe('missed');
    const helped = later(begun(), HELP_AFTER_MS);
    expect([later(begun(), HELP_AFTER_MS - 1).helped, helped.helped]).toEqual([false, true]);
    expect(outcome(done(helped, 500))).toBe('missed');
    const elsewhere = new Person(base).step('older-application', 'older-application').release().session;
    const missed = afterChange(
      begun(),
      { before: base, after: elsewhere, facts: null, next: base },
      500,
      first,
    );
    expect(missed).toMatchObject({ missed: true, tries: [] });
    expect(outcome(done(missed, 500))).toBe('missed');
  });

  it('is over after a minute', () => {
    expect([isOver(begun(), ROUND_MS - 1), isOver(begun(), ROUND_MS)]).toEqual([false, true]);
  });

  it('without keys held has one key more, that accepts', () => {
    const staying = taskFor('flip', practice(false), first) as Task;
    expect(pressesOf(staying)).toBe(pressesOf(begun().task as Task) + 1);
  });

  describe('that is over', () => {
    const tries = (...list: readonly (readonly [Skill, 'missed' | 'good', number])[]) => ({
      ...begun(),
      tries: list.map(([skill, outcome, seconds]) => ({ skill, outcome, seconds })),
    });

    it('is kept: how many, how many missed, the time in the middle, and how each skill went', () => {
      const round = tries(['flip', 'good', 2], ['flip', 'missed', 9], ['search', 'good', 4]);
      const record = withRound(NO_RECORD, round, false);
      expect(record.rounds).toEqual([{ at: 0, holding: false, tasks: 3, missed: 1, median: 3 }]);
      expect(record.skills).toEqual({
        flip: { tries: 2, missed: 1, times: [2] },
        search: { tries: 1, missed: 0, times: [4] },
      });
      expect(withRound(record, round, true).skills.flip).toEqual({ tries: 4, missed: 2, times: [2, 2] });
      expect(withRound(record, begun(), true)).toBe(record);
    });

    it('leaves what another page has practised meanwhile', () => {
      const [flip, search] = [
        done(begun(), 900).schedules.flip,
        done(begun({}, 'search'), 900).schedules.search,
      ];
      const round = { ...tries(['search', 'good', 4]), schedules: { search } };
      const record = withRound(
        { ...NO_RECORD, schedules: { flip } },
        { ...round, schedules: { ...round.schedules, flip: search } },
        true,
      );
      expect(record.schedules).toEqual({ flip, search });
    });

    it('is one of so many at most, on a curve', () => {
      let record = NO_RECORD;
      for (let n = 1; n <= MOST_ROUNDS + 3; n += 1)
        record = withRound({ ...record }, tries(['flip', 'good', 4 * n ** -0.3]), true);
      expect(record.rounds).toHaveLength(MOST_ROUNDS);
      const ten = {
        ...NO_RECORD,
        rounds: Array.from({ length: 12 }, (_, n) => ({
          at: n,
          holding: true,
          tasks: 1,
          missed: 0,
          median: 4 * (n + 1) ** -0.3,
        })),
      };
      expect(curveLaw(ten)?.exponent).toBeCloseTo(0.3, 6);
      expect(curveLaw(NO_RECORD)).toBeNull();
      expect([median([]), median([3, 1, 2]), median([4, 1, 2, 3])]).toEqual([null, 2, 2.5]);
    });
  });
});
