import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { describe, expect, it } from 'vitest';
import schema from '../../core/formats/session-document.schema.json';
import { toDocument } from '../../core/formats/session-document';
import { ellavane } from '../../demo/ellavane';
import { Problem } from '../http/problem';
import { LONGEST_TEXT, MOST_COMMANDS } from '../../core/model/limits';
import { batchFrom } from './batch-input';
import { sessionFrom } from './session-input';

const START = '2026-11-24T06:12:00.000Z';
const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
let commands = 100;
const command = (more: object) => ({ id: uuid((commands += 1)), at: '2026-11-24T06:12:00.000Z', ...more });
const batch = (...commands: unknown[]) => ({ id: uuid(9), v: 2, commands });

function problemOf(work: () => unknown): Problem {
  try {
    work();
  } catch (error) {
    if (error instanceof Problem) return error;
    throw error;
  }
  throw new Error('It was accepted.');
}

describe('a batch', () => {
  it('is accepted as it is', () => {
    const value = batch(command({ type: 'minimise', window: 'w1' }), command({ type: 'sweep' }));
    expect(batchFrom(value)).toBe(value);
  });

  it.each([
    ['#/commands/0/window', batch(command({ type: 'minimise', window: 7 }))],
    ['#/commands/0/window', batch(command({ type: 'minimise', window: 'Not An Id' }))],
    ['#/commands/1/type', batch(command({ type: 'sweep' }), command({ type: 'fly' }))],
    ['#/commands/0/type', batch(command({ type: { toString: 1, valueOf: 1 } }))],
    ['#/commands/0/type', batch(command({ type: ['sweep'] }))],
    ['#/v', { ...batch(command({ type: 'sweep' })), v: 3 }],
    ['#/commands/0/type', batch('sweep')],
    ['#/commands/0/at', batch(command({ type: 'sweep', at: 'now' }))],
    ['#/commands/0/id', batch(command({ type: 'sweep', id: 'one' }))],
    ['#/commands/0/extra', batch(command({ type: 'sweep', extra: 1 }))],
    [
      '#/commands/0/geometry/width',
      batch(command({ type: 'place-window', window: 'w', geometry: { x: 0, y: 0, width: 1, height: 99 } })),
    ],
    ['#/commands/0/geometry', batch(command({ type: 'place-window', window: 'w', geometry: null }))],
    [
      '#/commands/0/settings/holdKey',
      batch(command({ type: 'change-settings', settings: { holdKey: 'Tab', holding: true, theme: 'day' } })),
    ],
    ['#/commands/0/text', batch(command({ type: 'keep-draft', document: 'd', text: 'x'.repeat(50_001) }))],
    [
      '#/commands/1/id',
      batch(command({ type: 'sweep', id: uuid(1) }), command({ type: 'sweep', id: uuid(1) })),
    ],
    ['#/commands/0/settings', batch(command({ type: 'change-settings', settings: [] }))],
    ['#/commands/0/geometry', batch(command({ type: 'place-window', window: 'w', geometry: [] }))],
    ['#/commands/0/at', batch(command({ type: 'sweep', at: '2026-02-31T06:12:00.000Z' }))],
    ['#/commands/0/at', batch(command({ type: 'sweep', at: '2026-00-10T06:12:00.000Z' }))],
    ['#/commands/0/letters', batch(command({ type: 'learn-choice', letters: 'x'.repeat(101), choice: 'c' }))],
    [
      '#/commands/0/__proto__',
      batch(JSON.parse(JSON.stringify(command({ type: 'sweep' })).replace('{', '{"__proto__":{"x":1},'))),
    ],
    ['#/commands/0/constructor', batch(command({ type: 'sweep', constructor: { name: 'x' } }))],
    ['#/length', { ...batch(command({ type: 'sweep' })), length: 3 }],
    ['#/%EF%BF%BD', { ...batch(command({ type: 'sweep' })), '\ud800': 3 }],
    [
      '#/deep',
      { ...batch(command({ type: 'sweep' })), deep: JSON.parse('['.repeat(5_000) + ']'.repeat(5_000)) },
    ],
    ['#/commands', batch()],
    ['#/commands', batch(...Array.from({ length: MOST_COMMANDS + 1 }, () => command({ type: 'sweep' })))],
    ['#/id', { ...batch(command({ type: 'sweep' })), id: 3 }],
    ['#', null],
    ['#', []],
  ])('is refused with a pointer to %s', (pointer, value) => {
    const problem = problemOf(() => batchFrom(value));
    expect(problem.status).toBe(422);
    expect(problem.errors.map((error) => error.pointer)).toContain(pointer);
  });
});

describe('a session document', () => {
  const demo = ellavane(new Date('2026-11-24T06:12:00.000Z'));
  const [first, ...others] = demo.windows;
  const conforms = addFormats(new Ajv2020()).compile(schema);

  it('comes in and goes out the same', () => {
    expect(toDocument(sessionFrom(JSON.parse(JSON.stringify(demo))))).toEqual(demo);
  });

  const spoiled: [string, object][] = [
    ['#/format', { ...demo, format: 'other' }],
    ['#/windows/0/minimised', { ...demo, windows: [{ ...first, minimised: 'no' }, ...others] }],
    [
      '#/windows/0/geometry/x',
      { ...demo, windows: [{ ...first, geometry: { ...first?.geometry, x: 0.5 } }, ...others] },
    ],
    ['#/windows/0/tabs', { ...demo, windows: [{ ...first, tabs: [] }, ...others] }],
    [
      '#/windows/0/asking/goal',
      { ...demo, windows: [{ ...first, asking: { goal: 'x', dropping: false } }, ...others] },
    ],
    ['#/applications/0/hue', { ...demo, applications: [{ ...demo.applications[0], hue: 400 }] }],
    ['#/places', { ...demo, places: ['tides'] }],
    ['#/places', { ...demo, places: Array.from({ length: 10 }, () => 7) }],
    ['#/front', { ...demo, front: 7 }],
    ['#/surprise', { ...demo, surprise: true }],
    ['#/settings', { ...demo, settings: [] }],
    ['#/windows/0/geometry', { ...demo, windows: [{ ...first, geometry: [] }, ...others] }],
    ['#/windows/0/asking', { ...demo, windows: [{ ...first, asking: [] }, ...others] }],
    ['#/recent', { ...demo, recent: [] }],
    ['#/windows/0', { ...demo, windows: [[], ...others] }],
  ];

  it.each(spoiled)('is refused with a pointer to %s, by the schema as well', (pointer, document) => {
    const problem = problemOf(() => sessionFrom(document));
    expect(problem.status).toBe(422);
    expect(problem.errors.map((error) => error.pointer)).toContain(pointer);
    expect(conforms(JSON.parse(JSON.stringify(document)))).toBe(false);
  });

  it.each([
    ['#/front', { ...demo, front: 'w-inbox' }],
    ['#/stacking', { ...demo, stacking: demo.stacking.slice(1) }],
    ['#/workspace', { ...demo, workspace: 'nowhere' }],
    ['#/windows/20/id', { ...demo, windows: [...demo.windows, first] }],
    ['#/windows/0/workspace', { ...demo, windows: [{ ...first, workspace: 'nowhere' }, ...others] }],
    ['#/drafts/0', { ...demo, drafts: [{ document: 'nowhere', text: '', at: START }] }],
    ['#/recent/windows', { ...demo, recent: { ...demo.recent, windows: [] } }],
  ])('whose parts do not fit together is refused with a pointer to %s', (pointer, document) => {
    expect(problemOf(() => sessionFrom(document)).errors.map((error) => error.pointer)).toContain(pointer);
  });

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
    expect(problemOf(full(168))).toMatchObject({ type: 'session-too-large', status: 413 });
  });
});
