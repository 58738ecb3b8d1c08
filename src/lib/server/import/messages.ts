import type { FieldProblem } from '../http/problem';
import type { ProblemName } from '../http/problem-types';

/** A session document to be checked. */
export interface ImportRequest {
  readonly id: number;
  readonly body: Uint8Array;
}

/** The session that it describes, as JSON, or what is wrong with it. */
export type ImportAnswer =
  | { readonly id: number; readonly session: string }
  | {
      readonly id: number;
      readonly problem: {
        readonly type: ProblemName;
        readonly detail: string;
        readonly errors: readonly FieldProblem[];
      };
    };
