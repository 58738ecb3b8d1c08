/** Moving and sizing windows by the pointer. The package that does it comes when a pointer first comes to a window. */
import type { DragEvent, ResizeEvent } from '@interactjs/types';
import type { Extent, Geometry } from '../../core/model/geometry';
import { draggedFrom, partAtEdge } from '../../core/placing/dragging';
import { freely } from '../../core/placing/placing';
import { boxOn, type Placement } from '../../core/placing/placement';

/** What moving a window needs of the desk. */
export interface Placeable {
  readonly surface: () => Extent;
  readonly placement: () => Placement;
  /** Whether a window that is dragged to an edge fills that half. */
  readonly edgesFill: () => boolean;
  readonly lift: () => void;
  readonly lay: (placement: Placement) => void;
  readonly letLie: () => void;
}

/** How near to an edge a window is sized instead of moved, in CSS pixels. */
const EDGE = 6;

/** Lets the pointer move and size an element; the returned function ends that. */
export async function placedByPointer(element: HTMLElement, window: Placeable): Promise<() => void> {
  const { default: interact } = await import('interactjs');
  let from: Geometry;
  const begin = ({ clientX, clientY }: DragEvent | ResizeEvent) => {
    const { left, top } = element.parentElement?.getBoundingClientRect() ?? { left: 0, top: 0 };
    from = draggedFrom(window.surface(), window.placement(), clientX - left, clientY - top);
    window.lift();
  };
  const end = () => window.letLie();
  const interactable = interact(element)
    .draggable({
      allowFrom: '[data-moves]',
      ignoreFrom: 'button',
      listeners: {
        start: begin,
        move({ clientX, clientY, clientX0, clientY0 }: DragEvent) {
          const surface = window.surface();
          const { left, top } = element.parentElement?.getBoundingClientRect() ?? { left: 0, top: 0 };
          const moved = freely(
            { ...from, x: from.x + clientX - clientX0, y: from.y + clientY - clientY0 },
            surface,
          );
          const part = window.edgesFill() ? partAtEdge(surface, clientX - left, clientY - top) : null;
          window.lay(part ? { ...moved, part } : moved);
        },
        end,
      },
    })
    .resizable({
      edges: { left: true, right: true, top: true, bottom: true },
      margin: EDGE,
      listeners: {
        start(event: ResizeEvent) {
          begin(event);
          from = boxOn(window.surface(), window.placement());
        },
        move({ deltaRect }: ResizeEvent) {
          const { left = 0, top = 0, width = 0, height = 0 } = deltaRect ?? {};
          from = {
            x: from.x + left,
            y: from.y + top,
            width: from.width + width,
            height: from.height + height,
          };
          window.lay(freely(from, window.surface()));
        },
        end,
      },
    });
  return () => interactable.unset();
}
