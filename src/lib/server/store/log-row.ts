import { createHash } from 'node:crypto';

/** A batch with events as it stands in the log. */
export interface LogRow {
  readonly session: string;
  readonly first: number;
  readonly count: number;
  readonly batch: string;
  readonly digest: string;
  /** The events as JSON. */
  readonly events: string;
}

/** What tells a batch that is sent again from one whose id is used again. It goes over the commands as they were sent. */
export const digestOf = ({ commands }: { readonly commands: readonly unknown[] }): string =>
  createHash('sha256').update(JSON.stringify(commands)).digest('hex');
