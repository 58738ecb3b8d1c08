import { describe, expect, it } from 'vitest';
import type { Batch } from '../core/session/commands';
import { Outbox, type OutboxStorage } from './outbox';

function memory(): OutboxStorage {
  const items = new Map<string, string>();
  return {
    get length() {
      return items.size;
    },
    key: (index) => [...items.keys()][index] ?? null,
    getItem: (key) => items.get(key) ?? null,
    setItem: (key, value) => void items.set(key, value),
    removeItem: (key) => void items.delete(key),
  };
}

const batch = (id: string): Batch => ({ id, commands: [] });

describe('the outbox', () => {
  it('gives the next page what is left, in order', () => {
    const storage = memory();
    const outbox = new Outbox(storage, 's');
    outbox.add(batch('late'), 2_000);
    outbox.add(batch('x'), 30);
    outbox.add(batch('y'), 30);
    outbox.remove('x');
    expect(new Outbox(storage, 's').load().map(({ id }) => id)).toEqual(['y', 'late']);
  });

  it('lets the next page remove what an earlier one put in', () => {
    const storage = memory();
    new Outbox(storage, 's').add(batch('x'), 1);
    const next = new Outbox(storage, 's');
    next.load();
    next.remove('x');
    expect(storage.length).toBe(0);
  });

  it('keeps sessions apart, and leaves other entries alone', () => {
    const storage = memory();
    storage.setItem('something else', 'stays');
    new Outbox(storage, 's').add(batch('x'), 1);
    expect(new Outbox(storage, 't').load()).toEqual([]);
    expect(storage.getItem('something else')).toBe('stays');
  });

  it('drops an entry that cannot be read', () => {
    const storage = memory();
    storage.setItem('key-fold/outbox/s/000000000000001-000001-x', '{');
    expect(new Outbox(storage, 's').load()).toEqual([]);
    expect(storage.length).toBe(0);
  });
});
