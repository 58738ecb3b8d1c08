import { find } from '../model/table';
import type { ApplicationId, Instant, WindowId } from '../model/ids';
import { isSeen, nextFront, reduce, uncovering, type Session, type SessionEvent } from '../session/session';
import { windowOf } from '../slices/windows/selectors';
import type { Notice, Refusal } from './notice';

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
  readonly events: SessionEvent[] = [];
  readonly notices: Notice[] = [];
  #names = 0;
  #entries = 0;

  /** `id` and `at` are the command's; `again` as in `decide`. */
  constructor(
    public session: Session,
    readonly id: string,
    readonly at: Instant,
    readonly again: boolean,
  ) {}

  /** Adds an event. @throws RangeError if it names something that the session does not have. */
  happen(event: SessionEvent): void {
    this.session = reduce(this.session, event);
    this.events.push(event);
  }

  /** Adds something to say that changes nothing. */
  notice(notice: Notice): void {
    this.notices.push(notice);
  }

  /** What is wanted is so already: a notice; or, on the way there, what else comes with it (switching rule 4). */
  alreadySo(notice: Notice): void {
    if (this.again) this.fillFront();
    else this.notice(notice);
  }

  /**
   * Ids for a new window and its tab, made from the command's own so that every host that decides it agrees.
   * `there`: the window is open already, because this very command was decided before.
   * @throws Refused if that id was given to something else.
   */
  newWindow(application: ApplicationId): { window: string; tab: string; there: boolean } {
    const name = numbered(this.id, (this.#names += 1));
    const window = `w-${name}`;
    const open = find(this.session.windows, window);
    const wasOpen = this.session.ended.some((one) => one.windows.some(({ id }) => id === window));
    if (wasOpen || (open && open.application !== application))
      throw new Refused({ field: 'id', detail: `The command id '${this.id}' was used before.` });
    return { window, tab: `t-${name}`, there: open !== undefined };
  }

  /** An id for an entry of a list, made from the command's own. */
  newEntry(): string {
    return `e-${numbered(this.id, (this.#entries += 1))}`;
  }

  /** Brings a window that can be seen to the front, unless it is there. */
  front(window: WindowId): void {
    if (this.session.front !== window) this.happen({ type: 'window-fronted', window, at: this.at });
  }

  /** Piles the windows up in this order, from the bottom, unless they lie so already. */
  restack(stacking: readonly WindowId[]): void {
    if (stacking.some((id, index) => id !== this.session.stacking[index]))
      this.happen({ type: 'windows-restacked', stacking });
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
    for (const event of uncovering(this.session, windowOf(this.session, id))) this.happen(event);
  }

  /** Whether a window is there and can be seen. */
  sees(id: WindowId): boolean {
    return isSeen(this.session, id);
  }
}

/** The first one of a command has the command's name alone. */
const numbered = (id: string, nth: number): string => (nth > 1 ? `${id}-${nth}` : id);
