import { has } from '../../model/table';
import type { ApplicationsState } from '../applications/state';
import { unless, type Slice } from '../slice';
import { PLACE_COUNT, type PlacesState } from './state';

/** The numbered places of applications. */
export const places: Slice<PlacesState, object, object, ApplicationsState> = {
  name: 'places',
  initial: { places: Array.from({ length: PLACE_COUNT }, () => null) },
  on: {},
  problems: ({ places, applications }) => [
    ...unless(places.length === PLACE_COUNT, ['places'], `there are ${PLACE_COUNT} of them`),
    ...places.flatMap((place) =>
      unless(place === null || has(applications, place), ['places'], `there is no application '${place}'`),
    ),
  ],
};
