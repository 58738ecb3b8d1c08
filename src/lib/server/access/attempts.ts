import { LRUCache } from 'lru-cache';

/** Wrong keys that are free, and how long each further one makes the next wait, in ms: twice as long each time. */
const FREE = 3;
const FIRST_WAIT_MS = 1_000;
const LONGEST_WAIT_MS = 60_000;
const REMEMBERED_PEERS = 10_000;

interface Peer {
  readonly failures: number;
  /** No attempt before this time, in ms. */
  readonly notBefore: number;
}

/** How long to wait after so many wrong keys, in ms. */
export const waitAfter = (failures: number): number =>
  failures < FREE ? 0 : Math.min(FIRST_WAIT_MS * 2 ** (failures - FREE), LONGEST_WAIT_MS);

/** Slows those down who try keys, each address on its own. Times are in ms of any one clock. */
export class Attempts {
  readonly #peers = new LRUCache<string, Peer>({ max: REMEMBERED_PEERS });

  /** How long a peer must wait before its next attempt, in ms; 0 if it may try now. */
  wait(peer: string, now: number): number {
    return Math.max(0, (this.#peers.get(peer)?.notBefore ?? 0) - now);
  }

  /** Counts a wrong key of a peer; `now` in ms. */
  failed(peer: string, now: number): void {
    const failures = (this.#peers.get(peer)?.failures ?? 0) + 1;
    this.#peers.set(peer, { failures, notBefore: now + waitAfter(failures) });
  }

  /** Forgets the wrong keys of a peer. */
  succeeded(peer: string): void {
    this.#peers.delete(peer);
  }
}
