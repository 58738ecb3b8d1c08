/** Shortcuts, and keys that someone has chosen for actions. Each change can be undone. */
import { Refused } from '../../host/course';
import { has } from '../../model/table';
import { sameChord } from '../../keys/chord';
import { LONGEST_TITLE, MOST_SHORTCUTS } from '../../model/limits';
import { ownKeyOf, shortcutOf, shortcutWith } from '../../slices/shortcuts/selectors';
import type { KeyChange, OwnKey, Shortcut } from '../../slices/shortcuts/state';
import { commandKind } from '../command';
import type { Course } from '../../host/course';

/** A shortcut is as it is said; one with its id is replaced. No combination has two. */
export const putShortcut = commandKind({
  type: 'put-shortcut',
  fields: { shortcut: 'shortcut' },
  own: true,
  grows: true,
  decide(course, { shortcut }) {
    checkAim(course, shortcut);
    const { session } = course;
    const before = shortcutOf(session, shortcut.id);
    if (before && JSON.stringify(before) === JSON.stringify(shortcut))
      return course.alreadySo({ type: 'already-there' });
    if (shortcutWith(session, shortcut.chord, shortcut.id)) return course.notice({ type: 'chord-taken' });
    if (!before && session.shortcuts.length >= MOST_SHORTCUTS)
      return course.notice({ type: 'too-many-shortcuts' });
    change(course, [{ shortcut: shortcut.id, to: shortcut }]);
  },
});

function checkAim({ session }: Course, { aim }: Shortcut): void {
  const field = 'shortcut';
  if ('window' in aim) {
    if (!has(session.windows, aim.window))
      throw new Refused({ field, detail: `There is no window '${aim.window}'.` });
  } else if (!has(session.applications, aim.application))
    throw new Refused({ field, detail: `There is no application '${aim.application}'.` });
  else if ((aim.title?.length ?? 0) > LONGEST_TITLE)
    throw new Refused({ field, detail: `The title is longer than ${LONGEST_TITLE} characters.` });
}

/** A shortcut is gone. */
export const removeShortcut = commandKind({
  type: 'remove-shortcut',
  fields: { shortcut: 'choice' },
  own: true,
  decide(course, { shortcut }) {
    if (!shortcutOf(course.session, shortcut)) return course.alreadySo({ type: 'not-there' });
    change(course, [{ shortcut, to: null }]);
  },
});

/** An action has this key and no other, or none. */
export const setKey = commandKind({
  type: 'set-key',
  fields: { key: 'ownKey' },
  own: true,
  grows: true,
  decide(course, { key }) {
    const before = ownKeyOf(course.session, key.action, key.argument);
    if (before && sameKey(before, key)) return course.alreadySo({ type: 'already-there' });
    if (key.chord && shortcutWith(course.session, key.chord)) return course.notice({ type: 'chord-taken' });
    if (!before && course.session.ownKeys.length >= MOST_SHORTCUTS)
      return course.notice({ type: 'too-many-shortcuts' });
    change(course, [{ action: key.action, argument: key.argument, to: key }]);
  },
});

const sameKey = (a: OwnKey, b: OwnKey): boolean =>
  a.chord === null || b.chord === null ? a.chord === b.chord : sameChord(a.chord, b.chord);

/** An action has the key of the block again. */
export const resetKey = commandKind({
  type: 'reset-key',
  fields: { action: 'choice', argument: 'choices' },
  own: true,
  decide(course, { action, argument }) {
    if (!ownKeyOf(course.session, action, argument)) return course.alreadySo({ type: 'already-there' });
    change(course, [{ action, argument, to: null }]);
  },
});

/** All actions have the keys of the block again. */
export const resetKeys = commandKind({
  type: 'reset-keys',
  fields: {},
  own: true,
  decide(course) {
    const { ownKeys } = course.session;
    if (ownKeys.length === 0) return course.alreadySo({ type: 'already-there' });
    change(
      course,
      ownKeys.map(({ action, argument }) => ({ action, argument, to: null })),
    );
  },
});

/** Undoes one change of shortcuts or keys; named, so that doing it twice undoes one only. */
export const putKeysBack = commandKind({
  type: 'put-keys-back',
  fields: { entry: 'entry' },
  own: true,
  decide(course, { entry: id }) {
    const { keysBefore } = course.session;
    const entry = id === null ? keysBefore.at(-1) : keysBefore.find((one) => one.id === id);
    if (!entry) return course.alreadySo({ type: 'nothing-to-undo' });
    course.happen({ type: 'keys-put-back', entry: entry.id });
  },
});

const change = (course: Course, changes: readonly KeyChange[]): void =>
  course.happen({ type: 'keys-changed', changes, entry: course.newEntry() });
