import { describe, expect, it } from 'vitest';
import { personAt } from '../../../../testing/person';
import { later } from '../../../../testing/sessions';
import { fellSilent, rollCall } from './roll-call';

const names = (session: Parameters<typeof rollCall>[0]) =>
  rollCall(session)
    .map(({ application }) => application)
    .join(' ');

describe('the roll call', () => {
  it('goes by recent use where all answer', () => {
    const { session } = personAt('a: a1 | b: b1 b2- | c:');
    expect(names(session)).toBe('a b c');
    expect(rollCall(session)[1]).toMatchObject({
      windows: 2,
      minimised: 1,
      answering: true,
      silentSince: null,
    });
    expect(rollCall(session)[2]).toMatchObject({ windows: 0 });
  });

  it('has what hangs on top, that for longest first, then what waits for an answer', () => {
    const person = personAt('a: a1 | b: b1 | c: c1* | d: d1');
    person.wish({ type: 'quit', application: 'c' });
    person.wish({ type: 'stop-answering', application: 'd' });
    person.wish({ type: 'stop-answering', application: 'b' });
    expect(names(person.session)).toBe('d b c a');
    const [first, second] = rollCall(person.session);
    expect(first?.silentSince).toBe(later(2));
    expect(second?.silentSince).toBe(later(3));
  });

  it('has that on top of which nobody knows since when it hangs', () => {
    const person = personAt('a: a1 | b: b1').wish({ type: 'stop-answering', application: 'a' });
    const { applications } = person.session;
    const session = {
      ...person.session,
      applications: applications.map((one) => (one.id === 'b' ? { ...one, answering: false } : one)),
    };
    expect(names(session)).toBe('b a');
    expect(rollCall(session)[0]?.silentSince).toBeNull();
  });

  it('forgets since when, once it answers again, is ended, or is launched anew', () => {
    const person = personAt('a: a1 | b: b1').wish({ type: 'stop-answering', application: 'b' });
    person.wish({ type: 'end-now', application: 'b' });
    expect(person.session.applications.find(({ id }) => id === 'b')).not.toHaveProperty('silentSince');
    expect(names(person.session)).toBe('a');
    person.wish({ type: 'switch-to-application', application: 'b' });
    expect(rollCall(person.session)[0]).toMatchObject({
      application: 'b',
      answering: true,
      silentSince: null,
    });
  });
});

it('tells who fell silent, once', () => {
  const person = personAt('a: a1 | b: b1');
  const before = person.session;
  person.wish({ type: 'stop-answering', application: 'b' });
  expect(fellSilent(before, person.session)).toEqual(['b']);
  expect(fellSilent(person.session, person.session)).toEqual([]);
  const after = person.session;
  person.wish({ type: 'end-now', application: 'b' });
  expect(fellSilent(after, person.session)).toEqual([]);
});
