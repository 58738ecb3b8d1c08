import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aroundOf, Person, REGISTRY } from '../../../../testing/person';
import { US_NEIGHBOURS } from '../../../../testing/candidates';
import { runs } from '../../../../testing/runs';
import { later, sessionOf } from '../../../../testing/sessions';
import { STEPS } from '../desk/order';
import { catalogueOf } from '../search/session-catalogue';
import type { Session } from '../session/session';
import { cheapestWay, type Means, type Route } from './cheapest-way';
import { PUBLISHED } from './operators';

/** Every key costs one, and looking nothing: the cheapest way is that with the fewest keys. */
const KEYS_ALONE = { ...PUBLISHED, key: 1, mental: 0 };

const means = (session: Session, more: Partial<Means> = {}): Means => ({
  session,
  matching: aroundOf(session).matching,
  operators: PUBLISHED,
  search: null,
  ...more,
});
const way = (line: string, to: string, more: Partial<Means> = {}) => {
  const session = sessionOf(line);
  return cheapestWay(to, means(session, more));
};
const words = (route: Route | null): string =>
  (route?.strokes ?? [])
    .map((stroke) =>
      'does' in stroke
        ? `${stroke.does.action}${stroke.does.argument === null ? '' : ` ${stroke.does.argument}`}`
        : 'letters' in stroke
          ? stroke.letters
          : 'enter',
    )
    .join(', ');

describe('the cheapest way', () => {
  it('is a flip to the application before, two keys without a look', () => {
    const found = way('a: a1 | b: b1 | c: c1', 'b1', { operators: { ...PUBLISHED, key: 0.2 } });
    expect(found).toMatchObject({ keys: 2, looks: 0, seconds: 0.4 });
  });

  it('is a place where it is farther', () => {
    expect(words(way('a: a1 | b: b1 | c: c1 | d: d1', 'c1'))).toBe('place 3');
  });

  it('is the window keys within an application', () => {
    expect(words(way('a: a1 a2 a3', 'a3'))).toBe('previous-window');
  });

  it('is a place and the window keys from there, for the last window of what is far away', () => {
    const found = way('a: a1 | b: b1 | c: c1 c2 c3 c4 c5 | d: d1', 'c5');
    expect(words(found)).toBe('place 3, previous-window');
    expect(found).toMatchObject({ way: 'place', keys: 3, looks: 1 });
  });

  it('is a shortcut to a window that is nowhere near; one that leads back goes no further', () => {
    const person = new Person(sessionOf('a: a1 | b: b1 | c: c1 c2 c3 c4 c5 c6'));
    const shortcut = (window: string) => ({
      id: 's1',
      chord: { code: 'KeyE', shift: false, hold: true, modifiers: [] },
      aim: { window },
      opens: false,
      further: 'back' as const,
    });
    person.wish({ type: 'put-shortcut', shortcut: shortcut('c3') });
    expect(words(cheapestWay('c3', means(person.session)))).toBe('shortcut s1');
    expect(words(cheapestWay('c4', means(person.session)))).not.toContain('shortcut');
  });

  it('is putting back what was just put away', () => {
    const session = { ...sessionOf('a: a1 | b: b1 b2 b3 b4'), places: Array(10).fill(null) as null[] };
    const person = new Person(session).wish({ type: 'bring-to-front', window: 'b3', raiseAll: false });
    person.wish({ type: 'minimise', window: 'b3' });
    person.wish({ type: 'minimise', window: person.session.front ?? '' });
    const back = person.session.putAways.at(-1);
    expect(back).toBeDefined();
    const found = cheapestWay(back?.front ?? '', means(person.session));
    expect(found?.keys).toBeLessThanOrEqual(2);
  });

  it('is search where that takes fewest: the letters that find it first, as ranking stands', () => {
    const line = Array.from({ length: 30 }, (_, n) => `p${n}: w${n}-quay x${n}`).join(' | ');
    const session = { ...sessionOf(line), places: Array(10).fill(null) as null[] };
    const search = {
      catalogue: catalogueOf(session, REGISTRY),
      searcher: { learned: [], neighbours: US_NEIGHBOURS, at: later(0) },
    };
    const found = cheapestWay('x15', means(session, { search }));
    expect(found?.way).toBe('search');
    expect(words(found)).toMatch(/^search, x1?5?, enter$/);
    expect(cheapestWay('x15', means(session))?.way).not.toBe('search');
  });

  it('is none to a window that only opens on the way there', () => {
    expect(way('a: a1 | b:', 'b1')).toBeNull();
  });

  it('is none to what is in front', () => {
    expect(way('a: a1', 'a1')).toBeNull();
  });
});

/** All that some keys in one hold can do, tried out at the desk itself: the fewest keys that bring each window forward. */
function fewestKeys(session: Session, most: number): Map<string, number> {
  const fewest = new Map<string, number>();
  const digits = session.applications.map((_, n) => `Digit${n + 1}`);
  const press = (person: Person, key: string) =>
    key.startsWith('Digit') ? person.hold().tap(key) : person.press(key);
  const go = (keys: readonly string[]): void => {
    if (keys.length > 0) {
      const person = keys.reduce(press, new Person(session));
      const { front } = person.release().session;
      if (front !== null && keys.length < (fewest.get(front) ?? Infinity)) fewest.set(front, keys.length);
    }
    if (keys.length < most) for (const key of [...STEPS, ...digits]) go([...keys, key]);
  };
  go([]);
  return fewest;
}

const smallDesk = fc
  .array(fc.array(fc.constantFrom('', '-'), { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 3 })
  .map((applications) =>
    applications
      .map((windows, a) => {
        const name = 'abc'[a] ?? '';
        // What is in front is not minimised.
        const marked = windows.map((mark, n) => `${name}${n + 1}${a + n === 0 ? '' : mark}`);
        return `${name}: ${marked.join(' ')}`;
      })
      .join(' | '),
  );

it('takes as few keys as any sequence at the desk does, all of three keys and fewer tried', () => {
  const most = 3;
  fc.assert(
    fc.property(smallDesk, (line) => {
      const session = sessionOf(line);
      const fewest = fewestKeys(session, most);
      for (const { id } of session.windows) {
        if (id === session.front) continue;
        const found = cheapestWay(id, means(session, { operators: KEYS_ALONE }));
        const tried = fewest.get(id);
        if (tried !== undefined) expect([line, id, found?.keys]).toEqual([line, id, tried + 1]);
        else expect(found?.keys ?? Infinity).toBeGreaterThan(most + 1);
      }
    }),
    { numRuns: runs(25) },
  );
});

it('leads there: done at the desk, its strokes bring the window forward', () => {
  fc.assert(
    fc.property(smallDesk, (line) => {
      const session = sessionOf(line);
      for (const { id } of session.windows) {
        const found = cheapestWay(id, means(session));
        if (!found) continue;
        const person = new Person(session).hold();
        for (const stroke of found.strokes) {
          if (!('does' in stroke)) continue;
          const { action, argument } = stroke.does;
          if (argument === null) person.press(action);
          else person.tap(`Digit${argument}`);
        }
        expect([line, id, person.release().session.front]).toEqual([line, id, id]);
      }
    }),
    { numRuns: runs(60) },
  );
});
