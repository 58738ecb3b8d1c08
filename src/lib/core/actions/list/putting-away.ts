/** Putting windows and applications away, gently to firmly. */
import { hidingEntry, sweptEntry } from '../../commands/kinds/putting-away';
import { applicationOf } from '../../slices/applications/selectors';
import { action, wishes } from '../action';
import { held, heldShift } from '../binding';

/** Also closes the gap: the next window comes forward (switching rule 4). */
export const minimise = action({
  id: 'minimise',
  group: 'put-away',
  acts: 'window',
  words: {
    title: 'Minimise the front window',
    short: 'minimise',
    synonyms: ['minimize', 'put away', 'iconify', 'shrink'],
  },
  keys: [held('KeyZ')],
  offer: (_session, { window }) => wishes({ type: 'minimise', window }),
  leavesNothing: () => true,
});

/** All windows of one application, as one thing to put back. */
export const minimiseAll = action({
  id: 'minimise-all',
  group: 'put-away',
  acts: 'application',
  words: {
    title: 'Minimise all windows of the front application',
    short: 'minimise all',
    synonyms: ['minimize all', 'put all away'],
  },
  keys: [heldShift('KeyZ')],
  offer: (_session, { application }) => wishes({ type: 'minimise-all', application }),
  leavesNothing: () => true,
});

/** Which of the two it is is settled here, by what the person sees. */
export const hideOrShow = action({
  id: 'hide-or-show',
  group: 'put-away',
  acts: 'application',
  words: {
    title: 'Hide the front application',
    short: 'hide',
    synonyms: ['hide or show', 'unhide', 'hidden'],
  },
  keys: [held('KeyX')],
  offer(session, { application }) {
    if (!applicationOf(session, application).hidden) return wishes({ type: 'hide', application });
    const entry = hidingEntry(session, application);
    return wishes(entry === null ? { type: 'show', application } : { type: 'put-back', entry });
  },
  leavesNothing: (session, { application }) => applicationOf(session, application).hidden,
});

/** Everything but one application is hidden, as one thing to put back. */
export const solo = action({
  id: 'solo',
  group: 'put-away',
  acts: 'application',
  words: {
    title: 'Solo: hide all but the front application',
    short: 'solo',
    synonyms: ['hide others', 'focus', 'only this'],
  },
  keys: [heldShift('KeyX')],
  offer: (_session, { application }) => wishes({ type: 'solo', application }),
});

/** Straight after a sweep it puts back instead (switching rule 17). */
export const sweep = action({
  id: 'sweep',
  group: 'surface',
  acts: 'nothing',
  words: {
    title: 'Sweep all windows away',
    short: 'sweep',
    synonyms: ['minimise everything', 'minimize everything', 'bare surface', 'clear', 'everything'],
  },
  keys: [held('KeyG')],
  offer(session) {
    const entry = sweptEntry(session);
    return wishes(entry === null ? { type: 'sweep' } : { type: 'put-back', entry });
  },
  leavesNothing: ({ front }) => front === null,
});
