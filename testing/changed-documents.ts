/** Session documents that were changed in a few places, at random: some keep the rules, some do not. */
import fc from 'fast-check';
import { toDocument } from '../src/lib/core/formats/session-document';
import {
  FARTHEST,
  LEAST_HEIGHT,
  LEAST_WIDTH,
  LONGEST_ID,
  LONGEST_TEXT,
  LONGEST_TITLE,
} from '../src/lib/core/model/limits';
import { sessionOf, START } from './sessions';

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** A document with something of everything. */
const whole = (): Json => {
  const desk = sessionOf('a: a1 a2*- | !b: b1~ | c:');
  const asking = { goal: 'close' as const, dropping: false };
  const windows = desk.windows.map((window) =>
    window.id === 'a1'
      ? {
          ...window,
          asking,
          recentTabs: [window.activeTab],
          tabs: window.tabs.map((tab) => ({ ...tab, hung: true as const })),
        }
      : window,
  );
  const places = [{ document: 'd-a1' }, ...desk.places.slice(1)];
  const chord = { code: 'KeyL', shift: false, hold: true, modifiers: ['Control' as const] };
  const more = { opens: true, further: 'back' as const };
  const shortcuts = [
    { id: 's1', chord, aim: { window: 'a1' }, ...more },
    { id: 's2', chord: { ...chord, shift: true }, aim: { application: 'a', title: 'a' }, ...more },
  ];
  const ownKeys = [
    { action: 'sweep', argument: null, chord: null },
    { action: 'place', argument: '1', chord },
  ];
  const rim = { topLeft: 'survey', bottomRight: 'sweep' };
  const pictures = { shown: true, except: ['a'] };
  const settings = {
    ...desk.settings,
    index: 'away' as const,
    block: 'right' as const,
    rim,
    pictures,
    browserTabs: true,
    tally: false,
  };
  const all = { ...desk, settings, windows, places, shortcuts, ownKeys };
  return JSON.parse(JSON.stringify(toDocument(all, { ['0'.repeat(64)]: 'iVBORw==' }))) as Json;
};

/** Values at the limits, beside them, and of other kinds. */
const VALUES: readonly Json[] = [
  ...[
    null,
    true,
    0,
    1,
    -1,
    0.5,
    1e9,
    '',
    'a',
    'A',
    'constructor',
    '__proto__',
    [],
    {},
    [null],
    [1],
    ['a'],
    ['A'],
  ],
  ...[FARTHEST, FARTHEST + 1, -FARTHEST, -FARTHEST - 1, 359, 360],
  ...[LEAST_WIDTH, LEAST_WIDTH - 1, LEAST_HEIGHT, LEAST_HEIGHT - 1],
  ...[LONGEST_ID, LONGEST_ID + 1, LONGEST_TITLE, LONGEST_TITLE + 1].map((length) => 'a'.repeat(length)),
  ...[LONGEST_TEXT, LONGEST_TEXT + 1].map((length) => ' '.repeat(length)),
  ...[START, '2026-02-31T06:12:00.000Z', '2026-11-24T06:12:00Z', '2026-11-24T24:00:00.000Z', 'now'],
  ...['hide', 'window', 'KeyL', 'F8', 'key', ['Alt', 'Alt'], ['Meta'], { window: 'a' }, { document: 'a' }],
  { application: 'a', title: null },
  ...['Alt', 'Control', 'night', 'close', 'quit', 'Ab', 'A', 'éx', 'key-fold-session', 'sculpture'],
  { id: 'a', at: null },
  { goal: 'quit', dropping: true },
];

/** One change to a document: a way down into it, and what to do there. */
interface Change {
  readonly steps: readonly number[];
  readonly put: { readonly value: Json } | 'remove' | 'add' | 'repeat';
}
const changes: fc.Arbitrary<Change> = fc.record({
  steps: fc.array(fc.nat(60), { minLength: 1, maxLength: 5 }),
  put: fc.oneof(
    { weight: 6, arbitrary: fc.constantFrom(...VALUES).map((value) => ({ value })) },
    { weight: 2, arbitrary: fc.constantFrom('remove' as const, 'add' as const, 'repeat' as const) },
  ),
});

/** Carries out a change; what the way leads to is replaced, removed, doubled, or gets a property that nobody knows. */
function change(document: Json, { steps, put }: Change): void {
  let at = document;
  for (const [depth, step] of steps.entries()) {
    if (typeof at !== 'object' || at === null) return;
    const keys = Object.keys(at);
    const key = keys[step % Math.max(1, keys.length)];
    if (key === undefined) return;
    const here = at as Record<string, Json>;
    const next = here[key] ?? null;
    if (depth < steps.length - 1 && typeof next === 'object' && next !== null) {
      at = next;
      continue;
    }
    if (put === 'remove') {
      if (Array.isArray(at)) at.splice(Number(key), 1);
      else Reflect.deleteProperty(here, key);
    } else if (put === 'add') here[`${key}x`] = next;
    else if (put === 'repeat') {
      if (Array.isArray(at)) at.push(next);
    } else here[key] = structuredClone(put.value);
    return;
  }
}

/** A document with at most two changes, as plain JSON. */
export const changedDocuments = (): fc.Arbitrary<unknown> => changed(whole);

/** What something makes, with at most two changes, as plain JSON. */
export const changed = (make: () => unknown): fc.Arbitrary<unknown> =>
  fc.array(changes, { maxLength: 2 }).map((list): unknown => {
    const made = structuredClone(make()) as Json;
    for (const one of list) change(made, one);
    return JSON.parse(JSON.stringify(made));
  });
