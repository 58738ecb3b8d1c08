/** The menu of what the keys act on. */
import { action, asksPage } from '../action';
import type { Binding } from '../binding';

const key = (name: string, shift = false): Binding => ({ scope: 'anywhere', at: { key: name }, shift });

/** Shows what can be done with what is highlighted or in front, with its keys. */
export const openMenu = action({
  id: 'menu',
  group: 'page',
  acts: 'application',
  explained: false,
  words: {
    title: 'Menu of the window',
    short: 'menu',
    synonyms: ['context menu', 'right click', 'what can I do with it'],
  },
  keys: [key('ContextMenu'), key('F10', true)],
  offer: () => asksPage({ type: 'open-dialog', dialog: 'menu' }),
});
