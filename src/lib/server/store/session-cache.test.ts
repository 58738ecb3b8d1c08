import { expect, it } from 'vitest';
import { sessionOf } from '../../../../testing/sessions';
import { SessionCache } from './session-cache';

it('the cache never goes back to an older state, however late one comes', () => {
  const cache = new SessionCache();
  const at = (seq: number) => ({ session: sessionOf('a: a1'), seq });
  const [older, newer] = [at(3), at(4)];
  expect(cache.keep('s', newer)).toBe(newer);
  expect(cache.keep('s', older)).toBe(newer);
  expect(cache.get('s')).toBe(newer);
  expect(cache.keep('s', at(5)).seq).toBe(5);
  cache.forget('s');
  expect(cache.keep('s', older)).toBe(older);
});
