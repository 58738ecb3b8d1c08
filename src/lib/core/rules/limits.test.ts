/** What has a limit, at the limit: nothing is accepted that could not be exported and imported again. */
import { add, find, patch } from '../model/table';
import type { AppWindow } from '../slices/windows/state';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { commandFrom, wishFrom, wishSeeds } from '../../../../testing/wishes';
import { sessionOf } from '../../../../testing/sessions';
import { personAt, Person } from '../../../../testing/person';
import { runs } from '../../../../testing/runs';
import { decide } from '../host/decide';
import { LONGEST_TEXT, MOST_WEIGHT, MOST_WINDOWS } from '../model/limits';
import { toDocument } from '../formats/session-document';
import type { Session } from '../session/session';
import { weightOf } from '../session/weight';

/** A desk with `count` windows of application a, and one of b. */
const crowded = (count: number): Session =>
  sessionOf(`a: ${Array.from({ length: count - 1 }, (_, n) => `a${n}`).join(' ')} | b: b1`);

/** A desk whose document is `spare` bytes short of the heaviest there may be. */
function heavy(spare: number): Session {
  const desk = sessionOf('a: a1 | b: b1');
  const filler = find(desk.documents, 'd-a1');
  if (!filler) throw new Error('The desk has no such document.');
  let { documents } = desk;
  for (let n = 0; weightOf({ ...desk, documents }) < MOST_WEIGHT - 100_000; n += 1)
    documents = add(documents, [{ ...filler, id: `f-${n}`, text: 'é'.repeat(LONGEST_TEXT) }]);
  const rest = MOST_WEIGHT - spare - weightOf({ ...desk, documents });
  const text = 'x'.repeat(rest - JSON.stringify({ ...filler, id: 'rest', text: '' }).length - 1);
  return { ...desk, documents: add(documents, [{ ...filler, id: 'rest', text }]) };
}

const bytes = (session: Session) => new TextEncoder().encode(JSON.stringify(toDocument(session))).length;

describe('windows', () => {
  it.each([
    ['open-window', { type: 'open-window', application: 'a', inFront: true }],
    ['open-document', { type: 'open-document', document: 'd-b' }],
  ] as const)('%s opens the last one there may be, and says so when there is no room', (_, wish) => {
    const person = new Person(crowded(MOST_WINDOWS - 1)).wish(wish);
    expect(person.session.stacking).toHaveLength(MOST_WINDOWS);
    const before = person.session;
    person.wish({ type: 'open-window', application: 'b', inFront: false });
    expect(person.notices).toEqual([{ type: 'too-many-windows' }]);
    expect(person.session).toBe(before);
  });

  it('reopening does not pass the limit either, and what ended stays to be reopened', () => {
    const person = new Person(crowded(MOST_WINDOWS)).wish({ type: 'close', window: 'b1' });
    person
      .wish({ type: 'open-window', application: 'a', inFront: true })
      .wish({ type: 'reopen', entry: null });
    expect(person.notices).toEqual([{ type: 'too-many-windows' }]);
    expect(person.session.ended).toHaveLength(1);
  });
});

describe('weight', () => {
  it('is never less than the bytes of the document, whatever was done', () => {
    fc.assert(
      fc.property(wishSeeds(1, 40), fc.string({ unit: 'binary', maxLength: 60 }), (seeds, text) => {
        let session = sessionOf('a: a1 a2* a3- | b: b1 | !c: c1- c2 | d: | e: e1~ e2*');
        for (const [n, seed] of seeds.entries()) {
          const wish = wishFrom(seed, session);
          const said = wish?.type === 'keep-draft' ? { ...wish, text } : wish;
          const decision = said && decide(session, commandFrom(said, n));
          if (decision?.ok) session = decision.session;
        }
        expect(weightOf(session)).toBeGreaterThanOrEqual(bytes(session));
      }),
      { numRuns: runs(60) },
    );
  });

  it('does not change by what windows and applications do, only by what is in the session', () => {
    const person = personAt('a: a1 a2 | b: b1');
    const before = weightOf(person.session);
    for (const action of ['minimise', 'sweep', 'put-back', 'hide-or-show', 'solo'] as const)
      person.act(action);
    expect(weightOf(person.session)).toBe(before);
  });

  it('lets a session grow up to the most that can be imported, and not beyond', () => {
    const person = new Person(heavy(300));
    person.wish({ type: 'keep-draft', document: 'd-a1', text: 'x'.repeat(150) });
    expect(find(person.session.drafts, 'd-a1')?.text).toHaveLength(150);
    person.wish({ type: 'keep-draft', document: 'd-b1', text: 'x'.repeat(500) });
    expect(person.notices).toEqual([{ type: 'session-full' }]);
    expect(find(person.session.drafts, 'd-b1')).toBeUndefined();
    expect(bytes(person.session)).toBeLessThanOrEqual(MOST_WEIGHT);
    person.wish({ type: 'open-window', application: 'a', inFront: true });
    expect(person.notices).toEqual([{ type: 'session-full' }]);
    // What makes it lighter is always possible.
    person.wish({ type: 'keep-draft', document: 'd-a1', text: 'a1' }).wish({ type: 'close', window: 'b1' });
    expect(find(person.session.windows, 'b1')).toBeUndefined();
  });
});

describe('texts', () => {
  it('what is found by more letters than can be remembered is chosen all the same', () => {
    const long = `${'x'.repeat(60)} ${'y'.repeat(60)}`;
    const desk = sessionOf('a: a1 | b: b1');
    const renamed = (window: AppWindow) => ({
      ...window,
      tabs: window.tabs.map((tab) => ({ ...tab, title: long })),
    });
    const person = new Person({ ...desk, windows: patch(desk.windows, ['b1'], 'window', renamed) });
    person.step('older-application').type(long).release();
    expect(person.session.front).toBe('b1');
    expect(person.session.learned).toEqual([]);
  });
});

describe('a command id', () => {
  const open = { type: 'open-window', application: 'b', inFront: true } as const;
  const opened = () => {
    const person = personAt('a: a1 | b: b1');
    const first = decide(person.session, commandFrom(open, 9));
    if (!first.ok) throw new Error(first.refusal.detail);
    person.session = first.session;
    return person;
  };

  it('opens nothing again while the window that it named is open', () => {
    expect(decide(opened().session, commandFrom(open, 9))).toMatchObject({
      ok: true,
      events: [],
    });
  });

  it.each([
    [
      'was closed and can be reopened',
      open,
      (person: Person) => person.wish({ type: 'close', window: 'w-c9' }),
    ],
    ['is of another application', { ...open, application: 'a' }, (person: Person) => person],
  ])('is refused again while the window that it named %s', (_, wish, then) => {
    const { session } = then(opened());
    expect(decide(session, commandFrom(wish, 9))).toMatchObject({
      ok: false,
      refusal: { field: 'id' },
    });
  });
});

describe('families', () => {
  it.each(['minimise-all', 'close-all', 'quit'] as const)(
    '%s is a handful of events, however many windows',
    (type) => {
      const events = (count: number) => {
        const person = new Person(crowded(count)).wish({ type, application: 'a' });
        return person.events.length;
      };
      expect(events(800)).toBe(events(3));
      expect(events(800)).toBeLessThanOrEqual(3);
    },
  );

  it('a sweep, solo and their way back too', () => {
    const person = new Person(crowded(800)).wish({ type: 'sweep' }).wish({ type: 'put-back', entry: null });
    person.wish({ type: 'solo', application: 'b' }).wish({ type: 'put-back', entry: null });
    expect(person.events.length).toBeLessThanOrEqual(20);
  });
});
