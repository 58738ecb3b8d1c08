/** The only way a session changes. Pure, and the same in the browser and on the server. */
import { toEnd, toHead, without } from '../recency/order';
import { learn, forget } from '../search/learning';
import type { Event } from './events';
import type { Application, ApplicationId, Draft, Ended, Session, Window, WindowId } from './session';
import { applicationOf, documentOf, windowOf, windowsOf } from './views';

/** How many putting-aways can be taken back, and how many ended things reopened. */
export const STACK_DEPTH = 40;

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
    case 'application-hidden':
      return leavingFront(
        patchApplication(session, event.application, { hidden: true }),
        (front) => front.application === event.application,
      );
    case 'application-shown':
      return patchApplication(session, event.application, { hidden: false });
    case 'application-stopped-answering':
      return patchApplication(session, event.application, { answering: false });
    case 'application-restarted':
      return restarted(session, event.application);
    case 'application-ended':
      return ended(session, event.application);
    case 'quit-begun':
      return patchApplication(session, event.application, { quitting: true });
    case 'quit-cancelled':
      return quitCancelled(session, event.application);
    case 'window-opened':
      return {
        ...session,
        windows: { ...session.windows, [event.window.id]: event.window },
        recent: { ...session.recent, windows: toEnd(session.recent.windows, event.window.id) },
        stacking: [event.window.id, ...session.stacking],
      };
    case 'window-fronted':
      return fronted(session, event.window, event.at);
    case 'window-minimised':
      return leavingFront(
        patchWindow(session, event.window, { minimised: true }),
        (front) => front.id === event.window,
      );
    case 'window-restored':
      return patchWindow(session, event.window, { minimised: false });
    case 'window-placed':
      return patchWindow(session, event.window, { geometry: event.geometry });
    case 'window-closed':
      return closed(session, event.window);
    case 'windows-restacked':
      return { ...session, stacking: event.stacking };
    case 'tab-retitled':
      return patchWindow(session, event.window, {
        tabs: windowOf(session, event.window).tabs.map((tab) =>
          tab.id === event.tab ? { ...tab, title: event.title } : tab,
        ),
      });
    case 'tab-activated':
      return patchWindow(session, event.window, { activeTab: event.tab });
    case 'closing-asked':
      return patchWindow(session, event.window, { asking: { goal: event.goal, dropping: false } });
    case 'closing-settled':
      return patchWindow(session, event.window, {
        asking: event.answer === 'drop' ? { goal: 'quit', dropping: true } : null,
      });
    case 'draft-kept':
      documentOf(session, event.document);
      return {
        ...session,
        drafts: { ...session.drafts, [event.document]: { text: event.text, at: event.at } },
      };
    case 'draft-saved':
      return draftSaved(session, event.document);
    case 'draft-dropped':
      return { ...session, drafts: withoutKey(session.drafts, event.document) };
    case 'draft-taken-up':
      return patchWindow(session, event.window, { offeringDraft: false });
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
      return { ...session, ended: session.ended.slice(0, -1) };
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

function patchWindow(session: Session, id: WindowId, patch: Partial<Window>): Session {
  return { ...session, windows: { ...session.windows, [id]: { ...windowOf(session, id), ...patch } } };
}

function patchApplication(session: Session, id: ApplicationId, patch: Partial<Application>): Session {
  const application = { ...applicationOf(session, id), ...patch };
  return { ...session, applications: { ...session.applications, [id]: application } };
}

function withoutKey<T>(record: Readonly<Record<string, T>>, key: string): Record<string, T> {
  return Object.fromEntries(Object.entries(record).filter(([other]) => other !== key));
}

/** Nothing is in front any more if the front window is one that `left`; a host then says what comes forward. */
function leavingFront(session: Session, left: (front: Window) => boolean): Session {
  if (session.front === null || !left(windowOf(session, session.front))) return session;
  return { ...session, front: null };
}

function fronted(session: Session, id: WindowId, at: string): Session {
  const window = windowOf(session, id);
  return {
    ...(window.seen ? session : patchWindow(session, id, { seen: true })),
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

/** Takes windows out of the session, remembering them so that they can be reopened. */
function removed(session: Session, gone: readonly Window[], record: Ended): Session {
  const ids = new Set(gone.map((window) => window.id));
  const stays = (id: WindowId) => !ids.has(id);
  return {
    ...session,
    windows: Object.fromEntries(Object.entries(session.windows).filter(([id]) => stays(id))),
    recent: { ...session.recent, windows: session.recent.windows.filter((use) => stays(use.id)) },
    stacking: session.stacking.filter(stays),
    front: session.front !== null && stays(session.front) ? session.front : null,
    ended: [...session.ended, record].slice(-STACK_DEPTH),
  };
}

function closed(session: Session, id: WindowId): Session {
  const window = windowOf(session, id);
  const { hidden } = applicationOf(session, window.application);
  const { application } = window;
  return removed(session, [window], {
    kind: 'window',
    application,
    windows: [settled(window)],
    stacking: session.stacking,
    hidden,
  });
}

function ended(session: Session, id: ApplicationId): Session {
  const gone = windowsOf(session, id);
  const rest = removed(session, gone, {
    kind: 'application',
    application: id,
    windows: gone.map(settled),
    stacking: session.stacking,
    hidden: applicationOf(session, id).hidden,
  });
  return {
    ...patchApplication(rest, id, { running: false, hidden: false, quitting: false, answering: true }),
    recent: { ...rest.recent, applications: without(rest.recent.applications, id) },
  };
}

/** A window as it comes back when it is reopened: without the question that was open in it. */
const settled = (window: Window): Window => ({ ...window, asking: null });

function mapWindows(
  session: Session,
  application: ApplicationId,
  change: (window: Window) => Window,
): Session {
  const windows = { ...session.windows };
  for (const window of windowsOf(session, application)) windows[window.id] = change(window);
  return { ...session, windows };
}

function restarted(session: Session, id: ApplicationId): Session {
  const hasDraft = (window: Window) => window.tabs.some((tab) => Object.hasOwn(session.drafts, tab.document));
  const anew = mapWindows(session, id, (window) => ({ ...settled(window), offeringDraft: hasDraft(window) }));
  return patchApplication(anew, id, { answering: true, quitting: false });
}

/** Cancel in any window cancels that quit: every window it asked goes back to what it was. */
function quitCancelled(session: Session, id: ApplicationId): Session {
  const calm = mapWindows(session, id, (window) =>
    window.asking?.goal === 'quit' ? { ...window, asking: null } : window,
  );
  return patchApplication(calm, id, { quitting: false });
}

function draftSaved(session: Session, id: string): Session {
  const draft: Draft | undefined = session.drafts[id];
  if (!draft) throw new RangeError(`Document '${id}' has no draft to save.`);
  return {
    ...session,
    documents: { ...session.documents, [id]: { ...documentOf(session, id), text: draft.text } },
    drafts: withoutKey(session.drafts, id),
  };
}
