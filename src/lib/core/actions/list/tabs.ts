/** The tabs of a window: one level below windows, with keys of their own. */
import type { WindowId } from '../../model/ids';
import type { Session } from '../../session/session';
import { applicationOf } from '../../slices/applications/selectors';
import { DIGITS, type Digit } from '../../slices/places/state';
import { windowsOf } from '../../slices/recency/selectors';
import { isVisible } from '../../session/session';
import { windowOf } from '../../slices/windows/selectors';
import { action, actionFamily, not, wishes, type Action, type Offer } from '../action';
import { held, heldShift, type Binding } from '../binding';

const SYNONYMS = ['tab', 'sheet'];

/** Shows the tab so many after the one that is shown, and round. */
const beside = (id: string, title: string, by: 1 | -1, key: Binding): Action =>
  action({
    id,
    group: 'tab',
    press: 'repeats',
    acts: 'window',
    words: { title, short: 'tabs', synonyms: SYNONYMS },
    keys: [key],
    offer(session, { window: id }) {
      const { tabs, at } = tabsOf(session, id);
      const tab = tabs[(at + by + tabs.length) % tabs.length];
      if (!tab || tabs.length === 1) return not({ type: 'only-tab' });
      return wishes({ type: 'go-to-tab', window: id, tab: tab.id, inFront: false });
    },
  });

/** Carries the tab that is shown within the bar; at its ends it stays. */
const carrying = (id: string, title: string, by: 1 | -1, key: Binding): Action =>
  action({
    id,
    group: 'tab',
    press: 'repeats',
    acts: 'window',
    words: { title, short: 'carry tab', synonyms: [...SYNONYMS, 'move tab'] },
    keys: [key],
    offer: (session, { window }) =>
      onShown(session, window, (tab, at, count) =>
        count === 1
          ? not({ type: 'only-tab' })
          : wishes({ type: 'carry-tab', window, tab, position: Math.min(Math.max(at + by, 0), count - 1) }),
      ),
  });

/** One tab back. */
export const previousTab = beside('previous-tab', 'Previous tab', -1, held('KeyJ'));
/** One tab on. */
export const nextTab = beside('next-tab', 'Next tab', 1, held('KeyK'));

/** The tab that is shown goes one to the left … */
export const carryTabLeft = carrying('carry-tab-left', 'Carry the tab to the left', -1, heldShift('KeyJ'));
/** … or to the right. */
export const carryTabRight = carrying('carry-tab-right', 'Carry the tab to the right', 1, heldShift('KeyK'));

/** Shows a tab by where it stands in the bar. */
export const tabByNumber = actionFamily({
  id: 'tab',
  together: 'To a tab by its number',
  group: 'tab',
  acts: 'window',
  searched: false,
  explained: false,
  arguments: () => DIGITS,
  words: (digit) => ({ title: `Tab ${digit}`, short: `tab ${digit}`, synonyms: SYNONYMS }),
  keys: (digit): Binding[] => [
    { scope: 'anywhere', at: { code: `Digit${digit}` }, shift: false, modifiers: ['Control'] },
  ],
  offer(session, { window: id }, digit: Digit) {
    const { tabs } = windowOf(session, id);
    const tab = tabs[DIGITS.indexOf(digit)];
    if (!tab) return not({ type: 'no-such-tab', count: tabs.length });
    return wishes({ type: 'go-to-tab', window: id, tab: tab.id, inFront: false });
  },
});

/** One more tab, on what the application opens first. */
export const newTab = action({
  id: 'new-tab',
  group: 'tab',
  acts: 'window',
  words: { title: 'One more tab in the front window', short: 'new tab', synonyms: [...SYNONYMS, 'open tab'] },
  keys: [held('KeyL')],
  offer: (session, { window, application }) =>
    wishes({ type: 'open-tab', window, document: applicationOf(session, application).home }),
});

/** The tab becomes a window of its own. */
export const tearOff = action({
  id: 'tear-off',
  group: 'tab',
  acts: 'window',
  words: {
    title: 'Tear the tab off into a window of its own',
    short: 'tear off',
    synonyms: [...SYNONYMS, 'detach', 'move tab to new window', 'split'],
  },
  keys: [heldShift('KeyL')],
  offer: (session, { window }) =>
    onShown(session, window, (tab) => wishes({ type: 'tear-off', window, tab })),
});

/** What is unsaved asks first; the last tab takes its window along. */
export const closeTab = action({
  id: 'close-tab',
  group: 'tab',
  acts: 'window',
  words: { title: 'Close the tab', short: 'close tab', synonyms: SYNONYMS },
  keys: [held('Semicolon')],
  offer: (session, { window }) =>
    onShown(session, window, (tab) => wishes({ type: 'close-tab', window, tab })),
});

/** Its tabs go to the application’s window that was used before it and can be seen. */
export const join = action({
  id: 'join',
  group: 'tab',
  acts: 'window',
  words: {
    title: 'Join the window to the one used before it, as tabs',
    short: 'join',
    synonyms: [...SYNONYMS, 'merge windows', 'attach'],
  },
  keys: [heldShift('Semicolon')],
  offer(session, { window, application }) {
    const into = windowsOf(session, application).find(
      (other) => other.id !== window && isVisible(session, other),
    );
    return into
      ? wishes({ type: 'join', window, into: into.id })
      : not({ type: 'no-window-to-join', application });
  },
});

function tabsOf(session: Session, id: WindowId) {
  const { tabs, activeTab } = windowOf(session, id);
  return { tabs, at: tabs.findIndex((tab) => tab.id === activeTab) };
}

/** An offer about the tab that a window shows: its id, how many come before it, and how many there are. */
function onShown(
  session: Session,
  id: WindowId,
  offer: (tab: string, at: number, count: number) => Offer,
): Offer {
  const { tabs, at } = tabsOf(session, id);
  return offer(windowOf(session, id).activeTab, at, tabs.length);
}
