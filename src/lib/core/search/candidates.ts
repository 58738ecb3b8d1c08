/** Everything that search can find: windows, applications, documents, and what Key Fold itself can do. */
import type { Group, Invocation } from '../actions/action';
import type { Registry } from '../actions/registry';
import { frontTarget, type Target } from '../actions/target';
import type { ApplicationId, DocumentId, TabId, WindowId } from '../model/ids';
import { find, has } from '../model/table';
import type { Session } from '../session/session';
import { applicationOf } from '../slices/applications/selectors';
import type { Application } from '../slices/applications/state';
import { documentOf } from '../slices/documents/selectors';
import type { AppDocument } from '../slices/documents/state';
import { activeTab, tabsByUse, titleOf } from '../slices/windows/selectors';
import type { AppWindow, Tab } from '../slices/windows/state';
import { standingOfLoneWindow } from '../switcher/standing';
import { standingText } from '../switcher/standing-text';

/** What can be found. */
export const CANDIDATE_KINDS = ['window', 'tab', 'application', 'document', 'command'] as const;
/** One of the kinds. */
export type CandidateKind = (typeof CANDIDATE_KINDS)[number];

/** What a candidate is, and what choosing it is about. */
export type Subject =
  | { readonly kind: 'window'; readonly window: WindowId; readonly application: ApplicationId }
  /** A tab that its window does not show just now. */
  | {
      readonly kind: 'tab';
      readonly window: WindowId;
      readonly tab: TabId;
      readonly application: ApplicationId;
    }
  | { readonly kind: 'application'; readonly application: ApplicationId }
  | { readonly kind: 'document'; readonly document: DocumentId; readonly application: ApplicationId }
  /** `firm`: it ends or puts away something, so it must be meant. */
  | {
      readonly kind: 'command';
      readonly invocation: Invocation;
      readonly firm: boolean;
      /** What it is done to, where that is not what is in front. */
      readonly target?: Target;
    };

/** Something that can be found, and everything that finding and ranking it needs. */
export interface Candidate {
  /** Its own key, e.g. `window:w-lock-sill`. */
  readonly key: string;
  /**
   * What a choice of it is remembered as: for a window the document it shows, so that what was learned outlives the
   * window and helps to open the document again.
   */
  readonly learnedAs: string;
  readonly subject: Subject;
  readonly title: string;
  /** What stands beside the title and is searched too: the application's name, for windows and documents. */
  readonly detail: string;
  /** What else it is found by: other names of a command, states of a window. */
  readonly also: readonly string[];
}

/** A window as it can be found: by its title, its application, its document, and how it stands. */
export function windowCandidate(session: Session, window: AppWindow): Candidate {
  const { id, application } = window;
  const { document } = activeTab(window);
  const title = titleOf(window);
  const name = documentOf(session, document).title;
  return {
    key: `window:${id}`,
    learnedAs: `document:${document}`,
    subject: { kind: 'window', window: id, application },
    title,
    detail: applicationOf(session, application).name,
    also: [...(name === title ? [] : [name]), ...standingOfLoneWindow(session, id).map(standingText)],
  };
}

/** The tabs that a window does not show just now, by recent use as far as that is known. */
export const otherTabs = (window: AppWindow): Tab[] =>
  tabsByUse(window).filter(({ id }) => id !== window.activeTab);

/** A tab as it can be found; the one that its window shows is found as that. */
export const tabCandidate = (
  session: Session,
  { id: window, application }: AppWindow,
  { id, title, document, hung }: Tab,
): Candidate => ({
  key: `tab:${window}:${id}`,
  learnedAs: `document:${document}`,
  subject: { kind: 'tab', window, tab: id, application },
  title,
  detail: applicationOf(session, application).name,
  also: hung ? [standingText({ type: 'not-answering' })] : [],
});

/** An application as it can be found. */
export const applicationCandidate = ({ id, name }: Application): Candidate => ({
  key: `application:${id}`,
  learnedAs: `application:${id}`,
  subject: { kind: 'application', application: id },
  title: name,
  detail: '',
  also: [],
});

/** A document that no window shows as it can be found. */
export const documentCandidate = (session: Session, { id, title, application }: AppDocument): Candidate => ({
  key: `document:${id}`,
  learnedAs: `document:${id}`,
  subject: { kind: 'document', document: id, application },
  title,
  detail: applicationOf(session, application).name,
  also: [],
});

/** The groups of what ends or puts away something. */
const FIRM: ReadonlySet<Group> = new Set<Group>(['end', 'put-away', 'surface']);

/** What can be done now, to what is in front or to nothing in particular. */
export function commandsOf(session: Session, registry: Registry): Candidate[] {
  return registry.invocations(session).flatMap((invocation): Candidate[] => {
    const { searched, group } = registry.action(invocation.action);
    if (!searched || 'not' in registry.offer(session, invocation, frontTarget(session))) return [];
    const { title, synonyms } = registry.words(invocation, session);
    const key = `command:${[invocation.action, invocation.argument].filter((part) => part !== null).join(':')}`;
    const firm = FIRM.has(group);
    const subject: Subject = { kind: 'command', invocation, firm };
    return [{ key, learnedAs: key, subject, title, detail: '', also: synonyms }];
  });
}

/** Whether a candidate is still there: what ended is not, nor a document that is open now, as a window of its own. */
export function isThere(session: Session, { subject }: Candidate): boolean {
  switch (subject.kind) {
    case 'window':
      return has(session.windows, subject.window);
    case 'tab': {
      const window = find(session.windows, subject.window);
      return window !== undefined && otherTabs(window).some(({ id }) => id === subject.tab);
    }
    case 'application':
      return has(session.applications, subject.application);
    case 'document':
      return (
        find(session.documents, subject.document) !== undefined &&
        !session.windows.some((window) => window.tabs.some((tab) => tab.document === subject.document))
      );
    case 'command':
      return true;
  }
}
