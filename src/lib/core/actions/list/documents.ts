/** What is done with documents from anywhere. */
import { action, ordersDesk } from '../action';
import { heldShift } from '../binding';

/** Takes up what is in front or highlighted, and asks which program is to open it. */
export const carryDocument = action({
  id: 'carry-document',
  group: 'surface',
  acts: 'nothing',
  words: {
    title: 'Carry the document to another program',
    short: 'carry document',
    synonyms: ['open with', 'open in another program', 'take along'],
  },
  keys: [heldShift('KeyE')],
  offer: (_session, target) => ordersDesk({ type: 'carry', window: target?.window ?? null }),
});
