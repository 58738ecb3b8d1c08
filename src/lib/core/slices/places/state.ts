import type { ApplicationId } from '../../model/ids';

/** The ten numbered places, keys 1 to 9 and 0; an empty one is null. */
export type Places = readonly (ApplicationId | null)[];
/** Places, one a digit. */
export const PLACE_COUNT = 10;

/** The fields of this slice. */
export interface PlacesState {
  readonly places: Places;
}
