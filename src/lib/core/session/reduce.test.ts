import { idsIn } from '../model/table';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { busySession, commandFrom, wishFrom, wishSeeds, type WishSeed } from '../../../../testing/wishes';
import { personAt } from '../../../../testing/person';
import type { Wish } from '../commands/commands';
import { decide } from '../host/decide';
import type { SessionEvent } from './session';
import { problemsOf } from './session';
import { reduce, reduceAll } from './session';
import type { Session } from './session';

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
      { numRuns: 150 },
    );
  });

  it('gives the same session when the log is replayed, also after a trip through JSON', () => {
    fc.assert(
      fc.property(wishSeeds(1, 60), (seeds) => {
        const { events, session } = run(seeds);
        const log: SessionEvent[] = JSON.parse(JSON.stringify(events));
        expect(reduceAll(start(), log)).toEqual(session);
      }),
      { numRuns: 60 },
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
      { numRuns: 60 },
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

  it('refuses an event about something that is not there', () => {
    expect(() => reduce(start(), { type: 'windows-minimised', windows: ['nowhere'] })).toThrow(
      /no window 'nowhere'/,
    );
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
      { numRuns: 150 },
    );
  });
});

describe('the invariants', () => {
  it.each([
    ['front', (session: Session) => ({ ...session, front: 'a3' })],
    ['stacking', (session: Session) => ({ ...session, stacking: session.stacking.slice(1) })],
    ['recent.windows', (session: Session) => ({ ...session, recent: { ...session.recent, windows: [] } })],
    ['workspace', (session: Session) => ({ ...session, workspace: 'nowhere' })],
    ['places', (session: Session) => ({ ...session, places: [] })],
    ['drafts.x', (session: Session) => ({ ...session, drafts: [{ id: 'x', text: '', at: '' }] })],
  ])('notice a wrong %s', (path, spoil) => {
    expect(problemsOf(spoil(start())).map((problem) => problem.path.join('.'))).toContain(path);
  });
});

describe('refusals', () => {
  it.each([
    ['window', { type: 'minimise', window: 'x' }],
    ['application', { type: 'quit', application: 'x' }],
    ['document', { type: 'save', document: 'x' }],
    ['tab', { type: 'retitle-tab', window: 'a1', tab: 'x', title: 'y' }],
  ] as const)('name the unknown %s', (field, wish) => {
    const decision = decide(start(), commandFrom(wish, 1));
    expect(decision).toMatchObject({ ok: false, refusal: { field } });
  });
});
