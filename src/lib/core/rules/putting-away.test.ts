/** Switching rules 11, 12 and 16 to 18; common practice unless marked own. */
import { find, idsIn } from '../model/table';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { wishFrom, wishSeeds } from '../../../../tests/arbitrary-wishes';
import { deskOf, Worker, withApplication, workerAt } from '../../../../tests/desk';
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
    const worker = workerAt('a: a1 a2 | b: b1 | c: c1 | d: d1').step('older-application');
    worker.act('quit').act('hide-or-show').step('older-application').act('minimise');
    expect(worker.rows).toBe('a c d');
    expect(find(worker.session.applications, 'c')?.hidden).toBe(true);
    expect(find(worker.session.windows, 'd1')?.minimised).toBe(true);
    expect(worker.row).toBe('d');
    expect(worker.session.front).toBe('a1');
  });

  it('hide is a toggle and keeps each window’s minimised state', () => {
    const worker = workerAt('a: a1 a2- | b: b1').step('newer-application', 'older-application');
    expect(worker.row).toBe('a');
    worker.act('hide-or-show');
    expect(worker.session.front).toBe('b1');
    worker.act('hide-or-show');
    expect(find(worker.session.applications, 'a')?.hidden).toBe(false);
    expect(find(worker.session.windows, 'a2')?.minimised).toBe(true);
    expect(worker.session.front).toBe('a1');
  });

  it('closing something unsaved asks in that window, and the switcher does not wait', () => {
    const worker = workerAt('a: a1 | b: b1* | c: c1').step('older-application').act('close');
    expect(find(worker.session.windows, 'b1')?.asking).toEqual({ goal: 'close', dropping: false });
    expect(find(worker.step('older-application').act('close').session.windows, 'c1')).toBeUndefined();
  });

  it('quitting asks in each unsaved window; cancel in any cancels that quit', () => {
    const worker = workerAt('a: a1 | b: b1* b2* b3').step('older-application').act('quit').escape();
    expect(find(worker.session.applications, 'b')?.quitting).toBe(true);
    worker.wish({ type: 'answer-closing', window: 'b1', answer: 'drop' });
    expect(find(worker.session.drafts, 'd-b1')).toBeDefined();
    worker.wish({ type: 'answer-closing', window: 'b2', answer: 'keep-open' });
    expect(find(worker.session.applications, 'b')).toMatchObject({ running: true, quitting: false });
    expect(find(worker.session.windows, 'b1')?.asking).toBeNull();
    expect(find(worker.session.drafts, 'd-b1')?.text).toBe('b1, edited');
  });

  it('the quit goes through once every window has answered; what was saved is saved, what was dropped is gone', () => {
    const worker = workerAt('a: a1 | b: b1* b2* b3').step('older-application').act('quit').escape();
    worker.wish({ type: 'answer-closing', window: 'b1', answer: 'save' });
    worker.wish({ type: 'answer-closing', window: 'b2', answer: 'drop' });
    expect(find(worker.session.applications, 'b')?.running).toBe(false);
    expect(find(worker.session.documents, 'd-b1')?.text).toBe('b1, edited');
    expect(find(worker.session.documents, 'd-b2')?.text).toBe('b2');
    expect(worker.session.drafts).toEqual([]);
  });

  it('work written after “drop” is asked about again', () => {
    const worker = workerAt('a: a1 | b: b1* b2*').step('older-application').act('quit').escape();
    worker.wish({ type: 'answer-closing', window: 'b1', answer: 'drop' });
    worker.wish({ type: 'keep-draft', document: 'd-b1', text: 'new words' });
    worker.wish({ type: 'answer-closing', window: 'b2', answer: 'drop' });
    expect(find(worker.session.applications, 'b')?.running).toBe(true);
    expect(find(worker.session.windows, 'b1')?.asking).toEqual({ goal: 'quit', dropping: false });
  });

  it('five quits in a row with two unsaved end three at once and leave two asking, with no step between', () => {
    const worker = workerAt('a: a1 | b: b1 | c: c1* | d: d1 | e: e1* | f: f1').step('older-application');
    for (let quit = 0; quit < 5; quit += 1) worker.act('quit');
    expect(worker.rows).toBe('a c e');
    expect(find(worker.session.windows, 'c1')?.asking?.goal).toBe('quit');
    expect(find(worker.session.windows, 'e1')?.asking?.goal).toBe('quit');
  });
});

describe('rule 11: what letting go does right after something was put away', () => {
  const AWAY = ['minimise', 'minimise-all', 'hide-or-show'] as const;

  it.each(AWAY)(
    '%s, let go: what was put away stays so, and what is in front by rule 4 stays in front',
    (action) => {
      for (const steps of [1, 2]) {
        const worker = workerAt('a: a1 | b: b1 b2 | c: c1');
        for (let step = 0; step < steps; step += 1) worker.step('older-application');
        worker.act(action);
        expect(commitEffect(worker.switcher as Switcher, worker.session)).toEqual({ type: 'nothing' });
        expect(worker.release().session.front).toBe('a1');
      }
    },
  );

  it.each(AWAY)('%s of the front one, let go: the next one by rule 4 is in front', (action) => {
    const worker = workerAt('a: a1 | b: b1').step('older-application', 'older-application');
    expect(worker.row).toBe('a');
    expect(worker.act(action).release().session.front).toBe('b1');
  });

  it('a sweep, let go: the surface stays bare', () => {
    const worker = workerAt('a: a1 | b: b1').step('older-application').act('sweep').release();
    expect(worker.session.front).toBeNull();
  });

  it.each([
    ['a further step', (worker: Worker) => worker.step('older-application'), 'c1'],
    ['the same key, which brings it back', (worker: Worker) => worker.act('hide-or-show'), 'b1'],
    ['put back', (worker: Worker) => worker.act('put-back'), 'b1'],
    ['a quit', (worker: Worker) => worker.step('older-application').act('quit'), 'b1'],
    [
      'the pointer',
      (worker: Worker) => worker.input({ type: 'point', application: 'c', window: null }),
      'c1',
    ],
  ])('after %s letting go chooses again', (_, then, front) => {
    const worker = workerAt('a: a1 | b: b1 | c: c1').step('older-application').act('hide-or-show');
    then(worker);
    expect(worker.release().session.front).toBe(front);
  });

  it('says what letting go will do at each moment', () => {
    const effect = (worker: Worker) => commitEffect(worker.switcher as Switcher, worker.session);
    const worker = workerAt('a: a1 | b: b1 | d:').step('older-application');
    expect(effect(worker)).toEqual({ type: 'window', window: 'b1' });
    expect(effect(worker.step('older-application'))).toEqual({ type: 'application', application: 'd' });
    worker.type('b1');
    expect(effect(worker)).toMatchObject({ type: 'found', found: { candidate: { title: 'b1' } } });
  });
});

describe('rule 11: a quit on a row whose question is pending', () => {
  it('passes on to the next row that does not ask, and stops at the last', () => {
    const worker = workerAt('a: a1* | b: b1* | c: c1* | d: d1*').step('older-application');
    worker.act('quit').act('quit').act('quit');
    expect(['b1', 'c1', 'd1'].map((id) => find(worker.session.windows, id)?.asking?.goal)).toEqual([
      'quit',
      'quit',
      'quit',
    ]);
    expect(worker.row).toBe('d');
    worker.act('quit');
    expect(worker.row).toBe('d');
    expect(worker.notices).toEqual([{ type: 'already-asking', application: 'd' }]);
    expect(find(worker.session.windows, 'a1')?.asking).toBeNull();
  });

  it('stays on a row that does not ask', () => {
    const worker = workerAt('a: a1 | b: b1 | c: c1').step('older-application').act('quit');
    expect(worker.rows).toBe('a c');
    expect(worker.row).toBe('c');
  });
});

describe('closing all of an application', () => {
  it('closes those that do not ask together, and one reopen brings them back', () => {
    const worker = workerAt('a: a1 a2* a3 | b: b1');
    const before = seen(worker.session);
    worker.act('close-all');
    expect(idsIn(worker.session.windows)).toEqual(['a2', 'b1']);
    worker.wish({ type: 'answer-closing', window: 'a2', answer: 'keep-open' }).act('reopen');
    expect(seen(worker.session)).toEqual({ ...before, windows: seen(worker.session).windows, front: 'a1' });
    expect(idsIn(worker.session.windows).sort()).toEqual(['a1', 'a2', 'a3', 'b1']);
  });
});

describe('rule 12: what does not end by asking', () => {
  it('a resident application refuses to quit and says so; ended now, it restarts with its windows', () => {
    const worker = new Worker(
      withApplication(deskOf('a: a1 | b: b1*'), 'b', { resident: true, answering: false }),
    );
    worker.wish({ type: 'quit', application: 'b' });
    expect(worker.notices).toEqual([{ type: 'stays-resident', application: 'b' }]);
    worker.wish({ type: 'end-now', application: 'b' });
    expect(find(worker.session.applications, 'b')).toMatchObject({ running: true, answering: true });
    expect(find(worker.session.windows, 'b1')?.offeringDraft).toBe(true);
  });

  it('one that does not answer cannot be asked, but ended now', () => {
    const worker = new Worker(withApplication(deskOf('a: a1 | b: b1*'), 'b', { answering: false }));
    worker.wish({ type: 'quit', application: 'b' });
    expect(worker.notices).toEqual([{ type: 'does-not-answer', application: 'b' }]);
    worker.wish({ type: 'end-now', application: 'b' });
    expect(find(worker.session.applications, 'b')?.running).toBe(false);
  });

  it('an abrupt end keeps the last draft, and the next launch offers it', () => {
    const worker = workerAt('a: a1 | b: b1*').wish({ type: 'end-now', application: 'b' });
    expect(find(worker.session.drafts, 'd-b1')?.text).toBe('b1, edited');
    worker.wish({ type: 'switch-to-application', application: 'b' });
    const { front } = worker.session;
    expect(find(worker.session.windows, front ?? '')).toMatchObject({ offeringDraft: true });
    worker.wish({ type: 'answer-draft', window: front ?? '', answer: 'take-up' });
    expect(find(worker.session.windows, front ?? '')?.offeringDraft).toBe(false);
    expect(find(worker.act('close').session.windows, front ?? '')?.asking).not.toBeNull();
  });

  it('an offered draft that nobody answers stays, even when its window closes', () => {
    const worker = workerAt('a: a1 | b: b1*').wish({ type: 'end-now', application: 'b' });
    worker.wish({ type: 'switch-to-application', application: 'b' }).act('close');
    expect(find(worker.session.drafts, 'd-b1')?.text).toBe('b1, edited');
  });

  it('whether closing the last window ends an application is its own property', () => {
    expect(find(workerAt('a: a1 | b: b1').act('close').session.applications, 'a')?.running).toBe(true);
    const ending = new Worker(withApplication(deskOf('a: a1 | b: b1'), 'a', { quitsWithLastWindow: true }));
    expect(find(ending.act('close').session.applications, 'a')?.running).toBe(false);
  });
});

describe('rule 16: each putting-away is one entry, and put back restores exactly what it changed', () => {
  it.each(['minimise', 'minimise-all', 'hide-or-show', 'solo', 'sweep'] as const)('%s', (action) => {
    const worker = workerAt('a: a1 a2 a3- | b: b1 b2 | !c: c1 | d: d1~');
    const before = seen(worker.session);
    worker.act(action);
    expect(worker.session.putAways).toHaveLength(1);
    expect(seen(worker.session)).not.toEqual(before);
    worker.act('put-back');
    expect(seen(worker.session)).toEqual(before);
    expect(worker.session.putAways).toEqual([]);
  });

  it('several levels deep, each with its geometry, stacking, states and front window', () => {
    const away = fc.array(fc.constantFrom('minimise', 'minimise-all', 'hide-or-show', 'solo', 'sweep'), {
      maxLength: 12,
    });
    fc.assert(
      fc.property(away, fc.nat(), (actions, pick) => {
        const worker = workerAt('a: a1 a2- | b: b1 b2 | !c: c1 | d: d1 d2 | e: e1');
        const levels: ReturnType<typeof seen>[] = [];
        for (const [n, action] of actions.entries()) {
          const before = seen(worker.session);
          const depth = worker.session.putAways.length;
          const application = ['a', 'b', 'c', 'd', 'e'][(pick + n) % 5] ?? 'a';
          if (action === 'sweep') worker.act('sweep');
          else if (action === 'minimise') worker.act('minimise');
          else if (!find(worker.session.applications, application)?.hidden)
            worker.wish({ type: action, application });
          if (worker.session.putAways.length > depth) levels.push(before);
          else levels.length = worker.session.putAways.length;
        }
        for (const level of levels.toReversed()) expect(seen(worker.act('put-back').session)).toEqual(level);
      }),
    );
  });

  it('restores the geometry that a window had', () => {
    const worker = workerAt('a: a1 | b: b1');
    const geometry = find(worker.session.windows, 'a1')?.geometry;
    worker.act('minimise');
    worker.wish({ type: 'place-window', window: 'a1', geometry: { x: 0, y: 0, width: 900, height: 700 } });
    worker.act('put-back');
    expect(find(worker.session.windows, 'a1')?.geometry).toEqual(geometry);
  });

  it('skips what has ended', () => {
    const worker = workerAt('a: a1 a2 | b: b1 | c: c1').act('sweep');
    worker.wish({ type: 'close', window: 'a1' }).wish({ type: 'quit', application: 'b' }).act('put-back');
    expect(worker.stacking).toBe('c1 a2');
    expect(worker.session.front).toBe('a2');
  });

  it('is not blocked by what was opened since, which stays', () => {
    const worker = workerAt('a: a1 | b: b1').act('sweep').wish({ type: 'open-document', document: 'd-a' });
    worker.act('put-back');
    expect(worker.session.front).toBe('a1');
    expect(worker.stacking).toBe('b1 w-c2 a1');
  });

  it('keeps the front window on top when it came back by other means and something was opened since', () => {
    const worker = workerAt('a: a1 a2 | b: b1').act('minimise-all');
    worker.wish({ type: 'open-window', application: 'b', inFront: false });
    worker.wish({ type: 'bring-to-front', window: 'a1', raiseAll: false }).act('put-back');
    expect(worker.session.front).toBe('a1');
    expect(find(worker.session.windows, 'a2')?.minimised).toBe(false);
    expect(worker.stacking).toBe('b1 a2 w-c2 a1');
  });

  it('goes on to the next entry when the newest was undone by other means', () => {
    const worker = workerAt('a: a1 | b: b1 | c: c1').act('minimise').act('hide-or-show');
    worker.wish({ type: 'switch-to-application', application: 'b' }).act('put-back');
    expect(find(worker.session.windows, 'a1')?.minimised).toBe(false);
    expect(worker.act('put-back').notices).toEqual([{ type: 'nothing-to-put-back' }]);
  });

  it('puts a window back without changing the front if that was not changed', () => {
    const worker = workerAt('a: a1 | b: b1').wish({ type: 'minimise', window: 'b1' }).act('put-back');
    expect(worker.session.front).toBe('a1');
  });

  it('solo on a hidden application shows it, and put back hides it again', () => {
    const worker = workerAt('a: a1 | !b: b1').wish({ type: 'solo', application: 'b' });
    expect(worker.session.front).toBe('b1');
    worker.act('put-back');
    expect(find(worker.session.applications, 'b')?.hidden).toBe(true);
    expect(worker.session.front).toBe('a1');
  });
});

describe('rule 17: sweep twice in a row is sweep and put back', () => {
  it('back to the same', () => {
    const worker = workerAt('a: a1 a2- | b: b1 | !c: c1');
    const before = seen(worker.session);
    worker.act('sweep');
    expect(worker.session.front).toBeNull();
    expect(seen(worker.act('sweep').session)).toEqual(before);
  });
});

describe('reopening', () => {
  it('brings back the last closed window where it was', () => {
    const worker = workerAt('a: a1 | b: b1 | c: c1');
    const before = seen(worker.session);
    worker.act('close').act('reopen');
    expect(seen(worker.session)).toEqual(before);
    expect(worker.session.ended).toEqual([]);
  });

  it('brings back a quit application with its windows, their places and states', () => {
    const worker = workerAt('a: a1 a2- a3 | b: b1');
    const before = seen(worker.session);
    worker.act('quit');
    expect(worker.rows).toBe('');
    expect(seen(worker.act('reopen').session)).toEqual(before);
    expect(worker.windows).toBe('a1 b1 a2 a3');
  });

  it('says so when there is nothing', () => {
    expect(workerAt('a: a1').act('reopen').notices).toEqual([{ type: 'nothing-to-reopen' }]);
  });
});

describe('putting away and back, whatever else happens', () => {
  it('never loses a window', () => {
    fc.assert(
      fc.property(wishSeeds(1, 40), (seeds) => {
        const worker = workerAt('a: a1 a2 | b: b1 b2- | !c: c1');
        for (const seed of seeds) {
          const wish = wishFrom(seed, worker.session);
          if (!wish || ['close', 'close-all', 'quit', 'end-now', 'answer-closing'].includes(wish.type))
            continue;
          const before = idsIn(worker.session.windows);
          worker.wish(wish);
          expect(idsIn(worker.session.windows)).toEqual(expect.arrayContaining(before));
        }
      }),
      { numRuns: 60 },
    );
  });
});
