/** What can be done with what stands at a place: its windows, its documents, and what can be done to it. */
import type { Invocation } from '../actions/action';
import type { Registry } from '../actions/registry';
import type { Target } from '../actions/target';
import { find } from '../model/table';
import type { Session } from '../session/session';
import type { AppDocument } from '../slices/documents/state';
import { applicationOf } from '../slices/applications/selectors';
import { windowsOf } from '../slices/recency/selectors';
import type { AppWindow } from '../slices/windows/state';

/** More documents than these are for search. */
const MOST_DOCUMENTS = 6;

/** The menu of a place. */
export interface PlaceMenu {
  readonly windows: readonly AppWindow[];
  /** Of those that are open nowhere: what was closed last, newest first, then the others. */
  readonly documents: readonly AppDocument[];
  /** The actions of its program that can be done now. */
  readonly own: readonly Invocation[];
  /** What is done to it. */
  readonly acts: readonly Invocation[];
}

/** The menu of a place, by what would be acted on there. `most`: documents, at most. */
export function placeMenuOf(
  session: Session,
  registry: Registry,
  target: Target,
  most = MOST_DOCUMENTS,
): PlaceMenu {
  const { answering } = applicationOf(session, target.application);
  return {
    windows: windowsOf(session, target.application),
    documents: recentDocuments(session, target.application).slice(0, most),
    own: registry.actions
      .filter(({ group }) => group === 'program')
      .map(({ id }) => ({ action: id, argument: null }))
      .filter((invocation) => isAbout(session, registry, invocation, target)),
    acts: ['new-window', 'solo', 'hide-or-show', answering ? 'quit' : 'end-now'].map((action) => ({
      action,
      argument: null,
    })),
  };
}

/** Whether a program's action would be done with one of the application's own windows. */
function isAbout(session: Session, registry: Registry, invocation: Invocation, target: Target): boolean {
  const offer = registry.offer(session, invocation, target);
  return (
    'does' in offer &&
    offer.does.some(
      (deed) =>
        deed.to === 'page' &&
        deed.request.type === 'run-program' &&
        deed.request.application === target.application,
    )
  );
}

function recentDocuments(session: Session, application: string): AppDocument[] {
  const open = new Set(session.windows.flatMap(({ tabs }) => tabs.map(({ document }) => document)));
  const closed = session.ended
    .toReversed()
    .flatMap(({ windows }) => windows.flatMap(({ tabs }) => tabs.map(({ document }) => document)));
  const ids = new Set([...closed, ...session.documents.map(({ id }) => id)]);
  return [...ids]
    .filter((id) => !open.has(id))
    .flatMap((id) => find(session.documents, id) ?? [])
    .filter((document) => document.application === application);
}
