import { expect, it } from 'vitest';
import { sessionOf } from '../../../../testing/sessions';
import { displaySession } from '../display/display-session';
import type { Session } from '../session/session';
import { DELAYS, delayAfter, shotsOf } from './shot';

const windows = (session: Session) =>
  shotsOf(session).flatMap((shot) => (shot.of === 'window' ? shot.window : []));

it('everything, a part, and each window that is not put away, by recent use', () => {
  expect(shotsOf(sessionOf('a: a1')).map(({ of }) => of)).toEqual(['everything', 'part', 'window']);
  expect(windows(sessionOf('a: a1 a2- | b: b1~ b2 | !c: c1'))).toEqual(['a1', 'b2']);
});

it('of a display nothing where nothing may be pictured, and no window of a program that is excepted', () => {
  const { host, settings } = displaySession('Office', 'Meta', '2026-11-24T06:00:00.000Z');
  const desk = { ...sessionOf('a: a1 | b: b1'), host };
  const allowing = (shown: boolean, except: readonly string[]) =>
    shotsOf({ ...desk, settings: { ...settings, pictures: { shown, except } } }).length;
  expect([allowing(false, []), allowing(true, []), allowing(true, ['a'])]).toEqual([0, 4, 3]);
});

it('a key goes through the waits and begins again', () => {
  const seen = DELAYS.map((_, at) => [...Array(at + 1)].reduce<number>(delayAfter, 0));
  expect(seen).toEqual([3, 5, 10, 0]);
});
