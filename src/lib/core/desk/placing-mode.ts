/** Placing at the desk: a window is lifted, moved and sized, and lies where it was let go. */
import type { WindowId } from '../model/ids';
import { placementOf, samePlacement } from '../placing/placement';
import { placedBy, type PlacingOrder } from '../placing/placing';
import { isSeen } from '../session/session';
import { windowOf } from '../slices/windows/selectors';
import type { Turn } from './turn';

/** What cannot be seen comes forward first. */
export function lift(turn: Turn, window: WindowId, byPointer: boolean): void {
  turn.leaveIndex();
  if (!byPointer && turn.session.front !== window)
    turn.submit({ wishes: [{ type: 'bring-to-front', window, raiseAll: false }] });
  turn.to({ placing: { window, placement: placementOf(windowOf(turn.session, window)), byPointer } });
  if (!byPointer) turn.say({ type: 'placing' });
}

/** Moves or sizes the lifted window, or ends that. */
export function placeBy(turn: Turn, order: PlacingOrder): void {
  const { placing, surface } = turn.state;
  if (!placing) return;
  if (order.do === 'accept') return acceptPlacing(turn);
  if (order.do === 'revert') {
    turn.to({ placing: null });
    return turn.say({ type: 'front' });
  }
  turn.to({ placing: { ...placing, placement: placedBy(placing.placement, order, surface) } });
  turn.say({ type: 'placing' });
}

/** What is seen stays so, however the placing ends: only reverting takes it back. */
export function acceptPlacing(turn: Turn): void {
  const { placing } = turn.state;
  if (!placing) return;
  turn.to({ placing: null });
  const { window, placement } = placing;
  if (!isSeen(turn.session, window)) return;
  if (samePlacement(windowOf(turn.session, window), placement)) return turn.say({ type: 'front' });
  turn.submit({ wishes: [{ type: 'place-window', window, placement }] });
}
