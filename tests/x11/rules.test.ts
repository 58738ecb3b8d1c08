/** The switching rules on a display: the same table as the simulated host's, and seen by `xprop`. */
import { execFileSync } from 'node:child_process';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it, onTestFinished } from 'vitest';
import { Display } from '../../testing/display/display';
import { DisplayDesk } from '../../testing/display/display-desk';
import { DISPLAY_RULES, seenDesk } from '../../testing/display-rules';
import { Person } from '../../testing/person';
import { runs } from '../../testing/runs';
import type { Wish } from '../../src/lib/core/commands/commands';
import { newestPutAway } from '../../src/lib/core/slices/put-away/selectors';
import type { Session } from '../../src/lib/core/session/session';

let display: Display;
beforeAll(async () => {
  display = await Display.open();
});
afterAll(() => display.close());

/** What a program that is none of ours sees of a property of the root window: numbers of windows. */
function xprop(property: string): number[] {
  const said = execFileSync('xprop', ['-display', display.name, '-root', property], { encoding: 'utf8' });
  return [...said.matchAll(/0x[0-9a-f]+/g)].map(([number]) => Number(number));
}

describe('on a display', () => {
  it.each(DISPLAY_RULES)('$rule', async ({ desk: line, does, then }) => {
    // Every test begins on the first workspace.
    await display.connection.tellManager(display.connection.root, '_NET_CURRENT_DESKTOP', [0, 0]);
    const desk = await DisplayDesk.of(display, line);
    onTestFinished(() => desk.close());
    const person = new Person({ ...desk.session, host: { kind: 'simulated' } });
    does(person);
    await desk.take(person.batches);
    const seen = seenDesk(desk.session);
    expect(seen).toMatchObject(then);
    // All of it, not only what the rule is about, is as a simulated host has it.
    expect(seen).toEqual(seenDesk(person.session));
    expect(desk.settlements.filter(({ kind }) => kind !== 'done')).toEqual([]);
    const { windows } = desk.reading;
    const [active = 0] = xprop('_NET_ACTIVE_WINDOW');
    expect(windows.get(active)?.id ?? null).toBe(then.front ?? person.session.front);
    const pile = xprop('_NET_CLIENT_LIST_STACKING').map((xid) => windows.get(xid)?.id);
    expect(pile.join(' ')).toBe(seen.stacking);
  });
});

/** Anything that can be wished of windows, by numbers: of whom, and whether. */
const WISHES: readonly ((session: Session, n: number) => Wish | null)[] = [
  (session, n) =>
    onWindow(session, n, (window) => ({ type: 'bring-to-front', window, raiseAll: n % 2 === 0 })),
  (session, n) => onWindow(session, n, (window) => ({ type: 'bring-to-front', window, raiseAll: false })),
  (session, n) => onWindow(session, n, (window) => ({ type: 'minimise', window })),
  (session, n) => onApplication(session, n, (application) => ({ type: 'minimise-all', application })),
  (session, n) => onApplication(session, n, (application) => ({ type: 'restore-all', application })),
  (session, n) => onApplication(session, n, (application) => ({ type: 'hide', application })),
  (session, n) => onApplication(session, n, (application) => ({ type: 'show', application })),
  (session, n) => onApplication(session, n, (application) => ({ type: 'solo', application })),
  () => ({ type: 'sweep' }),
  // As the key does, it names what it puts back.
  (session) => {
    const entry = newestPutAway(session);
    return entry && { type: 'put-back', entry: entry.id };
  },
  (session, n) =>
    onWindow(session, n, (window) => ({ type: 'carry-window', window, workspace: `ws-${(n % 2) + 1}` })),
  (_session, n) => ({ type: 'enter-workspace', workspace: `ws-${(n % 2) + 1}` }),
];

const onWindow = (session: Session, n: number, wish: (id: string) => Wish) =>
  wish(session.windows[n % session.windows.length]?.id ?? '');
const onApplication = (session: Session, n: number, wish: (id: string) => Wish) =>
  wish(session.recent.applications.map(({ id }) => id).sort()[n % session.recent.applications.length] ?? '');

it('whatever is wished, as fast as it can be, a display ends as a simulated host does', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.tuple(fc.nat(WISHES.length - 1), fc.nat(11)), { minLength: 1, maxLength: 8 }),
      async (picks) => {
        await display.connection.tellManager(display.connection.root, '_NET_CURRENT_DESKTOP', [0, 0]);
        const desk = await DisplayDesk.of(display, 'a: a1 a2 a3 | b: b1 b2 | c: c1');
        try {
          const person = new Person({ ...desk.session, host: { kind: 'simulated' } });
          for (const [kind, n] of picks) {
            const wish = WISHES[kind]?.(person.session, n);
            if (wish) person.wish(wish);
          }
          await desk.take(person.batches);
          expect(seenDesk(desk.session)).toEqual(seenDesk(person.session));
        } finally {
          await desk.close();
        }
      },
    ),
    { numRuns: runs(40) },
  );
});
