/** The rules for a session document, and for what a document must be as a whole. */
import {
  ArrayMaxSize,
  ArrayMinSize,
  Equals,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  Max,
  Min,
} from 'class-validator';
import {
  FORMAT,
  fromDocument,
  repeatedIds,
  VERSION,
  type SessionDocument,
} from '../../core/formats/session-document';
import { problemsOf, type Session } from '../../core/session/session';
import {
  MOST_DOCUMENTS,
  MOST_SHORTCUTS,
  MOST_TABS,
  MOST_WEIGHT,
  MOST_WINDOWS,
  MOST_WORKSPACES,
} from '../../core/model/limits';
import { DIGITS, type Thing } from '../../core/slices/places/state';
import { weightOf } from '../../core/session/weight';
import { CLOSING_GOALS, type ClosingGoal } from '../../core/slices/windows/state';
import { pointerTo, Problem, type FieldProblem } from '../http/problem';
import { summary } from './summary';
import { problemsWith } from './check';
import { PlacementInput } from './geometry-input';
import { IsListOf, IsOne } from './nested';
import {
  IfSent,
  ArePictures,
  ArePlaces,
  IsId,
  IsIdList,
  IsInstant,
  IsMonogram,
  IsText,
  IsTitle,
  OrNull,
} from './rules';
import { OwnKeyInput, patternProblems, ShortcutInput } from './shortcut-input';
import { SettingsInput } from './settings-input';

class WorkspaceInput {
  @IsId() id!: string;
  @IsTitle() name!: string;
}

class ApplicationInput {
  @IsId() id!: string;
  @IsTitle() name!: string;
  @IsMonogram() monogram!: string;
  @IsInt() @Min(0) @Max(359) hue!: number;
  @IsBoolean() running!: boolean;
  @IsBoolean() hidden!: boolean;
  @IsBoolean() answering!: boolean;
  @IfSent() @IsInstant() silentSince?: string;
  @IsBoolean() resident!: boolean;
  @IsBoolean() quitsWithLastWindow!: boolean;
  @IsBoolean() quitting!: boolean;
  @IfSent() @IsIdList() opens?: string[];
  @IsId() home!: string;
}

class DocumentInput {
  @IsId() id!: string;
  @IsTitle() title!: string;
  @IsId() application!: string;
  /** Any kind: what no program here shows is shown as what it is. */
  @IsId() kind!: string;
  @IsText() text!: string;
}

class DraftInput {
  @IsId() document!: string;
  @IsText() text!: string;
  @IsInstant() at!: string;
}

class TabInput {
  @IsId() id!: string;
  @IsTitle() title!: string;
  @IsId() document!: string;
  @IfSent() @Equals(true) hung?: true;
}

class ClosingQuestionInput {
  @IsIn(CLOSING_GOALS) goal!: ClosingGoal;
  @IsBoolean() dropping!: boolean;
  @IfSent() @IsId() tab?: string;
}

class WindowInput extends PlacementInput {
  @IsId() id!: string;
  @IsId() application!: string;
  @IsBoolean() minimised!: boolean;
  @IsId() workspace!: string;
  @IsListOf(() => TabInput, { least: 1, most: MOST_TABS })
  tabs!: TabInput[];
  @IsId() activeTab!: string;
  @IfSent() @IsIdList() recentTabs?: string[];
  @IsBoolean() seen!: boolean;
  @OrNull()
  @IsOne(() => ClosingQuestionInput)
  asking!: ClosingQuestionInput | null;
  @IsBoolean() offeringDraft!: boolean;
}

class UseInput {
  @IsId() id!: string;
  @OrNull() @IsInstant() at!: string | null;
}

class RecentInput {
  @IsListOf(() => UseInput, { most: MOST_WINDOWS })
  applications!: UseInput[];
  @IsListOf(() => UseInput, { most: MOST_WINDOWS })
  windows!: UseInput[];
}

class SessionDocumentInput {
  @Equals(FORMAT) format!: typeof FORMAT;
  @Equals(VERSION) version!: typeof VERSION;
  @IsTitle() title!: string;
  @IsOne(() => SettingsInput) settings!: SettingsInput;
  @IsListOf(() => WorkspaceInput, { least: 1, most: MOST_WORKSPACES })
  workspaces!: WorkspaceInput[];
  @IsId() workspace!: string;
  @IsListOf(() => ApplicationInput, { most: MOST_WINDOWS })
  applications!: ApplicationInput[];
  @IsListOf(() => DocumentInput, { most: MOST_DOCUMENTS })
  documents!: DocumentInput[];
  @IsListOf(() => DraftInput, { most: MOST_DOCUMENTS })
  drafts!: DraftInput[];
  @IsListOf(() => WindowInput, { most: MOST_WINDOWS })
  windows!: WindowInput[];
  @IsOne(() => RecentInput) recent!: RecentInput;
  @IsArray() @ArrayMaxSize(MOST_WINDOWS) @IsIdList() stacking!: string[];
  @OrNull() @IsId() front!: string | null;
  @IsArray() @ArrayMinSize(DIGITS.length) @ArrayMaxSize(DIGITS.length) @ArePlaces() places!: (Thing | null)[];
  @IfSent() @IsListOf(() => ShortcutInput, { most: MOST_SHORTCUTS }) shortcuts?: ShortcutInput[];
  @IfSent() @IsListOf(() => OwnKeyInput, { most: MOST_SHORTCUTS }) ownKeys?: OwnKeyInput[];
  @IfSent() @ArePictures() pictures?: Record<string, string>;
}

/** What is wrong with the shape of a document; an empty list for one that keeps the JSON Schema. */
export const shapeProblems = (value: unknown): FieldProblem[] => problemsWith(SessionDocumentInput, value);

/**
 * The session that a document describes.
 * @throws Problem `not-a-session-document` that names every field that is wrong, or the parts that do not fit
 * together; `session-too-large` for one that could not be exported again.
 */
export function sessionFrom(value: unknown): Session {
  const problems = shapeProblems(value);
  if (problems.length === 0) {
    const document = value as SessionDocument;
    problems.push(...misfits(document));
    if (problems.length === 0) return checkedWeight(fromDocument(document));
  }
  throw new Problem('not-a-session-document', summary(problems), problems);
}

function checkedWeight(session: Session): Session {
  if (weightOf(session) > MOST_WEIGHT)
    throw new Problem('session-too-large', `A session may hold ${MOST_WEIGHT / 1024 / 1024} MiB.`);
  return session;
}

function misfits(document: SessionDocument): FieldProblem[] {
  const repeated = repeatedIds(document);
  if (repeated.length > 0)
    return repeated.map(({ list, index, id }) => ({
      pointer: pointerTo([list, index, list === 'drafts' ? 'document' : 'id']),
      detail: `the id '${id}' is used twice`,
    }));
  const patterns = (document.shortcuts ?? []).flatMap((one, n) => patternProblems(one, ['shortcuts', n]));
  if (patterns.length > 0) return patterns;
  return problemsOf(fromDocument(document)).map(({ path, detail }) => ({
    pointer: pointerTo(placeInDocument(document, path)),
    detail,
  }));
}

/** A path into the session as one into its document, where records are lists. */
function placeInDocument(document: SessionDocument, path: readonly string[]): (string | number)[] {
  const [list, id, ...rest] = path;
  if (list === undefined || id === undefined) return [...path];
  const index =
    list === 'drafts'
      ? document.drafts.findIndex((draft) => draft.document === id)
      : list === 'applications' || list === 'documents' || list === 'windows'
        ? document[list].findIndex((item) => item.id === id)
        : -1;
  return index < 0 ? [...path] : [list, index, ...rest];
}
