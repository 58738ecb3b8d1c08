/** Everything that search can find: windows, applications, documents, and Key Fold's own commands. */
import { idsOf } from '../model/order';
import type { Wish } from '../commands/commands';
import type { Session } from '../session/session';
import { activeTab, titleOf, windowOf } from '../slices/windows/selectors';
import { applicationOf } from '../slices/applications/selectors';
import { DESK_COMMANDS, type DeskCommand } from './desk-commands';

export const CANDIDATE_KINDS = ['window', 'application', 'document', 'command'] as const;
export type CandidateKind = (typeof CANDIDATE_KINDS)[number];

export interface Candidate {
  /** Its own key, e.g. `window:w-lock-sill`. */
  readonly key: string;
  /**
   * What a choice of it is remembered as: for a window the document it shows, so that what was learned outlives the
   * window and helps to open the document again.
   */
  readonly learnedAs: string;
  readonly kind: CandidateKind;
  readonly title: string;
  /** What stands beside the title and is searched too: the application's name, for windows and documents. */
  readonly detail: string;
  readonly running: boolean;
  /** Its position in the order of recent use of its kind, from 0; Infinity for what does not run. */
  readonly position: number;
  /** What choosing it wishes; null for a command of the page. */
  readonly wish: Wish | null;
  readonly command: DeskCommand | null;
}

/** The candidates of a session, in an order that ties keep: windows, applications, documents, commands. */
export function candidatesOf(session: Session): Candidate[] {
  const windowIds = idsOf(session.recent.windows);
  const running = new Map(idsOf(session.recent.applications).map((id, position) => [id, position]));
  const open = new Set(session.windows.flatMap((window) => window.tabs.map((tab) => tab.document)));

  const windows = windowIds.map((id, position): Candidate => {
    const window = windowOf(session, id);
    return {
      key: `window:${id}`,
      learnedAs: `document:${activeTab(window).document}`,
      kind: 'window',
      title: titleOf(window),
      detail: applicationOf(session, window.application).name,
      running: true,
      position,
      wish: { type: 'bring-to-front', window: id, raiseAll: false },
      command: null,
    };
  });
  const applications = session.applications.map(({ id, name }): Candidate => ({
    key: `application:${id}`,
    learnedAs: `application:${id}`,
    kind: 'application',
    title: name,
    detail: '',
    running: running.has(id),
    position: running.get(id) ?? Infinity,
    wish: { type: 'switch-to-application', application: id },
    command: null,
  }));
  const documents = session.documents
    .filter(({ id }) => !open.has(id))
    .map(({ id, title, application }): Candidate => ({
      key: `document:${id}`,
      learnedAs: `document:${id}`,
      kind: 'document',
      title,
      detail: applicationOf(session, application).name,
      running: false,
      position: Infinity,
      wish: { type: 'open-document', document: id },
      command: null,
    }));
  const commands = DESK_COMMANDS.flatMap((command): Candidate[] => {
    const wish = command.wish?.(session) ?? null;
    if (wish === null && !command.page) return [];
    const key = `command:${command.id}`;
    const { title } = command;
    const never = { running: false, position: Infinity };
    return [{ key, learnedAs: key, kind: 'command', title, detail: '', ...never, wish, command }];
  });
  return [...windows, ...applications, ...documents, ...commands];
}
