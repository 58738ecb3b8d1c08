/** Search, choosing, leaving, and the glance. */
import { action, not, ordersDesk, type Action } from '../action';
import { atLineEnd, held, inList } from '../binding';
import { askingWindows } from '../../slices/recency/selectors';

/** From here on letters are text, though the hold key may still be down. */
export const search = action({
  id: 'search',
  group: 'find',
  acts: 'nothing',
  searched: false,
  words: { title: 'Search', short: 'search', synonyms: [] },
  keys: [held('KeyQ')],
  offer: () => ordersDesk({ type: 'search' }),
});

/** Looks at the bare surface for as long as the key is down (switching rule 18). */
export const glance = action({
  id: 'glance',
  group: 'surface',
  press: 'while-down',
  acts: 'nothing',
  searched: false,
  words: { title: 'Glance at the bare surface', short: 'glance', synonyms: [] },
  keys: [held('Space')],
  offer: (_session, _target, { released }) => ordersDesk({ type: 'glance', on: !released }),
});

const committing = (id: string, title: string, raiseAll: boolean): Action =>
  action({
    id,
    group: 'find',
    acts: 'nothing',
    searched: false,
    words: { title, short: 'switch', synonyms: [] },
    keys: [inList('Enter', raiseAll)],
    offer: () => ordersDesk({ type: 'commit', raiseAll }),
  });

/** Choosing by Enter where the switcher stays; with Shift all windows of the application come up. */
export const COMMITS: readonly Action[] = [
  committing('commit', 'Switch to the highlight', false),
  committing('commit-all', 'Switch, and raise all windows of the application', true),
];

/** Goes into the highlighted result, to search in there. */
export const into = action({
  id: 'into',
  group: 'find',
  acts: 'nothing',
  searched: false,
  words: { title: 'Search inside the highlighted result', short: 'into', synonyms: [] },
  keys: [atLineEnd('at-end', 'ArrowRight')],
  offer: () => ordersDesk({ type: 'into' }),
});

/** Goes out of a result again. */
export const out = action({
  id: 'out',
  group: 'find',
  acts: 'nothing',
  searched: false,
  words: { title: 'Out of the result that is searched', short: 'out', synonyms: [] },
  keys: [atLineEnd('at-start', 'ArrowLeft'), atLineEnd('at-start', 'Backspace')],
  offer: () => ordersDesk({ type: 'out' }),
});

/** Closes the switcher; nothing has changed. */
export const cancel = action({
  id: 'cancel',
  group: 'find',
  acts: 'nothing',
  searched: false,
  words: { title: 'Cancel', short: 'cancel', synonyms: [] },
  keys: [inList('Escape')],
  offer: () => ordersDesk({ type: 'cancel' }),
});

/** Brings the next window to the front that asks about unsaved work, after the one in front. */
export const nextQuestion = action({
  id: 'next-question',
  group: 'find',
  acts: 'nothing',
  explained: false,
  words: {
    title: 'Go to the next question about unsaved work',
    short: 'next question',
    synonyms: ['answer', 'needs an answer', 'asking'],
  },
  keys: [held('KeyT')],
  offer(session) {
    const asking = askingWindows(session).map(({ id }) => id);
    const next = asking[(asking.indexOf(session.front ?? '') + 1) % Math.max(1, asking.length)];
    if (next === undefined) return not({ type: 'nothing-asks' });
    return {
      does: [
        { to: 'desk', order: { type: 'step-aside' } },
        { to: 'session', wish: { type: 'bring-to-front', window: next, raiseAll: false } },
      ],
    };
  },
});
