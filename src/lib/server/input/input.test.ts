import { ValidateNested } from 'class-validator';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { describe, expect, it } from 'vitest';
import { problemOf } from '../../../../testing/problem-of';
import { COMMANDS } from '../../core/commands/commands';
import schema from '../../core/formats/session-document.schema.json';
import { toDocument } from '../../core/formats/session-document';
import { ellavane } from '../../demo/ellavane';
import { LONGEST_TEXT, MOST_COMMANDS } from '../../core/model/limits';
import { LONGEST_SWITCH_MS, MOST_PRESSES, WAYS } from '../../core/tally/way';
import { accessKeyFrom } from './access-input';
import { batchFrom } from './batch-input';
import { problemsWith } from './check';
import { sessionFrom } from './session-input';
import { spanFrom } from './span-input';

const START = '2026-11-24T06:12:00.000Z';
const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
let commands = 100;
const command = (more: object) => ({ id: uuid((commands += 1)), at: START, ...more });
const batch = (...commands: unknown[]) => ({ id: uuid(9), v: 2, commands });
const one = (more: object) => batch(command(more));
const sweep = (more: object = {}) => command({ type: 'sweep', ...more });
const odd = (more: object) => ({ ...batch(sweep()), ...more });

/** What a problem says of one field: in a line, and with a pointer. */
const saying = (where: string, detail: string) => ({
  detail: where === '' ? detail : `${where}: ${detail}`,
  errors: [{ pointer: where === '' ? '#' : `#/${where.replaceAll('.', '/')}`, detail }],
});

const ID = 'must be an id: lower-case letters, digits and hyphens';
const INSTANT = `must be an instant like ${START}`;
const OBJECT = 'must be an object';
const UNKNOWN = 'is not a property that is known here';
const KIND = `type must be one of ${COMMANDS.map(({ type }) => type).join(', ')}`;

describe('a span of time', () => {
  it('is open where nothing is said, and told as JSON Lines', () => {
    expect(spanFrom(new URLSearchParams())).toEqual({ since: null, until: null, as: 'jsonl' });
    expect(spanFrom(new URLSearchParams({ since: START, as: 'csv' }))).toEqual({
      since: START,
      until: null,
      as: 'csv',
    });
  });

  it.each([
    ['since', 'yesterday', INSTANT],
    ['as', 'xml', 'as must be one of the following values: csv, jsonl, arrow'],
    ['from', START, UNKNOWN],
  ])('%s=%s is none', (name, value, detail) => {
    const problem = problemOf(() => spanFrom(new URLSearchParams({ [name]: value })));
    expect(problem).toMatchObject({ errors: [{ pointer: `#/${name}`, detail }] });
  });
});

describe('a batch', () => {
  it('is accepted as it is', () => {
    const value = batch(command({ type: 'minimise', window: 'w1' }), sweep());
    expect(batchFrom(value)).toBe(value);
  });

  it('may say how it came about, up to the limits', () => {
    const facts = { way: 'search', took: LONGEST_SWITCH_MS, presses: MOST_PRESSES };
    expect(batchFrom(odd({ facts })).facts).toEqual(facts);
    expect(batchFrom(odd({ facts: { way: 'pointer' } })).facts).toEqual({ way: 'pointer' });
  });

  it.each<[string, string, unknown]>([
    ['commands.0.window', `window ${ID}`, one({ type: 'minimise', window: 7 })],
    ['commands.0.window', `window ${ID}`, one({ type: 'minimise', window: 'Not An Id' })],
    ['commands.1.type', KIND, batch(sweep(), command({ type: 'fly' }))],
    ['commands.0.type', KIND, one({ type: { toString: 1, valueOf: 1 } })],
    ['commands.0.type', KIND, one({ type: ['sweep'] })],
    ['commands.0.type', KIND, batch('sweep')],
    ['commands.0.type', KIND, batch(null)],
    ['commands.0.at', INSTANT, batch(sweep({ at: 'now' }))],
    ['commands.0.at', INSTANT, batch(sweep({ at: '2026-02-31T06:12:00.000Z' }))],
    ['commands.0.at', INSTANT, batch(sweep({ at: '2026-00-10T06:12:00.000Z' }))],
    ['commands.0.id', 'id must be a lower-case UUID', batch(sweep({ id: 'one' }))],
    ['commands.1.id', 'id is used twice', batch(sweep({ id: uuid(1) }), sweep({ id: uuid(1) }))],
    ['commands.1.at', INSTANT, batch(sweep({ id: uuid(1) }), sweep({ id: uuid(1), at: 7 }))],
    ['commands.0.extra', UNKNOWN, batch(sweep({ extra: 1 }))],
    ['facts', OBJECT, odd({ facts: [] })],
    [
      'facts.way',
      `way must be one of the following values: ${WAYS.join(', ')}`,
      odd({ facts: { way: 'fly' } }),
    ],
    ['facts.took', 'took must not be less than 0', odd({ facts: { way: 'step', took: -1 } })],
    [
      'facts.took',
      'took must not be greater than 3600000',
      odd({ facts: { way: 'step', took: LONGEST_SWITCH_MS + 1 } }),
    ],
    ['facts.presses', 'presses must be an integer number', odd({ facts: { way: 'step', presses: 1.5 } })],
    ['facts.letters', UNKNOWN, odd({ facts: { way: 'search', letters: 'tide' } })],
    [
      'commands.0.placement.geometry.width',
      'width must not be less than 120',
      one({
        type: 'place-window',
        window: 'w',
        placement: { geometry: { x: 0, y: 0, width: 1, height: 99 } },
      }),
    ],
    ['commands.0.placement', OBJECT, one({ type: 'place-window', window: 'w', placement: null })],
    ['commands.0.placement', OBJECT, one({ type: 'place-window', window: 'w', placement: [] })],
    ['commands.0.settings', OBJECT, one({ type: 'change-settings', settings: [] })],
    [
      'commands.0.settings.holdKey',
      'holdKey must be one of the following values: Alt, Control, Meta',
      one({ type: 'change-settings', settings: { holdKey: 'Tab', holding: true, theme: 'day' } }),
    ],
    [
      'commands.0.text',
      'must be a text of 0 to 50000 characters',
      one({ type: 'keep-draft', document: 'd', text: 'x'.repeat(50_001) }),
    ],
    [
      'commands.0.letters',
      'must be a text of 1 to 100 characters',
      one({ type: 'learn-choice', letters: 'x'.repeat(101), choice: 'c' }),
    ],
    [
      'commands.0.__proto__',
      UNKNOWN,
      batch(JSON.parse(JSON.stringify(sweep()).replace('{', '{"__proto__":{"x":1},'))),
    ],
    ['commands.0.constructor', UNKNOWN, batch(sweep({ constructor: { name: 'x' } }))],
    ['length', UNKNOWN, odd({ length: 3 })],
    ['%EF%BF%BD', UNKNOWN, odd({ '\ud800': 3 })],
    ['deep', UNKNOWN, odd({ deep: JSON.parse('['.repeat(5_000) + ']'.repeat(5_000)) as unknown })],
    ['commands', 'commands must contain at least 1 elements', batch()],
    [
      'commands',
      'commands must contain no more than 100 elements',
      batch(...Array.from({ length: MOST_COMMANDS + 1 }, () => sweep())),
    ],
    ['id', 'id must be a lower-case UUID', odd({ id: 3 })],
    ['v', 'v must be one of the following values: 1, 2', odd({ v: 3 })],
    ['', OBJECT, null],
    ['', OBJECT, []],
    ['', OBJECT, 7],
  ])('is refused with a pointer to %j, which %s', (where, detail, value) => {
    const problem = problemOf(() => batchFrom(value));
    expect(problem).toMatchObject({ status: 422, type: 'not-a-batch', ...saying(where, detail) });
  });

  it('says what is wrong first, and how much more is, up to fifty', () => {
    const wrong = problemOf(() => batchFrom(batch(sweep({ id: 'x', at: 'y' }), sweep({ at: 'z' }))));
    expect(wrong.detail).toBe('commands.0.id: id must be a lower-case UUID (and 2 more)');
    expect(wrong.errors).toHaveLength(3);
    const windows = Array.from({ length: 60 }, () => 7);
    const { errors } = problemOf(() => sessionFrom({ ...ellavane(new Date(START)), windows }));
    expect(errors).toHaveLength(50);
  });
});

it('an access key is a text, and nothing else comes with it', () => {
  expect(accessKeyFrom({ key: 'abc' })).toBe('abc');
  const problem = problemOf(() => accessKeyFrom({ key: '' }));
  expect(problem).toMatchObject({
    type: 'not-json',
    ...saying('key', 'must be a text of 1 to 200 characters'),
  });
});

it('a rule that cannot be compiled is said when its class is first used', () => {
  class Odd {
    @ValidateNested() part!: object;
  }
  expect(() => problemsWith(Odd, {})).toThrow("The rule 'nestedValidation' of Odd.part cannot be compiled.");
});

describe('a session document', () => {
  const demo = ellavane(new Date('2026-11-24T06:12:00.000Z'));
  const [first, ...others] = demo.windows;
  const conforms = addFormats(new Ajv2020()).compile(schema);

  it('comes in and goes out the same', () => {
    expect(toDocument(sessionFrom(JSON.parse(JSON.stringify(demo))))).toEqual(demo);
  });

  const withFirst = (more: object) => ({ ...demo, windows: [{ ...first, ...more }, ...others] });
  const [office, letters] = demo.applications;
  const spoiled: [string, string, object][] = [
    ['format', 'format must be equal to key-fold-session', { ...demo, format: 'other' }],
    ['windows.0.minimised', 'minimised must be a boolean value', withFirst({ minimised: 'no' })],
    [
      'windows.0.geometry.x',
      'x must be an integer number',
      withFirst({ geometry: { ...first?.geometry, x: 0.5 } }),
    ],
    ['windows.0.tabs', 'tabs must contain at least 1 elements', withFirst({ tabs: [] })],
    [
      'windows.0.asking.goal',
      'goal must be one of the following values: close, quit, tab',
      withFirst({ asking: { goal: 'x', dropping: false } }),
    ],
    ['windows.0.geometry', OBJECT, withFirst({ geometry: [] })],
    ['windows.0.asking', OBJECT, withFirst({ asking: [] })],
    ['windows.0', OBJECT, { ...demo, windows: [[], ...others] }],
    [
      'applications.0.hue',
      'hue must not be greater than 359',
      { ...demo, applications: [{ ...office, hue: 400 }] },
    ],
    [
      'applications.0.monogram',
      'must be two letters',
      { ...demo, applications: [{ ...office, monogram: 'Abc' }] },
    ],
    ['places', 'places must contain at least 10 elements', { ...demo, places: ['tides'] }],
    [
      'places',
      'must hold ids of applications, documents like {"document":"id"}, or null',
      { ...demo, places: Array.from({ length: 10 }, () => 7) },
    ],
    [
      'places',
      'must hold ids of applications, documents like {"document":"id"}, or null',
      { ...demo, places: Array.from({ length: 10 }, () => ({ document: 'inbox', title: 'Inbox' })) },
    ],
    ['front', `front ${ID}`, { ...demo, front: 7 }],
    ['surprise', UNKNOWN, { ...demo, surprise: true }],
    ['settings', OBJECT, { ...demo, settings: [] }],
    ['recent', OBJECT, { ...demo, recent: [] }],
  ];

  it.each(spoiled)(
    'is refused with a pointer to %j, which %s, by the schema as well',
    (where, detail, document) => {
      const problem = problemOf(() => sessionFrom(document));
      expect(problem).toMatchObject({
        status: 422,
        type: 'not-a-session-document',
        ...saying(where, detail),
      });
      expect(conforms(JSON.parse(JSON.stringify(document)))).toBe(false);
    },
  );

  const draft = { document: demo.documents[0]?.id, text: '', at: START };
  it.each<[string, string, object]>([
    ['front', 'must be a window that can be seen', { ...demo, front: 'w-inbox' }],
    ['stacking', 'must list every window once', { ...demo, stacking: demo.stacking.slice(1) }],
    ['workspace', "there is no workspace 'nowhere'", { ...demo, workspace: 'nowhere' }],
    ['windows.20.id', "the id 'w-lock-sill' is used twice", { ...demo, windows: [...demo.windows, first] }],
    [
      'windows.1.workspace',
      "there is no workspace 'nowhere'",
      {
        ...demo,
        windows: demo.windows.map((each, n) => (n === 1 ? { ...each, workspace: 'nowhere' } : each)),
      },
    ],
    [
      'applications.1.home',
      "there is no document 'nowhere'",
      { ...demo, applications: [office, { ...letters, home: 'nowhere' }, ...demo.applications.slice(2)] },
    ],
    [
      `documents.${demo.documents.length}.application`,
      "there is no application 'nowhere'",
      { ...demo, documents: [...demo.documents, { ...demo.documents[0], id: 'd', application: 'nowhere' }] },
    ],
    [
      'drafts.1',
      "there is no document 'nowhere'",
      { ...demo, drafts: [draft, { ...draft, document: 'nowhere' }] },
    ],
    ['drafts.1.document', `the id '${draft.document}' is used twice`, { ...demo, drafts: [draft, draft] }],
    ['recent.windows', 'must list every window once', { ...demo, recent: { ...demo.recent, windows: [] } }],
  ])(
    'whose parts do not fit together is refused with a pointer to %j, which says: %s',
    (where, detail, document) => {
      expect(problemOf(() => sessionFrom(document))).toMatchObject(saying(where, detail));
    },
  );

  it('that could grow too large to be exported again is refused', () => {
    const [model] = demo.documents;
    const full = (count: number) => {
      const texts = Array.from({ length: count }, (_, n) => ({
        ...model,
        id: `n-${n}`,
        text: 'x'.repeat(LONGEST_TEXT),
      }));
      return () => sessionFrom({ ...demo, documents: [...demo.documents, ...texts] });
    };
    expect(full(160)).not.toThrow();
    expect(problemOf(full(168))).toMatchObject({
      type: 'session-too-large',
      status: 413,
      detail: 'A session may hold 8 MiB.',
    });
  });
});
