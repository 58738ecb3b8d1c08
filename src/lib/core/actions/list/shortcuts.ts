/** Shortcuts that someone has made: each goes to what it was made for. */
import { aimText } from '../../shortcuts/aim';
import { isPencil, shortcutOf } from '../../slices/shortcuts/selectors';
import { action, actionFamily, asksPage, not, ordersDesk, wishes } from '../action';
import { boundTo, heldShift } from '../binding';

/** Goes to what a shortcut was made for. */
export const shortcut = actionFamily({
  id: 'shortcut',
  group: 'shortcut',
  acts: 'nothing',
  searched: false,
  explained: false,
  arguments: ({ shortcuts }) => shortcuts.map(({ id }) => id),
  words(id, session) {
    const found = shortcutOf(session, id);
    const aim = found ? aimText(session, found.aim) : id;
    return {
      title: found && isPencil(found) ? `Go to ${aim}, until it is closed` : `Go to ${aim}`,
      short: aim,
      synonyms: [],
    };
  },
  keys(id, session) {
    const found = shortcutOf(session, id);
    return found ? [boundTo(found.chord)] : [];
  },
  offer: (_session, _target, id) => ordersDesk({ type: 'press-shortcut', id }),
});

/** Makes shortcuts and changes them, beginning with what is in front or highlighted. */
export const makeShortcut = action({
  id: 'shortcuts',
  group: 'shortcut',
  acts: 'nothing',
  words: {
    title: 'Shortcuts: make one to what is in front',
    short: 'shortcut',
    synonyms: ['pencil', 'ink', 'hotkey', 'key of my own', 'bind'],
  },
  keys: [heldShift('KeyT')],
  offer: () => asksPage({ type: 'open-dialog', dialog: 'shortcuts' }),
});

/** Asks for every combination in use and keeps which did not arrive. */
export const checkReach = action({
  id: 'reach-check',
  group: 'shortcut',
  acts: 'nothing',
  words: {
    title: 'Check which keys arrive on this machine',
    short: 'reach check',
    synonyms: ['reach check', 'test keys', 'keys do not work', 'browser shortcuts'],
  },
  offer: () => asksPage({ type: 'open-dialog', dialog: 'reach-check' }),
});

/** Takes the last change of shortcuts or keys back. */
export const undoKeys = action({
  id: 'undo-keys',
  group: 'shortcut',
  acts: 'nothing',
  words: {
    title: 'Undo the last change of shortcuts or keys',
    short: 'undo',
    synonyms: ['keys as they were'],
  },
  offer({ keysBefore }) {
    const last = keysBefore.at(-1);
    return last ? wishes({ type: 'put-keys-back', entry: last.id }) : not({ type: 'nothing-to-undo' });
  },
});
