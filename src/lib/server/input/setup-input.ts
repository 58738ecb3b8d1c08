import { ArrayMaxSize, ArrayMinSize, Equals, IsArray, IsIn, IsInt, Max, Min } from 'class-validator';
import { guestProblem } from '../../core/guests/guest';
import { chordText } from '../../core/keys/chord';
import { MOST_SHORTCUTS } from '../../core/model/limits';
import { SETUP_FORMAT, SETUP_VERSION, type SetupDocument } from '../../core/setup/setup-document';
import { DIGITS, type Thing } from '../../core/slices/places/state';
import { GUEST_KINDS, type Guest, type GuestKind, type SetupChange } from '../../core/slices/setup/state';
import { pointerTo, Problem, type FieldProblem } from '../http/problem';
import { problemsWith } from './check';
import { IsListOf, IsOne } from './nested';
import { ArePlaces, IsId, IsMonogram, IsText, IsThing, IsTitle, OrNull } from './rules';
import { OwnKeyInput, patternProblems, ShortcutInput } from './shortcut-input';
import { SettingsInput } from './settings-input';
import { summary } from './summary';

/** Applications that can be added with one change. */
const MOST_GUESTS = 100;

class GuestInput implements Guest {
  @IsId() id!: string;
  @IsTitle() name!: string;
  @IsMonogram() monogram!: string;
  @IsInt() @Min(0) @Max(359) hue!: number;
  @IsId() home!: string;
  @IsIn(GUEST_KINDS) kind!: GuestKind;
  @IsText() text!: string;
}

class GuestChangeInput {
  @IsId() application!: string;
  @OrNull() @IsOne(() => GuestInput) to!: GuestInput | null;
}

class ShortcutChangeInput {
  @IsTitle() shortcut!: string;
  @OrNull() @IsOne(() => ShortcutInput) to!: ShortcutInput | null;
}

class ActionKeyChangeInput {
  @IsTitle() action!: string;
  @OrNull() @IsTitle() argument!: string | null;
  @OrNull() @IsOne(() => OwnKeyInput) to!: OwnKeyInput | null;
}

/** A change of the set-up as it is sent. */
export class SetupChangeInput implements SetupChange {
  @OrNull() @IsOne(() => SettingsInput) settings!: SettingsInput | null;
  @OrNull()
  @IsArray()
  @ArrayMinSize(DIGITS.length)
  @ArrayMaxSize(DIGITS.length)
  @ArePlaces()
  places!: (Thing | null)[];
  @IsListOf(() => ShortcutChangeInput, { most: 2 * MOST_SHORTCUTS }) shortcuts!: ShortcutChangeInput[];
  @IsListOf(() => ActionKeyChangeInput, { most: MOST_SHORTCUTS }) keys!: ActionKeyChangeInput[];
  @IsListOf(() => GuestChangeInput, { most: MOST_GUESTS }) guests!: GuestChangeInput[];
}

/** What is wrong inside a change that has the right shape: patterns, and what guests are made of. */
export const setupChangeProblems = (
  { shortcuts, guests }: SetupChange,
  path: readonly (string | number)[],
): FieldProblem[] => [
  ...shortcuts.flatMap(({ to }, n) => (to ? patternProblems(to, [...path, 'shortcuts', n, 'to']) : [])),
  ...guests.flatMap(({ to }, n) => (to ? guestProblems(to, [...path, 'guests', n, 'to']) : [])),
];

function guestProblems({ kind, text }: Guest, path: readonly (string | number)[]): FieldProblem[] {
  const detail = guestProblem(kind, text);
  return detail === null ? [] : [{ pointer: pointerTo([...path, 'text']), detail }];
}

class NamedInput {
  @IsThing() thing!: Thing;
  @IsTitle() name!: string;
}

class SetupDocumentInput {
  @Equals(SETUP_FORMAT) format!: typeof SETUP_FORMAT;
  @Equals(SETUP_VERSION) version!: typeof SETUP_VERSION;
  @IsTitle() title!: string;
  @IsOne(() => SettingsInput) settings!: SettingsInput;
  @IsArray() @ArrayMinSize(DIGITS.length) @ArrayMaxSize(DIGITS.length) @ArePlaces() places!: (Thing | null)[];
  @IsListOf(() => ShortcutInput, { most: MOST_SHORTCUTS }) shortcuts!: ShortcutInput[];
  @IsListOf(() => OwnKeyInput, { most: MOST_SHORTCUTS }) keys!: OwnKeyInput[];
  @IsListOf(() => GuestInput, { most: MOST_GUESTS }) applications!: GuestInput[];
  @IsListOf(() => NamedInput, { most: 2 * MOST_SHORTCUTS }) names!: NamedInput[];
}

/** What is wrong with the shape of a set-up document; an empty list for one that keeps the JSON Schema. */
export const setupShapeProblems = (value: unknown): FieldProblem[] => problemsWith(SetupDocumentInput, value);

/**
 * A set-up document from what somebody sent.
 * @throws Problem `not-a-setup-document` that names every field that is wrong, or that the document is newer than this.
 */
export function setupFrom(value: unknown): SetupDocument {
  const { format, version } = Object(value) as { readonly format?: unknown; readonly version?: unknown };
  if (format === SETUP_FORMAT && typeof version === 'number' && version > SETUP_VERSION) {
    const detail = `It was written by a newer Key Fold (version ${version}); this one reads version ${SETUP_VERSION}. Ask for an export by this version, or update.`;
    throw new Problem('not-a-setup-document', detail, [{ pointer: '#/version', detail }]);
  }
  const problems = setupShapeProblems(value);
  if (problems.length === 0) problems.push(...insideProblems(value as SetupDocument));
  if (problems.length > 0) throw new Problem('not-a-setup-document', summary(problems), problems);
  return value as SetupDocument;
}

function insideProblems({ shortcuts, applications }: SetupDocument): FieldProblem[] {
  return [
    ...shortcuts.flatMap((one, n) => patternProblems(one, ['shortcuts', n])),
    ...shortcuts.flatMap(({ aim }, n) =>
      'window' in aim
        ? [{ pointer: pointerTo(['shortcuts', n, 'aim']), detail: 'a window does not travel' }]
        : [],
    ),
    ...repeated(
      'shortcuts',
      'id',
      shortcuts.map(({ id }) => id),
    ),
    ...repeated(
      'shortcuts',
      'chord',
      shortcuts.map(({ chord }) => chordText(chord)),
    ),
    ...repeated(
      'applications',
      'id',
      applications.map(({ id }) => id),
    ),
    ...applications.flatMap((guest, n) => guestProblems(guest, ['applications', n])),
  ];
}

function repeated(list: string, field: string, values: readonly string[]): FieldProblem[] {
  return values.flatMap((value, n) =>
    values.indexOf(value) < n
      ? [{ pointer: pointerTo([list, n, field]), detail: `${field} is used twice` }]
      : [],
  );
}
