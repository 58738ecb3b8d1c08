/** The desk's rules over every sequence of inputs, and what can be seen only at the machine itself. */
import { describe, expect, it } from 'vitest';
import { exploreWithRules } from '../../../../testing/desk-rules';
import { HAPPENINGS } from '../../../../testing/explore';
import { personAt } from '../../../../testing/person';
import { TIMERS } from './state';

describe('the desk', () => {
  it('keeps its rules over every sequence of inputs up to depth 6', () => {
    expect(Object.keys(HAPPENINGS).length).toBeGreaterThanOrEqual(20);
    expect(exploreWithRules(6).sequences).toBeGreaterThan(64_000_000);
  });
});

describe('timers', () => {
  it('a quick tap asks for nothing to be shown, and ends what would have shown it', () => {
    const person = personAt('a: a1 | b: b1').step('older-application');
    expect(person.state.shown).toBe(false);
    expect(person.effects).toContainEqual({ type: 'schedule', timer: 'show' });
    person.effects = [];
    person.release();
    expect(person.effects).toContainEqual({ type: 'cancel', timer: 'show' });
    expect(person.state.shown).toBe(false);
    expect(person.session.front).toBe('b1');
  });

  it('a second press shows it at once, and its time shows it otherwise', () => {
    expect(personAt('a: a1 | b: b1').step('older-application', 'older-application').state.shown).toBe(true);
    const person = personAt('a: a1 | b: b1').step('older-application').input({ type: 'time', timer: 'show' });
    expect(person.state.shown).toBe(true);
    expect(TIMERS.show).toBeLessThan(150);
  });

  it('steps are hurried while they follow each other before the desk is calm', () => {
    const person = personAt('a: a1 | b: b1').step('older-application');
    expect(person.state.hurried).toBe(false);
    expect(person.step('older-application').state.hurried).toBe(true);
    person.input({ type: 'time', timer: 'calm' });
    expect(person.step('older-application').state.hurried).toBe(false);
  });

  it('the keys are explained once the hold key is down for longer than a tap', () => {
    const person = personAt('a: a1').hold();
    expect(person.state.explained).toBe(false);
    expect(person.input({ type: 'time', timer: 'explain' }).state.explained).toBe(true);
    expect(person.letGo().state.explained).toBe(false);
  });
});
