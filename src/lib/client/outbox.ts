import type { Batch } from '../core/commands/commands';
import { batchFrom } from '../core/protocol/upcast';

/** The part of the Web Storage API that the outbox needs. */
export type OutboxStorage = Pick<Storage, 'length' | 'key' | 'getItem' | 'setItem' | 'removeItem'>;

const TIME_DIGITS = 15;
const COUNT_DIGITS = 6;

/** Something that could not be stored and was set aside: a batch as JSON, or what cannot be read any more. */
export interface SetAside {
  readonly key: string;
  readonly text: string;
}

/**
 * The batches of one session that the server has not acknowledged, kept where a reload or a crash does not reach
 * them. Pages share it: one that opens takes over what an earlier one left, which is safe because the server
 * carries a batch out once however often it comes. What cannot be stored is set aside, and stays until someone
 * decides about it.
 */
export class Outbox {
  readonly #prefix: string;
  readonly #asidePrefix: string;
  readonly #keys = new Map<string, string>();
  #count = 0;

  constructor(
    readonly storage: OutboxStorage,
    session: string,
  ) {
    this.#prefix = `key-fold/outbox/${session}/`;
    this.#asidePrefix = `key-fold/set-aside/${session}/`;
  }

  /** What is left to send, in the order in which it was put in. An entry that cannot be read is set aside. */
  load(): Batch[] {
    return this.#keysWith(this.#prefix).flatMap((key) => this.#read(key));
  }

  /**
   * Keeps a batch until it is removed; `text` is what an earlier page wrote down for it.
   * @throws DOMException if the storage is full.
   */
  add(batch: Batch, now: number, text = JSON.stringify(batch)): void {
    this.#count += 1;
    const time = String(now).padStart(TIME_DIGITS, '0');
    const key = `${this.#prefix}${time}-${String(this.#count).padStart(COUNT_DIGITS, '0')}-${batch.id}`;
    this.#keys.set(batch.id, key);
    this.storage.setItem(key, text);
  }

  /**
   * A batch as it is sent: as it was first written down, though by an earlier version, so that the server knows it
   * again if it was stored already.
   */
  textOf(batch: Batch): string {
    const key = this.#keys.get(batch.id);
    return (key === undefined ? null : this.storage.getItem(key)) ?? JSON.stringify(batch);
  }

  /** Lets go a batch that the server has. One that is not kept changes nothing. */
  remove(batch: string): void {
    const key = this.#keys.get(batch);
    if (key === undefined) return;
    this.storage.removeItem(key);
    this.#keys.delete(batch);
  }

  /** Takes a batch out of what is sent, and keeps it aside; where there is no room for that it stays where it is. */
  setAside(batch: Batch): void {
    if (this.#keepAside(batch.id, this.textOf(batch))) this.remove(batch.id);
  }

  /** What was set aside, oldest first. */
  aside(): SetAside[] {
    return this.#keysWith(this.#asidePrefix).map((key) => ({ key, text: this.storage.getItem(key) ?? '' }));
  }

  /** Lets something go that was set aside. */
  dropAside(key: string): void {
    if (key.startsWith(this.#asidePrefix)) this.storage.removeItem(key);
  }

  #keepAside(name: string, text: string): boolean {
    try {
      this.storage.setItem(`${this.#asidePrefix}${name}`, text);
      return true;
    } catch {
      return false;
    }
  }

  #keysWith(prefix: string): string[] {
    const keys: string[] = [];
    for (let index = 0; index < this.storage.length; index += 1) {
      const key = this.storage.key(index);
      if (key?.startsWith(prefix)) keys.push(key);
    }
    return keys.sort();
  }

  #read(key: string): Batch[] {
    const text = this.storage.getItem(key) ?? '';
    const batch = batchIn(text);
    if (batch) {
      this.#keys.set(batch.id, key);
      return [batch];
    }
    if (this.#keepAside(key.slice(this.#prefix.length), text)) this.storage.removeItem(key);
    return [];
  }
}

/** The batch in a text of this version or an earlier one; null if there is none. */
export function batchIn(text: string): Batch | null {
  try {
    const value: unknown = JSON.parse(text);
    return isBatch(value) ? batchFrom(value) : null;
  } catch {
    return null;
  }
}

function isBatch(value: unknown): value is { commands: unknown[] } {
  return (
    isObject(value) &&
    typeof value.id === 'string' &&
    Array.isArray(value.commands) &&
    value.commands.every(
      (command) =>
        isObject(command) && ['id', 'at', 'type'].every((field) => typeof command[field] === 'string'),
    )
  );
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null;
