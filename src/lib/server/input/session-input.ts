/** The rules for a session document, and for what a document must be as a whole. */
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  Equals,
  IsArray,
  IsBoolean,
  IsDefined,
  IsIn,
  IsInt,
  Length,
  Max,
  Min,
  ValidateBy,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import {
  FORMAT,
  fromDocument,
  ID_PATTERN,
  repeatedIds,
  VERSION,
  type SessionDocument,
} from '../../core/formats/session-document';
import { problemsOf } from '../../core/session/invariants';
import type { DocumentKind, Session } from '../../core/session/session';
import { PLACE_COUNT } from '../../core/session/session';
import { pointerTo, Problem, type FieldProblem } from '../http/problem';
import { summary } from './batch-input';
import { GeometryInput } from './geometry-input';
import { IsId, IsInstant, IsText, IsTitle } from './rules';
import { SettingsInput } from './settings-input';
import { problemsWith } from './validate';

const MOST_WINDOWS = 2_000;
const MOST_DOCUMENTS = 20_000;

class WorkspaceInput {
  @IsId() id!: string;
  @IsTitle() name!: string;
}

class ApplicationInput {
  @IsId() id!: string;
  @IsTitle() name!: string;
  @Length(2, 2) monogram!: string;
  @IsInt() @Min(0) @Max(359) hue!: number;
  @IsBoolean() running!: boolean;
  @IsBoolean() hidden!: boolean;
  @IsBoolean() answering!: boolean;
  @IsBoolean() resident!: boolean;
  @IsBoolean() quitsWithLastWindow!: boolean;
  @IsBoolean() quitting!: boolean;
  @IsId() home!: string;
}

class DocumentInput {
  @IsId() id!: string;
  @IsTitle() title!: string;
  @IsId() application!: string;
  @IsIn(['tide-constants', 'table', 'letter', 'prose']) kind!: DocumentKind;
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
}

class ClosingQuestionInput {
  @IsIn(['close', 'quit']) goal!: 'close' | 'quit';
  @IsBoolean() dropping!: boolean;
}

class WindowInput {
  @IsId() id!: string;
  @IsId() application!: string;
  @IsDefined() @ValidateNested() @Type(() => GeometryInput) geometry!: GeometryInput;
  @IsBoolean() minimised!: boolean;
  @IsId() workspace!: string;
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(100)
  @ValidateNested({ each: true })
  @Type(() => TabInput)
  tabs!: TabInput[];
  @IsId() activeTab!: string;
  @IsBoolean() seen!: boolean;
  @ValidateIf((window: WindowInput) => window.asking !== null)
  @IsDefined()
  @ValidateNested()
  @Type(() => ClosingQuestionInput)
  asking!: ClosingQuestionInput | null;
  @IsBoolean() offeringDraft!: boolean;
}

class UseInput {
  @IsId() id!: string;
  @ValidateIf((use: UseInput) => use.at !== null) @IsInstant() at!: string | null;
}

class RecentInput {
  @IsArray()
  @ArrayMaxSize(MOST_WINDOWS)
  @ValidateNested({ each: true })
  @Type(() => UseInput)
  applications!: UseInput[];
  @IsArray()
  @ArrayMaxSize(MOST_WINDOWS)
  @ValidateNested({ each: true })
  @Type(() => UseInput)
  windows!: UseInput[];
}

class SessionDocumentInput {
  @Equals(FORMAT) format!: typeof FORMAT;
  @Equals(VERSION) version!: typeof VERSION;
  @IsTitle() title!: string;
  @IsDefined() @ValidateNested() @Type(() => SettingsInput) settings!: SettingsInput;
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(50)
  @ValidateNested({ each: true })
  @Type(() => WorkspaceInput)
  workspaces!: WorkspaceInput[];
  @IsId() workspace!: string;
  @IsArray()
  @ArrayMaxSize(MOST_WINDOWS)
  @ValidateNested({ each: true })
  @Type(() => ApplicationInput)
  applications!: ApplicationInput[];
  @IsArray()
  @ArrayMaxSize(MOST_DOCUMENTS)
  @ValidateNested({ each: true })
  @Type(() => DocumentInput)
  documents!: DocumentInput[];
  @IsArray()
  @ArrayMaxSize(MOST_DOCUMENTS)
  @ValidateNested({ each: true })
  @Type(() => DraftInput)
  drafts!: DraftInput[];
  @IsArray()
  @ArrayMaxSize(MOST_WINDOWS)
  @ValidateNested({ each: true })
  @Type(() => WindowInput)
  windows!: WindowInput[];
  @IsDefined() @ValidateNested() @Type(() => RecentInput) recent!: RecentInput;
  @IsArray() @ArrayMaxSize(MOST_WINDOWS) @IsId({ each: true }) stacking!: string[];
  @ValidateIf((session: SessionDocumentInput) => session.front !== null) @IsId() front!: string | null;
  @IsArray() @ArrayMinSize(PLACE_COUNT) @ArrayMaxSize(PLACE_COUNT) @IsPlace() places!: (string | null)[];
}

function IsPlace(): PropertyDecorator {
  return (target, property) =>
    ValidateBy({
      name: 'isPlace',
      validator: {
        validate: (places: unknown) =>
          Array.isArray(places) &&
          places.every((place) => place === null || (typeof place === 'string' && ID_PATTERN.test(place))),
        defaultMessage: () => 'places must hold ids of applications or null',
      },
    })(target, property);
}

/**
 * The session that a document describes.
 * @throws Problem 422 that names every field that is wrong, or the parts that do not fit together.
 */
export function sessionFrom(value: unknown): Session {
  const problems = problemsWith(SessionDocumentInput, value);
  if (problems.length === 0) {
    const document = value as SessionDocument;
    problems.push(...misfits(document));
    if (problems.length === 0) return fromDocument(document);
  }
  throw new Problem(422, 'Not a session document', summary(problems), problems);
}

function misfits(document: SessionDocument): FieldProblem[] {
  const repeated = repeatedIds(document);
  if (repeated.length > 0)
    return repeated.map((id) => ({ pointer: '#', detail: `the id '${id}' is used twice` }));
  return problemsOf(fromDocument(document)).map((problem) => {
    const [path = '', ...rest] = problem.split(': ');
    return { pointer: pointerTo(path.split('.')), detail: rest.join(': ') };
  });
}
