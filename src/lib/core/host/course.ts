import type { Command } from '../session/commands';
import type { Event } from '../session/events';
import { reduce } from '../session/reduce';
import type { Session, WindowId } from '../session/session';
import { isVisible, nextFront, windowOf } from '../session/views';
import type { Notice, Refusal } from './host';

/** Thrown on a course that turns out to be impossible; nothing of it has happened then. */
export class Refused extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.detail);
  }
}

/**
 * The course that one command takes: the events so far and the session they lead to, so that each step sees
 * the ones before it.
 */
export class Course {
  readonly events: Event[] = [];
  readonly notices: Notice[] = [];
  session: Session;
  #named = 0;

  constructor(
    session: Session,
    readonly command: Command,
  ) {
    this.session = session;
  }

  happen(event: Event): void {
    this.session = reduce(this.session, event);
    this.events.push(event);
  }

  notice(notice: Notice): void {
    this.notices.push(notice);
  }

  /**
   * Ids for new windows and tabs, made from the command's own so that every host that decides it agrees.
   * @throws Refused if a window, or one that can be reopened, was named by this command before.
   */
  newIds(): { window: string; tab: string } {
    this.#named += 1;
    const name = `${this.command.id}${this.#named > 1 ? `-${this.#named}` : ''}`;
    const window = `w-${name}`;
    const { windows, ended } = this.session;
    if (Object.hasOwn(windows, window) || ended.some((one) => one.windows.some(({ id }) => id === window)))
      throw new Refused({ field: 'id', detail: `The command id '${this.command.id}' was used before.` });
    return { window, tab: `t-${name}` };
  }

  front(window: WindowId): void {
    if (this.session.front !== window) this.happen({ type: 'window-fronted', window, at: this.command.at });
  }

  /** Switching rule 4: if the front window went away, the most recent visible one comes forward. */
  fillFront(): void {
    if (this.session.front !== null) return;
    const next = nextFront(this.session);
    if (next !== null) this.front(next);
  }

  /** Switching rule 9: shows, restores and goes to the workspace, then brings the window to the front. */
  bringToFront(id: WindowId): void {
    this.uncover(id);
    this.front(id);
  }

  /** Makes a window visible without bringing it to the front. */
  uncover(id: WindowId): void {
    const { application, minimised, workspace } = windowOf(this.session, id);
    if (this.session.applications[application]?.hidden)
      this.happen({ type: 'applications-shown', applications: [application] });
    if (minimised) this.happen({ type: 'windows-restored', windows: [id] });
    if (this.session.workspace !== workspace) this.happen({ type: 'workspace-entered', workspace });
  }

  /** Whether a window is there and can be seen. */
  sees(id: WindowId): boolean {
    const window = this.session.windows[id];
    return window !== undefined && isVisible(this.session, window);
  }
}
