import { describe, expect, it } from 'vitest';
import { COMMAND_INPUTS } from './command-input';
import { batchFrom } from './batch-input';
import { problemsWith } from './check';
import { patternProblems } from './shortcut-input';

const SIGNED = { id: '0190f3a2-0000-4000-8000-000000000001', at: '2026-11-24T06:00:00.000Z' };
const CHORD = { code: 'KeyL', shift: false, hold: true, modifiers: [] };
const SHORTCUT = {
  id: 's1',
  chord: CHORD,
  aim: { application: 'tides', title: null },
  opens: true,
  further: 'next-window',
};

/** What is wrong with a command, as `pointer: detail`. */
function problemsOf(type: string, command: object): string[] {
  const input = COMMAND_INPUTS.get(type);
  if (!input) throw new Error(`There is no '${type}'.`);
  return problemsWith(input, { type, ...SIGNED, ...command }).map(
    ({ pointer, detail }) => `${pointer}: ${detail}`,
  );
}

describe('a shortcut', () => {
  it.each([
    SHORTCUT,
    { ...SHORTCUT, aim: { window: 'w-lock-sill' } },
    { ...SHORTCUT, aim: { application: 'tides', title: 'lock|gauge' }, further: 'hide' },
    { ...SHORTCUT, chord: { ...CHORD, hold: false, modifiers: ['Control', 'Meta'] } },
  ])('is taken as %j', (shortcut) => {
    expect(problemsOf('put-shortcut', { shortcut })).toEqual([]);
  });

  it.each<[string, object, RegExp]>([
    ['an expression that is too long', { aim: { application: 'tides', title: 'x'.repeat(201) } }, /aim/],
    ['both a window and an application', { aim: { window: 'w', application: 'tides', title: null } }, /aim/],
    ['no aim', { aim: null }, /aim/],
    [
      'a position that is none',
      { chord: { ...CHORD, code: 'key l' } },
      /#\/shortcut\/chord\/code: code must be/,
    ],
    [
      'a modifier that is none',
      { chord: { ...CHORD, modifiers: ['Shift'] } },
      /modifiers: must be different ones/,
    ],
    ['a modifier twice', { chord: { ...CHORD, modifiers: ['Alt', 'Alt'] } }, /modifiers/],
    ['a further press of its own making', { further: 'explode' }, /further/],
    ['what is not known', { colour: 'red' }, /#\/shortcut\/colour: is not a property that is known here/],
  ])('is refused with %s, by name', (_name, change, problem) => {
    const problems = problemsOf('put-shortcut', { shortcut: { ...SHORTCUT, ...change } });
    expect(problems).toHaveLength(1);
    expect(problems[0]).toMatch(problem);
  });
});

it('an expression that is none is said as that, beside its field', () => {
  const aim = (title: string) => patternProblems({ aim: { application: 'tides', title } }, ['shortcut']);
  expect(aim('lock|gauge')).toEqual([]);
  expect(aim('(')).toEqual([
    { pointer: '#/shortcut/aim/title', detail: expect.stringMatching(/^This is no expression/) as string },
  ]);
  const batch = (title: string) => () =>
    batchFrom({
      id: SIGNED.id,
      v: 2,
      commands: [
        { type: 'put-shortcut', ...SIGNED, shortcut: { ...SHORTCUT, aim: { application: 'tides', title } } },
      ],
    });
  expect(batch('(')).toThrow(/commands.0.shortcut.aim.title: This is no expression/);
  expect(batch('lock')).not.toThrow();
});

it('what stands in the index and what was passed through are checked field by field', () => {
  expect(problemsOf('put-in-index', { thing: { document: 'inbox' }, digit: '0' })).toEqual([]);
  expect(problemsOf('put-in-index', { thing: { document: 7 }, digit: '10' })).toHaveLength(2);
  const pass = { window: 'w-a', at: null, after: null, minimised: false };
  expect(problemsOf('walk-to', { window: 'w-b', pass })).toEqual([]);
  expect(problemsOf('walk-to', { window: 'w-b', pass: null })).toEqual([]);
  expect(problemsOf('walk-to', { window: 'w-b', pass: { ...pass, at: 'yesterday' } })).toHaveLength(1);
});

it('a key of an action may be none', () => {
  const key = { action: 'minimise', argument: null, chord: null };
  expect(problemsOf('set-key', { key })).toEqual([]);
  expect(problemsOf('set-key', { key: { ...key, chord: {} } }).length).toBeGreaterThan(0);
});
