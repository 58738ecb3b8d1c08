/** Reads a history and computes the tally of it, where that keeps no key waiting. */
import { EMPTY_HISTORY, type History } from '../../core/tally/history';
import { tallyOf } from '../../core/tally/tally';
import { historyFromArrow } from './history-from-arrow';
import type { FromTallyWorker, ToTallyWorker } from './messages';

const say = (message: FromTallyWorker): void => postMessage(message);

let history: Promise<History> = Promise.resolve(EMPTY_HISTORY);

addEventListener('message', ({ data }: MessageEvent<ToTallyWorker>) => {
  if (data.type === 'read') history = read(data.address);
  else
    void history
      .then((known) => say({ type: 'answer', tally: tallyOf(known, data.question) }))
      .catch(() => say({ type: 'failed', keyNeeded: false }));
});

async function read(address: string): Promise<History> {
  const response = await fetch(address).catch(() => null);
  if (!response?.ok) {
    say({ type: 'failed', keyNeeded: response?.status === 401 });
    return EMPTY_HISTORY;
  }
  const known = historyFromArrow(new Uint8Array(await response.arrayBuffer()));
  say({ type: 'read', switches: known.length, first: known.length > 0 ? (known.at[0] ?? null) : null });
  return known;
}
