/** The set-up as a whole: what is taken from a colleague, and applications that are added. Undone as one step. */
import type { Course } from '../../host/course';
import { Refused } from '../../host/course';
import { chordText } from '../../keys/chord';
import { MOST_SHORTCUTS, MOST_WINDOWS } from '../../model/limits';
import { find, has } from '../../model/table';
import type { Session } from '../../session/session';
import { sameThing } from '../../slices/places/selectors';
import { guestOf } from '../../slices/setup/selectors';
import type { GuestChange, SetupChange } from '../../slices/setup/state';
import { changedKeys } from '../../slices/shortcuts/selectors';
import { commandKind } from '../command';

/** Parts of the set-up are as they are said, all of them or none. */
export const changeSetup = commandKind({
  type: 'change-setup',
  fields: { setup: 'setup' },
  own: true,
  grows: true,
  decide(course, { setup }) {
    const { session } = course;
    for (const change of setup.guests) checkGuest(session, change);
    if (isSo(session, setup)) return course.alreadySo({ type: 'already-there' });
    for (const change of setup.guests) {
      if (change.to === null && find(session.applications, change.application)?.running)
        return course.notice({ type: 'still-runs', application: change.application });
    }
    const more = setup.guests.filter(({ application }) => !has(session.applications, application)).length;
    if (session.applications.length + more > MOST_WINDOWS)
      return course.notice({ type: 'too-many-applications' });
    change(course, setup);
  },
});

/** Undoes one change of the set-up; named, so that doing it twice undoes one only. */
export const putSetupBack = commandKind({
  type: 'put-setup-back',
  fields: { entry: 'entry' },
  own: true,
  grows: true,
  decide(course, { entry: id }) {
    const { setupsBefore } = course.session;
    const entry = id === null ? setupsBefore.at(-1) : find(setupsBefore, id);
    if (!entry) return course.alreadySo({ type: 'nothing-to-undo' });
    const runs = entry.guests.find(
      ({ application, to }) => to === null && find(course.session.applications, application)?.running,
    );
    if (runs) return course.notice({ type: 'still-runs', application: runs.application });
    course.happen({ type: 'setup-put-back', entry: entry.id });
  },
});

/** Whether everything is already as a change would make it. */
const isSo = (session: Session, { settings, places, shortcuts, keys, guests }: SetupChange): boolean =>
  (settings === null || same(settings, session.settings)) &&
  (places === null || places.every((thing, at) => sameThing(thing, session.places[at] ?? null))) &&
  same(changedKeys(session, [...shortcuts, ...keys]).shortcuts, session.shortcuts) &&
  same(changedKeys(session, keys).ownKeys, session.ownKeys) &&
  guests.every(({ application, to }) => same(to, guestOf(session, application)));

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

const refuse = (detail: string): never => {
  throw new Refused({ field: 'setup', detail });
};

/** Only guests come and go, and each brings a home of its own. */
function checkGuest(session: Session, { application, to }: GuestChange): void {
  const there = find(session.applications, application);
  const before = guestOf(session, application);
  if (there && !before) refuse(`'${application}' is no application that was added.`);
  if (!to) return;
  if (to.id !== application) refuse(`The application '${application}' cannot become '${to.id}'.`);
  if (before ? before.home !== to.home : has(session.documents, to.home))
    refuse(`The document '${to.home}' is something else's.`);
}

/** Makes the change, and looks whether what it leads to is whole. */
function change(course: Course, setup: SetupChange): void {
  course.happen({ type: 'setup-changed', ...setup, entry: course.newEntry() });
  const { applications, documents, places, shortcuts, windows } = course.session;
  for (const thing of places) {
    if (thing === null) continue;
    const [named, there, id] =
      typeof thing === 'string'
        ? ['application', has(applications, thing), thing]
        : ['document', has(documents, thing.document), thing.document];
    if (!there) refuse(`There is no ${named} '${id}'.`);
  }
  for (const { id, aim } of shortcuts)
    if ('window' in aim ? !has(windows, aim.window) : !has(applications, aim.application))
      refuse(`The shortcut '${id}' goes to what there is not.`);
  if (new Set(shortcuts.map(({ chord }) => chordText(chord))).size < shortcuts.length)
    refuse('A combination would have two shortcuts.');
  if (setup.shortcuts.some(({ shortcut, to }) => to !== null && to.id !== shortcut))
    refuse('A shortcut cannot become another one.');
  if (Math.max(shortcuts.length, course.session.ownKeys.length) > MOST_SHORTCUTS)
    refuse('There would be too many shortcuts.');
}
