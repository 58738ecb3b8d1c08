/**
 * What earlier versions wrote down, as this version has it: events of the log, snapshots, and batches that waited in
 * outboxes. One event becomes one event and sees nothing else, so the numbers of the log stay as they are.
 */
import type { Batch } from '../commands/commands';
import { fingerprint } from '../model/fingerprint';
import { DONE, type Report } from './report';
import { EMPTY_SESSION, type Session, type SessionEvent } from '../session/session';

/** Something as it was stored; `v` is the version of its shape, 1 if it is absent. */
export interface Stored {
  readonly v?: number;
  readonly [field: string]: unknown;
}
interface StoredEvent extends Stored {
  readonly type: string;
}

/** How to get from a version to the next. */
type Chain<T extends Stored> = Readonly<Record<number, (old: T) => T>>;

/** For each type of event that ever changed its shape. Version 2 has ids for what can be put back or reopened. */
const EVENTS: Readonly<Record<string, Chain<StoredEvent>>> = {
  'put-away': { 1: (old) => ({ ...old, entry: withId(old.entry as object) }) },
  'put-back': { 1: (old) => ({ ...old, type: 'put-back-levels' }) },
  'windows-closed': { 1: (old) => withId(old, 'entry') },
  'application-ended': { 1: (old) => withId(old, 'entry') },
  'drafts-discarded': { 1: (old) => withId(old, 'entry') },
  'ended-reopened': { 1: (old) => ({ ...old, entry: null }) },
};

const SNAPSHOTS: Chain<Stored> = {
  /** Tables were records, and entries had no ids. */
  1: (old) => {
    const drafts = Object.entries(old.drafts as Readonly<Record<string, object>>);
    return {
      ...old,
      applications: Object.values(old.applications as object),
      windows: Object.values(old.windows as object),
      documents: Object.values(old.documents as object),
      drafts: drafts.map(([id, draft]) => ({ id, ...draft })),
      putAways: (old.putAways as readonly object[]).map((entry) => withId(entry)),
      ended: (old.ended as readonly object[]).map((ended) => ({ discarded: [], ...withId(ended) })),
    };
  },
  /** How often a choice was made was not counted. */
  2: (old) => ({
    ...old,
    learned: ((old.learned ?? []) as readonly { readonly weight: number }[]).map((choice) => ({
      ...choice,
      times: Math.max(1, Math.round(choice.weight)),
    })),
  }),
};
const SNAPSHOT_VERSION = 3;

const BATCHES: Chain<Stored> = {
  /** A sweep put back what the one before had swept, and the newest entry was meant without being named. */
  1: (old) => ({ ...old, v: 2, commands: (old.commands as readonly unknown[]).map(absolute) }),
};

/** Commands are still unchecked here. */
function absolute(command: unknown): unknown {
  if (typeof command !== 'object' || command === null || !('type' in command)) return command;
  if (command.type === 'sweep') return { ...command, type: 'sweep-or-put-back' };
  return command.type === 'put-back' || command.type === 'reopen' ? { ...command, entry: null } : command;
}

/** An event as it is stored, with its version where that is not 1. */
export function storedEvent(event: SessionEvent): StoredEvent {
  const v = 1 + Object.keys(EVENTS[event.type] ?? {}).length;
  return v > 1 ? { ...event, v } : event;
}

/**
 * An event that was stored by this version or an earlier one.
 * @example eventFrom({ type: 'put-back', levels: 2 }) // { type: 'put-back-levels', levels: 2 }
 */
export function eventFrom(stored: object): SessionEvent {
  let now = stored as StoredEvent;
  for (;;) {
    const next = EVENTS[now.type]?.[now.v ?? 1];
    if (!next) break;
    now = next(now);
    if (now.type === (stored as StoredEvent).type) now = { ...now, v: (now.v ?? 1) + 1 };
  }
  const { v: _version, ...event } = now;
  return event as unknown as SessionEvent;
}

/** A session as it is stored. */
export const storedSession = (session: Session): Stored => ({ v: SNAPSHOT_VERSION, ...session });

/** A session that was stored by this version or an earlier one, with the fields that have been added since. */
export function sessionFrom(stored: object): Session {
  const { v: _version, ...session } = upcast(stored, SNAPSHOTS);
  return { ...EMPTY_SESSION, ...session };
}

/**
 * A batch that a page of this version or an earlier one sent, or left in its outbox.
 * @example batchFrom({ commands: [{ type: 'sweep' }] }) // { v: 2, commands: [{ type: 'sweep-or-put-back' }] }
 */
export const batchFrom = (stored: { readonly commands: readonly unknown[] }): Batch =>
  upcast(stored, BATCHES) as unknown as Batch;

/** A report from a server of this version or an earlier one, which said nothing of how a batch ends: it was done. */
export const reportFrom = (sent: Omit<Report, 'settles'> & Partial<Pick<Report, 'settles'>>): Report => ({
  settles: DONE,
  ...sent,
});

function upcast(stored: object, chain: Chain<Stored>): Stored {
  let now = stored as Stored;
  for (let v = now.v ?? 1; chain[v]; v += 1) now = (chain[v] as (old: Stored) => Stored)(now);
  return now;
}

/** The same with an id that follows from what it says, so that it is the same whenever it is read. */
function withId<T extends object>(value: T, field = 'id'): T {
  return { ...value, [field]: `e-${fingerprint(JSON.stringify(value)).toString(16).padStart(8, '0')}` };
}
