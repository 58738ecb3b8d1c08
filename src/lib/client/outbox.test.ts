import { describe, expect, it } from 'vitest';
import type { Batch } from '../core/commands/commands';
import { Outbox } from './outbox';
import { memoryStorage } from './page-storage';

const batch = (id: string): Batch => ({ id, v: 2, commands: [] });

describe('the outbox', () => {
  it('gives the next page what is left, in order', () => {
    const storage = memoryStorage();
    const outbox = new Outbox(storage, 's');
    outbox.add(batch('late'), 2_000);
    outbox.add(batch('x'), 30);
    outbox.add(batch('y'), 30);
    outbox.remove('x');
    expect(new Outbox(storage, 's').load().map(({ id }) => id)).toEqual(['y', 'late']);
  });

  it('lets the next page remove what an earlier one put in', () => {
    const storage = memoryStorage();
    new Outbox(storage, 's').add(batch('x'), 1);
    const next = new Outbox(storage, 's');
    next.load();
    next.remove('x');
    expect(storage.length).toBe(0);
  });

  it('keeps sessions apart, and leaves other entries alone', () => {
    const storage = memoryStorage();
    storage.setItem('something else', 'stays');
    new Outbox(storage, 's').add(batch('x'), 1);
    expect(new Outbox(storage, 't').load()).toEqual([]);
    expect(storage.getItem('something else')).toBe('stays');
  });

  it.each(['{', 'null', '7', '{}', '{"id":"x"}', '{"id":"x","commands":[null]}', '{"id":"x","commands":{}}'])(
    'sets an entry aside that is no batch: %s',
    (text) => {
      const storage = memoryStorage();
      storage.setItem('key-fold/outbox/s/000000000000001-000001-x', text);
      const outbox = new Outbox(storage, 's');
      expect(outbox.load()).toEqual([]);
      expect(outbox.aside().map((aside) => aside.text)).toEqual([text]);
      expect(new Outbox(storage, 's').load()).toEqual([]);
    },
  );

  it('opens all the same where there is no room to set anything aside, and loses nothing', () => {
    const storage = memoryStorage();
    const key = 'key-fold/outbox/s/000000000000001-000001-x';
    storage.setItem(key, '{');
    const full = {
      ...storage,
      key: storage.key,
      setItem: () => {
        throw new Error('full');
      },
    };
    Object.defineProperty(full, 'length', { get: () => storage.length });
    expect(new Outbox(full, 's').load()).toEqual([]);
    expect(storage.getItem(key)).toBe('{');
  });

  it('keeps aside what is set aside, over a reload, until it is let go', () => {
    const storage = memoryStorage();
    const outbox = new Outbox(storage, 's');
    outbox.add(batch('x'), 1);
    outbox.add(batch('y'), 2);
    outbox.setAside(batch('x'));
    const next = new Outbox(storage, 's');
    expect(next.load().map(({ id }) => id)).toEqual(['y']);
    const [aside] = next.aside();
    expect(JSON.parse(aside?.text ?? '')).toEqual(batch('x'));
    next.dropAside(aside?.key ?? '');
    expect(next.aside()).toEqual([]);
    expect(new Outbox(storage, 't').aside()).toEqual([]);
  });
});
