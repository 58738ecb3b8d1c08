import { STACK_DEPTH } from '../../model/limits';
import { has } from '../../model/table';
import type { ApplicationsState } from '../applications/state';
import type { DocumentsState } from '../documents/state';
import type { SetupEvents } from '../setup/events';
import { changeMade, changeUndone, homesLeaving, leaving } from '../setup/selectors';
import type { SetupChange, SetupState } from '../setup/state';
import { unless, type Slice } from '../slice';
import type { PlacesEvents } from './events';
import { DIGITS, type PlacesState, type Thing } from './state';

type Reads = ApplicationsState & DocumentsState & SetupState;

/** What stands at the numbered places of the index. Nothing but its person changes it. */
export const places: Slice<PlacesState, PlacesEvents, SetupEvents, Reads> = {
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
    'places-put-back': (session, { entry }) => {
      const at = session.placesBefore.findIndex(({ id }) => id === entry);
      const before = session.placesBefore[at];
      if (!before) return {};
      // What was removed meanwhile does not come back with its place.
      const places = before.places.map((thing) => (thing !== null && isThing(session, thing) ? thing : null));
      return { places, placesBefore: session.placesBefore.slice(0, at) };
    },
    'setup-changed': (before, event) => taken(before, changeMade(before, event)),
    'setup-put-back': (before, event) => taken(before, changeUndone(before, event)),
  },
  problems: (session) => [
    ...unless(session.places.length === DIGITS.length, ['places'], `there are ${DIGITS.length} of them`),
    ...session.places.flatMap((thing) =>
      unless(thing === null || isThing(session, thing), ['places'], `there is no ${nameOf(thing)}`),
    ),
  ],
};

/** The places after a change of the set-up: what leaves has none. */
function taken(before: PlacesState & Reads, change: SetupChange | null): Partial<PlacesState> {
  if (!change) return {};
  const [gone, homes] = [leaving(before, change), homesLeaving(before, change)];
  const places = change.places ?? before.places;
  if (gone.length === 0) return { places };
  return {
    places: places.map((thing) =>
      thing === null || (typeof thing === 'string' ? gone.includes(thing) : homes.includes(thing.document))
        ? null
        : thing,
    ),
  };
}

const isThing = ({ applications, documents }: ApplicationsState & DocumentsState, thing: Thing): boolean =>
  typeof thing === 'string' ? has(applications, thing) : has(documents, thing.document);

const nameOf = (thing: Thing | null): string =>
  typeof thing === 'object' ? `document '${thing?.document}'` : `application '${thing}'`;
