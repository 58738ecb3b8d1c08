/** Closing, quitting, ending now. What is unsaved asks first. */
import { action, wishes } from '../action';
import { held, heldShift } from '../binding';

/** Unsaved work is asked about in the window (switching rule 12). */
export const close = action({
  id: 'close',
  group: 'end',
  acts: 'window',
  words: { title: 'Close the front window', short: 'close', synonyms: ['shut'] },
  keys: [held('KeyC')],
  offer: (_session, { window }) => wishes({ type: 'close', window }),
});

/** Those with unsaved work ask, the others close. */
export const closeAll = action({
  id: 'close-all',
  group: 'end',
  acts: 'application',
  words: {
    title: 'Close all windows of the front application',
    short: 'close all',
    synonyms: ['shut all'],
  },
  keys: [heldShift('KeyC')],
  offer: (_session, { application }) => wishes({ type: 'close-all', application }),
});

/** On a row that waits for an answer already it passes on to the next one (switching rule 11). */
export const quit = action({
  id: 'quit',
  group: 'end',
  acts: 'application',
  passesOn: true,
  words: { title: 'Quit the front application', short: 'quit', synonyms: ['exit', 'leave'] },
  keys: [held('KeyV')],
  offer: (_session, { application }) => wishes({ type: 'quit', application }),
});

/** Without asking; drafts are kept. A resident application restarts. */
export const endNow = action({
  id: 'end-now',
  group: 'end',
  acts: 'application',
  words: {
    title: 'End the front application now',
    short: 'end now',
    synonyms: ['kill', 'terminate', 'not responding', 'restart'],
  },
  keys: [heldShift('KeyV')],
  offer: (_session, { application }) => wishes({ type: 'end-now', application }),
});
