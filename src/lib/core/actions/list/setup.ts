/** The set-up as a whole: handing it over, and applications that are added. */
import { action, asksPage, not, wishes } from '../action';

/** Hands the set-up out, or takes over somebody else's. */
export const handOver = action({
  id: 'hand-over',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Hand over: export or import keys and places',
    short: 'hand over',
    synonyms: ['set-up', 'import keys', 'export settings', 'colleague', 'share', 'configuration'],
  },
  offer: () => asksPage({ type: 'open-dialog', dialog: 'hand-over' }),
});

/** Adds web pages and programs of the machine as applications. */
export const openGuests = action({
  id: 'guests',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Web pages as applications',
    short: 'web pages',
    synonyms: ['web address', 'add application', 'manifest', 'desktop entry', 'site', 'url'],
  },
  offer: () => asksPage({ type: 'open-dialog', dialog: 'guests' }),
});

/** Takes the last change of the set-up back, as one step. */
export const undoSetup = action({
  id: 'undo-setup',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Undo the last import, or change of web pages',
    short: 'undo',
    synonyms: ['import undone', 'set-up as it was'],
  },
  offer({ setupsBefore }) {
    const last = setupsBefore.at(-1);
    return last ? wishes({ type: 'put-setup-back', entry: last.id }) : not({ type: 'nothing-to-undo' });
  },
});
