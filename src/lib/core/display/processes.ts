/**
 * What programs use of the machine beside a display: asked for while somebody looks at the roll call, kept by nobody. The
 * processes of a program are those of its windows and all that these started, but for what belongs to another program.
 */
import type { ApplicationId, Instant } from '../model/ids';

/** Programs that one answer tells of, at most. */
export const MOST_MEASURED = 2_000;

/** What a program uses. */
export interface ProgramUse {
  readonly application: ApplicationId;
  /** Since when its oldest process runs. */
  readonly since: Instant;
  /** The share of one processor since it was measured last, or since it began; above 1 for several. */
  readonly processor: number;
  /** Of the machine's memory, in bytes; what programs share counts for each. */
  readonly memory: number;
}

/** Asks what programs use. */
export interface Measure {
  readonly type: 'measure';
  readonly id: string;
}

/** The answer. */
export interface Measured {
  readonly type: 'measured';
  readonly id: string;
  readonly programs: readonly ProgramUse[];
}

/** A process as it is. */
export interface ProcessUse {
  readonly pid: number;
  readonly parent: number;
  /** When it began, in ms since 1970. */
  readonly began: number;
  /** The time of a processor that it has taken since, in ms. */
  readonly busy: number;
  /** In bytes. */
  readonly memory: number;
}

/** All processes at one moment, in ms since 1970. */
export interface ProcessTable {
  readonly at: number;
  readonly processes: ReadonlyMap<number, ProcessUse>;
}

/**
 * What programs use.
 * @param roots the processes that programs' windows belong to
 * @param before how the processes were when they were measured last; null: never
 */
export function programsUse(
  roots: ReadonlyMap<ApplicationId, readonly number[]>,
  now: ProcessTable,
  before: ProcessTable | null,
): ProgramUse[] {
  const owner = new Map<number, ApplicationId>();
  for (const [application, pids] of roots) for (const pid of pids) owner.set(pid, application);
  const uses = new Map<ApplicationId, { began: number; processor: number; memory: number }>();
  for (const process of now.processes.values()) {
    const application = ownerOf(process.pid, now, owner);
    if (application === null) continue;
    const sum = uses.get(application) ?? { began: Infinity, processor: 0, memory: 0 };
    uses.set(application, {
      began: Math.min(sum.began, process.began),
      processor: sum.processor + processorShare(process, now, before),
      memory: sum.memory + process.memory,
    });
  }
  return [...uses].map(([application, { began, processor, memory }]) => ({
    application,
    since: new Date(began).toISOString(),
    processor,
    memory,
  }));
}

/** The program that a process belongs to: its own, or that of the nearest one that started it. */
function ownerOf(
  pid: number,
  { processes }: ProcessTable,
  owner: ReadonlyMap<number, ApplicationId>,
): ApplicationId | null {
  const seen = new Set<number>();
  for (let at = pid; at > 0 && !seen.has(at); at = processes.get(at)?.parent ?? 0) {
    const found = owner.get(at);
    if (found !== undefined) return found;
    seen.add(at);
  }
  return null;
}

function processorShare(process: ProcessUse, now: ProcessTable, before: ProcessTable | null): number {
  const then = before?.processes.get(process.pid);
  // Numbers of processes are used again.
  const same = then?.began === process.began ? then : null;
  const since = same && before ? before.at : process.began;
  const elapsed = now.at - since;
  return elapsed > 0 ? Math.max(0, process.busy - (same?.busy ?? 0)) / elapsed : 0;
}
