/** What windows and applications do by themselves in the simulated world. */
import type { WindowId } from '../../model/ids';
import type { Part } from '../../placing/parts';
import { placementOf, samePlacement } from '../../placing/placement';
import { applicationOf } from '../../slices/applications/selectors';
import { raised } from '../../slices/front/selectors';
import { newestPutAway } from '../../slices/put-away/selectors';
import { titleOf, windowOf } from '../../slices/windows/selectors';
import { commandKind } from '../command';
import { remember } from './putting-away';

/** Gives a window its place and size. */
export const placeWindow = commandKind({
  type: 'place-window',
  fields: { window: 'window', placement: 'placement' },
  decide(course, { window, placement }) {
    if (samePlacement(windowOf(course.session, window), placement))
      return course.alreadySo({ type: 'already-there' });
    course.happen({ type: 'windows-placed', places: [{ window, ...placementOf(placement) }] });
  },
});

/** Puts two windows side by side, above all others and one of them in front, as one thing to put back. */
export const pair = commandKind({
  type: 'pair',
  fields: { left: 'window', right: 'window' },
  decide(course, { left, right }) {
    if (left === right) return course.notice({ type: 'nothing-to-pair' });
    const before = course.session;
    const place = (window: WindowId, part: Part) => ({
      window,
      ...placementOf({ ...windowOf(before, window), part }),
    });
    const places = [place(left, 'left-half'), place(right, 'right-half')].filter(
      (one) => !samePlacement(windowOf(before, one.window), one),
    );
    if (places.length === 0) return course.alreadySo({ type: 'already-there' });
    course.uncover(left);
    course.uncover(right);
    course.happen({ type: 'windows-placed', places });
    const [upper, lower] = before.front === right ? [right, left] : [left, right];
    course.restack(raised(raised(course.session.stacking, [lower]), [upper]));
    course.front(upper);
    // Swapping goes on with the pair that there is: one put back takes both back to where they were.
    const newest = newestPutAway(before);
    const swaps =
      newest?.kind === 'pair' && newest.windows.every((one) => [left, right].includes(one.window));
    if (!swaps)
      remember(course, before, {
        kind: 'pair',
        subject: [left, right].map((id) => titleOf(windowOf(before, id))).join(', '),
        windows: [left, right],
      });
  },
});

/** An application answers nothing more, until it is ended. */
export const stopAnswering = commandKind({
  type: 'stop-answering',
  fields: { application: 'application' },
  decide(course, { application }) {
    if (applicationOf(course.session, application).answering)
      course.happen({ type: 'application-stopped-answering', application, at: course.at });
  },
});
