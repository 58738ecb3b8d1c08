import { describe, expect, it } from 'vitest';
import { Person, personAt, REGISTRY } from '../../../../testing/person';
import { sessionOf } from '../../../../testing/sessions';
import { isDone, LESSON_DIGIT, LESSON_KEYS, LESSONS, type Lesson, type Moment } from './lessons';

const LINE = 'a: a1 a2 | b: b1 b2 | c: c1 | d: d1';

/** Somebody who is looked at after every single input, as the page does it. */
class Pupil extends Person {
  readonly done = new Set<Lesson>();
  #before: Moment = { state: this.state, session: this.session };

  override input(input: Parameters<Person['input']>[0]): this {
    super.input(input);
    const after: Moment = { state: this.state, session: this.session };
    for (const lesson of LESSONS) if (isDone(lesson, this.#before, after)) this.done.add(lesson);
    this.#before = after;
    return this;
  }
}

/** Which lessons something teaches. */
function taught(does: (person: Person) => unknown, session = sessionOf(LINE)): Lesson[] {
  const pupil = new Pupil(session);
  does(pupil);
  return [...pupil.done];
}

describe('the first minutes', () => {
  it.each<[Lesson, (person: Person) => unknown]>([
    ['flip', (person) => person.flip()],
    ['window', (person) => person.flip('next-window')],
    ['place', (person) => person.hold().tap('Digit4').letGo()],
    ['minimise', (person) => person.act('minimise').letGo()],
    ['search', (person) => person.act('search').letGo().type('c1').tap('Enter')],
    ['glance', (person) => person.hold().tap('Space').letGo()],
    ['index', (person) => person.act('index').letGo().escape()],
    ['help', (person) => person.act('keys').letGo().input({ type: 'dialog', dialog: null })],
  ])('“%s” is done by its keys, and nothing else is', (lesson, does) => {
    expect(taught(does)).toEqual([lesson]);
  });

  it('“put-back” is done by its key once something was put away', () => {
    const person = personAt(LINE).act('minimise').letGo();
    expect(taught((one) => one.act('put-back').letGo(), person.session)).toEqual(['put-back']);
  });

  it('what is broken off, or goes elsewhere, teaches nothing', () => {
    expect(taught((person) => person.step('older-application').escape())).toEqual([]);
    expect(taught((person) => person.hold().tap('Digit3').letGo())).toEqual([]);
    expect(taught((person) => person.act('search').letGo().type('c1').escape())).toEqual([]);
    expect(taught((person) => person.act('index').letGo())).toEqual([]);
    expect(taught((person) => person.act('keys').letGo())).toEqual([]);
    // Another page has put the front window away and brought something forward.
    expect(
      taught((person) => person.wish({ type: 'bring-to-front', window: 'b1', raiseAll: false })),
    ).toEqual([]);
  });

  it('each names a key that there is', () => {
    const session = sessionOf(LINE);
    for (const lesson of LESSONS) {
      const { action, argument } = LESSON_KEYS[lesson];
      expect(REGISTRY.action(action).keys(argument, session), lesson).not.toEqual([]);
    }
    expect(LESSON_KEYS.place.argument).toBe(LESSON_DIGIT);
  });
});
