/** Set-up documents as they are sent: what is wrong is said beside its field; the schema says the same. */
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { describe, expect, it } from 'vitest';
import { problemOf } from '../../../../testing/problem-of';
import { SETUP_SCHEMA } from '../../core/setup/setup-schema';
import { setupDocument } from '../../core/setup/setup-document';
import { fromDocument } from '../../core/formats/session-document';
import { ellavane } from '../../demo/ellavane';
import { Problem } from '../http/problem';
import { batchFrom } from './batch-input';
import { frameAddressFrom } from './frame-input';
import { setupFrom, setupShapeProblems } from './setup-input';

const conforms = addFormats(new Ajv2020()).compile(SETUP_SCHEMA);
const DEMO = setupDocument(fromDocument(ellavane(new Date('2026-11-24T06:12:00.000Z'))));
const SHORTCUT = {
  id: 's1',
  chord: { code: 'KeyL', shift: false, hold: true, modifiers: [] },
  aim: { application: 'tides', title: 'lock' },
  opens: true,
  further: 'back',
};
const [NOTICES] = DEMO.applications;

describe('a set-up document', () => {
  it('of the demo is accepted as it is, by the schema as well', () => {
    const document = JSON.parse(JSON.stringify({ ...DEMO, shortcuts: [SHORTCUT] })) as unknown;
    expect(setupFrom(document)).toEqual(document);
    expect(conforms(document), JSON.stringify(conforms.errors)).toBe(true);
  });

  it.each<[string, object]>([
    ['#/format', { format: 'other' }],
    ['#/settings/theme', { settings: { ...DEMO.settings, theme: 'mauve' } }],
    ['#/places', { places: ['tides'] }],
    ['#/shortcuts/0/chord/code', { shortcuts: [{ ...SHORTCUT, chord: { ...SHORTCUT.chord, code: '?' } }] }],
    ['#/keys/0/action', { keys: [{ action: '', argument: null, chord: null }] }],
    ['#/applications/0/kind', { applications: [{ ...NOTICES, kind: 'letter' }] }],
    ['#/applications/0/hue', { applications: [{ ...NOTICES, hue: 360 }] }],
    ['#/names/0/thing', { names: [{ thing: null, name: 'x' }] }],
    ['#/surprise', { surprise: 1 }],
  ])('is refused with a pointer to %s, by the schema as well', (pointer, change) => {
    const document = { ...DEMO, ...change };
    expect(setupShapeProblems(document).map((one) => one.pointer)).toEqual([pointer]);
    expect(conforms(document)).toBe(false);
    expect(problemOf(() => setupFrom(document))).toMatchObject({ status: 422, type: 'not-a-setup-document' });
  });

  it.each<[string, object, RegExp]>([
    [
      '#/shortcuts/0/aim/title',
      { shortcuts: [{ ...SHORTCUT, aim: { application: 'tides', title: '(' } }] },
      /no expression/,
    ],
    ['#/shortcuts/0/aim', { shortcuts: [{ ...SHORTCUT, aim: { window: 'w' } }] }, /does not travel/],
    [
      '#/shortcuts/1/id',
      { shortcuts: [SHORTCUT, { ...SHORTCUT, chord: { ...SHORTCUT.chord, code: 'KeyK' } }] },
      /used twice/,
    ],
    ['#/shortcuts/1/chord', { shortcuts: [SHORTCUT, { ...SHORTCUT, id: 's2' }] }, /used twice/],
    ['#/applications/1/id', { applications: [NOTICES, NOTICES] }, /used twice/],
    [
      '#/applications/0/text',
      { applications: [{ ...NOTICES, text: '{"name":"x","start_url":"javascript:1"}' }] },
      /Only http/,
    ],
    [
      '#/applications/0/text',
      {
        applications: [
          { ...NOTICES, kind: 'desktop-entry', text: '[Desktop Entry]\nType=Application\nName=X\nExec=a|b' },
        ],
      },
      /No shell is ever run/,
    ],
    ['#/version', { version: 2 }, /written by a newer Key Fold \(version 2\)/],
  ])('is refused with a pointer to %s, which tells what is wrong inside', (pointer, change, detail) => {
    const problem = problemOf(() => setupFrom({ ...DEMO, ...change }));
    expect(problem.errors.map((one) => one.pointer)).toEqual([pointer]);
    expect(problem.detail).toMatch(detail);
  });

  it('that is none at all is refused', () => {
    for (const value of [null, [], 7, 'x', {}]) expect(() => setupFrom(value)).toThrow(Problem);
  });
});

describe('a change of the set-up', () => {
  const sent = (change: object) => ({
    id: '00000000-0000-4000-8000-000000000009',
    v: 2,
    commands: [
      {
        type: 'change-setup',
        id: '00000000-0000-4000-8000-000000000001',
        at: '2026-11-24T06:00:00.000Z',
        setup: { settings: null, places: null, shortcuts: [], keys: [], guests: [], ...change },
      },
    ],
  });

  it('is accepted', () => {
    const whole = sent({
      settings: DEMO.settings,
      places: DEMO.places,
      shortcuts: [
        { shortcut: 's1', to: SHORTCUT },
        { shortcut: 's2', to: null },
      ],
      keys: [{ action: 'sweep', argument: null, to: null }],
      guests: [
        { application: 'notices', to: NOTICES },
        { application: 'x', to: null },
      ],
    });
    expect(batchFrom(whole)).toBe(whole);
  });

  it.each<[string, object]>([
    ['places', { places: [] }],
    [
      'shortcuts/0/to/aim/title',
      { shortcuts: [{ shortcut: 's1', to: { ...SHORTCUT, aim: { application: 'a', title: '(' } } }] },
    ],
    ['guests/0/to/text', { guests: [{ application: 'notices', to: { ...NOTICES, text: '{}' } }] }],
    ['guests/0/to/monogram', { guests: [{ application: 'notices', to: { ...NOTICES, monogram: 'abc' } }] }],
    [
      'keys/0/to/chord',
      { keys: [{ action: 'a', argument: null, to: { action: 'a', argument: null, chord: [] } }] },
    ],
  ])('is refused with a pointer to %s', (where, change) => {
    const { errors } = problemOf(() => batchFrom(sent(change)));
    expect(errors.map(({ pointer }) => pointer)).toContain(`#/commands/0/setup/${where}`);
  });
});

it('a question about frames is about a web address', () => {
  expect(frameAddressFrom({ address: ' http://board.example' }).href).toBe('http://board.example/');
  for (const value of [null, {}, { address: '' }, { address: 'file:///etc/passwd' }, { address: 7 }])
    expect(problemOf(() => frameAddressFrom(value))).toMatchObject({ status: 422, type: 'not-an-address' });
});
