/** Taking over a colleague's set-up, piece by piece (need N23). */
import { describe, expect, it } from 'vitest';
import { Person } from '../../../../testing/person';
import { sessionOf } from '../../../../testing/sessions';
import { ACTIONS } from '../actions/actions';
import { Registry } from '../actions/registry';
import type { Chord } from '../keys/chord';
import { find, has, idsIn } from '../model/table';
import { MOST_WINDOWS } from '../model/limits';
import { problemsOf, reduce, type Session } from '../session/session';
import { changingGuest, guestOf, removingGuest } from '../slices/setup/selectors';
import type { Guest, SetupChange } from '../slices/setup/state';
import type { Aim, Shortcut } from '../slices/shortcuts/state';
import { changeFrom, isTakeable, isTakenAtFirst, itemsOf, type Item } from './hand-over';
import { setupDocument, type SetupDocument } from './setup-document';

const registry = new Registry(ACTIONS);
const chord = (code: string): Chord => ({ code, shift: false, hold: true, modifiers: [] });
const shortcut = (id: string, code: string, aim: Aim): Shortcut => ({
  id,
  chord: chord(code),
  aim,
  opens: true,
  further: 'back',
});
const page = (id: string, address: string): Guest => ({
  id,
  name: id.toUpperCase(),
  monogram: 'Pg',
  hue: 9,
  home: id,
  kind: 'page',
  text: JSON.stringify({ name: id, start_url: address }),
});
const NOTHING: SetupChange = { settings: null, places: null, shortcuts: [], keys: [], guests: [] };
const HERE = sessionOf('a: a1 | b: b1 | c: c1');

function documentWith(change: Partial<SetupDocument>, session: Session = HERE): SetupDocument {
  return { ...setupDocument(session), ...change };
}
const itemIn = (items: readonly Item[], id: string): Item => {
  const item = items.find((one) => one.id === id);
  if (!item) throw new Error(`There is no '${id}' among ${items.map((one) => one.id).join(', ')}.`);
  return item;
};
/** Everything that fits, or just some of it, taken over by somebody. */
function taking(document: SetupDocument, session: Session = HERE, only?: readonly string[]): Person {
  const person = new Person(session);
  const items = itemsOf(session, document, registry);
  const taken = new Set(only ?? idsIn(items.filter(isTakeable)));
  person.wish({ type: 'change-setup', setup: changeFrom(session, items, taken) });
  return person;
}

describe('a set-up document', () => {
  it('has what a person works with, and nothing that goes with a window', () => {
    const person = new Person(HERE);
    person.wish({
      type: 'put-shortcut',
      shortcut: shortcut('s1', 'Quote', { application: 'b', title: '^b' }),
    });
    person.wish({ type: 'put-shortcut', shortcut: shortcut('s2', 'KeyK', { window: 'a1' }) });
    person.wish(changingGuest(page('p', 'https://p.example/')));
    const document = setupDocument(person.session);
    expect(document.shortcuts.map(({ id }) => id)).toEqual(['s1']);
    expect(document.applications).toEqual([page('p', 'https://p.example/')]);
    expect(document.names).toContainEqual({ thing: 'b', name: 'B' });
    expect(JSON.stringify(document)).not.toContain('"a1"');
  });

  it('leaves what may be pictured where it is: it is about the programs of one display', () => {
    const pictures = { shown: false, except: ['a'] };
    const here: Session = {
      ...HERE,
      settings: { ...HERE.settings, pictures, browserTabs: true, tally: false },
    };
    expect(setupDocument(here).settings).not.toHaveProperty('pictures');
    expect(setupDocument(here).settings).not.toHaveProperty('browserTabs');
    expect(setupDocument(here).settings).not.toHaveProperty('tally');
    const there = setupDocument({ ...HERE, settings: { ...HERE.settings, theme: 'night' } });
    expect(taking(there, here).session.settings).toMatchObject({
      theme: 'night',
      pictures,
      browserTabs: true,
      tally: false,
    });
  });

  it('taken over by another desk that is alike changes nothing: nothing in it is anything but the same', () => {
    const person = new Person({ ...HERE, places: HERE.places.with(5, { document: 'd-b' }) });
    person.wish({
      type: 'put-shortcut',
      shortcut: shortcut('s1', 'Quote', { application: 'b', title: null }),
    });
    person.wish({ type: 'set-key', key: { action: 'sweep', argument: null, chord: chord('F9') } });
    person.wish(changingGuest(page('p', 'https://p.example/')));
    const entry = '[Desktop Entry]\nType=Application\nName=Foo\nExec=foo\n';
    person.wish(changingGuest({ ...page('foo', ''), name: 'Foo', kind: 'desktop-entry', text: entry }));
    const items = itemsOf(person.session, setupDocument(person.session), registry);
    expect(items.map(({ part, state }) => `${part} ${state}`)).toEqual([
      ...Array.from({ length: 8 }, () => 'setting same'),
      'application same',
      'application same',
      ...Array.from({ length: 10 }, () => 'place same'),
      'shortcut same',
      'key same',
    ]);
    expect(items.filter(isTakeable)).toEqual([]);
    expect(changeFrom(person.session, items, new Set(idsIn(items)))).toEqual(NOTHING);
    // What has another name, or another combination, is changed; and is taken at first if that is nobody's.
    const { session } = person;
    const others = itemsOf(
      session,
      {
        ...setupDocument(session),
        shortcuts: [shortcut('s1', 'BracketLeft', { application: 'b', title: null })],
        keys: [{ action: 'sweep', argument: null, chord: null }],
        applications: [
          { ...page('elsewhere', ''), name: 'Foo', kind: 'desktop-entry', text: `${entry}Comment=x\n` },
        ],
      },
      registry,
    );
    expect(others.filter(isTakenAtFirst).map(({ id, state }) => [id, state])).toEqual([
      ['application foo', 'changes'],
      ['shortcut s1', 'changes'],
      ['key sweep ', 'changes'],
    ]);
  });

  it('taken over where it comes from changes nothing', () => {
    expect(itemsOf(HERE, setupDocument(HERE), registry).filter(({ state }) => state !== 'same')).toEqual([]);
  });
});

describe('what would change', () => {
  it('is told piece by piece, with what was not chosen counted as what it stands for', () => {
    const document = documentWith({
      settings: { holdKey: 'Meta', holding: true, theme: 'system', block: 'left' },
    });
    const items = itemsOf(HERE, document, registry);
    expect(itemIn(items, 'setting holdKey')).toMatchObject({ state: 'changes', from: 'Alt', to: 'Meta' });
    expect(itemIn(items, 'setting block').state).toBe('same');
  });

  it('finds applications by what they are called, else by their id, and says what is not here', () => {
    const names = [
      { thing: 'x', name: 'b' },
      { thing: 'y', name: 'Crane' },
    ];
    const items = itemsOf(
      HERE,
      documentWith({ places: ['x', 'y', 'c', ...HERE.places.slice(3)], names }),
      registry,
    );
    expect(itemIn(items, 'place 1')).toMatchObject({ to: 'b', state: 'changes', misfit: null });
    expect(itemIn(items, 'place 2')).toMatchObject({ misfit: { because: 'not-here', name: 'Crane' } });
    expect(itemIn(items, 'place 3').state).toBe('same');
    expect(isTakeable(itemIn(items, 'place 2'))).toBe(false);
  });

  it('documents are found by their titles as well, and a shortcut to what is not here does not fit', () => {
    const names = [{ thing: { document: 'x' }, name: 'b1' }];
    const document = documentWith({
      places: HERE.places.with(8, { document: 'x' }).with(9, { document: 'y' }),
      shortcuts: [shortcut('s1', 'Quote', { application: 'crane', title: null })],
      names,
    });
    const items = itemsOf(HERE, document, registry);
    expect(itemIn(items, 'place 9')).toMatchObject({ to: { document: 'd-b1' }, state: 'new', misfit: null });
    expect(itemIn(items, 'place 0')).toMatchObject({ misfit: { because: 'not-here', name: 'y' } });
    expect(itemIn(items, 'shortcut s1')).toMatchObject({ misfit: { because: 'not-here', name: 'crane' } });
  });

  it('an action that is not here does not fit', () => {
    const keys = [
      { action: 'fly', argument: null, chord: null },
      { action: 'place', argument: 'x', chord: null },
    ];
    const items = itemsOf(HERE, documentWith({ keys }), registry);
    expect(items.filter(({ misfit }) => misfit).map(({ part }) => part)).toEqual(['key', 'key']);
  });

  it('a combination that something has here is not taken unless somebody says so', () => {
    const shortcuts = [shortcut('s1', 'KeyS', { application: 'b', title: null })];
    const item = itemIn(itemsOf(HERE, documentWith({ shortcuts }), registry), 'shortcut s1');
    expect(item.collides).toMatchObject({ action: 'older-application' });
    expect([isTakeable(item), isTakenAtFirst(item)]).toEqual([true, false]);
  });

  it('a page that is here under another id stays the one that it is', () => {
    const person = new Person(HERE);
    person.wish(changingGuest(page('p', 'https://p.example/')));
    const document = documentWith({
      applications: [page('a', 'https://p.example/'), page('b', 'https://q.example/')],
    });
    const items = itemsOf(person.session, { ...document, places: HERE.places.with(9, 'a') }, registry);
    expect(itemIn(items, 'application p')).toMatchObject({
      state: 'changes',
      from: { name: 'P' },
      to: { home: 'p' },
    });
    expect(itemIn(items, 'application b-2')).toMatchObject({ state: 'new' });
    expect(itemIn(items, 'place 0')).toMatchObject({ to: 'p', needs: null });
  });
});

describe('taking over', () => {
  const document = documentWith({
    settings: { holdKey: 'Alt', holding: false, theme: 'night' },
    places: ['b', 'a', 'q', ...HERE.places.slice(3)],
    shortcuts: [shortcut('s1', 'Quote', { application: 'q', title: null })],
    keys: [{ action: 'sweep', argument: null, chord: chord('F9') }],
    applications: [page('q', 'https://q.example/')],
  });

  it('does all of it, and one undo takes all of it back', () => {
    const person = taking(document);
    const { places, settings, shortcuts, ownKeys } = person.session;
    expect([places.slice(0, 3), settings.theme, settings.holding]).toEqual([['b', 'a', 'q'], 'night', false]);
    expect([shortcuts.length, ownKeys.length]).toEqual([1, 1]);
    expect(guestOf(person.session, 'q')).toEqual(page('q', 'https://q.example/'));
    expect(problemsOf(person.session)).toEqual([]);
    person.wish({ type: 'put-setup-back', entry: null });
    expect({ ...person.session, setupsBefore: [] }).toEqual(HERE);
  });

  it('does just what is ticked; what needs an application that does not come stays as it was', () => {
    const person = taking(document, HERE, ['place 1', 'place 3', 'shortcut s1']);
    // B has left the second place, for nothing stands at two digits.
    expect(person.session.places.slice(0, 3)).toEqual(['b', null, 'c']);
    expect(person.session.shortcuts).toEqual([]);
    expect(person.session.settings).toEqual(HERE.settings);
  });

  it('a shortcut whose combination is taken over goes, and undo brings it back', () => {
    const mine = new Person(HERE);
    mine.wish({
      type: 'put-shortcut',
      shortcut: shortcut('mine', 'Quote', { application: 'a', title: null }),
    });
    const person = taking(document, mine.session);
    expect(person.session.shortcuts.map(({ id }) => id)).toEqual(['s1']);
    person.wish({ type: 'put-setup-back', entry: null });
    expect(person.session.shortcuts.map(({ id }) => id)).toEqual(['mine']);
  });

  it('of a shortcut that only moves here, nothing goes; a key that is taken over leaves who had it', () => {
    const mine = new Person(HERE);
    mine.wish({ type: 'put-shortcut', shortcut: shortcut('s1', 'Quote', { application: 'a', title: null }) });
    mine.wish({ type: 'put-shortcut', shortcut: shortcut('s2', 'KeyK', { application: 'b', title: null }) });
    const swapped = documentWith({
      shortcuts: [
        shortcut('s1', 'BracketLeft', { application: 'a', title: null }),
        shortcut('s2', 'Quote', { application: 'b', title: null }),
      ],
    });
    const person = taking(swapped, mine.session);
    expect(person.session.shortcuts.map(({ id, chord: { code } }) => [id, code])).toEqual([
      ['s1', 'BracketLeft'],
      ['s2', 'Quote'],
    ]);
    const keys = [{ action: 'sweep', argument: null, chord: chord('Quote') }];
    const other = taking(documentWith({ keys }), mine.session);
    expect(other.session.shortcuts.map(({ id }) => id)).toEqual(['s2']);
    expect(itemIn(itemsOf(mine.session, documentWith({ keys }), registry), 'key sweep ').collides).toEqual({
      action: 'shortcut',
      argument: 's1',
    });
  });

  it('happening once more, as when it is foreseen again, it changes nothing more; ten changes are kept', () => {
    const event = {
      type: 'setup-changed',
      ...NOTHING,
      guests: [{ application: 'p', to: page('p', 'https://p.example/') }],
      entry: 'e',
    } as const;
    const once = reduce(HERE, event);
    expect(reduce(once, event)).toEqual(once);
    const person = new Person(HERE);
    for (let hue = 0; hue < 12; hue += 1)
      person.wish(changingGuest({ ...page('p', 'https://p.example/'), hue }));
    expect(person.session.setupsBefore).toHaveLength(10);
    const [first, second] = person.session.setupsBefore;
    person.wish({ type: 'put-setup-back', entry: second?.id ?? null });
    expect(person.session.setupsBefore).toHaveLength(9);
    expect(person.session.setupsBefore[0]).toBe(first);
  });

  it('as many applications as there may be, and no more', () => {
    const [a] = HERE.applications;
    if (!a) throw new Error('There is no application.');
    const more = Array.from({ length: MOST_WINDOWS - HERE.applications.length - 1 }, (_, n) => ({
      ...a,
      id: `n-${n}`,
      running: false,
    }));
    const person = new Person({ ...HERE, applications: [...HERE.applications, ...more] });
    person.wish(changingGuest(page('p', 'https://p.example/')));
    person.wish(changingGuest(page('q', 'https://q.example/')));
    expect(person.notices).toContainEqual({ type: 'too-many-applications' });
    person.wish(changingGuest({ ...page('p', 'https://p.example/'), name: 'Other' }));
    expect(guestOf(person.session, 'p')?.name).toBe('Other');
  });

  it('undone twice under one name it is undone once; said once more it is so already', () => {
    const person = taking(document);
    const [entry] = person.session.setupsBefore;
    person.wish({ type: 'change-setup', setup: { ...NOTHING, settings: person.session.settings } });
    expect(person.notices).toContainEqual({ type: 'already-there' });
    for (let twice = 0; twice < 2; twice += 1)
      person.wish({ type: 'put-setup-back', entry: entry?.id ?? '' });
    expect(person.session.setupsBefore).toEqual([]);
  });
});

describe('an application that was added', () => {
  const withPage = () => {
    const person = new Person(HERE);
    person.wish(changingGuest(page('p', 'https://p.example/')));
    return person;
  };

  it('is launched, switched to and put away like any other', () => {
    const person = withPage();
    person.wish({ type: 'switch-to-application', application: 'p' });
    expect(find(person.session.windows, person.session.front ?? '')?.application).toBe('p');
    person.wish({ type: 'close', window: person.session.front ?? '' });
    expect(find(person.session.applications, 'p')?.running).toBe(false);
  });

  it('is not removed while it runs, nor is its coming undone', () => {
    const person = withPage();
    person.wish({ type: 'switch-to-application', application: 'p' });
    for (const wish of [removingGuest('p'), { type: 'put-setup-back', entry: null } as const]) {
      person.wish(wish);
      expect(person.notices).toContainEqual({ type: 'still-runs', application: 'p' });
      expect(has(person.session.applications, 'p')).toBe(true);
    }
  });

  it('that has gone is gone already', () => {
    const person = new Person(HERE);
    person.wish(removingGuest('z'));
    expect(person.notices).toContainEqual({ type: 'already-there' });
  });

  it('goes with its place, its shortcuts and what could be reopened of it, and comes back with the first two', () => {
    const person = withPage();
    person.wish({ type: 'put-in-index', thing: 'p', digit: '4' });
    person.wish({ type: 'put-in-index', thing: { document: 'p' }, digit: '5' });
    person.wish({
      type: 'put-shortcut',
      shortcut: shortcut('s1', 'Quote', { application: 'p', title: null }),
    });
    person.wish({ type: 'switch-to-application', application: 'p' });
    person.wish({ type: 'close', window: person.session.front ?? '' });
    person.wish(removingGuest('p'));
    const { session } = person;
    expect([session.places.slice(3, 5), session.shortcuts, session.ended]).toEqual([[null, null], [], []]);
    expect([has(session.applications, 'p'), has(session.documents, 'p')]).toEqual([false, false]);
    expect(problemsOf(session)).toEqual([]);
    // Undoing an older change of the index does not bring back what is gone.
    const undone = new Person(session);
    undone.wish({ type: 'put-index-back', entry: null });
    expect(problemsOf(undone.session)).toEqual([]);
    person.wish({ type: 'put-setup-back', entry: null });
    expect(person.session.places.slice(3, 5)).toEqual(['p', { document: 'p' }]);
    expect(person.session.shortcuts).toHaveLength(1);
  });

  it('can be changed while it runs, and undo gives back what it was', () => {
    const person = withPage();
    person.wish({ type: 'switch-to-application', application: 'p' });
    person.wish(changingGuest({ ...page('p', 'https://other.example/'), name: 'Other' }));
    expect(guestOf(person.session, 'p')?.name).toBe('Other');
    person.wish({ type: 'put-setup-back', entry: null });
    expect(guestOf(person.session, 'p')).toEqual(page('p', 'https://p.example/'));
  });
});

describe('a change that does not fit is refused, and changes nothing', () => {
  it.each<[string, RegExp, Partial<SetupChange>]>([
    [
      'what is no guest',
      /'a' is no application that was added/,
      { guests: [{ application: 'a', to: null }] },
    ],
    [
      'another id than its own',
      /cannot become 'q'/,
      { guests: [{ application: 'p', to: page('q', 'https://q.example/') }] },
    ],
    [
      'a home that is another’s',
      /'d-a' is something else's/,
      { guests: [{ application: 'p', to: { ...page('p', 'https://p.example/'), home: 'd-a' } }] },
    ],
    ['a place for what is not there', /There is no application 'z'/, { places: HERE.places.with(0, 'z') }],
    [
      'a place for a document that is not there',
      /There is no document 'z'/,
      { places: HERE.places.with(0, { document: 'z' }) },
    ],
    [
      'a shortcut to what is not there',
      /'s' goes to what there is not/,
      { shortcuts: [{ shortcut: 's', to: shortcut('s', 'Quote', { application: 'z', title: null }) }] },
    ],
    [
      'a shortcut to a window that is not there',
      /'s' goes to what there is not/,
      { shortcuts: [{ shortcut: 's', to: shortcut('s', 'Quote', { window: 'z' }) }] },
    ],
    [
      'a shortcut under another id',
      /cannot become another one/,
      { shortcuts: [{ shortcut: 's', to: shortcut('t', 'Quote', { window: 'a1' }) }] },
    ],
    [
      'one combination twice',
      /A combination would have two/,
      { shortcuts: ['s', 't'].map((id) => ({ shortcut: id, to: shortcut(id, 'Quote', { window: 'a1' }) })) },
    ],
    [
      'too many',
      /too many shortcuts/,
      {
        keys: Array.from({ length: 201 }, (_, n) => ({
          action: `x${n}`,
          argument: null,
          to: { action: `x${n}`, argument: null, chord: null },
        })),
      },
    ],
  ])('%s', (_name, why, change) => {
    const person = new Person(HERE);
    expect(() => person.wish({ type: 'change-setup', setup: { ...NOTHING, ...change } })).toThrow(why);
    expect(person.session).toEqual(HERE);
  });
});
