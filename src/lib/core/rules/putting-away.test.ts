/** Switching rules 11, 12 and 16 to 18; common practice unless marked own. */
import { find, idsIn } from '../model/table';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { wishFrom, wishSeeds } from '../../../../testing/wishes';
import { sessionOf, withApplication } from '../../../../testing/sessions';
import { Person, personAt } from '../../../../testing/person';
import { runs } from '../../../../testing/runs';
import type { Session } from '../session/session';
import { commitEffect, type Switcher } from '../switcher/switcher';

/** What a person sees: geometry, states, stacking and front. Orders of recent use are not part of it. */
const seen = ({ windows, applications, stacking, front }: Session) => ({
  windows: byId(windows),
  applications,
  stacking,
  front,
});

/** The order of a table means nothing. */
const byId = (windows: Session['windows']) => windows.toSorted((a, b) => (a.id < b.id ? -1 : 1));

describe('rule 11: minimise, hide, close and quit act at once and the switcher stays open', () => {
  it('several in a row', () => {
    const person = personAt('a: a1 a2 | b: b1 | c: c1 | d: d1').step('older-application');
    person.act('quit').act('hide-or-show').step('older-application').act('minimise');
    expect(person.rows).toBe('a c d');
    expect(find(person.session.applications, 'c')?.hidden).toBe(true);
    expect(find(person.session.windows, 'd1')?.minimised).toBe(true);
    expect(person.row).toBe('d');
    expect(person.session.front).toBe('a1');
  });

  it('hide is a toggle and keeps each window’s minimised state', () => {
    const person = personAt('a: a1 a2- | b: b1').step('newer-application', 'older-application');
    expect(person.row).toBe('a');
    person.act('hide-or-show');
    expect(person.session.front).toBe('b1');
    person.act('hide-or-show');
    expect(find(person.session.applications, 'a')?.hidden).toBe(false);
    expect(find(person.session.windows, 'a2')?.minimised).toBe(true);
    expect(person.session.front).toBe('a1');
  });

  it('closing something unsaved asks in that window, and the switcher does not wait', () => {
    const person = personAt('a: a1 | b: b1* | c: c1').step('older-application').act('close');
    expect(find(person.session.windows, 'b1')?.asking).toEqual({ goal: 'close', dropping: false });
    expect(find(person.step('older-application').act('close').session.windows, 'c1')).toBeUndefined();
  });

  it('quitting asks in each unsaved window; cancel in any cancels that quit', () => {
    const person = personAt('a: a1 | b: b1* b2* b3').step('older-application').act('quit').escape();
    expect(find(person.session.applications, 'b')?.quitting).toBe(true);
    person.wish({ type: 'answer-closing', window: 'b1', answer: 'drop' });
    expect(find(person.session.drafts, 'd-b1')).toBeDefined();
    person.wish({ type: 'answer-closing', window: 'b2', answer: 'keep-open' });
    expect(find(person.session.applications, 'b')).toMatchObject({ running: true, quitting: false });
    expect(find(person.session.windows, 'b1')?.asking).toBeNull();
    expect(find(person.session.drafts, 'd-b1')?.text).toBe('b1, edited');
  });

  it('the quit goes through once every window has answered; what was saved is saved, what was dropped is gone', () => {
    const person = personAt('a: a1 | b: b1* b2* b3').step('older-application').act('quit').escape();
    person.wish({ type: 'answer-closing', window: 'b1', answer: 'save' });
    person.wish({ type: 'answer-closing', window: 'b2', answer: 'drop' });
    expect(find(person.session.applications, 'b')?.running).toBe(false);
    expect(find(person.session.documents, 'd-b1')?.text).toBe('b1, edited');
    expect(find(person.session.documents, 'd-b2')?.text).toBe('b2');
    expect(person.session.drafts).toEqual([]);
  });

  it('work written after “drop” is asked about again', () => {
    const person = personAt('a: a1 | b: b1* b2*').step('older-application').act('quit').escape();
    person.wish({ type: 'answer-closing', window: 'b1', answer: 'drop' });
    person.wish({ type: 'keep-draft', document: 'd-b1', text: 'new words' });
    person.wish({ type: 'answer-closing', window: 'b2', answer: 'drop' });
    expect(find(person.session.applications, 'b')?.running).toBe(true);
    expect(find(person.session.windows, 'b1')?.asking).toEqual({ goal: 'quit', dropping: false });
  });

  it('five quits in a row with two unsaved end three at once and leave two asking, with no step between', () => {
    const person = personAt('a: a1 | b: b1 | c: c1* | d: d1 | e: e1* | f: f1').step('older-application');
    for (let quit = 0; quit < 5; quit += 1) person.act('quit');
    expect(person.rows).toBe('a c e');
    expect(find(person.session.windows, 'c1')?.asking?.goal).toBe('quit');
    expect(find(person.session.windows, 'e1')?.asking?.goal).toBe('quit');
  });
});

describe('rule 11: what letting go does right after something was put away', () => {
  const AWAY = ['minimise', 'minimise-all', 'hide-or-show'] as const;

  it.each(AWAY)(
    '%s, let go: what was put away stays so, and what is in front by rule 4 stays in front',
    (action) => {
      for (const steps of [1, 2]) {
        const person = personAt('a: a1 | b: b1 b2 | c: c1');
        for (let step = 0; step < steps; step += 1) person.step('older-application');
        person.act(action);
        expect(commitEffect(person.switcher as Switcher, person.session)).toEqual({ type: 'nothing' });
        expect(person.release().session.front).toBe('a1');
      }
    },
  );

  it.each(AWAY)('%s of the front one, let go: the next one by rule 4 is in front', (action) => {
    const person = personAt('a: a1 | b: b1').step('older-application', 'older-application');
    expect(person.row).toBe('a');
    expect(person.act(action).release().session.front).toBe('b1');
  });

  it('a sweep, let go: the surface stays bare', () => {
    const person = personAt('a: a1 | b: b1').step('older-application').act('sweep').release();
    expect(person.session.front).toBeNull();
  });

  it.each([
    ['a further step', (person: Person) => person.step('older-application'), 'c1'],
    ['the same key, which brings it back', (person: Person) => person.act('hide-or-show'), 'b1'],
    ['put back', (person: Person) => person.act('put-back'), 'b1'],
    ['a quit', (person: Person) => person.step('older-application').act('quit'), 'b1'],
    [
      'the pointer',
      (person: Person) => person.input({ type: 'point', application: 'c', window: null }),
      'c1',
    ],
  ])('after %s letting go chooses again', (_, then, front) => {
    const person = personAt('a: a1 | b: b1 | c: c1').step('older-application').act('hide-or-show');
    then(person);
    expect(person.release().session.front).toBe(front);
  });

  it('says what letting go will do at each moment', () => {
    const effect = (person: Person) => commitEffect(person.switcher as Switcher, person.session);
    const person = personAt('a: a1 | b: b1 | d:').step('older-application');
    expect(effect(person)).toEqual({ type: 'window', window: 'b1' });
    expect(effect(person.step('older-application'))).toEqual({ type: 'application', application: 'd' });
    person.type('b1');
    expect(effect(person)).toMatchObject({ type: 'found', found: { candidate: { title: 'b1' } } });
  });
});

describe('rule 11: a quit on a row whose question is pending', () => {
  it('passes on to the next row that does not ask, and stops at the last', () => {
    const person = personAt('a: a1* | b: b1* | c: c1* | d: d1*').step('older-application');
    person.act('quit').act('quit').act('quit');
    expect(['b1', 'c1', 'd1'].map((id) => find(person.session.windows, id)?.asking?.goal)).toEqual([
      'quit',
      'quit',
      'quit',
    ]);
    expect(person.row).toBe('d');
    person.act('quit');
    expect(person.row).toBe('d');
    expect(person.notices).toEqual([{ type: 'already-asking', application: 'd' }]);
    expect(find(person.session.windows, 'a1')?.asking).toBeNull();
  });

  it('stays on a row that does not ask', () => {
    const person = personAt('a: a1 | b: b1 | c: c1').step('older-application').act('quit');
    expect(person.rows).toBe('a c');
    expect(person.row).toBe('c');
  });
});

describe('closing all of an application', () => {
  it('closes those that do not ask together, and one reopen brings them back', () => {
    const person = personAt('a: a1 a2* a3 | b: b1');
    const before = seen(person.session);
    person.act('close-all');
    expect(idsIn(person.session.windows)).toEqual(['a2', 'b1']);
    person.wish({ type: 'answer-closing', window: 'a2', answer: 'keep-open' }).act('reopen');
    expect(seen(person.session)).toEqual({ ...before, windows: seen(person.session).windows, front: 'a1' });
    expect(idsIn(person.session.windows).sort()).toEqual(['a1', 'a2', 'a3', 'b1']);
  });
});

describe('rule 12: what does not end by asking', () => {
  it('a resident application refuses to quit and says so; ended now, it restarts with its windows', () => {
    const person = new Person(
      withApplication(sessionOf('a: a1 | b: b1*'), 'b', { resident: true, answering: false }),
    );
    person.wish({ type: 'quit', application: 'b' });
    expect(person.notices).toEqual([{ type: 'stays-resident', application: 'b' }]);
    person.wish({ type: 'end-now', application: 'b' });
    expect(find(person.session.applications, 'b')).toMatchObject({ running: true, answering: true });
    expect(find(person.session.windows, 'b1')?.offeringDraft).toBe(true);
  });

  it('one that does not answer cannot be asked, but ended now', () => {
    const person = new Person(withApplication(sessionOf('a: a1 | b: b1*'), 'b', { answering: false }));
    person.wish({ type: 'quit', application: 'b' });
    expect(person.notices).toEqual([{ type: 'does-not-answer', application: 'b' }]);
    person.wish({ type: 'end-now', application: 'b' });
    expect(find(person.session.applications, 'b')?.running).toBe(false);
  });

  it('an abrupt end keeps the last draft, and the next launch offers it', () => {
    const person = personAt('a: a1 | b: b1*').wish({ type: 'end-now', application: 'b' });
    expect(find(person.session.drafts, 'd-b1')?.text).toBe('b1, edited');
    person.wish({ type: 'switch-to-application', application: 'b' });
    const { front } = person.session;
    expect(find(person.session.windows, front ?? '')).toMatchObject({ offeringDraft: true });
    person.wish({ type: 'answer-draft', window: front ?? '', answer: 'take-up' });
    expect(find(person.session.windows, front ?? '')?.offeringDraft).toBe(false);
    expect(find(person.act('close').session.windows, front ?? '')?.asking).not.toBeNull();
  });

  it('an offered draft that nobody answers stays, even when its window closes', () => {
    const person = personAt('a: a1 | b: b1*').wish({ type: 'end-now', application: 'b' });
    person.wish({ type: 'switch-to-application', application: 'b' }).act('close');
    expect(find(person.session.drafts, 'd-b1')?.text).toBe('b1, edited');
  });

  it('whether closing the last window ends an application is its own property', () => {
    expect(find(personAt('a: a1 | b: b1').act('close').session.applications, 'a')?.running).toBe(true);
    const ending = new Person(
      withApplication(sessionOf('a: a1 | b: b1'), 'a', { quitsWithLastWindow: true }),
    );
    expect(find(ending.act('close').session.applications, 'a')?.running).toBe(false);
  });
});

describe('rule 16: each putting-away is one entry, and put back restores exactly what it changed', () => {
  it.each(['minimise', 'minimise-all', 'hide-or-show', 'solo', 'sweep'] as const)('%s', (action) => {
    const person = personAt('a: a1 a2 a3- | b: b1 b2 | !c: c1 | d: d1~');
    const before = seen(person.session);
    person.act(action);
    expect(person.session.putAways).toHaveLength(1);
    expect(seen(person.session)).not.toEqual(before);
    person.act('put-back');
    expect(seen(person.session)).toEqual(before);
    expect(person.session.putAways).toEqual([]);
  });

  it('several levels deep, each with its geometry, stacking, states and front window', () => {
    const away = fc.array(fc.constantFrom('minimise', 'minimise-all', 'hide-or-show', 'solo', 'sweep'), {
      maxLength: 12,
    });
    fc.assert(
      fc.property(away, fc.nat(), (actions, pick) => {
        const person = personAt('a: a1 a2- | b: b1 b2 | !c: c1 | d: d1 d2 | e: e1');
        const levels: ReturnType<typeof seen>[] = [];
        for (const [n, action] of actions.entries()) {
          const before = seen(person.session);
          const depth = person.session.putAways.length;
          const application = ['a', 'b', 'c', 'd', 'e'][(pick + n) % 5] ?? 'a';
          if (action === 'sweep') person.act('sweep');
          else if (action === 'minimise') person.act('minimise');
          else if (!find(person.session.applications, application)?.hidden)
            person.wish({ type: action, application });
          if (person.session.putAways.length > depth) levels.push(before);
          else levels.length = person.session.putAways.length;
        }
        for (const level of levels.toReversed()) expect(seen(person.act('put-back').session)).toEqual(level);
      }),
    );
  });

  it('restores the geometry that a window had', () => {
    const person = personAt('a: a1 | b: b1');
    const geometry = find(person.session.windows, 'a1')?.geometry;
    person.act('minimise');
    const elsewhere = { x: 0, y: 0, width: 900, height: 700 };
    person.wish({ type: 'place-window', window: 'a1', placement: { geometry: elsewhere } });
    person.act('put-back');
    expect(find(person.session.windows, 'a1')?.geometry).toEqual(geometry);
  });

  it('skips what has ended', () => {
    const person = personAt('a: a1 a2 | b: b1 | c: c1').act('sweep');
    person.wish({ type: 'close', window: 'a1' }).wish({ type: 'quit', application: 'b' }).act('put-back');
    expect(person.stacking).toBe('c1 a2');
    expect(person.session.front).toBe('a2');
  });

  it('is not blocked by what was opened since, which stays', () => {
    const person = personAt('a: a1 | b: b1').act('sweep').wish({ type: 'open-document', document: 'd-a' });
    person.act('put-back');
    expect(person.session.front).toBe('a1');
    expect(person.stacking).toBe('b1 w-c2 a1');
  });

  it('keeps the front window on top when it came back by other means and something was opened since', () => {
    const person = personAt('a: a1 a2 | b: b1').act('minimise-all');
    person.wish({ type: 'open-window', application: 'b', inFront: false });
    person.wish({ type: 'bring-to-front', window: 'a1', raiseAll: false }).act('put-back');
    expect(person.session.front).toBe('a1');
    expect(find(person.session.windows, 'a2')?.minimised).toBe(false);
    expect(person.stacking).toBe('b1 a2 w-c2 a1');
  });

  it('goes on to the next entry when the newest was undone by other means', () => {
    const person = personAt('a: a1 | b: b1 | c: c1').act('minimise').act('hide-or-show');
    person.wish({ type: 'switch-to-application', application: 'b' }).act('put-back');
    expect(find(person.session.windows, 'a1')?.minimised).toBe(false);
    expect(person.act('put-back').notices).toEqual([{ type: 'nothing-to-put-back' }]);
  });

  it('puts a window back without changing the front if that was not changed', () => {
    const person = personAt('a: a1 | b: b1').wish({ type: 'minimise', window: 'b1' }).act('put-back');
    expect(person.session.front).toBe('a1');
  });

  it('solo on a hidden application shows it, and put back hides it again', () => {
    const person = personAt('a: a1 | !b: b1').wish({ type: 'solo', application: 'b' });
    expect(person.session.front).toBe('b1');
    person.act('put-back');
    expect(find(person.session.applications, 'b')?.hidden).toBe(true);
    expect(person.session.front).toBe('a1');
  });
});

describe('rule 17: sweep twice in a row is sweep and put back', () => {
  it('back to the same', () => {
    const person = personAt('a: a1 a2- | b: b1 | !c: c1');
    const before = seen(person.session);
    person.act('sweep');
    expect(person.session.front).toBeNull();
    expect(seen(person.act('sweep').session)).toEqual(before);
  });
});

describe('reopening', () => {
  it('brings back the last closed window where it was', () => {
    const person = personAt('a: a1 | b: b1 | c: c1');
    const before = seen(person.session);
    person.act('close').act('reopen');
    expect(seen(person.session)).toEqual(before);
    expect(person.session.ended).toEqual([]);
  });

  it('brings back a quit application with its windows, their places and states', () => {
    const person = personAt('a: a1 a2- a3 | b: b1');
    const before = seen(person.session);
    person.act('quit');
    expect(person.rows).toBe('');
    expect(seen(person.act('reopen').session)).toEqual(before);
    expect(person.windows).toBe('a1 b1 a2 a3');
  });

  it('says so when there is nothing', () => {
    expect(personAt('a: a1').act('reopen').notices).toEqual([{ type: 'nothing-to-reopen' }]);
  });
});

const ENDING = ['close', 'close-all', 'quit', 'end-now', 'answer-closing'];

describe('putting away and back, whatever else happens', () => {
  it('never loses a window', () => {
    fc.assert(
      fc.property(wishSeeds(1, 40), (seeds) => {
        const person = personAt('a: a1 a2 | b: b1 b2- | !c: c1');
        for (const seed of seeds) {
          const wish = wishFrom(seed, person.session);
          if (!wish || [...ENDING, 'close-tab', 'join'].includes(wish.type)) continue;
          const before = idsIn(person.session.windows);
          person.wishIfTaken(wish);
          expect(idsIn(person.session.windows)).toEqual(expect.arrayContaining(before));
        }
      }),
      { numRuns: runs(60) },
    );
  });
});
