/** Putting windows and applications away, and back (switching rules 16 and 17). */
import { idsOf } from '../recency/order';
import type { ApplicationId, Geometry, PutAway, PutAwayKind, Session, WindowId } from '../session/session';
import { applicationOf, isVisible, titleOf, windowOf, windowsOf } from '../session/views';
import type { Course } from './course';

/** Minimises one window. */
export function minimise(course: Course, id: WindowId): void {
  const window = windowOf(course.session, id);
  if (window.minimised) return course.notice({ type: 'already-minimised' });
  putAway(course, { kind: 'minimise', subject: titleOf(window), windows: [id], hide: [], show: [] });
}

/** Minimises all windows of an application. */
export function minimiseAll(course: Course, id: ApplicationId): void {
  const windows = windowsOf(course.session, id).filter((window) => !window.minimised);
  if (windows.length === 0) return course.notice({ type: 'already-minimised' });
  putAway(course, {
    kind: 'minimise-all',
    subject: applicationOf(course.session, id).name,
    windows: windows.map((window) => window.id),
    hide: [],
    show: [],
  });
}

/** Hides an application, or shows it again: the same key brings back what it put away (switching rule 11). */
export function hideOrShow(course: Course, id: ApplicationId): void {
  const { hidden, name, running } = applicationOf(course.session, id);
  if (!running) return course.notice({ type: 'nothing-to-put-away' });
  if (!hidden) return putAway(course, { kind: 'hide', subject: name, windows: [], hide: [id], show: [] });
  const newest = newestPutAway(course.session)?.entry;
  if (newest?.kind === 'hide' && newest.applications[0]?.application === id) putBack(course);
  else course.happen({ type: 'applications-shown', applications: [id] });
  course.fillFront();
}

/** Hides every other application and shows this one, which then comes to the front if it has a window to show. */
export function solo(course: Course, id: ApplicationId): void {
  const { hidden, name } = applicationOf(course.session, id);
  const others = idsOf(course.session.recent.applications).filter(
    (other) => other !== id && !applicationOf(course.session, other).hidden,
  );
  if (others.length === 0) return course.notice({ type: 'nothing-to-put-away' });
  putAway(course, { kind: 'solo', subject: name, windows: [], hide: others, show: hidden ? [id] : [] });
}

/** Minimises every window that can be seen; straight after a sweep it puts back instead. */
export function sweep(course: Course): void {
  const { session } = course;
  const seen = Object.values(session.windows).filter((window) => isVisible(session, window));
  if (seen.length > 0) {
    const windows = seen.map((window) => window.id);
    return putAway(course, { kind: 'sweep', subject: '', windows, hide: [], show: [] });
  }
  if (newestPutAway(session)?.entry.kind === 'sweep') putBack(course);
  else course.notice({ type: 'nothing-to-put-away' });
}

function putAway(
  course: Course,
  what: {
    kind: PutAwayKind;
    subject: string;
    windows: readonly WindowId[];
    hide: readonly ApplicationId[];
    show: readonly ApplicationId[];
  },
): void {
  const before = course.session;
  if (what.windows.length > 0) course.happen({ type: 'windows-minimised', windows: what.windows });
  if (what.show.length > 0) course.happen({ type: 'applications-shown', applications: what.show });
  if (what.hide.length > 0) course.happen({ type: 'applications-hidden', applications: what.hide });
  course.fillFront();
  const after = course.session;
  const entry: PutAway = {
    kind: what.kind,
    subject: what.subject,
    windows: what.windows.map((window) => ({ window, geometry: windowOf(before, window).geometry })),
    applications: [...what.show, ...what.hide].map((application) => ({
      application,
      hidden: applicationOf(before, application).hidden,
    })),
    stacking: after.stacking === before.stacking ? null : before.stacking,
    front: after.front === before.front ? null : before.front,
  };
  course.happen({ type: 'put-away', entry });
}

/**
 * The newest putting-away that still has something to put back, and how many entries of the stack go with it:
 * those above it were undone by other means or have ended.
 */
export function newestPutAway(session: Session): { entry: PutAway; levels: number } | null {
  for (let index = session.putAways.length - 1; index >= 0; index -= 1) {
    const entry = session.putAways[index];
    if (entry && stillAway(session, entry)) return { entry, levels: session.putAways.length - index };
  }
  return null;
}

const stillAway = (session: Session, entry: PutAway): boolean =>
  entry.windows.some(({ window }) => session.windows[window]?.minimised) ||
  entry.applications.some(({ application, hidden }) => !hidden && session.applications[application]?.hidden);

/** Undoes the newest putting-away, skipping what has ended meanwhile. */
export function putBack(course: Course): void {
  const newest = newestPutAway(course.session);
  if (!newest) return course.notice({ type: 'nothing-to-put-back' });
  const { entry, levels } = newest;
  putBackApplications(course, entry);
  putBackWindows(course, entry);
  if (entry.stacking) restack(course, entry.stacking);
  course.happen({ type: 'put-back', levels });
  if (entry.front !== null && course.sees(entry.front)) course.front(entry.front);
  keepFrontOnTop(course);
  course.fillFront();
}

function putBackApplications(course: Course, { applications }: PutAway): void {
  const toChange = (hidden: boolean) =>
    applications
      .filter((one) => one.hidden === hidden)
      .map(({ application }) => application)
      .filter((id) => {
        const now = course.session.applications[id];
        return now?.running && now.hidden !== hidden;
      });
  const [hide, show] = [toChange(true), toChange(false)];
  if (hide.length > 0) course.happen({ type: 'applications-hidden', applications: hide });
  if (show.length > 0) course.happen({ type: 'applications-shown', applications: show });
}

function putBackWindows(course: Course, entry: PutAway): void {
  const there = entry.windows.flatMap(({ window: id, geometry }) => {
    const window = course.session.windows[id];
    return window ? [{ window, geometry }] : [];
  });
  const minimised = there.filter(({ window }) => window.minimised).map(({ window }) => window.id);
  const moved = there.filter(({ window, geometry }) => !sameGeometry(window.geometry, geometry));
  if (minimised.length > 0) course.happen({ type: 'windows-restored', windows: minimised });
  if (moved.length > 0)
    course.happen({
      type: 'windows-placed',
      places: moved.map(({ window, geometry }) => ({ window: window.id, geometry })),
    });
}

const sameGeometry = (a: Geometry, b: Geometry): boolean =>
  a.x === b.x && a.y === b.y && a.width === b.width && a.height === b.height;

/** The stacking as it was, less what has ended; what was opened since lies above it, just below the front window. */
function restack(course: Course, before: readonly WindowId[]): void {
  const known = new Set(before);
  const old = before.filter((id) => Object.hasOwn(course.session.windows, id));
  const since = course.session.stacking.filter((id) => !known.has(id));
  course.happen({ type: 'windows-restacked', stacking: [...old, ...since] });
}

function keepFrontOnTop(course: Course): void {
  const { front, stacking } = course.session;
  if (front === null || stacking.at(-1) === front) return;
  course.happen({ type: 'windows-restacked', stacking: [...stacking.filter((id) => id !== front), front] });
}
