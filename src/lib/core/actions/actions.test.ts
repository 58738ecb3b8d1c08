import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sessionOf, later } from '../../../../testing/sessions';
import { personAt, REGISTRY } from '../../../../testing/person';
import { busySession, wishFrom, wishSeeds } from '../../../../testing/wishes';
import { NEWCOMER } from '../../../../testing/candidates';
import { runs } from '../../../../testing/runs';
import type { Wish } from '../commands/commands';
import { decide } from '../host/decide';
import { catalogueOf } from '../search/session-catalogue';
import { search } from '../search/search';
import type { Session } from '../session/session';
import { titleOf, windowOf } from '../slices/windows/selectors';
import { action, actionFamily, wishes } from './action';
import { ACTIONS } from './actions';
import { held, heldShift } from './binding';
import { Registry } from './registry';
import { frontTarget, windowTarget, type Target } from './target';
import { keyList } from './views/key-list';
import { keyMapOf } from './views/key-map';
import { legendOf } from './views/legend';

const keys = () => keyMapOf(REGISTRY, busySession());
const of = (id: string) => ({ action: id, argument: null });
const decided = (session: Session, n: number, wish: Wish) =>
  decide(session, { ...wish, id: `c${n}`, at: later(n) });

/** Sessions that a run of wishes leads to. */
function sessionAfter(seeds: Parameters<typeof wishFrom>[0][]): Session {
  return seeds.reduce((session, seed, n) => {
    const wish = wishFrom(seed, session);
    const decision = wish && decided(session, n, wish);
    return decision?.ok ? decision.session : session;
  }, busySession());
}

describe('what is offered', () => {
  it('happens: something follows from it, and no notice', () => {
    const invocations = REGISTRY.invocations(busySession());
    fc.assert(
      fc.property(wishSeeds(0, 25), fc.constantFrom(...invocations), fc.nat(9), (seeds, invocation, pick) => {
        const session = sessionAfter(seeds);
        const window = session.windows[pick % Math.max(1, session.windows.length)];
        const target: Target | null = window ? windowTarget(session, window.id) : frontTarget(session);
        const offer = REGISTRY.offer(session, invocation, target);
        if ('not' in offer) return;
        let now = session;
        const asked = offer.does.filter((deed) => deed.to !== 'session').length;
        let events = 0;
        for (const [n, deed] of offer.does.entries()) {
          if (deed.to !== 'session') continue;
          const decision = decided(now, 1_000 + n, deed.wish);
          if (!decision.ok) throw new Error(`${invocation.action}: ${decision.refusal.detail}`);
          expect([invocation.action, decision.notices]).toEqual([invocation.action, []]);
          events += decision.events.length;
          now = decision.session;
        }
        // A window that is asked to come forward may be there already.
        if (invocation.action !== 'next-question') expect(asked + events).toBeGreaterThan(0);
      }),
      { numRuns: runs(600) },
    );
  });

  it('says why not: what the host would say, or that there is nothing to act on', () => {
    const session = sessionOf('a: a1- | b: b1');
    const not = (id: string, target: Target | null) => REGISTRY.offer(session, of(id), target);
    expect(not('minimise', windowTarget(session, 'a1'))).toEqual({ not: { type: 'already-minimised' } });
    expect(not('minimise', null)).toEqual({ not: { type: 'no-window-here' } });
    expect(not('minimise', { application: 'a', window: null })).toEqual({ not: { type: 'no-window-here' } });
    expect(not('put-back', null)).toEqual({ not: { type: 'nothing-to-put-back' } });
  });

  it('is one question after the other, the most recently used first, and round again', () => {
    const asking = ['a1', 'b1', 'c1'].reduce(
      (person, window) => person.wish({ type: 'close', window }),
      personAt('a: a1* | b: b1* | c: c1* | d: d1'),
    );
    const next = (session: Session) => REGISTRY.offer(session, of('next-question'), null);
    const goes = (window: string) => ({
      does: expect.arrayContaining([
        { to: 'session', wish: { type: 'bring-to-front', window, raiseAll: false } },
      ]),
    });
    expect(next({ ...asking.session, front: null })).toEqual(goes('a1'));
    expect(next(asking.session)).toEqual(goes('b1'));
    expect(next({ ...asking.session, front: 'c1' })).toEqual(goes('a1'));
    expect(next(sessionOf('a: a1'))).toEqual({ not: { type: 'nothing-asks' } });
    const hidden = sessionOf('!a: a1 | b: b1');
    const shown = { does: [{ to: 'session', wish: { type: 'show', application: 'a' } }] };
    expect(REGISTRY.offer(hidden, of('hide-or-show'), windowTarget(hidden, 'a1'))).toEqual(shown);
  });

  it('is nothing that the host cannot carry out', () => {
    const poor = new Registry(ACTIONS);
    const session: Session = {
      ...sessionOf('a: a1'),
      host: { kind: 'live', name: 'a display', abilities: ['minimise'] },
    };
    expect(poor.offer(session, of('quit'), frontTarget(session))).toEqual({ not: { type: 'host-cannot' } });
    expect(poor.offer(session, of('minimise'), frontTarget(session))).toHaveProperty('does');
  });
});

describe('the registry', () => {
  it('has an id of its own for every action, and one key for no two of them', () => {
    expect(() => new Registry([...ACTIONS, ...ACTIONS])).toThrow(/one id/);
    expect(() => REGISTRY.action('fly')).toThrow(/no action 'fly'/);
    expect(keys().conflicts).toEqual([]);
  });

  it('tells two actions that want one key, and gives it to the first', () => {
    const greedy = action({
      id: 'greedy',
      group: 'end',
      acts: 'nothing',
      words: { title: 'Greedy', short: 'greedy', synonyms: [] },
      keys: [held('KeyZ'), heldShift('Quote')],
      offer: () => wishes({ type: 'sweep' }),
    });
    const map = keyMapOf(new Registry([...ACTIONS, greedy]), busySession());
    expect(map.conflicts).toMatchObject([{ has: of('minimise'), wants: of('greedy') }]);
    expect(map.at(['held'], { code: 'Quote', key: '"', shift: true })?.invocation).toEqual(of('greedy'));
    expect(map.at(['held'], { code: 'KeyZ', key: 'z', shift: false })?.invocation).toEqual(of('minimise'));
  });

  it('asks the scopes that hold one after the other', () => {
    const at = { code: 'ArrowRight', key: 'ArrowRight', shift: false };
    expect(keys().at(['rows', 'list'], at)?.invocation).toEqual(of('next-window'));
    expect(keys().at(['list'], at)).toBeNull();
  });

  it('holds actions with an argument: each of them is found, bound and refused by it', () => {
    const closing = actionFamily({
      id: 'close-this',
      group: 'end',
      acts: 'nothing',
      arguments: ({ windows }) => windows.map(({ id }) => id),
      words: (id, session) => ({ title: `Close ${titleOf(windowOf(session, id))}`, short: id, synonyms: [] }),
      keys: (id) => (id === 'a1' ? [held('Digit1')] : []),
      offer: (_session, _target, window) => wishes({ type: 'close', window }),
    });
    const registry = new Registry([closing]);
    const session = sessionOf('a: a1 a2');
    expect(registry.invocations(session).map(({ argument }) => argument)).toEqual(['a1', 'a2']);
    expect(registry.words({ action: 'close-this', argument: 'a2' }, session).title).toBe('Close a2');
    expect(keyMapOf(registry, session).chordOf({ action: 'close-this', argument: 'a1' })?.code).toBe(
      'Digit1',
    );
    expect(registry.offer(session, { action: 'close-this', argument: 'a1' }, null)).toHaveProperty('does');
    expect(registry.offer(session, { action: 'close-this', argument: 'gone' }, null)).toEqual({
      not: { type: 'not-there' },
    });
  });
});

describe('the views of it', () => {
  it('a legend explains one layer of the keys, opposite steps together, in the order of the registry', () => {
    const some = [
      'close-all',
      'older-application',
      'newer-application',
      'search',
      'minimise',
      'quit',
      'close',
    ];
    const registry = new Registry(ACTIONS.filter(({ id }) => some.includes(id)));
    const texts = (shift: boolean) =>
      legendOf(registry, keyMapOf(registry, busySession()), busySession(), {
        groups: ['find', 'put-away', 'end'],
        shift,
      }).map(({ keys: caps, text }) => `${caps.map(({ at }) => at.code.slice(-1)).join('')} ${text}`);
    expect(texts(false)).toEqual(['AS applications', 'Q search', 'Z minimise', 'C close', 'V quit']);
    expect(texts(true)).toEqual(['C close all']);
  });

  it('the list of keys names everything that has a key, and says what cannot be done now', () => {
    const session = sessionOf('a: a1');
    const lines = keyList(REGISTRY, keys(), session).flatMap((section) => section.lines);
    const bound = new Set(keys().bindings.map(({ invocation }) => invocation.action));
    const listed = new Set(lines.map(({ invocation }) => invocation.action));
    expect([...bound].filter((action) => !listed.has(action))).toEqual([]);
    expect(listed.has('export')).toBe(true);
    expect(listed.has('shortcut')).toBe(false);
    const line = (id: string) => lines.find(({ invocation }) => invocation.action === id);
    expect(line('minimise')).toMatchObject({ chord: { code: 'KeyZ', shift: false }, not: null });
    expect(line('put-back')).toMatchObject({ not: { type: 'nothing-to-put-back' } });
    expect(line('keys')).toMatchObject({ chord: { code: 'KeyH' }, others: [{ at: { key: 'F1' } }] });
    expect(line('commit-all')).toMatchObject({
      chord: null,
      others: [{ at: { key: 'Enter' }, shift: true }],
    });
    expect(line('place')).toMatchObject({ chord: { code: 'Digit1' }, upTo: { at: { code: 'Digit0' } } });
    expect(lines.filter(({ invocation }) => invocation.action === 'place')).toHaveLength(1);
  });
});

describe('words that people have', () => {
  const used = () => personAt('a: a1 a2- | b: b1* b2 | !c: c1').wish({ type: 'close', window: 'b2' });
  const first = (letters: string) =>
    search(catalogueOf(used().session, REGISTRY), letters, NEWCOMER)[0]?.candidate.title;

  it.each([
    ['undo', 'Reopen the last closed window or application'],
    ['keys', 'Keys and help'],
    ['shortcut', 'Shortcuts: make one to what is in front'],
    ['help', 'Keys and help'],
    ['commands', 'Keys and help'],
    ['minimize everything', 'Sweep all windows away'],
    ['unminimize all', 'Restore all windows of the front application'],
    ['dark', 'Night colours'],
    ['preferences', 'Settings'],
    ['everything', 'Sweep all windows away'],
    ['new', 'New window of the front application'],
    ['unsaved', 'b1'],
    ['hidden', 'c1'],
  ])('%s finds %s', (letters, title) => expect(first(letters)).toBe(title));

  it('but scattered letters alone end or hide nothing', () => {
    const found = search(catalogueOf(sessionOf('a: a1'), REGISTRY), 'qtfp', NEWCOMER);
    expect(found).toEqual([]);
  });
});

describe('two actions that were missing', () => {
  it('restore all brings the minimised windows of the application back up, the front one staying on top', () => {
    const person = personAt('a: a1 a2- a3- | b: b1').act('restore-all');
    expect(person.session.windows.filter(({ minimised }) => minimised)).toEqual([]);
    expect(person.session.front).toBe('a1');
    expect(person.stacking).toBe('b1 a3 a2 a1');
    expect(person.act('restore-all').notices).toEqual([{ type: 'nothing-to-restore' }]);
  });

  it('restore all of an application with nothing in front brings its most recent window forward', () => {
    const person = personAt('a: a1- a2-').step('older-application').act('restore-all');
    expect([person.session.front, person.session.windows.some(({ minimised }) => minimised)]).toEqual([
      'a1',
      false,
    ]);
  });

  it('new window opens another one of the highlighted application, in front', () => {
    const person = personAt('a: a1 | b: b1').step('older-application').act('new-window');
    expect(person.session.windows.map(({ application }) => application)).toEqual(['a', 'b', 'b']);
    expect(windowOf(person.session, person.session.front ?? '').application).toBe('b');
  });
});
