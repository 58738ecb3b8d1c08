/**
 * The session document: a session as open JSON (format `key-fold-session`, version 1; its JSON Schema is served
 * by the application). Records become lists in their own order, so that an export gives back what was imported.
 * What only helps for the moment (the put-back stack, what can be reopened, what search learned) is
 * not part of it.
 */
import type { Application } from '../slices/applications/state';
import type { AppDocument } from '../slices/documents/state';
import type { DocumentId, Instant, WorkspaceId, WindowId } from '../model/ids';
import type { Places } from '../slices/places/state';
import { EMPTY_SESSION, type Session } from '../session/session';
import type { OwnKey, Shortcut } from '../slices/shortcuts/state';
import type { Settings } from '../slices/settings/state';
import type { AppWindow } from '../slices/windows/state';
import type { Workspace } from '../slices/workspaces/state';
import { LONGEST_ID } from '../model/limits';

/** What a session document says that it is. */
export const FORMAT = 'key-fold-session';
/** The version of its shape. */
export const VERSION = 1;

/** Ids are lower-case words joined by hyphens; `constructor` would clash with what every object inherits. */
export const ID_PATTERN = new RegExp(`^(?!constructor$)[a-z][a-z0-9-]{0,${LONGEST_ID - 1}}$`);

/** A session as open JSON. */
export interface SessionDocument {
  readonly format: typeof FORMAT;
  readonly version: typeof VERSION;
  readonly title: string;
  readonly settings: Settings;
  readonly workspaces: readonly Workspace[];
  readonly workspace: WorkspaceId;
  readonly applications: readonly Application[];
  readonly documents: readonly AppDocument[];
  readonly drafts: readonly { readonly document: DocumentId; readonly text: string; readonly at: Instant }[];
  readonly windows: readonly AppWindow[];
  readonly recent: Session['recent'];
  readonly stacking: readonly WindowId[];
  readonly front: WindowId | null;
  readonly places: Places;
  /** Absent where there are none. */
  readonly shortcuts?: readonly Shortcut[];
  readonly ownKeys?: readonly OwnKey[];
  /** The files of the pictures that its documents name, in Base64 (RFC 4648) by their SHA-256. */
  readonly pictures?: Readonly<Record<string, string>>;
}

/** The document that describes a session. @param pictures the files of its pictures */
export function toDocument(session: Session, pictures: SessionDocument['pictures'] = {}): SessionDocument {
  return {
    format: FORMAT,
    version: VERSION,
    title: session.title,
    settings: session.settings,
    workspaces: session.workspaces,
    workspace: session.workspace,
    applications: session.applications,
    documents: session.documents,
    drafts: session.drafts.map(({ id, ...draft }) => ({ document: id, ...draft })),
    windows: session.windows,
    recent: session.recent,
    stacking: session.stacking,
    front: session.front,
    places: session.places,
    ...(session.shortcuts.length > 0 && { shortcuts: session.shortcuts }),
    ...(session.ownKeys.length > 0 && { ownKeys: session.ownKeys }),
    ...(Object.keys(pictures).length > 0 && { pictures }),
  };
}

/** The session that a document describes, without the files of its pictures. What it says is not checked here: see `problemsOf`. */
export function fromDocument({
  format: _format,
  version: _version,
  pictures: _pictures,
  ...document
}: SessionDocument): Session {
  const drafts = document.drafts.map(({ document: id, ...draft }) => ({ id, ...draft }));
  return { ...EMPTY_SESSION, ...document, drafts };
}

/** An item of a document's lists whose id is that of an earlier one, which it would silently replace. */
export interface RepeatedId {
  readonly list: 'applications' | 'documents' | 'windows' | 'drafts';
  readonly index: number;
  readonly id: string;
}

/** The items of a document's lists whose ids were used before. */
export function repeatedIds(document: SessionDocument): RepeatedId[] {
  const ids = (list: readonly { readonly id: string }[]) => list.map(({ id }) => id);
  return [
    ...repeated('applications', ids(document.applications)),
    ...repeated('documents', ids(document.documents)),
    ...repeated('windows', ids(document.windows)),
    ...repeated(
      'drafts',
      document.drafts.map((draft) => draft.document),
    ),
  ];
}

function repeated(list: RepeatedId['list'], ids: readonly string[]): RepeatedId[] {
  const seen = new Set<string>();
  return ids.flatMap((id, index) => {
    const again = seen.has(id);
    seen.add(id);
    return again ? [{ list, index, id }] : [];
  });
}
