import type { ApplicationId, DocumentId } from '../../model/ids';

/** What stands at a place: an application by its id, or a document, which opens with its program. */
export type Thing = ApplicationId | { readonly document: DocumentId };

/** The ten numbered places of the index, keys 1 to 9 and 0; an empty one is null. */
export type Places = readonly (Thing | null)[];

/** The digits of the places, in their order from the top. */
export const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'] as const;
/** The digit of a place. */
export type Digit = (typeof DIGITS)[number];

/** The places as they were before a change, so that it can be undone. */
export interface PlacesBefore {
  readonly id: string;
  readonly places: Places;
}

/** The fields of this slice. */
export interface PlacesState {
  readonly places: Places;
  /** The changes that can be undone, oldest first. */
  readonly placesBefore: readonly PlacesBefore[];
}
