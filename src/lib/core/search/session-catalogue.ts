/** The catalogue of a session, which follows what changes in it instead of being made anew. */
import type { Registry } from '../actions/registry';
import { idsOf, type Order } from '../model/order';
import type { Session } from '../session/session';
import { applicationOf } from '../slices/applications/selectors';
import { documentOf } from '../slices/documents/selectors';
import { isUnsaved } from '../slices/drafts/selectors';
import { OUTSIDE } from '../slices/host/events';
import { activeTab, windowOf } from '../slices/windows/selectors';
import { workspaceName } from '../slices/workspaces/selectors';
import {
  applicationCandidate,
  commandsOf,
  documentCandidate,
  otherTabs,
  tabCandidate,
  windowCandidate,
  type Candidate,
} from './candidates';
import { Catalogue } from './catalogue';

/** The catalogue of each set of actions, for the session that was searched last. */
const catalogues = new WeakMap<Registry, SessionCatalogue>();

/** The catalogue of a session: the one that there is, after it has taken in what is different now. */
export const catalogueOf = (session: Session, registry: Registry): Catalogue =>
  sessionCatalogue(registry).following(session);

/**
 * Takes in ahead what is different among windows, applications and documents. Commands are left to the first letter:
 * whether one can be done is tried out, which costs more than all else and is needless for who does not search.
 */
export const prepareCatalogue = (session: Session, registry: Registry): void =>
  sessionCatalogue(registry).followThings(session);

function sessionCatalogue(registry: Registry): SessionCatalogue {
  let catalogue = catalogues.get(registry);
  if (!catalogue) catalogues.set(registry, (catalogue = new SessionCatalogue(registry)));
  return catalogue;
}

class SessionCatalogue {
  readonly #catalogue = new Catalogue();
  readonly #windows = new Group(this.#catalogue);
  readonly #tabs = new Group(this.#catalogue);
  readonly #applications = new Group(this.#catalogue);
  readonly #documents = new Group(this.#catalogue);
  readonly #commands = new Group(this.#catalogue);
  #session: Session | null = null;

  constructor(private readonly registry: Registry) {}

  following(session: Session): Catalogue {
    if (session !== this.#session) {
      this.followThings(session);
      // What can be done now may depend on anything.
      this.#commands.follow([session], () =>
        commandsOf(session, this.registry).map((candidate) => ({
          id: candidate.key,
          madeOf: [candidate.title, ...candidate.also],
          make: () => candidate,
        })),
      );
      this.#session = session;
    }
    return this.#catalogue;
  }

  followThings(session: Session): void {
    this.#followWindows(session);
    this.#followTabs(session);
    this.#followApplications(session);
    this.#followDocuments(session);
  }

  #followWindows(session: Session): void {
    const { applications, documents, drafts, recent, windows, workspace, workspaces } = session;
    this.#windows.follow(
      [applications, documents, drafts, recent.windows, windows, workspace, workspaces],
      () =>
        idsOf(recent.windows).map((id, position) => {
          const window = windowOf(session, id);
          return {
            id,
            position,
            madeOf: [
              window,
              applicationOf(session, window.application),
              documentOf(session, activeTab(window).document).title,
              isUnsaved(session, window),
              window.workspace === workspace || workspaceName(session, window.workspace),
            ],
            make: () => windowCandidate(session, window),
          };
        }),
    );
  }

  /** A tab comes right behind its window in the order of recent use, and the tabs of one window in their own. */
  #followTabs(session: Session): void {
    const { applications, recent, windows } = session;
    this.#tabs.follow([applications, recent.windows, windows], () => {
      const tabbed = windows.filter(({ tabs }) => tabs.length > 1);
      if (tabbed.length === 0) return [];
      const positions = positionsIn(recent.windows);
      return tabbed.flatMap((window) =>
        otherTabs(window).map((tab, nth, { length }) => ({
          id: `${window.id} ${tab.id}`,
          position: (positions.get(window.id) ?? windows.length) + nth / length,
          madeOf: [tab, window.application, applicationOf(session, window.application).name],
          make: () => tabCandidate(session, window, tab),
        })),
      );
    });
  }

  #followApplications(session: Session): void {
    const { applications, recent } = session;
    const positions = positionsIn(recent.applications);
    this.#applications.follow([applications, recent.applications], () =>
      applications.map((application) => ({
        id: application.id,
        position: positions.get(application.id),
        madeOf: [application.name],
        make: () => applicationCandidate(application),
      })),
    );
  }

  #followDocuments(session: Session): void {
    const { applications, documents } = session;
    const open = new Set(session.windows.flatMap((window) => window.tabs.map((tab) => tab.document)));
    this.#documents.follow([applications, documents, ...open], () =>
      documents
        // What stands for all that a program outside shows is found as that program.
        .filter(({ id, kind }) => !open.has(id) && kind !== OUTSIDE)
        .map((document) => ({
          id: document.id,
          madeOf: [document.title, document.application, applicationOf(session, document.application).name],
          make: () => documentCandidate(session, document),
        })),
    );
  }
}

const positionsIn = (order: Order) => new Map(idsOf(order).map((id, position) => [id, position]));

/** Something that can be found, and what its candidate is made of. */
interface Source {
  readonly id: string;
  /** Its position in the order of recent use of its kind; absent if it was never used. */
  readonly position?: number | undefined;
  readonly madeOf: readonly unknown[];
  readonly make: () => Candidate;
}

/** A candidate, and what it was made of. */
interface Made {
  readonly of: readonly unknown[];
  readonly candidate: Candidate;
}

/** Candidates of one kind in a catalogue. Each is made anew only when what it is made of is another. */
class Group {
  #made = new Map<string, Made>();
  #followed: readonly unknown[] | null = null;

  constructor(private readonly catalogue: Catalogue) {}

  /** Takes over what there is now, unless all that it depends on is as it was. */
  follow(dependsOn: readonly unknown[], sources: () => readonly Source[]): void {
    if (this.#followed && sameList(this.#followed, dependsOn)) return;
    const made: Map<string, Made> = new Map();
    for (const { id, position = Infinity, madeOf, make } of sources()) {
      const before = this.#made.get(id);
      const now = before && sameList(before.of, madeOf) ? before : { of: madeOf, candidate: make() };
      made.set(id, now);
      this.catalogue.put(now.candidate, position);
    }
    for (const [id, { candidate }] of this.#made) if (!made.has(id)) this.catalogue.remove(candidate.key);
    this.#made = made;
    this.#followed = dependsOn;
  }
}

const sameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((one, index) => one === b[index]);
