import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { catalogueOfCandidates, catalogueOfTitles, NEWCOMER, titled } from '../../../../testing/candidates';
import { personAt, REGISTRY } from '../../../../testing/person';
import { later, START } from '../../../../testing/sessions';
import { ellavane } from '../../demo/ellavane';
import { fromDocument } from '../formats/session-document';
import { LONGEST_TITLE } from '../model/limits';
import { reduce, type Session } from '../session/session';
import { learn } from '../slices/learning/learning';
import type { LearnedChoice } from '../slices/learning/state';
import { windowOf } from '../slices/windows/selectors';
import { BAND, KINDS } from './kinds';
import { queriesOf } from './query';
import { search } from './search';
import { catalogueOf } from './session-catalogue';

const office: Session = fromDocument(ellavane(new Date(START)));
const find = (letters: string, session = office) =>
  search(catalogueOf(session, REGISTRY), letters, NEWCOMER).map(({ candidate }) => candidate);
const first = (letters: string) => find(letters)[0]?.title;
const among = (titles: readonly string[], letters: string, learned: readonly LearnedChoice[] = []) =>
  search(catalogueOfTitles(titles), letters, { ...NEWCOMER, learned });
const titlesFor = (letters: string, titles: readonly string[]) =>
  among(titles, letters).map(({ candidate }) => candidate.title);

/** Written by hand before the matcher was: what someone at the harbour office types, and means by it. */
const MEANT: readonly (readonly [title: string, letters: string])[] = [
  ['Lock Sill', 'lock|sill|LOCK|lóck|sill lock'],
  ['Timber Quay', 'tq|quay|tomber|tmbrqy|tmiber'],
  ['North Gauge', 'north g|ng|gaug|guage'],
  ['North Quay', 'nq'],
  ['Under-keel clearance', 'ukc|keel|clearence|underkeel'],
  ['To Sable Wren — towage', 'sable|wren tow|unsaved'],
  ['Towing guide', 'towing'],
  ['Oil Jetty', 'oil|jety|oj|jetty oil'],
  ['Channel 16', 'ch 16|16|radio 16|radio16|minimised'],
  ['Channel 12', 'c12|chanel'],
  ['Yesterday', 'yesterdy|pilot yes'],
  ['Pilot Log', 'log'],
  ['Roster', 'rostr|rosetr'],
  ['Week 48', '48|wk48'],
  ['Notice 14 draft', 'notice|drft'],
  ['Reply about harbour dues', 'reply harbor|rahd|letters reply'],
  // A tab that its window does not show just now.
  ['Harbour dues', 'dues|harbour dues|byelaws dues'],
  ['To Bell of Orra — water', 'bell|ora|orra'],
  ['Inbox', 'inbx'],
  ['Wind', 'hidden|wi'],
  ['Weather', 'wether'],
  ['Evening bulletin', 'bulletn'],
  ['Outer Buoy', 'outre buoy|bouy|tides buoy|tides outer'],
  ['Cabinet', 'cabnet'],
  ['Byelaws', 'byelwas|bylaws'],
  ['Berths', 'berths|brt'],
  ['Settings', 'set|settings'],
  ['Keys and help', 'help'],
  ['Night colours', 'dark'],
  ['Minimise the front window', 'min|mnmz|minimize'],
  ['Quit the front application', 'quit'],
  ['End the front application now', 'end'],
  ['Sweep all windows away', 'swp|sweep'],
];

describe('in the harbour office', () => {
  it.each(MEANT.flatMap(([title, all]) => all.split('|').map((letters) => [letters, title] as const)))(
    '%s finds %s first',
    (letters, title) => expect(first(letters)).toBe(title),
  );

  it('nothing for nothing, and nothing for what is not there', () => {
    for (const letters of ['', '  ', 'zzzz', '#', 'ж']) expect(find(letters)).toEqual([]);
  });

  it('a document only while no window shows it', () => {
    expect(find('lock sill').map(({ subject }) => subject.kind)).not.toContain('document');
  });

  it('accents in the text by plain letters', () => {
    const { activeTab: tab } = windowOf(office, 'w-lock-sill');
    const event = { type: 'tab-retitled', window: 'w-lock-sill', tab, title: 'Hôtel des Écluses' } as const;
    expect(find('ecluses', reduce(office, event))[0]?.title).toBe('Hôtel des Écluses');
  });
});

describe('a kind of match', () => {
  const matched = (letters: string, title: string, detail = '') =>
    search(catalogueOfCandidates([titled(title, { detail })]), letters, NEWCOMER)[0]?.kind;

  it.each([
    ['word', 'gauge', 'North Gauge'],
    ['word-start', 'gau', 'North Gauge'],
    ['word-start', 'ga no', 'North Gauge'],
    ['word', 'v2.1', 'Plan v2.1'],
    ['initials', 'rpn', 'Reply, plan, notes'],
    ['initials', 'ukc', 'Under-keel clearance'],
    ['run-together', 'northga', 'North Gauge'],
    ['run-together', 'noga', 'North Gauge'],
    ['run-together', 'time table', 'Timetable'],
    ['consonants', 'rpn', 'Reopen what ended last'],
    ['consonants', 'mnms', 'Minimise the front window'],
    ['consonants', 'brt', 'Berths'],
    ['consonants', 'chnl', 'Channel'],
    ['fragment', 'ill', 'Pencilling'],
    ['scattered', 'ili', 'Pencilling'],
    ['word-start', 'weissh', 'Weißhaupt'],
    ['word-start', 'muelle', 'Müller-Straußner'],
    ['word-start', 'müll', 'Mueller'],
    ['word-start', 'kathr', 'Καθρέφτης'],
    ['word-start', 'raspis', 'Расписание уроков'],
    ['word-start', 'חודש', 'דוח חודשי'],
    ['slip', 'staack', 'Stack trace'],
    ['slip', 'figgure', 'Figures'],
    ['slip', 'angwr', 'Anger'],
    ['slip', 'sillnorth', 'North Sill'],
    ['two-slips', 'calefnar', 'Calendar'],
    ['scattered', 'nrthg', 'North Gauge'],
  ])('%s: %s for %s', (kind, letters, title) => expect(matched(letters, title)).toBe(kind));

  it('is told apart by where it is: in the title, beside it, or some of it here and some there', () => {
    expect(matched('tides', 'Lock', 'Tides')).toBe('word-beside');
    expect(matched('tid', 'Lock', 'Tides')).toBe('word-start-beside');
    expect(matched('tides lock', 'Lock', 'Tides')).toBe('word');
    expect(matched('tid lo', 'Lock', 'Tides')).toBe('word-start');
  });

  it('never stands before a better one, whatever was used when', () => {
    const best = ['gauge', 'gauged', 'Gr. A. U. G. E.', 'gau ge', 'gegauge', 'guage', 'g a x u g e x'];
    const titles = [...best].reverse();
    const found = among(titles, 'gauge');
    expect(found.map(({ candidate }) => candidate.title).slice(0, 2)).toEqual(['gauge', 'gauged']);
    for (const [n, { kind }] of found.entries())
      expect(BAND[kind]).toBeGreaterThanOrEqual(BAND[found[n - 1]?.kind ?? 'word']);
    expect(new Set(found.map(({ kind }) => kind)).size).toBeGreaterThan(3);
    expect(KINDS).toHaveLength(11);
  });

  it('inside words waits for more letters once words that start with them fill the list', () => {
    expect(titlesFor('quay', ['Timberquay', 'Quay'])).toEqual(['Quay', 'Timberquay']);
    const quays = Array.from({ length: 50 }, (_, n) => `Quay for heavy ships ${n}`);
    expect(titlesFor('q', ['equal', ...quays])).toEqual(quays);
    expect(titlesFor('qual', ['equal', ...quays])).toContain('equal');
  });

  it('by slips only where no word starts with the letters as they were typed', () => {
    expect(titlesFor('form', ['Form', 'From'])).toEqual(['Form']);
    expect(titlesFor('forn', ['Form', 'Forms'])).toEqual(['Form', 'Forms']);
  });

  it('by scattered letters only where there is nothing else, and never what ends or puts away', () => {
    expect(titlesFor('lksl', ['Lock Sill', 'Lksl'])).toEqual(['Lksl']);
    expect(titlesFor('lksl', ['Lock Sill'])).toEqual(['Lock Sill']);
    const command = (firm: boolean) =>
      search(
        catalogueOfCandidates([
          titled('Quit', { subject: { kind: 'command', invocation: { action: 'q', argument: null }, firm } }),
        ]),
        'qit',
        { ...NEWCOMER, neighbours: new Map() },
      );
    expect(command(false)).toHaveLength(1);
    expect(search(catalogueOf(office, REGISTRY), 'qtfp', NEWCOMER)).toEqual([]);
    // Not even if it was chosen for fewer letters.
    const learned = learn([], { letters: 'q', choice: 'command:quit', at: later(0) });
    const searcher = { ...NEWCOMER, learned };
    expect(search(catalogueOf(office, REGISTRY), 'q', searcher)[0]?.candidate.key).toBe('command:quit');
    expect(search(catalogueOf(office, REGISTRY), 'qtfp', searcher)).toEqual([]);
  });
});

describe('within a kind', () => {
  it('what was used last comes first, whatever else there is: ranked before it is cut', () => {
    const person = personAt('a: north1 north2 | b: b1');
    person.step('older-application').type('north');
    expect(person.found.slice(0, 2)).toEqual(['north1', 'north2']);
    person.escape().wish({ type: 'bring-to-front', window: 'north2', raiseAll: false });
    person.step('older-application').type('north');
    expect(person.found.slice(0, 2)).toEqual(['north2', 'north1']);
    const catalogue = catalogueOfTitles(Array.from({ length: 200 }, (_, n) => `Plan ${n}`));
    catalogue.move('document:0', 500);
    catalogue.move('document:199', 0);
    expect(search(catalogue, 'plan', NEWCOMER)[0]?.candidate.title).toBe('Plan 199');
  });

  it.each([
    ['the more of a word was typed', 'gau', ['Gauged', 'Gauges north']],
    ['the fewer words there are', 'gauge', ['Gauge', 'Gauge of the north quay']],
    ['the first word', 'gauge', ['Gauge north', 'North gauge']],
    ['neighbours in their order', 'no ga', ['North gauge', 'Gauge north', 'North quay gauge']],
    ['with the signs that were typed', '#5', ['Plan #5', 'Plan 5']],
    ['whole words run together', 'nogau', ['No gauge', 'Nord gauge']],
    ['consonants of one word', 'ngth', ['Nagathe', 'Nagging thing']],
  ])('closer is %s', (_, letters, titles) => {
    const unused = [...titles].reverse().map((title) => titled(title));
    const found = search(catalogueOfCandidates(unused), letters, NEWCOMER);
    expect(found.map(({ candidate }) => candidate.title)).toEqual(titles);
  });

  it.each([
    ['a fragment', 'ill', 'Pencilling'],
    ['initials', 'pl', 'Pilot Log'],
    ['words run together', 'pilotlo', 'Pilot Log'],
    ['consonants', 'brt', 'Berths'],
    ['a slip', 'pecilling', 'Pencilling'],
    ['scattered letters', 'plg', 'Pilot Log'],
  ])('the title comes before what stands beside it, by %s', (_, letters, text) => {
    const beside = titled('Zz', { detail: text });
    const inTitle = titled(`${text} for all others`);
    const found = search(catalogueOfCandidates([beside, inTitle]), letters, NEWCOMER);
    expect(found.map(({ candidate }) => candidate)).toEqual([inTitle, beside]);
  });

  it('one word in the title and one beside it come before words of the title that are apart', () => {
    const mixed = titled('Lock', { detail: 'Tides' });
    const apart = titled('Lock of all tides');
    const found = search(catalogueOfCandidates([apart, mixed]), 'tid loc', NEWCOMER);
    expect(found.map(({ candidate }) => candidate)).toEqual([mixed, apart]);
  });

  it('scattered letters come first where they start with a word', () => {
    expect(titlesFor('ili', ['Pencilling', 'Ivy licence'])).toEqual(['Ivy licence', 'Pencilling']);
    expect(titlesFor('igr', ['Pencilling for a rover'])).toEqual([]);
  });

  it('two slips are looked for only where one finds nothing, and blanks that were left out too', () => {
    expect(titlesFor('calendxr', ['Calendxtr', 'Calendars'])).toEqual(['Calendxtr', 'Calendars']);
    expect(titlesFor('caelndxr', ['Calendars'])).toEqual(['Calendars']);
    expect(titlesFor('caelndar', ['Calendars', 'Clavendxr'])).toEqual(['Calendars']);
    expect(titlesFor('sillnorth', ['North sill', 'Silknorth'])).toEqual(['Silknorth']);
  });

  it('an application stands behind the window of its name that was used as lately', () => {
    const window = titled('Gauge');
    const application = titled('Gauge', { key: 'a', subject: { kind: 'application', application: 'a' } });
    const catalogue = catalogueOfCandidates([application, window]);
    const first = () => search(catalogue, 'gauge', NEWCOMER)[0]?.candidate;
    catalogue.move(window.key, 0);
    catalogue.move('a', 0);
    expect(first()).toBe(window);
    // One that does not run has no windows.
    catalogue.move(window.key, Infinity);
    catalogue.move('a', Infinity);
    expect(first()).toBe(application);
  });
});

describe('what was chosen for letters', () => {
  const titles = ['Quay', 'Quays', 'Timberquay', 'North quay', 'quy'];
  const chosen = (...choices: readonly (readonly [letters: string, n: number])[]) =>
    choices.reduce<readonly LearnedChoice[]>(
      (learned, [letters, n], at) => learn(learned, { letters, choice: `document:${n}`, at: later(at - 60) }),
      [],
    );
  const order = (letters: string, learned: readonly LearnedChoice[]) =>
    among(titles, letters, learned).map(({ candidate }) => candidate.title);

  it('comes first after one choice, across kinds, and says why', () => {
    expect(order('quay', [])[0]).toBe('Quay');
    const [best] = among(titles, 'quay', chosen(['quay', 2]));
    expect(best).toMatchObject({ candidate: { title: 'Timberquay' }, kind: 'fragment' });
    expect(best?.lesson).toMatchObject({ letters: 'quay', times: 1 });
    expect(among(titles, 'quay', chosen(['quay', 2], ['quay', 2]))[0]?.lesson?.times).toBe(2);
  });

  it('three wrong choices are mended by two right ones', () => {
    const wrong = [
      ['qu', 3],
      ['qu', 3],
      ['qu', 3],
    ] as const;
    expect(order('qu', chosen(...wrong))[0]).toBe('North quay');
    expect(order('qu', chosen(...wrong, ['qu', 0], ['qu', 0]))[0]).toBe('Quay');
  });

  it('counts by half for longer letters and for shorter ones, and not at all for others', () => {
    const learned = chosen(['qua', 3]);
    for (const letters of ['qua', 'qu', 'q', 'quay']) expect(order(letters, learned)[0]).toBe('North quay');
    expect(order('no', learned)).toEqual(order('no', []));
    const [half] = among(titles, 'qu', learned);
    const [whole] = among(titles, 'qua', learned);
    expect(half?.lesson?.strength).toBeCloseTo((whole?.lesson?.strength ?? 0) / 2, 12);
  });

  it('is found even where more than the list holds match better, if it matches at all', () => {
    const many = [...Array.from({ length: 55 }, (_, n) => `North ${n}`), 'a turn norths', 'x'];
    const keys = (n: number) =>
      among(many, 'north', chosen(['north', n])).map(({ candidate }) => candidate.key);
    expect(keys(55)[0]).toBe('document:55');
    expect(keys(56)).not.toContain('document:56');
    expect(keys(56)).toHaveLength(50);
  });

  it('moves nothing else: the others stay in their order', () => {
    const word = fc.constantFrom('tide', 'timber', 'quay', 'north', 'lock', 'sill', 'log', 'letter', 'tug');
    const title = fc.array(word, { minLength: 1, maxLength: 3 }).map((words) => words.join(' '));
    const letters = fc.constantFrom('t', 'ti', 'l', 'lo', 'n', 'no', 'q', 'ill', 'tg', 'tiem');
    fc.assert(
      fc.property(
        fc.array(title, { minLength: 4, maxLength: 30 }),
        letters,
        fc.nat(),
        (titles, query, pick) => {
          const before = among(titles, query).map(({ candidate }) => candidate.key);
          fc.pre(before.length > 1);
          const key = before[pick % before.length] ?? '';
          const learned = learn([], { letters: query, choice: key, at: later(0) });
          const after = among(titles, query, learned).map(({ candidate }) => candidate.key);
          expect(after.filter((other) => other !== key)).toEqual(before.filter((other) => other !== key));
          expect(after.indexOf(key)).toBeLessThanOrEqual(before.indexOf(key));
        },
      ),
    );
  });
});

describe('whatever is typed', () => {
  it('there is an answer', () => {
    const catalogue = catalogueOf(office, REGISTRY);
    const nasty = fc.oneof(
      fc.string({ unit: 'binary' }),
      fc.string({ unit: fc.constantFrom('\u0301', '\ud800', 'l') }),
    );
    fc.assert(fc.property(nasty, (letters) => void search(catalogue, letters, NEWCOMER)));
  });

  it.each([
    ['10,000 letters', 'lock'.repeat(2_500)],
    ['10,000 words', 'l '.repeat(10_000)],
    ['10,000 different words', Array.from({ length: 10_000 }, (_, n) => n.toString(36)).join(' ')],
    ['10,000 letters that are several each', 'Щß'.repeat(5_000)],
    ['marks alone', '\u0301\u0302'.repeat(5_000)],
    ['unpaired surrogates', '\ud800\udc00\ud800'.repeat(3_000)],
    ['control characters', '\u0000\u0007\u001b'.repeat(3_000)],
  ])('no more is looked for than can tell titles apart: %s', (_, letters) => {
    for (const { joined, parts, written } of queriesOf(letters)) {
      expect(written.length).toBeLessThanOrEqual(LONGEST_TITLE);
      expect(joined.length).toBeLessThanOrEqual(4 * LONGEST_TITLE);
      expect(parts.length).toBeLessThanOrEqual(12);
    }
    expect(search(catalogueOf(office, REGISTRY), letters, NEWCOMER).length).toBeLessThan(51);
  });

  it('a whole title finds itself, however long', () => {
    const long = 'Berth plan for the harbour year with all its quays and jetties and moorings '
      .repeat(2)
      .trim();
    expect(titlesFor(long, ['Berth plan', long, 'Harbour'])).toEqual([long]);
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

  it('forgets what was learned about the highlighted result, which stays where it is', () => {
    const person = personAt('a: log1 log2 | b: b1').step('older-application').type('log');
    person.step('older-application').release();
    expect(person.session.learned).toHaveLength(1);
    person.step('older-application').type('log');
    const told = () => person.switcher?.search?.results.map(({ lesson }) => lesson?.times ?? 0);
    expect([person.found[0], told()]).toEqual(['log2', [1, 0]]);
    person.act('forget-highlighted');
    expect(person.session.learned).toEqual([]);
    expect([person.found[0], told()]).toEqual(['log2', [0, 0]]);
    person.act('forget-highlighted');
    expect(person.notices).toEqual([{ type: 'nothing-to-forget' }]);
  });

  it('goes back to the rows when the line is emptied, and stays open', () => {
    const person = personAt('a: a1 | b: b1').step('older-application').type('a1').type('');
    expect(person.row).toBe('b');
    expect(person.switcher?.mode).toBe('staying');
  });
});
