/** The index: what stands at which digit. Each change can be undone. */
import { putAt, sameThing } from '../../slices/places/selectors';
import { DIGITS } from '../../slices/places/state';
import { commandKind } from '../command';

/** Something stands at a digit. What stood there goes to where it came from, or to an empty place. */
export const putInIndex = commandKind({
  type: 'put-in-index',
  fields: { thing: 'thing', digit: DIGITS },
  own: true,
  decide(course, { thing, digit }) {
    const { places } = course.session;
    if (sameThing(places[DIGITS.indexOf(digit)] ?? null, thing))
      return course.alreadySo({ type: 'already-there' });
    course.happen({ type: 'places-changed', places: putAt(places, thing, digit), entry: course.newEntry() });
  },
});

/** Something has no place; the others keep theirs. */
export const takeFromIndex = commandKind({
  type: 'take-from-index',
  fields: { thing: 'thing' },
  own: true,
  decide(course, { thing }) {
    const { places } = course.session;
    const rest = places.map((one) => (sameThing(one, thing) ? null : one));
    if (rest.every((one, at) => one === places[at])) return course.alreadySo({ type: 'not-in-index' });
    course.happen({ type: 'places-changed', places: rest, entry: course.newEntry() });
  },
});

/** Undoes a change, and what was changed after it; named, so that doing it twice undoes one only. */
export const putIndexBack = commandKind({
  type: 'put-index-back',
  fields: { entry: 'entry' },
  own: true,
  decide(course, { entry: id }) {
    const { placesBefore } = course.session;
    const entry = id === null ? placesBefore.at(-1) : placesBefore.find((one) => one.id === id);
    if (!entry) return course.alreadySo({ type: 'nothing-to-undo' });
    course.happen({ type: 'places-put-back', entry: entry.id });
  },
});
