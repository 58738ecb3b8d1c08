import type { Registry } from '../actions/registry';
import { idsIn } from '../model/table';
import type { Session } from '../session/session';
import { commandsOf, thingsOf, type Candidate } from './candidates';
import { makeCatalogue, type Catalogue } from './catalogue';

interface Made {
  readonly things: readonly Candidate[];
  readonly commands: readonly string[];
  readonly catalogue: Catalogue;
}

/** The parts of a session that what search finds depends on, but for the commands. */
const PARTS = ['windows', 'recent', 'applications', 'documents', 'workspace', 'workspaces'] as const;

let last: { readonly session: Session; readonly registry: Registry; readonly made: Made } | null = null;

/**
 * The catalogue of a session, made at its first search. It is kept until something changes that search can find: a
 * setting, or a draft that is kept every half second, makes nothing anew.
 */
export function catalogueOf(session: Session, registry: Registry): Catalogue {
  if (last?.session === session && last.registry === registry) return last.made.catalogue;
  const things = sameThings(session, registry) ?? thingsOf(session);
  const commands = commandsOf(session, registry);
  const keys = commands.map(({ key }) => key);
  const kept = last?.made.things === things && sameList(last.made.commands, keys) ? last.made : null;
  const made = kept ?? { things, commands: keys, catalogue: makeCatalogue([...things, ...commands]) };
  last = { session, registry, made };
  return made.catalogue;
}

function sameThings(session: Session, registry: Registry): readonly Candidate[] | null {
  if (last?.registry !== registry) return null;
  const before = last.session;
  const unchanged =
    PARTS.every((part) => before[part] === session[part]) &&
    sameList(idsIn(before.drafts), idsIn(session.drafts));
  return unchanged ? last.made.things : null;
}

const sameList = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((one, index) => one === b[index]);
