/** What a picture is taken of, and when. */
import type { WindowId } from '../model/ids';
import { mayBePictured } from '../display/pictures';
import { idsOf } from '../model/order';
import { isVisible, type Session } from '../session/session';
import { picturesOf } from '../slices/settings/state';
import { windowOf } from '../slices/windows/selectors';

/** What a picture is taken of: all that is to be seen, a part of it that is chosen in the picture, or one window alone. */
export type Shot =
  | { readonly of: 'everything' }
  | { readonly of: 'part' }
  | { readonly of: 'window'; readonly window: WindowId };

/** Waits before a picture is taken, in s, one after the other as a key goes through them. */
export const DELAYS = [0, 3, 5, 10] as const;

/**
 * The next wait.
 * @example delayAfter(10) // 0
 */
export const delayAfter = (delay: number): number =>
  DELAYS[(DELAYS.findIndex((one) => one === delay) + 1) % DELAYS.length] as number;

/** What can be taken here: windows by recent use, as far as they are not put away; other windows may lie over them. */
export function shotsOf(session: Session): readonly Shot[] {
  const live = session.host.kind === 'live';
  if (live && !picturesOf(session.settings).shown) return [];
  const windows = idsOf(session.recent.windows).filter(
    (id) => isVisible(session, windowOf(session, id)) && (!live || mayBePictured(session, id)),
  );
  return [{ of: 'everything' }, { of: 'part' }, ...windows.map((window): Shot => ({ of: 'window', window }))];
}
