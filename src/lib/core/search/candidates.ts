/** Everything that search can find: windows, applications, documents, and what Key Fold itself can do. */
import type { Group, Invocation } from '../actions/action';
import type { Registry } from '../actions/registry';
import { frontTarget } from '../actions/target';
import type { ApplicationId, DocumentId, WindowId } from '../model/ids';
import { idsOf } from '../model/order';
import { find, has } from '../model/table';
import type { Session } from '../session/session';
import { applicationOf } from '../slices/applications/selectors';
import { activeTab, titleOf, windowOf } from '../slices/windows/selectors';
import { standingOfLoneWindow } from '../switcher/standing';
import { standingText } from '../switcher/standing-text';

/** What can be found. */
export const CANDIDATE_KINDS = ['window', 'application', 'document', 'command'] as const;
/** One of the kinds. */
export type CandidateKind = (typeof CANDIDATE_KINDS)[number];

/** What a candidate is, and what choosing it is about. */
export type Subject =
  | { readonly kind: 'window'; readonly window: WindowId; readonly application: ApplicationId }
  | { readonly kind: 'application'; readonly application: ApplicationId }
  | { readonly kind: 'document'; readonly document: DocumentId; readonly application: ApplicationId }
  /** `firm`: it ends or puts away something, so it must be meant. */
  | { readonly kind: 'command'; readonly invocation: Invocation; readonly firm: boolean };

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
  readonly synonyms: readonly string[];
  readonly running: boolean;
  /** Its position in the order of recent use of its kind, from 0; Infinity for what does not run. */
  readonly position: number;
}

/** The windows, applications and documents of a session, in an order that ties keep. */
export function thingsOf(session: Session): Candidate[] {
  const running = new Map(idsOf(session.recent.applications).map((id, position) => [id, position]));
  const open = new Set(session.windows.flatMap((window) => window.tabs.map((tab) => tab.document)));
  const windows = idsOf(session.recent.windows).map((id, position): Candidate => {
    const window = windowOf(session, id);
    const { application } = window;
    return {
      key: `window:${id}`,
      learnedAs: `document:${activeTab(window).document}`,
      subject: { kind: 'window', window: id, application },
      title: titleOf(window),
      detail: applicationOf(session, application).name,
      synonyms: standingOfLoneWindow(session, id).map(standingText),
      running: true,
      position,
    };
  });
  const applications = session.applications.map(({ id, name }): Candidate => ({
    key: `application:${id}`,
    learnedAs: `application:${id}`,
    subject: { kind: 'application', application: id },
    title: name,
    detail: '',
    synonyms: [],
    running: running.has(id),
    position: running.get(id) ?? Infinity,
  }));
  const documents = session.documents
    .filter(({ id }) => !open.has(id))
    .map(({ id, title, application }): Candidate => ({
      key: `document:${id}`,
      learnedAs: `document:${id}`,
      subject: { kind: 'document', document: id, application },
      title,
      detail: applicationOf(session, application).name,
      synonyms: [],
      running: false,
      position: Infinity,
    }));
  return [...windows, ...applications, ...documents];
}

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
    return [
      { key, learnedAs: key, subject, title, detail: '', synonyms, running: false, position: Infinity },
    ];
  });
}

/** Whether a candidate is still there: what ended is not, nor a document that is open now, as a window of its own. */
export function isThere(session: Session, { subject }: Candidate): boolean {
  switch (subject.kind) {
    case 'window':
      return has(session.windows, subject.window);
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
