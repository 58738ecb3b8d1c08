/** The index: what stands where, walking it, and changing it (needs N8 and N12). */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Person, personAt, REGISTRY } from '../../../../testing/person';
import { runs } from '../../../../testing/runs';
import { sessionOf, withApplication, withWindow } from '../../../../testing/sessions';
import { find } from '../model/table';
import type { Session } from '../session/session';
import { putAt, sameThing } from '../slices/places/selectors';
import { DIGITS, type Digit, type Places, type Thing } from '../slices/places/state';
import { placeMenuOf } from './place-menu';
import { placeViews } from './place-view';

/** What stands at the places, `.` for nothing and `/d-x` for a document. */
const placesOf = ({ places }: Session) =>
  places
    .map((thing) => (thing === null ? '.' : typeof thing === 'string' ? thing : `/${thing.document}`))
    .join(' ');
const withPlaces = (session: Session, ...things: (Thing | null)[]): Session => ({
  ...session,
  places: DIGITS.map((_, at) => things[at] ?? null),
});

/** Someone who walks the index. */
const walker = (session: Session) => new Person(session).press('index').letGo();
const key = (person: Person, name: string, shift = false) =>
  person.tap(name, { key: name, alt: false, shift });
const digit = (person: Person, digit: Digit, shift = false) =>
  person.tap(`Digit${digit}`, { alt: false, shift });
const letters = (person: Person, text: string) => {
  for (const letter of text) person.tap(`Key${letter.toUpperCase()}`, { key: letter, alt: false });
  return person;
};
const at = (person: Person) => (person.state.walk ? (DIGITS[person.state.walk.at] ?? 'nowhere') : null);

/** Names of the harbour, at places 1 to 6. */
function harbour(): Session {
  const names = { a: 'Tides', b: 'Berths', c: 'Pilot Log', d: 'Letters', e: 'Lights', f: 'Byelaws' };
  let session = sessionOf('a: a1 a2 | b: b1 | c: c1 | d: d1 | e: e1 | f: f1');
  for (const [id, name] of Object.entries(names)) session = withApplication(session, id, { name });
  return session;
}

describe('what stands in the index', () => {
  it('is shown with its windows, whether they are minimised, and whether it runs, is hidden and in front', () => {
    const session = withPlaces(sessionOf('a: a1 a2- | !b: b1 | c: c1'), 'a', null, 'b', { document: 'd-c1' });
    const [a, none, b, c] = placeViews(session);
    expect(a).toMatchObject({ digit: '1', name: 'A', inFront: true });
    expect(a?.windows.map(({ minimised }) => minimised)).toEqual([false, true]);
    expect(none).toBeNull();
    expect(b).toMatchObject({ digit: '3', inFront: false, application: { hidden: true } });
    expect(c).toMatchObject({ digit: '4', name: 'c1', inFront: false, application: { id: 'c' } });
    expect(placeViews({ ...session, front: 'c1' })[3]?.inFront).toBe(true);
  });

  it('never changes by itself, whatever is done with windows', () => {
    const person = personAt('a: a1 | b: b1 b2 | c: c1');
    const before = person.session.places;
    person.flip().flip('next-window').act('sweep').letGo().act('put-back').letGo();
    person.wish({ type: 'quit', application: 'b' }).wish({ type: 'close', window: 'c1' });
    expect(person.session.places).toBe(before);
  });
});

describe('putting something at a digit', () => {
  const PLACES = ['a', 'b', 'c', null] as const;

  it('changes places with what stands there, or sends that to the first empty place, or out', () => {
    expect(putAt(PLACES, 'c', '1')).toEqual(['c', 'b', 'a', null]);
    expect(putAt(PLACES, 'b', '4')).toEqual(['a', null, 'c', 'b']);
    expect(putAt(PLACES, 'x', '2')).toEqual(['a', 'x', 'c', 'b']);
    expect(putAt(['a', 'b'], 'x', '2')).toEqual(['a', 'x']);
    expect(putAt(PLACES, 'a', '1')).toEqual(PLACES);
  });

  it('loses nothing while there is room, doubles nothing, and moves two at most', () => {
    const thing = fc.constantFrom<Thing>('a', 'b', 'c', { document: 'd' }, 'e');
    const taken: fc.Arbitrary<Places> = fc
      .uniqueArray(thing, { comparator: sameThing })
      .map((things) => DIGITS.map((_, n) => things[n] ?? null));
    fc.assert(
      fc.property(taken, thing, fc.constantFrom(...DIGITS), (places, one, to) => {
        const after = putAt(places, one, to);
        const named = (list: readonly (Thing | null)[]) =>
          list.flatMap((item) => (item === null ? [] : [JSON.stringify(item)])).sort();
        expect(named(after)).toEqual([...new Set([...named(places), JSON.stringify(one)])].sort());
        expect(after.filter((item, n) => !sameThing(item, places[n] ?? null)).length).toBeLessThanOrEqual(2);
        expect(sameThing(after[DIGITS.indexOf(to)] ?? null, one)).toBe(true);
      }),
      { numRuns: runs(300) },
    );
  });
});

describe('walking', () => {
  it('begins with what is in front, and later where it was; the same key, Escape and Tab lead back', () => {
    const person = walker(harbour());
    expect(at(person)).toBe('1');
    key(person, 'ArrowDown');
    key(person, 'Escape');
    expect(at(person)).toBeNull();
    expect(at(person.press('index').letGo())).toBe('2');
    expect(at(person.press('index').letGo())).toBeNull();
    expect(at(key(person.press('index').letGo(), 'Tab'))).toBeNull();
    expect(at(key(person, 'F6'))).toBe('2');
  });

  it('is one of three sections that F6 goes through: window, index, foot line, and with Shift the other way', () => {
    const person = walker(harbour());
    key(person, 'Escape');
    const sections = () =>
      person.effects.flatMap((effect) =>
        effect.type === 'page' && effect.request.type === 'keys-to' ? [effect.request.section] : [],
      );
    expect(at(key(person, 'F6'))).not.toBeNull();
    expect([at(key(person, 'F6')), sections()]).toEqual([null, ['foot']]);
    person.key({ code: 'F6', key: 'F6', atFoot: true });
    expect([at(person), sections()]).toEqual([null, ['foot', 'front']]);
    person.key({ code: 'F6', key: 'F6', shift: true });
    expect(sections()).toEqual(['foot', 'front', 'foot']);
    person.key({ code: 'F6', key: 'F6', shift: true, atFoot: true });
    expect(at(person)).not.toBeNull();
    person.key({ code: 'F6', key: 'F6', shift: true });
    expect([at(person), sections()]).toEqual([null, ['foot', 'front', 'foot', 'front']]);
  });

  it('goes round with fresh presses and stops with a repeat; empty places are passed over', () => {
    const person = walker(withPlaces(harbour(), null, 'a', null, 'b'));
    expect(at(person)).toBe('2');
    expect(at(key(person, 'ArrowDown'))).toBe('4');
    expect(at(person.key({ code: 'ArrowDown', key: 'ArrowDown', alt: false, repeat: true }))).toBe('4');
    expect(at(key(person, 'ArrowDown'))).toBe('2');
    expect(at(key(person, 'ArrowUp'))).toBe('4');
    expect(at(key(person, 'Home'))).toBe('2');
    expect(at(key(person, 'End'))).toBe('4');
  });

  it('goes by the letters of a name, which narrow it; the same letter again goes on', () => {
    const person = walker(harbour());
    expect(at(letters(person, 'b'))).toBe('2');
    expect(at(letters(person, 'y'))).toBe('6');
    person.input({ type: 'time', timer: 'seek' });
    expect(at(letters(person, 'l'))).toBe('4');
    expect(at(letters(person, 'l'))).toBe('5');
    expect(at(letters(person, 'l'))).toBe('4');
    person.input({ type: 'time', timer: 'seek' });
    expect(at(letters(person, 'log'))).toBe('3');
    expect(at(letters(person, 'x'))).toBe('3');
  });

  it('goes to the place of a digit', () => {
    const person = walker(harbour());
    expect(at(digit(person, '5'))).toBe('5');
    expect(at(digit(person, '9'))).toBe('5');
    expect(person.notices).toEqual([{ type: 'empty-place', digit: '9' }]);
  });

  it('Enter brings forward, launching what does not run; with Shift all others are hidden', () => {
    const person = walker(harbour());
    person.wish({ type: 'quit', application: 'b' });
    key(digit(person, '2'), 'Enter');
    expect(find(person.session.applications, 'b')?.running).toBe(true);
    expect(at(person)).toBeNull();
    key(digit(person.press('index').letGo(), '4'), 'Enter', true);
    expect(person.session.front).toBe('d1');
    const hidden = person.session.applications.filter((one) => one.hidden).map(({ id }) => id);
    expect(hidden.join('')).toBe('abcef');
    person.press('put-back').letGo();
    expect(person.session.applications.some((one) => one.hidden)).toBe(false);
  });

  it('makes the keys of the hold key act on the place that is walked', () => {
    const person = walker(harbour());
    digit(person, '3').act('hide-or-show').letGo();
    expect(find(person.session.applications, 'c')?.hidden).toBe(true);
    expect(at(person)).toBe('3');
    person.act('quit').letGo();
    expect(find(person.session.applications, 'c')?.running).toBe(false);
    expect(person.session.front).toBe('a1');
  });

  it.each<[string, (person: Person) => unknown]>([
    ['the switcher opens', (person) => person.press('older-application')],
    ['a place is pressed', (person) => person.hold().tap('Digit2')],
    [
      'the pointer presses somewhere else',
      (person) => person.input({ type: 'pointer', did: 'press', holdKeyDown: false }),
    ],
  ])('ends when %s', (_name, does) => {
    const person = walker(harbour());
    does(person);
    expect(at(person)).toBeNull();
  });

  it('goes on to what stands next when its place is emptied elsewhere', () => {
    const person = digit(walker(harbour()), '3');
    person.wish({ type: 'take-from-index', thing: 'c' });
    expect(at(person)).toBe('4');
  });

  it('has no menu keys and no letters while a dialog is open', () => {
    const person = key(walker(harbour()), 'ArrowLeft');
    expect(person.state.dialog).toBe('place-menu');
    expect(at(letters(person, 'b'))).toBe('1');
    person.input({ type: 'pointer', did: 'press', holdKeyDown: false });
    expect(at(person)).toBe('1');
  });
});

describe('changing the index', () => {
  it('carries what is walked up and down, and puts it at a digit', () => {
    const person = walker(harbour());
    key(person, 'ArrowDown', true);
    expect(placesOf(person.session)).toBe('b a c d e f . . . .');
    expect(at(person)).toBe('2');
    key(person, 'ArrowUp', true);
    key(person, 'ArrowUp', true);
    expect(placesOf(person.session)).toBe('a b c d e f . . . .');
    digit(person, '0', true);
    expect(placesOf(person.session)).toBe('. b c d e f . . . a');
    expect(at(person)).toBe('0');
    expect(at(key(person, 'ArrowDown', true))).toBe('0');
  });

  it('takes out, adds what is in front, what is highlighted and what was found, and undoes each', () => {
    const person = walker(harbour());
    const undo = () => person.tap('KeyZ', { key: 'z', alt: false, control: true });
    digit(person, '2');
    key(person, 'Delete');
    expect(placesOf(person.session)).toBe('a . c d e f . . . .');
    expect(at(person)).toBe('3');
    undo();
    expect(placesOf(person.session)).toBe('a b c d e f . . . .');
    expect(at(person)).toBe('3');
    digit(person, '1', true);
    expect(at(person)).toBe('1');
    undo();
    // With what was carried.
    expect(at(person)).toBe('3');
    undo();
    expect(person.notices).toEqual([{ type: 'nothing-to-undo' }]);

    const desk = withPlaces(harbour());
    const documents = desk.documents.map((one) => (one.id === 'd-f' ? { ...one, title: 'Sole dues' } : one));
    const other = new Person({ ...desk, documents });
    other.press('add-to-index').letGo();
    other.step('older-application').press('add-to-index').letGo();
    other.press('search').letGo().type('sole').press('add-to-index').letGo();
    expect(placesOf(other.session)).toMatch(/^a b \/d-f( \.){7}$/);
    other.escape().press('add-to-index').letGo();
    expect(other.notices).toEqual([{ type: 'in-index', digit: '2' }]);
  });

  it('says when all places are taken, and changes nothing', () => {
    const person = personAt('a: a1 | b: | c: | d: | e: | f: | g: | h: | i: | j: | k: k1');
    person.wish({ type: 'bring-to-front', window: 'k1', raiseAll: false }).press('add-to-index').letGo();
    expect(person.notices).toEqual([{ type: 'index-full' }]);
    expect(placesOf(person.session)).toBe('a b c d e f g h i j');
  });

  it('is undone by name, so that undoing the same twice undoes one change', () => {
    const person = new Person(harbour());
    person.wish({ type: 'take-from-index', thing: 'a' }).wish({ type: 'take-from-index', thing: 'b' });
    const [first, second] = person.session.placesBefore.map(({ id }) => id);
    person.wish({ type: 'put-index-back', entry: second ?? '' });
    person.wish({ type: 'put-index-back', entry: second ?? '' });
    expect(person.notices).toEqual([{ type: 'nothing-to-undo' }]);
    expect(placesOf(person.session)).toBe('. b c d e f . . . .');
    person.wish({ type: 'put-index-back', entry: first ?? '' });
    expect(placesOf(person.session)).toBe('a b c d e f . . . .');
  });

  it('refuses what there is not', () => {
    const person = new Person(harbour());
    expect(() => person.wish({ type: 'put-in-index', thing: 'nobody', digit: '1' })).toThrow(
      /no application 'nobody'/,
    );
    expect(() => person.wish({ type: 'put-in-index', thing: { document: 'none' }, digit: '1' })).toThrow(
      /no document 'none'/,
    );
    expect(person.wish({ type: 'take-from-index', thing: { document: 'd-a' } }).notices).toEqual([
      { type: 'not-in-index' },
    ]);
  });
});

describe('a document in the index', () => {
  const session = () =>
    withPlaces(sessionOf('a: a1 | b: b1 b2-'), 'a', { document: 'd-b2' }, { document: 'd-b' });

  it('comes forward in its window, or opens with its program', () => {
    const person = new Person(session()).hold().tap('Digit2').letGo();
    expect(person.session.front).toBe('b2');
    person.hold().tap('Digit2').letGo();
    expect(person.notices).toEqual([{ type: 'only-window', application: 'b' }]);
    person.hold().tap('Digit3').letGo();
    expect(find(person.session.windows, person.session.front ?? '')?.tabs[0]?.document).toBe('d-b');
    expect(key(walker(session()), 'ArrowDown').tap('Enter', { key: 'Enter', alt: false }).session.front).toBe(
      'b2',
    );
  });

  it('is acted on in its window', () => {
    const person = digit(walker(session()), '2').act('close').letGo();
    expect(find(person.session.windows, 'b2')).toBeUndefined();
    expect(find(person.session.windows, 'b1')).toBeDefined();
  });
});

describe('the menu of a place', () => {
  it('holds its windows by recent use, documents that are open nowhere, what was closed last first, and acts', () => {
    const person = personAt('a: a1 a2 | b: b1 b2 b3').wish({ type: 'close', window: 'b2' });
    const menu = placeMenuOf(person.session, REGISTRY, { application: 'b', window: 'b1' });
    expect(menu.windows.map(({ id }) => id)).toEqual(['b1', 'b3']);
    expect(menu.documents.map(({ id }) => id)).toEqual(['d-b2', 'd-b']);
    expect(menu.acts.map(({ action }) => action)).toEqual(['new-window', 'solo', 'hide-or-show', 'quit']);
  });

  it('offers to end now what does not answer', () => {
    const session = withApplication(sessionOf('a: a1'), 'a', { answering: false });
    const { acts } = placeMenuOf(withWindow(session, 'a1', {}), REGISTRY, { application: 'a', window: 'a1' });
    expect(acts.map(({ action }) => action)).toContain('end-now');
  });
});
