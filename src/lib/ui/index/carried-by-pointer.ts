import type { Attachment } from 'svelte/attachments';
import type { PlaceView } from '../../core/index/place-view';
import type { Digit } from '../../core/slices/places/state';
import type { Desk } from '../desk/desk.svelte';

/** What is carried says what it is by this. */
const CARRIES = 'place';

/**
 * Lets the pointer carry what stands at a place to another one. The package is loaded when the pointer comes near.
 */
export const carriedByPointer =
  (desk: Desk, digit: Digit, standing: () => PlaceView | null): Attachment<HTMLElement> =>
  (element) => {
    let end: (() => void) | undefined;
    let gone = false;
    void import('@atlaskit/pragmatic-drag-and-drop/element/adapter').then((drag) => {
      if (gone) return;
      const ends = [
        drag.draggable({
          element,
          canDrag: () => standing() !== null,
          getInitialData: () => ({ [CARRIES]: standing()?.thing }),
          onDragStart: () => (element.dataset.carried = ''),
          onDrop: () => delete element.dataset.carried,
        }),
        drag.dropTargetForElements({
          element,
          canDrop: ({ source }) => CARRIES in source.data,
          onDragEnter: () => (element.dataset.over = ''),
          onDragLeave: () => delete element.dataset.over,
          onDrop: ({ source }) => {
            delete element.dataset.over;
            const thing = source.data[CARRIES] as PlaceView['thing'];
            desk.wish({ type: 'put-in-index', thing, digit });
          },
        }),
      ];
      end = () => ends.forEach((one) => one());
    });
    return () => {
      gone = true;
      end?.();
    };
  };
