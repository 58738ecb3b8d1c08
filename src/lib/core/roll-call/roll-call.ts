/** The roll call: what runs, how it is, and whether it answers; what hangs comes first. */
import type { ApplicationId, Instant } from '../model/ids';
import type { Session } from '../session/session';
import { applicationOf } from '../slices/applications/selectors';
import { windowsByApplication } from '../slices/recency/selectors';
import { isAsking, windowOf } from '../slices/windows/selectors';
import { standingOfApplication, type Standing } from '../switcher/standing';

/** An application that runs. */
export interface Present {
  readonly application: ApplicationId;
  readonly answering: boolean;
  /** Since when it has not answered; null while it does, and where nobody knows. */
  readonly silentSince: Instant | null;
  /** When it was used last; null for never. */
  readonly usedAt: Instant | null;
  readonly windows: number;
  /** Windows that lie minimised. */
  readonly minimised: number;
  readonly standing: readonly Standing[];
  /** Whether ending it starts it anew. */
  readonly resident: boolean;
}

/**
 * All that run: what does not answer first, that for longest on top; then what waits for an answer; the rest by recent use.
 */
export function rollCall(session: Session): Present[] {
  const windows = windowsByApplication(session);
  const present = session.recent.applications.map(({ id, at }): Present => {
    const { answering, silentSince = null, resident } = applicationOf(session, id);
    const own = windows.get(id) ?? [];
    return {
      application: id,
      answering,
      silentSince,
      usedAt: at,
      windows: own.length,
      minimised: own.filter((window) => windowOf(session, window).minimised).length,
      standing: standingOfApplication(session, id, own),
      resident,
    };
  });
  const waits = ({ application }: Present) =>
    applicationOf(session, application).quitting ||
    (windows.get(application) ?? []).some((window) => isAsking(windowOf(session, window)));
  const rank = (one: Present) => (one.answering ? (waits(one) ? 1 : 2) : 0);
  // What nobody knows a time of hangs for longest: it did so before anybody looked.
  const since = ({ silentSince }: Present) => silentSince ?? '';
  return present
    .map((one, nth) => ({ one, nth }))
    .sort(
      (a, b) =>
        rank(a.one) - rank(b.one) ||
        (a.one.answering ? 0 : since(a.one).localeCompare(since(b.one))) ||
        a.nth - b.nth,
    )
    .map(({ one }) => one);
}

/** The applications that stopped answering from one session to the next. */
export const fellSilent = (before: Session, after: Session): ApplicationId[] =>
  before.applications === after.applications
    ? []
    : after.applications
        .filter(({ id, running, answering }) => {
          const then = before.applications.find((one) => one.id === id);
          return running && !answering && then?.answering !== false;
        })
        .map(({ id }) => id);
