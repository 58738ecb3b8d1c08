/** Putting back, reopening, restoring, and opening anew. */
import { newestPutAway } from '../../slices/put-away/selectors';
import { action, not, wishes } from '../action';
import { held, heldShift } from '../binding';

/** Undoes the newest putting-away that still has something away. */
export const putBack = action({
  id: 'put-back',
  group: 'bring-back',
  acts: 'nothing',
  explained: false,
  words: {
    title: 'Put back what was put away last',
    short: 'put back',
    synonyms: ['undo', 'restore', 'unminimise', 'unminimize', 'show again'],
  },
  keys: [held('KeyR')],
  offer(session) {
    const newest = newestPutAway(session);
    return newest ? wishes({ type: 'put-back', entry: newest.id }) : not({ type: 'nothing-to-put-back' });
  },
});

/** The newest of what was closed or quit comes back, where it was. */
export const reopen = action({
  id: 'reopen',
  group: 'bring-back',
  acts: 'nothing',
  words: {
    title: 'Reopen the last closed window or application',
    short: 'reopen',
    synonyms: ['undo close', 'reopen what ended last', 'bring back'],
  },
  keys: [heldShift('KeyR')],
  offer(session) {
    const last = session.ended.at(-1);
    return last ? wishes({ type: 'reopen', entry: last.id }) : not({ type: 'nothing-to-reopen' });
  },
});

/** The application's minimised windows come back up. */
export const restoreAll = action({
  id: 'restore-all',
  group: 'bring-back',
  acts: 'application',
  words: {
    title: 'Restore all windows of the front application',
    short: 'restore all',
    synonyms: ['unminimise all', 'unminimize all', 'bring back up', 'minimised'],
  },
  keys: [held('KeyB')],
  offer: (_session, { application }) => wishes({ type: 'restore-all', application }),
});

/** Opens one more window, also of an application that does not run. */
export const newWindow = action({
  id: 'new-window',
  group: 'bring-back',
  acts: 'application',
  words: { title: 'New window of the front application', short: 'new window', synonyms: ['new', 'open'] },
  keys: [heldShift('KeyB')],
  offer: (_session, { application }) => wishes({ type: 'open-window', application, inFront: true }),
});
