/** What can be seen only at the machine itself. */
import { describe, expect, it } from 'vitest';
import { aroundOf, personAt } from '../../../../testing/person';
import { later } from '../../../../testing/sessions';
import { PLAIN_KEY } from '../../../../testing/keys';
import type { Session } from '../session/session';
import { transition } from './desk';
import type { DeskInput } from './messages';
import { AT_REST, TIMERS, type DeskState } from './state';

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

describe('what is wished', () => {
  const submissionsOf = (input: DeskInput, state: DeskState, session: Session) =>
    transition(state, input, { session, ...aroundOf(session) }).effects.flatMap((effect) =>
      effect.type === 'submit' ? [effect.submission] : [],
    );

  it('says what made the person wish it', () => {
    const { session } = personAt('a: a1 | b: b1');
    const sweep = { action: 'sweep', argument: null };
    const origins = (input: DeskInput) => submissionsOf(input, AT_REST, session).map(({ origin }) => origin);
    expect(origins({ type: 'invoked', invocation: sweep })).toEqual(['pointer']);
    expect(origins({ type: 'wished', wishes: [{ type: 'sweep' }] })).toEqual(['page']);
    const holding = personAt('a: a1 | b: b1').step('older-application');
    const letGo = { ...PLAIN_KEY, code: 'AltLeft', key: 'Alt', phase: 'up' as const };
    const released: DeskInput = { type: 'key', key: letGo, at: later(1) };
    expect(submissionsOf(released, holding.state, session)).toMatchObject([{ origin: 'key' }]);
    const found = personAt('a: a1 | b: b1').press('search').type('b1');
    const enter: DeskInput = {
      type: 'key',
      key: { ...PLAIN_KEY, code: 'Enter', key: 'Enter' },
      at: later(1),
    };
    expect(submissionsOf(enter, found.letGo().state, session)).toMatchObject([{ origin: 'search' }]);
  });

  it('and happens later is said then, and can be taken back', () => {
    const person = personAt('a: a1 | b: b1');
    const before = person.session;
    person.wish({ type: 'close', window: 'a1' });
    person.effects = [];
    const events = person.events.slice(-2);
    expect(events.map(({ type }) => type)).toEqual(['windows-closed', 'window-fronted']);
    person.input({ type: 'happened', before, events });
    expect(person.effects).toContainEqual({
      type: 'say',
      saying: { type: 'outcome', before, events, moved: 'front' },
    });
    expect(person.state.undoes).toBe('reopen');
  });
});
