/** What has happened, where a display told how things are. */
import { monogramFor } from '../guests/guest';
import type { Extent } from '../model/geometry';
import type { ApplicationId, TabId, WindowId, WorkspaceId } from '../model/ids';
import { FARTHEST, LEAST_HEIGHT, LEAST_WIDTH, MOST_WINDOWS, MOST_WORKSPACES } from '../model/limits';
import { find, has, idsIn } from '../model/table';
import { placementOf, samePlacement, type Placement } from '../placing/placement';
import { isSeen, reduce, type Session, type SessionEvent } from '../session/session';
import { raised } from '../slices/front/selectors';
import type { FoundApplication } from '../slices/host/events';
import { windowsByApplication } from '../slices/recency/selectors';
import type { AppWindow } from '../slices/windows/state';
import { hueApart, hueFor } from './hue';
import { shownTitle } from './shown-title';
import { tabsDifference, tabsOf, type Tabs } from './tabs-told';
import type { Told, ToldApplication, ToldTab, ToldWindow } from './told';

/** What was told of a window, and cannot be read from a session alone. */
export type Standing = Pick<ToldWindow, 'minimised' | 'hidden'>;
/** The same of all windows. */
export type Standings = Map<WindowId, Standing>;

/** The home of a program of a display. */
const homeOf = (application: ApplicationId): string => `d-${application}`.slice(0, 100);
/** The one tab of a window that tells of none. */
const tabOf = (window: WindowId): string => `t-${window}`.slice(0, 100);

/**
 * The events that lead from a session to how a display says things are: none if they are so already. `standings`: how its
 * windows were told before, kept and brought up to date by this.
 *
 * Coming to the front comes last, so that it is about what can be seen then.
 */
export function difference(session: Session, told: Told, standings: Standings): SessionEvent[] {
  const course = new Telling(session, standings);
  course.workspaces(told);
  course.enter(told.workspace);
  course.applications(told.applications ?? []);
  course.opened(told.windows ?? []);
  course.changed(told.windows ?? []);
  course.gone(told);
  course.hidden();
  const front = course.canFront(told.front) ? told.front : course.session.front;
  course.piled(told.stacking, front);
  if (front !== null) course.front(front);
  return course.events;
}

/** Takes one telling in, each step on what the ones before it led to. */
class Telling {
  readonly events: SessionEvent[] = [];
  readonly screen: Extent | undefined;

  constructor(
    public session: Session,
    readonly standings: Standings,
  ) {
    this.screen = session.host.kind === 'live' ? session.host.screen : undefined;
  }

  #happen(event: SessionEvent): void {
    this.session = reduce(this.session, event);
    this.events.push(event);
  }

  /** Workspaces come and are renamed; what is gone goes only once the one that is shown is known to be there. */
  workspaces({ workspaces, workspace }: Told): void {
    if (!workspaces || workspaces.length === 0) return;
    const told = workspaces.slice(0, MOST_WORKSPACES).map(({ id, name }) => ({ id, name: shownTitle(name) }));
    for (const [at, one] of told.entries()) {
      const before = find(this.session.workspaces, one.id);
      if (!before) this.#happen({ type: 'workspace-added', workspace: one, at });
      else if (before.name !== one.name)
        this.#happen({ type: 'workspace-renamed', workspace: one.id, name: one.name });
    }
    this.enter(workspace);
    const [to] = told;
    for (const { id } of this.session.workspaces)
      if (to && !has(told, id)) this.#happen({ type: 'workspace-removed', workspace: id, to: to.id });
  }

  enter(workspace: WorkspaceId | undefined): void {
    if (workspace === undefined || workspace === this.session.workspace) return;
    if (has(this.session.workspaces, workspace)) this.#happen({ type: 'workspace-entered', workspace });
  }

  applications(told: readonly ToldApplication[]): void {
    const found = told
      .map((one) => foundOf(one, find(this.session.applications, one.id)?.hue))
      .filter(({ id, name }) => find(this.session.applications, id)?.name !== name);
    if (found.length > 0) this.#happen({ type: 'applications-found', applications: found });
  }

  /** A program that comes up gets another colour than those that run. */
  #tellApart(application: ApplicationId): void {
    const { applications } = this.session;
    const known = find(applications, application);
    if (!known) return;
    const running = applications.filter((one) => one.running).map(({ hue }) => hue);
    const hue = hueApart(known.hue, running);
    if (hue !== known.hue) this.#happen({ type: 'applications-found', applications: [foundOf(known, hue)] });
  }

  /** The topmost of the new ones is told first, as an event of windows that open has it. */
  opened(windows: readonly ToldWindow[]): void {
    const fresh = windows.filter(({ id }) => !has(this.session.windows, id));
    if (fresh.length === 0) return;
    const room = Math.max(0, MOST_WINDOWS - this.session.windows.length);
    const opening = fresh
      .filter(({ application }) => has(this.session.applications, application))
      .slice(0, room);
    for (const application of new Set(opening.map((window) => window.application)))
      if (!find(this.session.applications, application)?.running) {
        this.#tellApart(application);
        this.#happen({ type: 'application-launched', application });
      }
    if (opening.length > 0)
      this.#happen({ type: 'windows-opened', windows: opening.map((window) => this.#windowOf(window)) });
  }

  changed(windows: readonly ToldWindow[]): void {
    const there = windows.flatMap((told) => {
      const before = find(this.session.windows, told.id);
      return before ? [{ told, before }] : [];
    });
    for (const {
      told: { id, minimised, hidden },
    } of there)
      this.standings.set(id, { minimised, hidden });
    this.#tabs(there);
    this.#carried(there);
    this.#placed(there);
    this.#answering(there);
  }

  /** A tab that goes from one window to another is told of both at once, and is not closed meanwhile. */
  #tabs(there: readonly Change[]): void {
    const open: ReadonlySet<TabId> = new Set(there.flatMap(({ told }) => idsIn(told.tabs?.list ?? [])));
    for (const { told, before } of there) {
      for (const tab of told.tabs?.list ?? []) this.#isBack(tab, before);
      for (const event of tabsDifference(before, this.#tabsOf(told), open)) this.#happen(event);
    }
  }

  /** What had closed is back with a tab; or it had never closed, only its window before it went on in another one. */
  #isBack({ id, was }: ToldTab, { tabs }: AppWindow): void {
    if (was === undefined && has(tabs, id)) return;
    const entry = this.session.ended.find(
      (one) => one.id === (was ?? id) || one.windows.some((window) => has(window.tabs, id)),
    );
    if (entry) this.#happen({ type: 'ended-reopened', entry: entry.id });
  }

  /** A window of whose tabs nothing is known has one, which is called as it is. */
  #tabsOf(told: ToldWindow): Tabs {
    const document = homeOf(told.application);
    if (told.tabs) return tabsOf(told.tabs, document);
    const tab = { id: tabOf(told.id), title: titleFor(this.session, told), document };
    return { tabs: [tab], activeTab: tab.id };
  }

  /** What is on all workspaces counts as being on the one that is shown. */
  #carried(there: readonly Change[]): void {
    const moved = new Map<WorkspaceId, WindowId[]>();
    for (const { told, before } of there) {
      const to = this.#workspaceOf(told);
      if (to !== before.workspace) moved.set(to, [...(moved.get(to) ?? []), told.id]);
    }
    for (const [workspace, windows] of moved) this.#happen({ type: 'windows-carried', windows, workspace });
  }

  #placed(there: readonly Change[]): void {
    const places = there.flatMap(({ told, before }) => {
      const placement = this.#placementOf(told);
      return samePlacement(before, placement) ? [] : [{ window: told.id, ...placement }];
    });
    if (places.length > 0) this.#happen({ type: 'windows-placed', places });
  }

  /** An application answers as long as all of its windows that were told do. */
  #answering(there: readonly Change[]): void {
    const answering = new Map<ApplicationId, boolean>();
    for (const { told, before } of there)
      answering.set(before.application, (answering.get(before.application) ?? true) && told.answering);
    for (const [application, does] of answering)
      if (find(this.session.applications, application)?.answering !== does)
        this.#happen({
          type: does ? 'application-answers-again' : 'application-stopped-answering',
          application,
        });
  }

  gone({ gone = [], whole = false, windows = [] }: Told): void {
    const told = new Set(idsIn(windows));
    const left = whole ? idsIn(this.session.windows).filter((id) => !told.has(id)) : gone;
    const ending = new Set(left.filter((id) => has(this.session.windows, id)));
    for (const id of ending) this.standings.delete(id);
    for (const [application, all] of windowsByApplication(this.session)) {
      const closed = all.filter((id) => ending.has(id));
      if (closed.length === 0) continue;
      if (closed.length === all.length)
        this.#happen({ type: 'application-ended', application, discarded: [], entry: null });
      else
        this.#happen({
          type: 'windows-closed',
          windows: closed,
          discarded: [],
          entry: this.#entryFor(closed),
        });
    }
    // What runs without a window is not seen on a display.
    if (!whole) return;
    const windowed = windowsByApplication(this.session);
    for (const { id, running } of this.session.applications)
      if (running && !windowed.has(id))
        this.#happen({ type: 'application-ended', application: id, discarded: [], entry: null });
  }

  /** A window whose tabs were known can come back with them, unless they went on in another one. */
  #entryFor([id, ...others]: readonly WindowId[]): string | null {
    const closed = id === undefined ? undefined : find(this.session.windows, id);
    if (!closed?.recentTabs || others.length > 0) return null;
    const goesOn = this.session.windows.some(
      (other) => other !== closed && closed.tabs.some((tab) => has(other.tabs, tab.id)),
    );
    return goesOn ? null : closed.id;
  }

  /** An application is hidden while all of its windows are; what is hidden alone counts as minimised. */
  hidden(): void {
    const hide: ApplicationId[] = [];
    const show: ApplicationId[] = [];
    const minimise: WindowId[] = [];
    const restore: WindowId[] = [];
    for (const [application, windows] of windowsByApplication(this.session)) {
      const standings = windows.map((id) => this.standings.get(id) ?? SHOWN);
      const hidden = standings.every((one) => one.hidden);
      if (hidden !== find(this.session.applications, application)?.hidden)
        (hidden ? hide : show).push(application);
      for (const [nth, id] of windows.entries()) {
        const one = standings[nth] ?? SHOWN;
        const minimised = one.minimised || (one.hidden && !hidden);
        if (minimised !== find(this.session.windows, id)?.minimised)
          (minimised ? minimise : restore).push(id);
      }
    }
    if (minimise.length > 0) this.#happen({ type: 'windows-minimised', windows: minimise });
    if (hide.length > 0) this.#happen({ type: 'applications-hidden', applications: hide });
    if (show.length > 0) this.#happen({ type: 'applications-shown', applications: show });
    if (restore.length > 0) this.#happen({ type: 'windows-restored', windows: restore });
  }

  canFront = (window: WindowId | null | undefined): window is WindowId =>
    typeof window === 'string' && isSeen(this.session, window);

  /** What was not told of lies where it lay, below what was; what is in front lies on top, also where a display thinks otherwise. */
  piled(told: readonly WindowId[] | undefined, front: WindowId | null): void {
    if (!told) return;
    const named = [...new Set(told)].filter((id) => has(this.session.windows, id));
    const known = new Set(named);
    const all = [...this.session.stacking.filter((id) => !known.has(id)), ...named];
    const stacking = front === null ? all : raised(all, [front]);
    if (stacking.some((id, nth) => id !== this.session.stacking[nth]))
      this.#happen({ type: 'windows-restacked', stacking });
  }

  front(window: WindowId): void {
    if (this.session.front !== window) this.#happen({ type: 'window-fronted', window, at: '' });
  }

  #windowOf(told: ToldWindow): AppWindow {
    return {
      id: told.id,
      application: told.application,
      ...this.#placementOf(told),
      minimised: false,
      workspace: this.#workspaceOf(told),
      ...this.#tabsOf(told),
      seen: true,
      asking: null,
      offeringDraft: false,
    };
  }

  #workspaceOf({ workspace }: ToldWindow): WorkspaceId {
    return workspace !== null && has(this.session.workspaces, workspace) ? workspace : this.session.workspace;
  }

  /** Within what a session can hold: a display may have windows that are smaller, and farther away. */
  #placementOf({ geometry, maximised }: ToldWindow): Placement {
    const within = (value: number, least: number) => Math.round(Math.min(Math.max(value, least), FARTHEST));
    return placementOf({
      geometry: {
        x: within(geometry.x, -FARTHEST),
        y: within(geometry.y, -FARTHEST),
        width: within(geometry.width, LEAST_WIDTH),
        height: within(geometry.height, LEAST_HEIGHT),
      },
      ...(this.screen && { on: this.screen }),
      ...(maximised && { part: 'whole' }),
    });
  }
}

const SHOWN: Standing = { minimised: false, hidden: false };

/** A window that was there before. */
interface Change {
  readonly told: ToldWindow;
  readonly before: AppWindow;
}

/** One without a title is called like its program. */
const titleFor = (session: Session, { title, application }: ToldWindow): string =>
  shownTitle(title) || (find(session.applications, application)?.name ?? application);

const foundOf = ({ id, name }: ToldApplication, hue = hueFor(id)): FoundApplication => {
  const called = shownTitle(name) || id;
  return { id, name: called, monogram: monogramFor(called), hue, home: homeOf(id) };
};
