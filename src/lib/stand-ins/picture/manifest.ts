import { PICTURE, pictureFrom } from '../../core/capture/picture';
import type { Manifest } from '../manifest';
import { PICTURE_TEXTS } from '../texts';

/** A picture: its document names it, its file is in the session's store. */
export const picture: Manifest = {
  kind: PICTURE,
  name: 'Picture',
  problem: (text) => (pictureFrom(text) === null ? PICTURE_TEXTS.none : null),
  actions: [],
};
