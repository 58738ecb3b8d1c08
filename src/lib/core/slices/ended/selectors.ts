import { has } from '../../model/table';
import type { DraftsState } from '../drafts/state';
import type { DiscardedDraft, Ended, EndedState } from './state';

/** What was kept as `entry` (null: the newest); undefined if it is not there. */
export const endedAs = ({ ended }: EndedState, entry: string | null): Ended | undefined =>
  entry === null ? ended.at(-1) : ended.findLast(({ id }) => id === entry);

/** Whether a discarded draft cannot come back, because a newer one of the same document is there. */
export const hasNewerDraft = (session: DraftsState, { document }: DiscardedDraft): boolean =>
  has(session.drafts, document);

/** The discarded drafts that come back when this is reopened. */
export const comingBack = (session: EndedState & DraftsState, entry: string | null): DiscardedDraft[] =>
  (endedAs(session, entry)?.discarded ?? []).filter((one) => !hasNewerDraft(session, one));
