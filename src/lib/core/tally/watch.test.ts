import { describe, expect, it } from 'vitest';
import { personAt } from '../../../../testing/person';
import { LONGEST_SWITCH_MS } from './way';

const DESK = 'a: a1 a2 a3 | b: b1 b2 | c: c1';
const atDesk = () => personAt(DESK);

describe('how a switch came about', () => {
  it('by steps: from the hold key down to its coming up, with the keys in between', () => {
    const person = atDesk().hold().after(300).step('older-application').after(200).step('older-application');
    person.after(100).release();
    expect(person.facts).toEqual([{ way: 'step', took: 600, presses: 2 }]);
  });

  it('by a window chosen by hand in its row', () => {
    const person = atDesk().step('older-application').step('next-window').after(50).release();
    expect(person.facts).toEqual([{ way: 'window-step', took: 50, presses: 2 }]);
  });

  it('by the window keys alone', () => {
    expect(atDesk().flip('next-window').facts).toEqual([{ way: 'window-step', took: 0, presses: 1 }]);
  });

  it('by a place; a second press in the same hold begins where the first one ended', () => {
    const person = atDesk().hold().after(100).tap('Digit2').after(400).tap('Digit2').after(70).letGo();
    expect(person.facts).toEqual([
      { way: 'place', took: 100, presses: 1 },
      { way: 'place', took: 400, presses: 1 },
    ]);
  });

  it('by a shortcut', () => {
    const chord = { code: 'KeyE', shift: false, hold: true, modifiers: [] };
    const shortcut = { id: 's1', chord, aim: { window: 'c1' }, opens: false, further: 'back' } as const;
    const person = atDesk().wish({ type: 'put-shortcut', shortcut });
    person.hold().after(80).tap('KeyE').letGo();
    expect(person.facts).toEqual([{ way: 'shortcut', took: 80, presses: 1 }]);
  });

  it('by search, whose letters are counted and not told', () => {
    const person = atDesk().press('search').letGo().after(500);
    for (const letter of ['c', '1']) person.tap(`Key${letter.toUpperCase()}`).type(letter);
    person.after(250).tap('Enter');
    const [facts] = person.facts;
    expect(facts).toEqual({ way: 'search', took: 750, presses: 4 });
  });

  it('by the survey', () => {
    const person = atDesk().press('survey').letGo().after(900).tap('ArrowRight').tap('Enter');
    expect(person.facts.at(-1)).toMatchObject({ way: 'survey', took: 900, presses: 3 });
  });

  it('by the pointer, without keys and without a time', () => {
    const person = atDesk().input({
      type: 'invoked',
      invocation: { action: 'place', argument: '3' },
    });
    expect(person.facts).toEqual([{ way: 'pointer' }]);
  });

  it('as what follows from something else: the next window is in front because one was closed', () => {
    const person = atDesk().press('close').letGo();
    expect(person.facts).toEqual([{ way: 'other', took: 0, presses: 1 }]);
  });

  it('by the page itself, which no key began', () => {
    const person = atDesk().input({
      type: 'wished',
      wishes: [{ type: 'bring-to-front', window: 'c1', raiseAll: false }],
    });
    expect(person.facts).toEqual([{ way: 'page' }]);
  });
});

describe('what does not count', () => {
  it('keys that were let go long before, with nothing open', () => {
    const person = atDesk().tap('KeyA').after(5_000).tap('KeyB').after(5_000);
    person.hold().after(20).step('older-application').release();
    expect(person.facts).toEqual([{ way: 'step', took: 20, presses: 1 }]);
  });

  it('a key that repeats, a key that comes up, and other modifiers', () => {
    const person = atDesk().hold().step('older-application').repeat('older-application', 5);
    person.key({ code: 'ShiftLeft', key: 'Shift' }).key({ code: 'ShiftLeft', key: 'Shift', phase: 'up' });
    expect(person.release().facts[0]?.presses).toBe(1);
  });

  it('time beyond an hour: such a switch is not told as longer than that', () => {
    const person = atDesk()
      .hold()
      .step('older-application')
      .after(2 * LONGEST_SWITCH_MS)
      .release();
    expect(person.facts[0]?.took).toBe(LONGEST_SWITCH_MS);
  });

  it('a switcher that was left: the next switch begins anew', () => {
    const person = atDesk().hold().step('older-application').after(4_000).escape().letGo();
    person.after(1_000).hold().after(30).step('older-application').release();
    expect(person.facts).toEqual([{ way: 'step', took: 30, presses: 1 }]);
  });
});
