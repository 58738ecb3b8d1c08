/** The only way a session changes. Pure, and the same in the browser and on the server. */
import { toEnd, toHead, without } from '../recency/order';
import { learn, forget } from '../search/learning';
import type { Event } from './events';
import { STACK_DEPTH } from './limits';
import type {
  Application,
  ApplicationId,
  DiscardedDraft,
  DocumentId,
  Ended,
  Session,
  Window,
  WindowId,
} from './session';
import { applicationOf, documentOf, windowOf, windowsOf } from './views';

/**
 * The session after `event`. Parts that did not change keep their identity, so a view can tell by `===`.
 * @throws RangeError if the event names something that the session does not have.
 */
export function reduce(session: Session, event: Event): Session {
  switch (event.type) {
    case 'application-launched':
      return {
        ...patchApplication(session, event.application, { running: true, hidden: false, answering: true }),
        recent: { ...session.recent, applications: toEnd(session.recent.applications, event.application) },
      };
    case 'applications-hidden': {
      const hidden = new Set(event.applications);
      return leavingFront(patchApplications(session, event.applications, { hidden: true }), (front) =>
        hidden.has(front.application),
      );
    }
    case 'applications-shown':
      return patchApplications(session, event.applications, { hidden: false });
    case 'application-stopped-answering':
      return patchApplication(session, event.application, { answering: false });
    case 'application-restarted':
      return restarted(session, event.application);
    case 'application-ended':
      return ended(session, event.application, event.discarded);
    case 'quit-begun':
      return patchApplication(session, event.application, { quitting: true });
    case 'quit-cancelled':
      return quitCancelled(session, event.application);
    case 'windows-opened':
      return opened(session, event.windows);
    case 'window-fronted':
      return fronted(session, event.window, event.at);
    case 'windows-minimised': {
      const minimised = new Set(event.windows);
      return leavingFront(patchWindows(session, event.windows, { minimised: true }), (front) =>
        minimised.has(front.id),
      );
    }
    case 'windows-restored':
      return patchWindows(session, event.windows, { minimised: false });
    case 'windows-placed': {
      const geometries = new Map(event.places.map(({ window, geometry }) => [window, geometry]));
      return changeWindows(session, [...geometries.keys()], (window) => ({
        ...window,
        geometry: geometries.get(window.id) ?? window.geometry,
      }));
    }
    case 'windows-closed':
      return closed(session, event.windows, event.discarded);
    case 'windows-restacked':
      return { ...session, stacking: event.stacking };
    case 'tab-retitled':
      return changeWindows(session, [event.window], (window) => ({
        ...window,
        tabs: window.tabs.map((tab) => (tab.id === event.tab ? { ...tab, title: event.title } : tab)),
      }));
    case 'tab-activated':
      return patchWindows(session, [event.window], { activeTab: event.tab });
    case 'closing-asked':
      return patchWindows(session, event.windows, { asking: { goal: event.goal, dropping: false } });
    case 'closing-settled':
      return patchWindows(session, [event.window], {
        asking: event.answer === 'drop' ? { goal: 'quit', dropping: true } : null,
      });
    case 'draft-kept':
      documentOf(session, event.document);
      return {
        ...session,
        drafts: { ...session.drafts, [event.document]: { text: event.text, at: event.at } },
      };
    case 'drafts-saved':
      return draftsSaved(session, event.documents);
    case 'draft-undone':
      return { ...session, drafts: withoutKeys(session.drafts, [event.document]) };
    case 'drafts-discarded':
      return draftsDiscarded(session, event.documents);
    case 'offers-changed':
      return patchWindows(session, event.windows, { offeringDraft: event.offering });
    case 'workspace-entered':
      return leavingFront(
        { ...session, workspace: event.workspace },
        (front) => front.workspace !== event.workspace,
      );
    case 'put-away':
      return { ...session, putAways: [...session.putAways, event.entry].slice(-STACK_DEPTH) };
    case 'put-back':
      return { ...session, putAways: session.putAways.slice(0, session.putAways.length - event.levels) };
    case 'ended-reopened':
      return endedReopened(session);
    case 'settings-changed':
      return { ...session, settings: event.settings };
    case 'choice-learned':
      return { ...session, learned: learn(session.learned, event) };
    case 'choices-forgotten':
      return { ...session, learned: forget(session.learned, event.choice) };
  }
}

/** The session after all `events`, in order. */
export const reduceAll = (session: Session, events: readonly Event[]): Session =>
  events.reduce(reduce, session);

/** One copy of the record, however many windows change. */
function changeWindows(
  session: Session,
  ids: readonly WindowId[],
  change: (window: Window) => Window,
): Session {
  const changed = Object.fromEntries(ids.map((id) => [id, change(windowOf(session, id))]));
  return { ...session, windows: { ...session.windows, ...changed } };
}

const patchWindows = (session: Session, ids: readonly WindowId[], patch: Partial<Window>): Session =>
  changeWindows(session, ids, (window) => ({ ...window, ...patch }));

function patchApplications(
  session: Session,
  ids: readonly ApplicationId[],
  patch: Partial<Application>,
): Session {
  const changed = Object.fromEntries(ids.map((id) => [id, { ...applicationOf(session, id), ...patch }]));
  return { ...session, applications: { ...session.applications, ...changed } };
}

const patchApplication = (session: Session, id: ApplicationId, patch: Partial<Application>): Session =>
  patchApplications(session, [id], patch);

function withoutKeys<T>(record: Readonly<Record<string, T>>, keys: readonly string[]): Record<string, T> {
  const gone = new Set(keys);
  return Object.fromEntries(Object.entries(record).filter(([key]) => !gone.has(key)));
}

/** Nothing is in front any more if the front window is one that `left`; a host then says what comes forward. */
function leavingFront(session: Session, left: (front: Window) => boolean): Session {
  if (session.front === null || !left(windowOf(session, session.front))) return session;
  return { ...session, front: null };
}

function opened(session: Session, windows: readonly Window[]): Session {
  const ids = windows.map(({ id }) => id);
  for (const id of ids)
    if (Object.hasOwn(session.windows, id)) throw new RangeError(`The session has a window '${id}' already.`);
  return {
    ...session,
    windows: { ...session.windows, ...Object.fromEntries(windows.map((window) => [window.id, window])) },
    recent: {
      ...session.recent,
      windows: [...session.recent.windows, ...ids.map((id) => ({ id, at: null }))],
    },
    stacking: [...ids.toReversed(), ...session.stacking],
  };
}

function fronted(session: Session, id: WindowId, at: string): Session {
  const window = windowOf(session, id);
  return {
    ...(window.seen ? session : patchWindows(session, [id], { seen: true })),
    recent: {
      windows: toHead(session.recent.windows, id, at),
      applications: toHead(session.recent.applications, window.application, at),
    },
    stacking: raised(session.stacking, id),
    front: id,
  };
}

/** The stacking with one window on top. */
const raised = (stacking: readonly WindowId[], id: WindowId): readonly WindowId[] =>
  stacking.at(-1) === id ? stacking : [...stacking.filter((other) => other !== id), id];

/** Takes windows and drafts out of the session, remembering them so that they can be reopened. */
function removed(
  session: Session,
  gone: readonly Window[],
  discarded: readonly DocumentId[],
  record: Pick<Ended, 'kind' | 'application' | 'hidden'>,
): Session {
  const ids = gone.map((window) => window.id);
  const left = new Set(ids);
  const stays = (id: WindowId) => !left.has(id);
  const remembered: Ended = {
    ...record,
    windows: gone.map(settled),
    stacking: session.stacking,
    discarded: draftsOf(session, discarded),
  };
  return {
    ...session,
    windows: withoutKeys(session.windows, ids),
    drafts: withoutKeys(session.drafts, discarded),
    recent: { ...session.recent, windows: session.recent.windows.filter((use) => stays(use.id)) },
    stacking: session.stacking.filter(stays),
    front: session.front !== null && stays(session.front) ? session.front : null,
    ended: [...session.ended, remembered].slice(-STACK_DEPTH),
  };
}

function draftsOf(session: Session, documents: readonly DocumentId[]): DiscardedDraft[] {
  return documents.map((document) => {
    const draft = session.drafts[document];
    if (!draft) throw new RangeError(`Document '${document}' has no draft.`);
    return { document, draft };
  });
}

/** Windows of one application that close together. */
function closed(session: Session, ids: readonly WindowId[], discarded: readonly DocumentId[]): Session {
  const gone = ids.map((id) => windowOf(session, id));
  const application = gone[0]?.application;
  if (application === undefined) return session;
  const { hidden } = applicationOf(session, application);
  return removed(session, gone, discarded, { kind: 'window', application, hidden });
}

function ended(session: Session, id: ApplicationId, discarded: readonly DocumentId[]): Session {
  const { hidden } = applicationOf(session, id);
  const rest = removed(session, windowsOf(session, id), discarded, {
    kind: 'application',
    application: id,
    hidden,
  });
  return {
    ...patchApplication(rest, id, { running: false, hidden: false, quitting: false, answering: true }),
    recent: { ...rest.recent, applications: without(rest.recent.applications, id) },
  };
}

function draftsDiscarded(session: Session, documents: readonly DocumentId[]): Session {
  const [first] = documents;
  if (first === undefined) return session;
  const { application } = documentOf(session, first);
  const { hidden } = applicationOf(session, application);
  return removed(session, [], documents, { kind: 'draft', application, hidden });
}

/** Where a newer draft was written since, the discarded one stays in the list. */
function endedReopened(session: Session): Session {
  const last = session.ended.at(-1);
  if (!last) return session;
  const isNewer = ({ document }: DiscardedDraft) => Object.hasOwn(session.drafts, document);
  const waiting = last.discarded.filter(isNewer);
  const again = last.discarded.filter((one) => !isNewer(one));
  const rest = session.ended.slice(0, -1);
  return {
    ...session,
    ended:
      waiting.length === 0 ? rest : [...rest, { ...last, kind: 'draft', windows: [], discarded: waiting }],
    drafts:
      again.length === 0
        ? session.drafts
        : { ...session.drafts, ...Object.fromEntries(again.map(({ document, draft }) => [document, draft])) },
  };
}

/** A window as it comes back when it is reopened: without the question that was open in it. */
const settled = (window: Window): Window => (window.asking === null ? window : { ...window, asking: null });

function restarted(session: Session, id: ApplicationId): Session {
  const hasDraft = (window: Window) => window.tabs.some((tab) => Object.hasOwn(session.drafts, tab.document));
  const ids = windowsOf(session, id).map((window) => window.id);
  const anew = changeWindows(session, ids, (window) => ({
    ...settled(window),
    offeringDraft: hasDraft(window),
  }));
  return patchApplication(anew, id, { answering: true, quitting: false });
}

/** Cancel in any window cancels that quit: every window it asked goes back to what it was. */
function quitCancelled(session: Session, id: ApplicationId): Session {
  const asked = windowsOf(session, id).filter((window) => window.asking?.goal === 'quit');
  const calm = patchWindows(
    session,
    asked.map((window) => window.id),
    { asking: null },
  );
  return patchApplication(calm, id, { quitting: false });
}

function draftsSaved(session: Session, ids: readonly DocumentId[]): Session {
  const saved = draftsOf(session, ids).map(({ document, draft }) => [
    document,
    { ...documentOf(session, document), text: draft.text },
  ]);
  return {
    ...session,
    documents: { ...session.documents, ...Object.fromEntries(saved) },
    drafts: withoutKeys(session.drafts, ids),
  };
}
