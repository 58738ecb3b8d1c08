import { STACK_DEPTH } from '../../model/limits';
import { has } from '../../model/table';
import type { ApplicationsState } from '../applications/state';
import type { DocumentsState } from '../documents/state';
import { unless, type Slice } from '../slice';
import type { PlacesEvents } from './events';
import { DIGITS, type PlacesState, type Thing } from './state';

/** What stands at the numbered places of the index. Nothing but its person changes it. */
export const places: Slice<PlacesState, PlacesEvents, object, ApplicationsState & DocumentsState> = {
  name: 'places',
  initial: { places: DIGITS.map(() => null), placesBefore: [] },
  own: { 'places-changed': 'when-taken', 'places-put-back': 'when-taken' },
  on: {
    // Written down when its batch is taken, it is foreseen once more on top of that.
    'places-changed': ({ places, placesBefore }, event) =>
      placesBefore.some(({ id }) => id === event.entry)
        ? {}
        : {
            places: event.places,
            placesBefore: [...placesBefore, { id: event.entry, places }].slice(-STACK_DEPTH),
          },
    'places-put-back': ({ placesBefore }, { entry }) => {
      const at = placesBefore.findIndex(({ id }) => id === entry);
      const before = placesBefore[at];
      return before ? { places: before.places, placesBefore: placesBefore.slice(0, at) } : {};
    },
  },
  problems: (session) => [
    ...unless(session.places.length === DIGITS.length, ['places'], `there are ${DIGITS.length} of them`),
    ...session.places.flatMap((thing) =>
      unless(thing === null || isThing(session, thing), ['places'], `there is no ${nameOf(thing)}`),
    ),
  ],
};

const isThing = ({ applications, documents }: ApplicationsState & DocumentsState, thing: Thing): boolean =>
  typeof thing === 'string' ? has(applications, thing) : has(documents, thing.document);

const nameOf = (thing: Thing | null): string =>
  typeof thing === 'object' ? `document '${thing?.document}'` : `application '${thing}'`;
