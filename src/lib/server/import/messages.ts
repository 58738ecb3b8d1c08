import type { PictureFile } from '../pictures/kept-pictures';
import type { FieldProblem } from '../http/problem';
import type { ProblemName } from '../http/problem-types';

/** A session document to be checked. */
export interface ImportRequest {
  readonly id: number;
  readonly body: Uint8Array;
}

/** What a session document holds: the session that it describes, as JSON, and the files of its pictures. */
export interface Imported {
  readonly session: string;
  readonly pictures: readonly PictureFile[];
}

/** What it holds, or what is wrong with it. */
export type ImportAnswer =
  | ({ readonly id: number } & Imported)
  | {
      readonly id: number;
      readonly problem: {
        readonly type: ProblemName;
        readonly detail: string;
        readonly errors: readonly FieldProblem[];
      };
    };
