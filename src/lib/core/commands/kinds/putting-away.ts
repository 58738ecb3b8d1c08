/** Putting windows and applications away, and back (switching rules 16 and 17). */
import type { Course } from '../../host/course';
import type { ApplicationId, WindowId } from '../../model/ids';
import { idsOf } from '../../model/order';
import { find, has, idsIn } from '../../model/table';
import { placementOf, samePlacement } from '../../placing/placement';
import { isVisible } from '../../session/session';
import { applicationOf } from '../../slices/applications/selectors';
import { raised } from '../../slices/front/selectors';
import { isAway, newestPutAway } from '../../slices/put-away/selectors';
import type { PutAway, RemovedWorkspace } from '../../slices/put-away/state';
import { windowsOf } from '../../slices/recency/selectors';
import { titleOf, windowOf } from '../../slices/windows/selectors';
import { commandKind } from '../command';

/** Minimises a window, as one thing to put back. */
export const minimise = commandKind({
  type: 'minimise',
  fields: { window: 'window' },
  decide(course, { window: id }) {
    const window = windowOf(course.session, id);
    if (window.minimised) return course.alreadySo({ type: 'already-minimised' });
    putAway(course, { kind: 'minimise', subject: titleOf(window), windows: [id] });
  },
});

/** Minimises all windows of an application. */
export const minimiseAll = commandKind({
  type: 'minimise-all',
  fields: { application: 'application' },
  decide(course, { application }) {
    const windows = windowsOf(course.session, application).filter((window) => !window.minimised);
    if (windows.length === 0) return course.alreadySo({ type: 'already-minimised' });
    const { name } = applicationOf(course.session, application);
    putAway(course, { kind: 'minimise-all', subject: name, windows: idsIn(windows) });
  },
});

/** Brings an application's minimised windows back up; all its windows then lie together, below the one in front. */
export const restoreAll = commandKind({
  type: 'restore-all',
  fields: { application: 'application' },
  decide(course, { application }) {
    const all = windowsOf(course.session, application);
    const windows = idsIn(all.filter((window) => window.minimised));
    if (windows.length === 0) return course.alreadySo({ type: 'nothing-to-restore' });
    // First the pile: that does no harm if it is all that comes true.
    course.restack(withOnTop(raised(course.session.stacking, idsIn(all)), course.session.front));
    course.happen({ type: 'windows-restored', windows });
    course.fillFront();
  },
});

/** Hides an application with all its windows, as one thing to put back. */
export const hide = commandKind({
  type: 'hide',
  fields: { application: 'application' },
  decide(course, { application }) {
    const { hidden, name, running } = applicationOf(course.session, application);
    if (hidden || !running) return course.alreadySo({ type: 'nothing-to-put-away' });
    putAway(course, { kind: 'hide', subject: name, hide: [application] });
  },
});

/** Shows a hidden application. What hid it is not looked at: whoever wants that put back wishes it. */
export const show = commandKind({
  type: 'show',
  fields: { application: 'application' },
  decide(course, { application }) {
    if (!applicationOf(course.session, application).hidden)
      return course.alreadySo({ type: 'not-hidden', application });
    course.happen({ type: 'applications-shown', applications: [application] });
    course.fillFront();
  },
});

/** Hides every other application and shows this one, which then comes to the front if it has a window to show. */
export const solo = commandKind({
  type: 'solo',
  fields: { application: 'application' },
  decide(course, { application }) {
    const { hidden, name } = applicationOf(course.session, application);
    const others = idsOf(course.session.recent.applications).filter(
      (other) => other !== application && !applicationOf(course.session, other).hidden,
    );
    if (others.length === 0) return course.alreadySo({ type: 'nothing-to-put-away' });
    putAway(course, { kind: 'solo', subject: name, hide: others, show: hidden ? [application] : [] });
  },
});

/** Minimises every window that can be seen. */
export const sweep = commandKind({
  type: 'sweep',
  fields: {},
  decide(course) {
    const { session } = course;
    const windows = idsIn(session.windows.filter((window) => isVisible(session, window)));
    if (windows.length === 0) return course.notice({ type: 'nothing-to-put-away' });
    putAway(course, { kind: 'sweep', subject: '', windows });
  },
});

/** Undoes one putting-away, named so that doing it twice undoes one only; what has ended meanwhile is skipped. */
export const putBack = commandKind({
  type: 'put-back',
  fields: { entry: 'entry' },
  decide(course, { entry: id }) {
    const { session } = course;
    const entry = id === null ? newestPutAway(session) : session.putAways.findLast((one) => one.id === id);
    if (!entry || !(course.again || isAway(session, entry)))
      return course.alreadySo({ type: 'nothing-to-put-back' });
    putEntryBack(course, entry);
  },
});

/** What pages wished before wishes named the state that is wanted; such commands may wait in an outbox still. */
export const hideOrShow = commandKind({
  type: 'hide-or-show',
  fields: { application: 'application' },
  decide(course, wish) {
    if (!applicationOf(course.session, wish.application).hidden) return hide.decide(course, wish);
    const entry = hidingEntry(course.session, wish.application);
    if (entry === null) show.decide(course, wish);
    else putBack.decide(course, { entry });
  },
});
/** The same of a sweep. */
export const sweepOrPutBack = commandKind({
  type: 'sweep-or-put-back',
  fields: {},
  decide(course) {
    const entry = sweptEntry(course.session);
    if (entry === null) sweep.decide(course, {});
    else putBack.decide(course, { entry });
  },
});

/** The entry that a sweep straight after a sweep puts back (switching rule 17); null if it would sweep. */
export function sweptEntry(session: Course['session']): string | null {
  if (session.windows.some((window) => isVisible(session, window))) return null;
  const newest = newestPutAway(session);
  return newest?.kind === 'sweep' ? newest.id : null;
}

/** The entry that showing a hidden application puts back: its hiding, if that was the newest (switching rule 11). */
export function hidingEntry(session: Course['session'], application: ApplicationId): string | null {
  const newest = newestPutAway(session);
  return newest?.kind === 'hide' && newest.applications[0]?.application === application ? newest.id : null;
}

interface PuttingAway extends Pick<PutAway, 'kind' | 'subject'> {
  readonly windows?: readonly WindowId[];
  readonly hide?: readonly ApplicationId[];
  readonly show?: readonly ApplicationId[];
}

function putAway(course: Course, { kind, subject, windows = [], hide = [], show = [] }: PuttingAway): void {
  const before = course.session;
  if (windows.length > 0) course.happen({ type: 'windows-minimised', windows });
  if (show.length > 0) course.happen({ type: 'applications-shown', applications: show });
  if (hide.length > 0) course.happen({ type: 'applications-hidden', applications: hide });
  course.fillFront();
  remember(course, before, { kind, subject, windows, applications: [...show, ...hide] });
}

/** What an entry of the put-back stack is about. */
interface Remembered extends Pick<PutAway, 'kind' | 'subject'> {
  readonly windows?: readonly WindowId[];
  readonly applications?: readonly ApplicationId[];
  readonly workspace?: RemovedWorkspace;
}

/** Puts on the put-back stack what a command has changed since `before`. */
export function remember(
  course: Course,
  before: Course['session'],
  { kind, subject, windows = [], applications = [], workspace }: Remembered,
): void {
  const after = course.session;
  const entry: PutAway = {
    id: course.newEntry(),
    kind,
    subject,
    windows: windows.map((id) => ({ window: id, ...placementOf(windowOf(before, id)) })),
    applications: applications.map((id) => ({
      application: id,
      hidden: applicationOf(before, id).hidden,
    })),
    ...(workspace && { workspace }),
    stacking: after.stacking === before.stacking ? null : before.stacking,
    front: after.front === before.front ? null : before.front,
  };
  course.happen({ type: 'put-away', entry });
}

/** Entries above it that were undone by other means or have ended go with it. */
function putEntryBack(course: Course, entry: PutAway): void {
  const { putAways } = course.session;
  const above = putAways.slice(putAways.indexOf(entry) + 1);
  // Decided again, what lies above may be of wishes that were made later and have not come true.
  const over = course.again ? [] : above.filter((other) => !isAway(course.session, other));
  if (entry.workspace) putBackWorkspace(course, entry.workspace);
  putBackApplications(course, entry);
  putBackWindows(course, entry);
  const front = entry.front !== null && course.sees(entry.front) ? entry.front : course.session.front;
  if (entry.stacking) course.restack(withOnTop(stackingBefore(course.session, entry.stacking), front));
  course.happen({ type: 'put-back', entries: idsIn([entry, ...over]) });
  if (front !== null) course.front(front);
  course.fillFront();
}

function putBackApplications(course: Course, { applications }: PutAway): void {
  const toChange = (hidden: boolean) =>
    applications
      .filter((one) => one.hidden === hidden)
      .map(({ application }) => application)
      .filter((id) => {
        const now = find(course.session.applications, id);
        return now?.running && now.hidden !== hidden;
      });
  const [hide, show] = [toChange(true), toChange(false)];
  if (hide.length > 0) course.happen({ type: 'applications-hidden', applications: hide });
  if (show.length > 0) course.happen({ type: 'applications-shown', applications: show });
}

function putBackWindows(course: Course, { kind, windows }: PutAway): void {
  const there = windows.flatMap((before) => {
    const now = find(course.session.windows, before.window);
    return now ? [{ before, now }] : [];
  });
  // A pair minimised nothing: what is minimised since stays so.
  const minimised = there.filter(({ now }) => now.minimised && kind !== 'pair').map(({ now }) => now.id);
  const moved = there.filter(({ before, now }) => !samePlacement(now, before));
  if (minimised.length > 0) course.happen({ type: 'windows-restored', windows: minimised });
  if (moved.length > 0) course.happen({ type: 'windows-placed', places: moved.map(({ before }) => before) });
}

/** It comes back where it stood, with those of its windows that are still where they went. */
function putBackWorkspace(course: Course, { workspace, at, shown, windows, to }: RemovedWorkspace): void {
  const { workspaces } = course.session;
  if (!has(workspaces, workspace.id))
    course.happen({ type: 'workspace-added', workspace, at: Math.min(at, workspaces.length) });
  const back = windows.filter((id) => find(course.session.windows, id)?.workspace === to);
  if (back.length > 0) course.happen({ type: 'windows-carried', windows: back, workspace: workspace.id });
  if (shown && course.session.workspace !== workspace.id)
    course.happen({ type: 'workspace-entered', workspace: workspace.id });
}

/** The stacking as it was, less what has ended; what was opened since lies above it. */
function stackingBefore({ windows, stacking }: Course['session'], before: readonly WindowId[]): WindowId[] {
  const known = new Set(before);
  return [...before.filter((id) => has(windows, id)), ...stacking.filter((id) => !known.has(id))];
}

const withOnTop = (stacking: readonly WindowId[], id: WindowId | null): readonly WindowId[] =>
  id === null ? stacking : raised(stacking, [id]);
