/**
 * The set-up document: how someone works, apart from what they work on, as open JSON (format `key-fold-setup`, version 1;
 * its JSON Schema is served by the application). Shortcuts in pencil end with their windows, so they are no part of it.
 */
import type { Session } from '../session/session';
import { find } from '../model/table';
import type { Places, Thing } from '../slices/places/state';
import { portable, type Settings } from '../slices/settings/state';
import { guestsOf } from '../slices/setup/selectors';
import type { Guest } from '../slices/setup/state';
import { isPencil } from '../slices/shortcuts/selectors';
import type { OwnKey, Shortcut } from '../slices/shortcuts/state';

/** What a set-up document says that it is. */
export const SETUP_FORMAT = 'key-fold-setup';
/** The version of its shape. */
export const SETUP_VERSION = 1;

/** What something is called where the document comes from, so that it is found elsewhere under another id. */
export interface Named {
  readonly thing: Thing;
  readonly name: string;
}

/** A set-up as open JSON. */
export interface SetupDocument {
  readonly format: typeof SETUP_FORMAT;
  readonly version: typeof SETUP_VERSION;
  /** What the desk is called that it comes from. */
  readonly title: string;
  readonly settings: Settings;
  readonly places: Places;
  readonly shortcuts: readonly Shortcut[];
  readonly keys: readonly OwnKey[];
  /** Applications that were added. */
  readonly applications: readonly Guest[];
  readonly names: readonly Named[];
}

/** The set-up of a session. */
export function setupDocument(session: Session): SetupDocument {
  const { title, settings, places, ownKeys: keys } = session;
  const shortcuts = session.shortcuts.filter((one) => !isPencil(one));
  const aimedAt = shortcuts.flatMap(({ aim }) => ('application' in aim ? [aim.application] : []));
  const things = [...places.filter((thing) => thing !== null), ...new Set(aimedAt)];
  const names = things.flatMap((thing): Named[] => {
    const name =
      typeof thing === 'string'
        ? find(session.applications, thing)?.name
        : find(session.documents, thing.document)?.title;
    return name === undefined ? [] : [{ thing, name }];
  });
  const applications = guestsOf(session);
  return {
    format: SETUP_FORMAT,
    version: SETUP_VERSION,
    title,
    settings: portable(settings),
    places,
    shortcuts,
    keys,
    applications,
    names,
  };
}
