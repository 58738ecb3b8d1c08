/** Switching rules 1 to 4, common practice. */
import { find } from '../model/table';
import { describe, expect, it } from 'vitest';
import { personAt } from '../../../../testing/person';

describe('rule 1: two orders are kept, most recent first', () => {
  it('of all windows and of the running applications', () => {
    const person = personAt('a: a1 a2 | b: b1').wish({
      type: 'bring-to-front',
      window: 'b1',
      raiseAll: false,
    });
    expect(person.windows).toBe('b1 a1 a2');
    expect(person.applications).toBe('b a');
  });
});

describe('rule 2: coming to the front moves to the head, and nothing else reorders', () => {
  it('moves a window and its application', () => {
    const person = personAt('a: a1 | b: b1 | c: c1').wish({
      type: 'bring-to-front',
      window: 'c1',
      raiseAll: false,
    });
    expect(person.windows).toBe('c1 a1 b1');
    expect(person.applications).toBe('c a b');
  });

  it('not stepping, a title change, hiding or minimising something else', () => {
    const person = personAt('a: a1 | b: b1 b2 | c: c1');
    person.step('older-application', 'older-application', 'next-window').escape();
    person.wish({ type: 'retitle-tab', window: 'c1', tab: 't-c1', title: 'another title' });
    person.wish({ type: 'hide-or-show', application: 'c' });
    person.wish({ type: 'minimise', window: 'b2' });
    person.wish({ type: 'keep-draft', document: 'd-b1', text: 'typed' });
    expect(person.windows).toBe('a1 b1 b2 c1');
    expect(person.applications).toBe('a b c');
  });
});

describe('rule 3: opening', () => {
  it('in front goes to the head', () => {
    const person = personAt('a: a1 | b: b1').wish({ type: 'open-window', application: 'b', inFront: true });
    expect(person.windows).toBe('w-c1 a1 b1');
    expect(person.session.front).toBe('w-c1');
    expect(find(person.session.windows, 'w-c1')?.seen).toBe(true);
  });

  it('in the background goes to the end, marked new until first seen', () => {
    const person = personAt('a: a1 | b: b1').wish({ type: 'open-window', application: 'b', inFront: false });
    expect(person.windows).toBe('a1 b1 w-c1');
    expect(person.session.front).toBe('a1');
    expect(find(person.session.windows, 'w-c1')?.seen).toBe(false);
    person.wish({ type: 'bring-to-front', window: 'w-c1', raiseAll: false });
    expect(find(person.session.windows, 'w-c1')?.seen).toBe(true);
  });
});

describe('rule 4: when the front window goes away', () => {
  it('the most recent visible window of this workspace is next', () => {
    const person = personAt('a: a1 | b: b1- b2~ | c: c1').wish({ type: 'minimise', window: 'a1' });
    expect(person.session.front).toBe('c1');
  });

  it.each([
    ['minimised', { type: 'minimise', window: 'a1' }],
    ['hidden', { type: 'hide-or-show', application: 'a' }],
    ['closed', { type: 'close', window: 'a1' }],
    ['quit', { type: 'quit', application: 'a' }],
  ] as const)('when it is %s', (_, wish) => {
    expect(personAt('a: a1 | b: b1').wish(wish).session.front).toBe('b1');
  });

  it('nothing is in front if there is none, and the workspace stays', () => {
    const person = personAt('a: a1 | b: b1- b2~').wish({ type: 'minimise', window: 'a1' });
    expect(person.session.front).toBeNull();
    expect(person.session.workspace).toBe('here');
  });
});
