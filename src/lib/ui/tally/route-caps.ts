import type { KeyMap } from '../../core/actions/views/key-map';
import type { Session } from '../../core/session/session';
import { holdKeyOf } from '../../core/slices/settings/state';
import { shortcutOf } from '../../core/slices/shortcuts/selectors';
import type { Route, Stroke } from '../../core/tally/cheapest-way';
import { chordCaps, keyName } from '../parts/key-names';

/** The caps of the keys of a way, in the order in which they go down. */
export function routeCaps({ strokes }: Pick<Route, 'strokes'>, session: Session, keys: KeyMap): string[] {
  const hold = holdKeyOf(session.settings);
  const [first] = strokes;
  const own =
    first && 'does' in first && first.does.action === 'shortcut'
      ? shortcutOf(session, first.does.argument ?? '')
      : undefined;
  // A shortcut may be any combination, which is pressed anew each time.
  if (own) return strokes.flatMap(() => chordCaps(hold, own.chord));
  return [hold, ...strokes.flatMap((stroke) => strokeCaps(stroke, keys))];
}

function strokeCaps(stroke: Stroke, keys: KeyMap): string[] {
  if ('letters' in stroke) return [...stroke.letters].map((letter) => letter.toUpperCase());
  if ('enter' in stroke) return ['Enter'];
  const at = keys.chordOf(stroke.does);
  return at ? [...(at.shift ? ['Shift'] : []), keyName(at.code)] : [];
}
