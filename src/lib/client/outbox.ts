import type { Batch } from '../core/session/commands';

/** The part of the Web Storage API that the outbox needs. */
export type OutboxStorage = Pick<Storage, 'length' | 'key' | 'getItem' | 'setItem' | 'removeItem'>;

const TIME_DIGITS = 15;
const COUNT_DIGITS = 6;

/**
 * The batches of one session that the server has not acknowledged, kept where a reload or a crash does not reach
 * them. Pages share it: one that opens takes over what an earlier one left, which is safe because the server
 * carries a batch out once however often it comes.
 */
export class Outbox {
  readonly #prefix: string;
  readonly #keys = new Map<string, string>();
  #count = 0;

  constructor(
    readonly storage: OutboxStorage,
    session: string,
  ) {
    this.#prefix = `key-fold/outbox/${session}/`;
  }

  /** What is left to send, in the order in which it was put in. An entry that cannot be read is dropped. */
  load(): Batch[] {
    const keys: string[] = [];
    for (let index = 0; index < this.storage.length; index += 1) {
      const key = this.storage.key(index);
      if (key?.startsWith(this.#prefix)) keys.push(key);
    }
    return keys.sort().flatMap((key) => this.#read(key));
  }

  /** Keeps a batch until it is removed. @throws DOMException if the storage is full. */
  add(batch: Batch, now: number): void {
    this.#count += 1;
    const time = String(now).padStart(TIME_DIGITS, '0');
    const key = `${this.#prefix}${time}-${String(this.#count).padStart(COUNT_DIGITS, '0')}-${batch.id}`;
    this.#keys.set(batch.id, key);
    this.storage.setItem(key, JSON.stringify(batch));
  }

  remove(batch: string): void {
    const key = this.#keys.get(batch);
    if (key === undefined) return;
    this.storage.removeItem(key);
    this.#keys.delete(batch);
  }

  #read(key: string): Batch[] {
    try {
      const batch: Batch = JSON.parse(this.storage.getItem(key) ?? '');
      this.#keys.set(batch.id, key);
      return [batch];
    } catch {
      this.storage.removeItem(key);
      return [];
    }
  }
}
