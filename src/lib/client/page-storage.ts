import type { OutboxStorage } from './outbox';

/** The browser's storage, or where it is switched off one that lasts as long as the page. */
export function pageStorage(): OutboxStorage {
  try {
    return localStorage;
  } catch {
    return memoryStorage();
  }
}

/** A storage in memory. */
export function memoryStorage(): OutboxStorage {
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
