import { windowOf } from '../slices/windows/selectors';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { START, later } from '../../../../testing/sessions';
import { catalogueOfTitles } from '../../../../testing/candidates';
import { personAt, REGISTRY } from '../../../../testing/person';
import { ellavane } from '../../demo/ellavane';
import { fromDocument } from '../formats/session-document';
import { ACTIONS } from '../actions/actions';
import { Registry } from '../actions/registry';
import { reduce, type Session } from '../session/session';
import { catalogueOf } from './session-catalogue';
import { learn } from '../slices/learning/learning';
import { commandsOf, isThere, thingsOf, type Candidate } from './candidates';
import { initialsOf } from './catalogue';
import { marksOf, MOST_LEARNED, MOST_RESULTS, ONE_CHOICE, rankOf, search, strongest } from './search';

const office: Session = fromDocument(ellavane(new Date(START)));
const find = (letters: string, session = office) =>
  search(catalogueOf(session, REGISTRY), letters, session.learned, later(0)).map(
    ({ candidate }) => candidate,
  );
const first = (letters: string) => find(letters)[0]?.title;

describe('search finds', () => {
  it.each([
    ['a word', 'gauge', 'North Gauge'],
    ['a word start', 'outer', 'Outer Buoy'],
    ['initials', 'ukc', 'Under-keel clearance'],
    ['initials of two words', 'tq', 'Timber Quay'],
    ['letters with gaps', 'tmbrqy', 'Timber Quay'],
    ['words in any order', 'sill lock', 'Lock Sill'],
    ['swapped letters', 'tmiber', 'Timber Quay'],
    ['swapped letters within', 'rosetr', 'Roster'],
    ['another case', 'LOCK', 'Lock Sill'],
    ['accents on the letters', 'lóck', 'Lock Sill'],
    ['a document that is not open', 'orra', 'To Bell of Orra — water'],
    ['an application', 'berths', 'Berths'],
    ['a command of Key Fold', 'sweep', 'Sweep all windows away'],
    ['a title by its application', 'tides outer', 'Outer Buoy'],
  ])('%s', (_, letters, title) => {
    expect(first(letters)).toBe(title);
  });

  it('accents in the text by plain letters', () => {
    const session = reduce(office, {
      type: 'tab-retitled',
      window: 'w-lock-sill',
      tab: windowOf(office, 'w-lock-sill').activeTab,
      title: 'Hôtel des Écluses',
    });
    expect(find('ecluses', session)[0]?.title).toBe('Hôtel des Écluses');
  });

  it('nothing for nothing, and nothing for what is not there', () => {
    expect(find('  ')).toEqual([]);
    expect(find('zzzz')).toEqual([]);
  });

  it('a document only while it is not open in a window', () => {
    expect(find('lock sill').map(({ subject }) => subject.kind)).not.toContain('document');
  });

  it('and marks the letters that matched, in the title and beside it', () => {
    const [found] = search(catalogueOf(office, REGISTRY), 'lock tides', [], later(0));
    const marks = found && marksOf(found);
    expect([...(marks?.title ?? [])]).toEqual([0, 1, 2, 3]);
    expect([...(marks?.detail ?? [])]).toEqual([0, 1, 2, 3, 4]);
  });
});

describe('letters inside words', () => {
  const titlesFor = (letters: string, titles: readonly string[]) =>
    search(catalogueOfTitles(titles), letters, [], later(0)).map(({ candidate }) => candidate.title);

  it('count while the list has room', () => {
    expect(titlesFor('quay', ['Timberquay', 'Quay'])).toEqual(['Quay', 'Timberquay']);
  });

  it('wait for more letters once word starts alone fill the list', () => {
    const quays = Array.from({ length: MOST_RESULTS }, (_, n) => `Quay for heavy ships ${n}`);
    expect(titlesFor('q', ['equal', ...quays])).toEqual(quays);
    expect(titlesFor('qual', ['equal', ...quays])).toContain('equal');
  });

  it('are told from the letters that words start with, whatever accents they carry', () => {
    expect([...initialsOf('Écluse n° 4 — d’été, under-keel')].sort()).toEqual(['4', 'd', 'e', 'k', 'n', 'u']);
  });
});

describe('the ranking', () => {
  it('puts what runs before what does not, and the recent before the old, where they match alike', () => {
    const person = personAt('a: north1 north2 | b: b1');
    person.step('older-application').type('north');
    expect(person.found.slice(0, 2)).toEqual(['north1', 'north2']);
    person.escape().wish({ type: 'bring-to-front', window: 'north2', raiseAll: false });
    person.step('older-application').type('north');
    expect(person.found.slice(0, 2)).toEqual(['north2', 'north1']);
  });

  it('puts a command behind the things that match as well, so that it must be meant', () => {
    expect(find('q')[0]?.title).toContain('Quay');
    expect(find('e')[0]?.subject.kind).toBe('window');
    expect(find('quit')[0]?.title).toBe('Quit the front application');
  });

  it('learns: what is chosen for letters rises for these letters and for the way to them, and fades', () => {
    const titles = (letters: string, learned = office.learned, at = later(0)) =>
      search(catalogueOf(office, REGISTRY), letters, learned, at).map(({ candidate }) => candidate.key);
    const before = titles('l');
    const choice = find('l')[4]?.learnedAs ?? '';
    let learned = office.learned;
    for (let n = 0; n < 6; n += 1) learned = learn(learned, { letters: 'lo', choice, at: later(n) });
    expect(titles('l', learned).indexOf(before[4] ?? '')).toBeLessThan(4);
    expect(titles('x', learned)).toEqual(titles('x'));
    expect(titles('l', learned, later(86_400 * 365))).toEqual(before);
  });

  it('by hand: one fresh choice adds 0.1, two 0.15, no number of them more than 0.3', () => {
    const [candidate] = find('lock');
    const added = (strength: number) =>
      rankOf(candidate as Candidate, 0.5, strength) - rankOf(candidate as Candidate, 0.5, 0);
    expect(added(1)).toBeCloseTo(0.1, 12);
    expect(added(2)).toBeCloseTo(0.15, 12);
    expect(added(1e9)).toBeCloseTo(MOST_LEARNED, 6);
  });

  it('one choice moves that result alone, and never past one that led by more than it adds', () => {
    const word = fc.constantFrom(
      'tide',
      'timber',
      'quay',
      'north',
      'lock',
      'sill',
      'log',
      'letter',
      'notice',
      'tug',
    );
    const title = fc.array(word, { minLength: 1, maxLength: 3 }).map((words) => words.join(' '));
    const letters = fc.constantFrom('t', 'ti', 'l', 'lo', 'n', 'no', 'q', 'ili', 'tg');
    fc.assert(
      fc.property(
        fc.array(title, { minLength: 4, maxLength: 30 }),
        letters,
        fc.nat(),
        (titles, query, pick) => {
          const catalogue = catalogueOfTitles(titles, { running: true });
          const before = search(catalogue, query, [], later(0));
          fc.pre(before.length > 1);
          const chosen = before[pick % before.length];
          const key = chosen?.candidate.key ?? '';
          const after = search(
            catalogue,
            query,
            learn([], { letters: query, choice: key, at: later(0) }),
            later(0),
          );
          const keys = (list: typeof before) => list.map(({ candidate }) => candidate.key);
          const others = (list: typeof before) => keys(list).filter((other) => other !== key);
          expect(others(after)).toEqual(others(before));
          expect(keys(after).indexOf(key)).toBeLessThanOrEqual(keys(before).indexOf(key));
          const passed = before.slice(keys(after).indexOf(key), keys(before).indexOf(key));
          for (const { rank } of passed)
            expect(rank - (chosen?.rank ?? 0)).toBeLessThanOrEqual(ONE_CHOICE + 1e-9);
        },
      ),
    );
  });
});

describe('what was chosen often', () => {
  it('is found even where more than the list holds match better, if it matches at all', () => {
    const titles = [
      ...Array.from({ length: MOST_RESULTS + 5 }, (_, n) => `North ${n}`),
      'a turn north by east',
      'x',
    ];
    const keys = (letters: string) => {
      const learned = titles
        .flatMap((_, n) => learn([], { letters, choice: `document:${n}`, at: later(0) }))
        .slice(-2);
      return search(catalogueOfTitles(titles), letters, learned, later(0)).map(
        ({ candidate }) => candidate.key,
      );
    };
    expect(keys('north')).toHaveLength(MOST_RESULTS);
    expect(keys('north')).toContain(`document:${titles.length - 2}`);
    expect(keys('north')).not.toContain(`document:${titles.length - 1}`);
  });

  it('is listed by its strength now', () => {
    const learned = [
      { letters: 'a', choice: 'old', weight: 3, at: later(-86_400 * 28) },
      { letters: 'b', choice: 'new', weight: 1, at: later(0) },
    ];
    const listed = strongest(learned, later(0)).map(({ choice, strength }) => [choice, strength]);
    expect(listed).toEqual([
      ['new', 1],
      ['old', 0.75],
    ]);
  });
});

describe('the catalogue of a session', () => {
  it('is kept while nothing changes that search can find', () => {
    const { session } = personAt('a: a1 | b: b1*');
    const made = catalogueOf(session, REGISTRY);
    const same = (change: Partial<Session>, registry = REGISTRY) =>
      catalogueOf({ ...session, ...change }, registry) === made;
    expect(same({})).toBe(true);
    expect(same({ drafts: session.drafts.map((draft) => ({ ...draft, text: 'more' })) })).toBe(true);
    expect(same({ settings: { ...session.settings, holding: false } })).toBe(true);
    // By night, night colours are no more among what can be done.
    expect(same({ settings: { ...session.settings, theme: 'night' } })).toBe(false);
    catalogueOf(session, REGISTRY);
    for (const change of [
      { drafts: [] },
      { windows: session.windows.slice() },
      { recent: { ...session.recent } },
    ]) {
      const before = catalogueOf(session, REGISTRY);
      expect(catalogueOf({ ...session, ...change }, REGISTRY)).not.toBe(before);
    }
    expect(catalogueOf(session, new Registry(ACTIONS))).not.toBe(catalogueOf(session, REGISTRY));
  });

  it('names each thing by what it is, and leaves out what is not there any more', () => {
    const { session } = personAt('a: a1 | b: b1').wish({ type: 'close', window: 'b1' });
    const candidates = [...thingsOf(session), ...commandsOf(session, REGISTRY)];
    const keys = candidates.map(({ key }) => key);
    const things = [
      'window:a1',
      'application:a',
      'application:b',
      'document:d-a',
      'document:d-b',
      'document:d-b1',
    ];
    expect(keys.slice(0, 6)).toEqual(things);
    expect(candidates.slice(0, 6).map(({ learnedAs }) => learnedAs)).toEqual([
      'document:d-a1',
      ...things.slice(1),
    ]);
    expect(candidates.map(({ position }) => position).slice(0, 4)).toEqual([0, 0, 1, Infinity]);
    expect(keys).toContain('command:reopen');
    const gone = (later: Session) => things.filter((_, n) => !isThere(later, candidates[n] as Candidate));
    expect(gone(session)).toEqual([]);
    expect(gone({ ...session, documents: [], applications: [] })).toEqual(things.slice(1));
    expect(gone(personAt('a: | b: b1').session)).toEqual(['window:a1', 'document:d-b1']);
  });
});

describe('in the switcher', () => {
  it('choosing a result does what it stands for, and is remembered for the letters', () => {
    const person = personAt('a: a1 | b: b1 | c: c1-').step('older-application').type('C1 ').release();
    expect(person.session.front).toBe('c1');
    expect(person.session.learned).toMatchObject([{ letters: 'c1', choice: 'document:d-c1', weight: 1 }]);
  });

  it('acts on the highlighted result, which then stays or gives way to the next', () => {
    const person = personAt('a: log1 log2 log3 | b: b1').step('older-application').type('log');
    person.act('minimise');
    expect(windowOf(person.session, 'log1').minimised).toBe(true);
    expect(person.found[0]).toBe('log1');
    person.act('close');
    expect(person.found.slice(0, 2)).toEqual(['log2', 'log3']);
    expect(person.release().session.front).toBe('log2');
  });

  it('goes back to the rows when the line is emptied, and stays open', () => {
    const person = personAt('a: a1 | b: b1').step('older-application').type('a1').type('');
    expect(person.row).toBe('b');
    expect(person.switcher?.mode).toBe('staying');
  });
});
