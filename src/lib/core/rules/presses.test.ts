/** Switching rules 13 to 15, and while the switcher is open what a digit means there. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Person, personAt } from '../../../../testing/person';
import { runs } from '../../../../testing/runs';
import { sessionOf, withApplication } from '../../../../testing/sessions';
import { find } from '../model/table';
import type { Digit } from '../slices/places/state';

const pause = (person: Person) => person.input({ type: 'time', timer: 'run' });
/** Presses digits of places while holding, and lets go. */
const press = (person: Person, ...digits: Digit[]) => {
  for (const digit of digits) person.hold().tap(`Digit${digit}`).letGo();
  return person;
};

/** The places are in the order of the line: X is place 1, P's application place 2. */
const another = () => personAt('x: X | p: P Q R');

describe('rule 14: a run of presses', () => {
  it('goes to the most recent window, then on in the order that was frozen, and round', () => {
    const person = another();
    const fronts = [1, 2, 3, 4].map(() => press(person, '2').session.front);
    expect(fronts).toEqual(['P', 'Q', 'R', 'P']);
    pause(person);
    expect(person.windows).toBe('P X Q R');
    expect(person.applications).toBe('p x');
  });

  it('counts only the window where it ends: press, press, and the order is Q P R', () => {
    const person = press(another(), '2', '2');
    pause(person);
    expect(person.windows).toBe('Q X P R');
  });

  it('works without letting go, and an auto-repeat is no press', () => {
    const person = another().hold().tap('Digit2').tap('Digit2').tap('Digit2');
    expect(person.session.front).toBe('R');
    person
      .key({ code: 'Digit2' })
      .key({ code: 'Digit2', repeat: true })
      .key({ code: 'Digit2', repeat: true });
    expect(person.session.front).toBe('P');
  });

  it('begins with the next window where the application is in front', () => {
    const person = press(personAt('p: P Q R | x: X'), '1');
    expect(person.session.front).toBe('Q');
    press(person, '1');
    expect(person.windows).toBe('R P Q X');
  });

  it.each<[string, (person: Person) => unknown]>([
    ['1.5 s', pause],
    ['another key', (person) => person.tap('KeyY', { alt: false, key: 'y' })],
    [
      'a press of the pointer',
      (person) => person.input({ type: 'pointer', did: 'press', holdKeyDown: false }),
    ],
    ['another place', (person) => press(person, '1', '2')],
    ['losing the focus', (person) => person.input({ type: 'blur' })],
    [
      'a button',
      (person) =>
        person
          .input({ type: 'invoked', invocation: { action: 'keys', argument: null } })
          .input({ type: 'dialog', dialog: null }),
    ],
  ])('ends with %s: then the order is that of the uses so far', (_name, end) => {
    const person = press(another(), '2', '2');
    end(person);
    // In front is Q, or after the way over X again Q; a new run walks Q P R, so from Q on to P.
    press(person, '2');
    expect(person.session.front).toBe('P');
  });

  it.each<[string, (person: Person) => unknown]>([
    [
      'a pointer that moves or scrolls',
      (person) =>
        person
          .input({ type: 'pointer', did: 'move', holdKeyDown: false })
          .input({ type: 'pointer', did: 'scroll', holdKeyDown: false }),
    ],
    [
      'a key that comes up, and Shift',
      (person) => person.key({ code: 'KeyY', phase: 'up' }).tap('ShiftLeft', { key: 'Shift' }),
    ],
    [
      'pressing the place in the index',
      (person) => person.input({ type: 'pointer', did: 'press-index', holdKeyDown: false }),
    ],
  ])('does not end with %s', (_name, does) => {
    const person = press(another(), '2', '2');
    does(person);
    press(person, '2');
    expect(person.session.front).toBe('R');
  });

  it('shows what is hidden and restores what is minimised; what it only passed through is minimised again', () => {
    const person = press(personAt('x: X | !p: P Q- R'), '2', '2');
    expect(person.session.front).toBe('Q');
    expect(find(person.session.windows, 'Q')?.minimised).toBe(false);
    press(person, '2');
    expect(person.session.front).toBe('R');
    expect(find(person.session.windows, 'Q')?.minimised).toBe(true);
    expect(find(person.session.applications, 'p')?.hidden).toBe(false);
  });

  it('launches what does not run, and goes on to what has opened meanwhile', () => {
    const person = new Person(withApplication(sessionOf('x: X'), 'x', {}));
    person.wish({ type: 'quit', application: 'x' });
    press(person, '1');
    expect(find(person.session.applications, 'x')?.running).toBe(true);
    expect(person.session.windows).toHaveLength(1);
  });

  it('skips what is closed on the way', () => {
    const person = press(another(), '2');
    person.wish({ type: 'close', window: 'Q' });
    press(person, '2');
    expect(person.session.front).toBe('R');
    expect(person.windows).toBe('R X P');
  });

  it('begins anew when something else came forward by itself', () => {
    const person = press(another(), '2', '2');
    person.wish({ type: 'bring-to-front', window: 'X', raiseAll: false });
    press(person, '2');
    expect(person.session.front).toBe('Q');
  });

  it('with Shift it opens a new window instead', () => {
    const person = another().hold().tap('Digit2', { shift: true }).letGo();
    expect(person.session.windows).toHaveLength(5);
    expect(person.session.front).toMatch(/^w-/);
  });

  it('an empty place does nothing and says so', () => {
    const person = press(another(), '7');
    expect(person.notices).toEqual([{ type: 'empty-place', digit: '7' }]);
    expect(person.session.front).toBe('X');
  });
});

describe('rule 15: the only window is in front already', () => {
  it('nothing happens, visibly', () => {
    const person = press(another(), '1');
    expect(person.notices).toEqual([{ type: 'only-window', application: 'x' }]);
    expect(person.windows).toBe('X P Q R');
  });
});

describe('while the switcher is open', () => {
  const open = () => personAt('a: a1 a2 | b: b1 | c: c1 c2 c3').step('older-application');

  it('a digit goes to the row of its application, and then to its next leaf', () => {
    const person = open().tap('Digit3');
    expect([person.row, person.leaf]).toEqual(['c', 'c1']);
    person.tap('Digit3').tap('Digit3');
    expect(person.leaf).toBe('c3');
    person.tap('Digit1');
    expect([person.row, person.leaf]).toEqual(['a', 'a1']);
    expect(person.windows).toBe('a1 a2 b1 c1 c2 c3');
    expect(person.tap('Digit3').tap('Digit3').release().session.front).toBe('c2');
  });

  it('what does not run has no row: it says so, and nothing moves', () => {
    const person = personAt('a: a1 | b: b1 | c: c1').wish({ type: 'quit', application: 'c' });
    person.step('older-application').tap('Digit3');
    expect(person.notices).toEqual([{ type: 'not-running', application: 'c' }]);
    expect(person.row).toBe('b');
  });

  it('leaves what was found', () => {
    const person = open().type('a2').hold().tap('Digit3');
    expect(person.switcher?.search).toBeNull();
    expect(person.row).toBe('c');
  });

  it('is a letter of the search line where the hold key is up', () => {
    const person = personAt('a: a1 | b: b1 | c: c1').press('search').letGo();
    person.tap('Digit3', { alt: false, key: '3' });
    expect(person.row).toBe('a');
  });
});

/** What rule 14 says, written from its text alone: one frozen order and the uses before it, and no steps to take back. */
class ByTheText {
  uses: string[];
  #run: { application: string; order: string[]; before: string[] } | null = null;

  constructor(
    readonly windows: Readonly<Record<string, readonly string[]>>,
    uses: readonly string[],
  ) {
    this.uses = [...uses];
  }

  endRun() {
    this.#run = null;
  }

  press(application: string) {
    const own = this.windows[application] ?? [];
    const front = this.uses[0] ?? '';
    if (this.#run?.application !== application)
      this.#run = { application, order: this.uses.filter((id) => own.includes(id)), before: this.uses };
    const { order, before } = this.#run;
    const to = own.includes(front) ? order[(order.indexOf(front) + 1) % order.length] : order[0];
    this.uses = [to ?? '', ...before.filter((id) => id !== to)];
  }
}

describe('rule 14 against a model of its text', () => {
  const WINDOWS = { a: ['a1', 'a2', 'a3'], b: ['b1'], c: ['c1', 'c2'], d: ['d1', 'd2', 'd3', 'd4'] };
  const digits = { a: '1', b: '2', c: '3', d: '4' } as const;
  const PRESSES = runs(10_000);

  it(`the same window comes forward and the same order is left, over ${PRESSES} presses`, () => {
    let presses = 0;
    const does = fc.oneof(
      { weight: 6, arbitrary: fc.constantFrom('a', 'b', 'c', 'd') },
      { weight: 1, arbitrary: fc.constantFrom('pause', 'key', 'hold') },
    );
    fc.assert(
      fc.property(fc.array(does, { minLength: 40, maxLength: 60, size: 'max' }), (all) => {
        const person = personAt('a: a1 a2- a3 | b: b1 | !c: c1 c2 | d: d1 d2 d3~ d4-');
        const model = new ByTheText(WINDOWS, person.windows.split(' '));
        for (const one of all) {
          if (one === 'pause') pause(person);
          if (one === 'key') person.tap('KeyY', { alt: false, key: 'y' });
          // The hold key is part of every press, and ends nothing.
          if (one === 'hold') person.hold().letGo();
          else if (one.length > 1) model.endRun();
          else {
            press(person, digits[one as keyof typeof digits]);
            model.press(one);
            presses += 1;
          }
          expect(person.windows).toBe(model.uses.join(' '));
          expect(person.session.front).toBe(model.uses[0]);
        }
      }),
      { numRuns: PRESSES / 40 },
    );
    expect(presses).toBeGreaterThanOrEqual(PRESSES * 0.8);
  });
});
