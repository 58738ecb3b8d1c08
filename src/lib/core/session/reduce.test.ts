import { idsIn, patch } from '../model/table';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { busySession, commandFrom, wishFrom, wishSeeds, type WishSeed } from '../../../../testing/wishes';
import { sessionOf, withApplication } from '../../../../testing/sessions';
import { personAt } from '../../../../testing/person';
import { runs } from '../../../../testing/runs';
import type { Wish } from '../commands/commands';
import { decide } from '../host/decide';
import { type SessionEvent, problemsOf, reduce, reduceAll, type Session } from './session';

const start = busySession;

/** Every event that a run of wishes leads to, checking the session after each one. */
function run(seeds: readonly WishSeed[]): { events: SessionEvent[]; session: Session } {
  let session = start();
  const events: SessionEvent[] = [];
  for (const [n, seed] of seeds.entries()) {
    const wish = wishFrom(seed, session);
    const decision = wish && decide(session, commandFrom(wish, n));
    if (!decision?.ok) continue;
    for (const event of decision.events) {
      session = reduce(session, event);
      events.push(event);
    }
    expect(problemsOf(session)).toEqual([]);
    expect(session).toEqual(decision.session);
  }
  return { events, session };
}

describe('reduce', () => {
  it('leaves a valid session after any sequence of commands', () => {
    fc.assert(
      fc.property(wishSeeds(1, 60), (seeds) => void run(seeds)),
      { numRuns: runs(150) },
    );
  });

  it('gives the same session when the log is replayed, also after a trip through JSON', () => {
    fc.assert(
      fc.property(wishSeeds(1, 60), (seeds) => {
        const { events, session } = run(seeds);
        const log: SessionEvent[] = JSON.parse(JSON.stringify(events));
        expect(reduceAll(start(), log)).toEqual(session);
      }),
      { numRuns: runs(60) },
    );
  });

  it('never loses a draft but by saving, dropping or typing the saved text', () => {
    const taking: readonly SessionEvent['type'][] = [
      'drafts-saved',
      'draft-undone',
      'drafts-discarded',
      'windows-closed',
      'application-ended',
    ];
    fc.assert(
      fc.property(wishSeeds(1, 60), (seeds) => {
        let session = start();
        for (const event of run(seeds).events) {
          const before = idsIn(session.drafts);
          session = reduce(session, event);
          if (!taking.includes(event.type))
            expect(idsIn(session.drafts)).toEqual(expect.arrayContaining(before));
        }
      }),
      { numRuns: runs(60) },
    );
  });

  it('changes nothing in place', () => {
    const freeze = (value: unknown): void => {
      if (typeof value !== 'object' || value === null) return;
      Object.values(value).forEach(freeze);
      Object.freeze(value);
    };
    const person = personAt('a: a1 a2* | b: b1');
    freeze(person.session);
    person.act('minimise').act('sweep').act('put-back').flip().act('quit');
    expect(person.applications).toBe('a');
  });
});

describe('a wish', () => {
  /** A resident application that is ended now starts anew each time. */
  const absolute = (wish: Wish) =>
    wish.type !== 'end-now' && wish.type !== 'hide-or-show' && wish.type !== 'sweep-or-put-back';

  it('that is decided again after it came true gives no events', () => {
    fc.assert(
      fc.property(wishSeeds(1, 60), (seeds) => {
        let session = start();
        for (const [n, seed] of seeds.entries()) {
          const wish = wishFrom(seed, session);
          if (!wish) continue;
          // What has no name stands for the newest, which is another one the second time.
          const named = 'entry' in wish ? wish.entry !== null : absolute(wish);
          const decision = decide(session, commandFrom(wish, n));
          if (!decision.ok) continue;
          session = decision.session;
          if (!named) continue;
          const again = decide(session, commandFrom(wish, n));
          expect([wish, again.ok ? again.events : []]).toEqual([wish, []]);
        }
      }),
      { numRuns: runs(150) },
    );
  });
});

describe('the invariants', () => {
  type Spoil = (session: Session) => Partial<Session>;
  const changed =
    <List extends 'windows' | 'applications' | 'documents'>(
      list: List,
      id: string,
      change: Partial<Session[List][number]>,
    ): Spoil =>
    (session) => ({
      [list]: patch<{ id: string }>(session[list], [id], 'thing', (one) => ({ ...one, ...change })),
    });
  const less = <T>(list: readonly T[]) => list.slice(1);
  const tab = { id: 't', title: 'T', document: 'd-a1' };

  it.each<[string, Spoil]>([
    ["applications.a.home: there is no document 'x'", changed('applications', 'a', { home: 'x' })],
    ['applications.c.hidden: it does not run', changed('applications', 'c', { hidden: true })],
    ['applications.c.quitting: it does not run', changed('applications', 'c', { quitting: true })],
    [
      "documents.d-a1.application: there is no application 'x'",
      changed('documents', 'd-a1', { application: 'x' }),
    ],
    ["windows.b1.application: there is no application 'x'", changed('windows', 'b1', { application: 'x' })],
    ["windows.b1.application: 'c' does not run", changed('windows', 'b1', { application: 'c' })],
    ["windows.b1.workspace: there is no workspace 'x'", changed('windows', 'b1', { workspace: 'x' })],
    ['windows.b1.tabs: an id is used twice', changed('windows', 'b1', { tabs: [tab, tab], activeTab: 't' })],
    ["windows.b1.activeTab: there is no tab 'x'", changed('windows', 'b1', { activeTab: 'x' })],
    [
      "windows.b1.tabs: there is no document 'x'",
      changed('windows', 'b1', { tabs: [{ ...tab, document: 'x' }], activeTab: 't' }),
    ],
    ["drafts.x: there is no document 'x'", () => ({ drafts: [{ id: 'x', text: '', at: '' }] })],
    ['stacking: must list every window once', ({ stacking }) => ({ stacking: less(stacking) })],
    [
      'recent.windows: must list every window once',
      ({ recent }) => ({ recent: { ...recent, windows: less(recent.windows) } }),
    ],
    [
      'recent.applications: must list what runs, once each',
      ({ recent }) => ({ recent: { ...recent, applications: less(recent.applications) } }),
    ],
    ['places: there are 10 of them', ({ places }) => ({ places: less(places) })],
    ["places: there is no application 'x'", ({ places }) => ({ places: ['x', ...less(places)] })],
    ['workspaces: an id is used twice', ({ workspaces }) => ({ workspaces: [...workspaces, ...workspaces] })],
    ["workspace: there is no workspace 'x'", () => ({ workspace: 'x' })],
    ['front: must be a window that can be seen', () => ({ front: 'x' })],
    ['front: must be a window that can be seen', changed('windows', 'a1', { minimised: true })],
    [
      'front: must head recent.windows',
      ({ recent }) => ({ recent: { ...recent, windows: recent.windows.toReversed() } }),
    ],
    [
      'front: its application must head recent.applications',
      ({ recent }) => ({ recent: { ...recent, applications: recent.applications.toReversed() } }),
    ],
    ['front: must lie on top of the stacking', ({ stacking }) => ({ stacking: stacking.toReversed() })],
  ])('%s', (problem, spoil) => {
    const whole = withApplication(sessionOf('a: a1 a2 | b: b1 | c:'), 'c', { running: false });
    const running = whole.recent.applications.filter(({ id }) => id !== 'c');
    const session = { ...whole, recent: { ...whole.recent, applications: running } };
    expect(problemsOf(session)).toEqual([]);
    expect(problemsOf({ ...session, front: null })).toEqual([]);
    const problems = problemsOf({ ...session, ...spoil(session) });
    expect(problems.map(({ path, detail }) => `${path.join('.')}: ${detail}`)).toContain(problem);
  });
});
