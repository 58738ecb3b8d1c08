/** Batches for tests, as a browser would make them. */
import { randomUUID } from 'node:crypto';
import { BATCH_VERSION, type Batch, type Wish } from '../src/lib/core/commands/commands';
import { later } from './sessions';

/** A batch of commands for these wishes, each with an id of its own. */
export const batchOf = (...wishes: Wish[]): Batch => ({
  id: randomUUID(),
  v: BATCH_VERSION,
  commands: wishes.map((wish, n) => ({ ...wish, id: randomUUID(), at: later(n) })),
});

/** A batch that brings a window to the front. */
export const flip = (window: string): Batch => batchOf({ type: 'bring-to-front', window, raiseAll: false });
