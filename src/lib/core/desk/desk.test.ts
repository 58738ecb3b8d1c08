/** What can be seen only at the machine itself. */
import { describe, expect, it } from 'vitest';
import { after, type Standing, type Visit } from '../../../../testing/explore';
import { aroundOf, personAt, type Person } from '../../../../testing/person';
import { later, sessionOf } from '../../../../testing/sessions';
import { PLAIN_KEY } from '../../../../testing/keys';
import type { Session } from '../session/session';
import { transition } from './desk';
import type { DeskInput } from './messages';
import { AT_REST, TIMERS, type DeskState } from './state';

/** What was asked for, then what changed in the desk's state, in words. */
function told(effects: Visit['effects'], before: DeskState, now: DeskState): string {
  const asked = effects.map((effect) => {
    if (effect.type === 'say') return `say ${effect.saying.type}`;
    if (effect.type === 'take') return effect.wholly ? 'take' : 'see';
    return 'timer' in effect ? `${effect.type} ${effect.timer}` : effect.type;
  });
  const flags = (Object.keys(before) as (keyof DeskState)[]).flatMap((key) => {
    const value = now[key];
    if (typeof value === 'object' || value === before[key]) return [];
    return typeof value === 'boolean' ? `${value ? '+' : '-'}${key}` : `${key} ${value}`;
  });
  return [...asked.filter((one) => one !== 'heard'), ...flags].join(', ');
}

it('a quick tap is quicker than a sixth of a second', () => expect(TIMERS.show).toBeLessThan(150));

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

describe('what an input leads to', () => {
  /** Happenings one after the other; told of the last one. */
  const tale = (line: string) => {
    const around = aroundOf(sessionOf('a: a1 a2 | b: b1* | c: c1'));
    let standing: Standing = { desk: AT_REST, session: sessionOf('a: a1 a2 | b: b1* | c: c1') };
    let last = '';
    for (const name of line.split(', ')) {
      const visit = after(standing, name, around);
      last = told(visit.effects, standing.desk, visit.after.desk);
      standing = visit.after;
    }
    const { switcher, taken } = standing.desk;
    return `${last} | ${switcher?.mode ?? 'closed'} | ${taken.join('+')}`;
  };

  it.each([
    ['hold', 'see, schedule explain, +holding, +tapped | closed | AltLeft'],
    ['hold, release', 'see, cancel explain, -holding | closed | '],
    ['hold, S', 'take, schedule calm, schedule show, -tapped, +stepped | holding | AltLeft+KeyS'],
    ['hold, S, S up', ' | holding | AltLeft'],
    [
      'hold, S, S up, S',
      'take, schedule calm, cancel show, say highlight, +shown, +explained, +hurried | holding | AltLeft+KeyS',
    ],
    ['hold, S again', 'take, -tapped | closed | AltLeft+KeyS'],
    ['hold, S, time to show', 'cancel show, say highlight, +shown, +explained | holding | AltLeft+KeyS'],
    ['hold, S, time to show, time to show', ' | holding | AltLeft+KeyS'],
    ['hold, S, release', 'see, cancel explain, cancel show, say outcome, -holding | closed | KeyS'],
    [
      'hold, S, time to show, release',
      'see, cancel explain, cancel show, say outcome, -shown, -holding, -explained | closed | KeyS',
    ],
    ['hold, S, Escape', 'take, cancel show, say cancelled | closed | AltLeft+KeyS'],
    ['hold, S, Z', 'take, say outcome | holding | AltLeft+KeyS'],
    ['hold, S, Z, release', 'see, cancel explain, cancel show, say front, -holding | closed | KeyS'],
    ['hold, V', 'take, say outcome, -tapped, undoes reopen | closed | AltLeft'],
    ['hold, R', 'take, say notice, -tapped | closed | AltLeft'],
    ['hold, Space', 'take, say bare-surface, +glancing, -tapped | closed | AltLeft+Space'],
    ['hold, Space, Space up', 'take, say front, -glancing | closed | AltLeft'],
    ['hold, Space, release', 'see, cancel explain, say front, -holding, -glancing | closed | Space'],
    ['focus lost', '+unsure | closed | '],
    ['hold, S, time to show, focus lost', 'cancel explain, -holding, -explained, +unsure | holding | '],
    [
      'hold, S, focus lost, the pointer tells of a missed release',
      'cancel show, say highlight, say release-missed, +shown, -unsure | staying | ',
    ],
    [
      'hold, Q',
      'take, cancel show, say highlight, +shown, +explained, +searching, -tapped | staying | AltLeft',
    ],
    ['hold, Q, Z', 'take | staying | AltLeft'],
    ['hold, Q, release', 'see, cancel explain, -holding, -explained, -searching | staying | '],
    ['hold, Q, release, type b, Enter', 'take, cancel show, say outcome, -shown | closed | '],
    ['hold, S, elsewhere: b1 is closed', ' | holding | AltLeft+KeyS'],
  ])('%s: %s', (line, then) => expect(tale(line)).toBe(then));

  const invoked = (action: string, target?: { application: string; window: string | null }): DeskInput => ({
    type: 'invoked',
    invocation: { action, argument: null },
    ...(target && { target }),
  });
  const answered: DeskInput = {
    type: 'answered',
    wish: { type: 'answer-closing', window: 'b1', answer: 'save' },
  };
  const b1Asks = (person: Person) => person.wish({ type: 'close', window: 'b1' });

  it.each<[string, string, DeskInput, ((person: Person) => unknown)?]>([
    [
      'a step by pointer stays',
      'schedule calm, cancel show, say highlight, +shown, +stepped',
      invoked('older-application'),
    ],
    [
      'search by pointer takes no letters of the hold',
      'cancel show, say highlight, +shown, +explained',
      invoked('search'),
      (person) => person.hold(),
    ],
    [
      'what has its own target acts on it',
      'say outcome, undoes reopen',
      invoked('close', { application: 'c', window: 'c1' }),
    ],
    ['what is the page’s is asked of it', 'page', invoked('export')],
    [
      'a dialog closes the switcher',
      'cancel show, -shown, dialog settings',
      invoked('settings'),
      (person) => person.step('older-application', 'older-application'),
    ],
    ['an answer keeps its key from typing', 'say outcome, undoes reopen', answered, b1Asks],
    [
      'an answer goes on to the next question',
      'say outcome, say outcome, undoes reopen',
      answered,
      (person) => {
        b1Asks(person)
          .wish({ type: 'keep-draft', document: 'd-c1', text: 'new' })
          .wish({ type: 'close', window: 'c1' });
      },
    ],
    ['a refusal is said', 'say refusal', { type: 'wished', wishes: [{ type: 'close', window: 'x' }] }],
    [
      'the keys are explained when it is time',
      '+explained',
      { type: 'time', timer: 'explain' },
      (person) => person.hold(),
    ],
    [
      'steps are hurried no more',
      '-stepped',
      { type: 'time', timer: 'calm' },
      (person) => person.step('older-application'),
    ],
    ['a time that comes too late explains nothing', '', { type: 'time', timer: 'explain' }],
  ])('%s: %s', (_, then, input, setUp) => {
    const person = personAt('a: a1 a2 | b: b1* | c: c1');
    setUp?.(person);
    const before = person.state;
    person.effects = [];
    person.input(input);
    expect(told(person.effects, before, person.state)).toBe(then);
    expect(person.state.taken.includes('NumpadEnter')).toBe(input.type === 'answered');
  });

  it('letters that were handed on go into the search line, which others have by themselves', () => {
    const person = personAt('a: a1 | b: b1').press('search').letGo();
    const write = (key: string, more: object = {}) => person.tap(`Key${key}`, { key, alt: false, ...more });
    write('b');
    expect(person.switcher?.search?.letters ?? '').toBe('');
    const handedOn = { handedOn: true };
    write('b', handedOn);
    write('1', handedOn);
    write('x', handedOn);
    person.tap('Backspace', { key: 'Backspace', alt: false, ...handedOn });
    write('v', { ...handedOn, control: true });
    expect(person.switcher?.search?.letters).toBe('b1');
    person.tap('Enter', { key: 'Enter', alt: false, ...handedOn });
    expect(person.session.front).toBe('b1');
    write('a', handedOn);
    expect(person.switcher).toBeNull();
  });

  it('a key in a dialog switches nothing, but what is bound is the browser’s no more', () => {
    const person = personAt('a: a1 | b: b1').input({ type: 'dialog', dialog: 'settings' });
    person.effects = [];
    person.hold().tap('KeyS');
    expect(told(person.effects, AT_REST, { ...person.state, taken: [] })).toBe('see, see, dialog settings');
    expect(person.state).toMatchObject({ switcher: null, holding: false });
  });
});
