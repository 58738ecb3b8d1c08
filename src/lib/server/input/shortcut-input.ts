import { IsBoolean, IsIn, Matches } from 'class-validator';
import { MODIFIERS, type Chord, type ChordModifier } from '../../core/keys/chord';
import { LONGEST_TITLE } from '../../core/model/limits';
import { titlePattern } from '../../core/shortcuts/title-pattern';
import {
  FURTHER,
  type Aim,
  type Further,
  type OwnKey,
  type Shortcut,
} from '../../core/slices/shortcuts/state';
import { ID_PATTERN } from '../../core/formats/session-document';
import { pointerTo, type FieldProblem } from '../http/problem';
import { IsOne } from './nested';
import { IsA, IsTitle, OrNull } from './rules';

/** A position, as in the UI Events `code` values. */
const CODE_PATTERN = /^[A-Z][A-Za-z0-9]{1,29}$/;

const isId = (value: unknown): boolean => typeof value === 'string' && ID_PATTERN.test(value);

/** A window; or an application, with a pattern for titles or null. */
function isAim(value: unknown): value is Aim {
  if (typeof value !== 'object' || value === null) return false;
  const names = Object.keys(value).sort().join();
  const { window, application, title } = value as Readonly<Record<string, unknown>>;
  if (names === 'window') return isId(window);
  return names === 'application,title' && isId(application) && (title === null || isTitle(title));
}

const isTitle = (value: unknown): boolean =>
  typeof value === 'string' && value.length >= 1 && value.length <= LONGEST_TITLE;

const IsAim = () =>
  IsA(
    'isAim',
    isAim,
    `must be a window, or an application with null or an expression of at most ${LONGEST_TITLE} characters`,
  );

function AreModifiers(): PropertyDecorator {
  const areModifiers = (value: unknown) =>
    Array.isArray(value) &&
    new Set(value).size === value.length &&
    value.every((one) => MODIFIERS.some((modifier) => modifier === one));
  return IsA('areModifiers', areModifiers, `must be different ones of ${MODIFIERS.join(', ')}`);
}

class ChordInput implements Chord {
  @Matches(CODE_PATTERN, { message: 'code must be a position like KeyL' }) code!: string;
  @IsBoolean() shift!: boolean;
  @IsBoolean() hold!: boolean;
  @AreModifiers() modifiers!: ChordModifier[];
}

/** A shortcut as it is sent. */
export class ShortcutInput implements Shortcut {
  @IsTitle() id!: string;
  @IsOne(() => ChordInput) chord!: ChordInput;
  @IsAim() aim!: Aim;
  @IsBoolean() opens!: boolean;
  @IsIn(FURTHER) further!: Further;
}

/** A key of an action as it is sent. */
export class OwnKeyInput implements OwnKey {
  @IsTitle() action!: string;
  @OrNull() @IsTitle() argument!: string | null;
  @OrNull() @IsOne(() => ChordInput) chord!: ChordInput | null;
}

/** What is wrong with the pattern of a shortcut that is one otherwise; empty if it has none, or nothing is. */
export function patternProblems(
  { aim }: Pick<Shortcut, 'aim'>,
  path: readonly (string | number)[],
): FieldProblem[] {
  if ('window' in aim || aim.title === null) return [];
  const read = titlePattern(aim.title);
  return 'problem' in read ? [{ pointer: pointerTo([...path, 'aim', 'title']), detail: read.problem }] : [];
}
