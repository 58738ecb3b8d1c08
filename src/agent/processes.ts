import { readFileSync } from 'node:fs';
import { setTimeout as pause } from 'node:timers/promises';

/** How long a process has to end after it was asked to, and after it was killed, in ms. */
const ASKED_MS = 300;
const KILLED_MS = 400;
const LOOK_MS = 20;

/** What of a process the kernel tells (`proc_pid_stat(5)`, `proc_pid_status(5)`). */
export interface ProcessState {
  /** `R` running, `S` sleeping, `D` waiting uninterruptibly, `T` stopped, `Z` dead but not reaped … */
  readonly state: string;
  readonly parent: number;
  /** The real user's id. */
  readonly user: number;
}

/** How a process is; null if there is none. */
export function processState(pid: number): ProcessState | null {
  try {
    const status = readFileSync(`/proc/${pid}/status`, 'utf8');
    const field = (name: string) => new RegExp(`^${name}:\\s*(\\S+)`, 'm').exec(status)?.[1] ?? '';
    return { state: field('State'), parent: Number(field('PPid')), user: Number(field('Uid')) };
  } catch {
    return null;
  }
}

/** Whether a process goes on: a dead one that nobody has reaped does not. */
const goesOn = (pid: number): boolean => {
  const now = processState(pid);
  return now !== null && now.state !== 'Z' && now.state !== 'X';
};

/** Whether a process is stopped, so that its windows do not answer. */
export const isStopped = (pid: number): boolean => {
  const state = processState(pid)?.state;
  return state === 'T' || state === 't';
};

/** A process and those that started it, up to the first. */
export function lineageOf(pid: number): number[] {
  const line: number[] = [];
  for (let at = pid; at > 0 && !line.includes(at); at = processState(at)?.parent ?? 0) line.push(at);
  return line;
}

/**
 * Ends a process: asked first, then killed.
 * @param kept processes that are never ended
 * @throws Error that says why it was not ended
 */
export async function endProcess(pid: number, kept: ReadonlySet<number>): Promise<void> {
  const before = processState(pid);
  if (!before) return;
  if (kept.has(pid) || pid <= 1)
    throw new Error('That would end what Key Fold itself or the display runs in.');
  if (before.user !== process.getuid?.()) throw new Error('It belongs to another user of this machine.');
  for (const [signal, ms] of [
    ['SIGTERM', isStopped(pid) ? 0 : ASKED_MS],
    ['SIGKILL', KILLED_MS],
  ] as const) {
    try {
      process.kill(pid, signal);
    } catch {
      return;
    }
    for (let waited = 0; waited <= ms; waited += LOOK_MS) {
      if (!goesOn(pid)) return;
      await pause(LOOK_MS);
    }
  }
  throw new Error(
    processState(pid)?.state === 'D'
      ? 'It waits for a device and cannot be ended before that answers.'
      : 'It was told to end and goes on all the same.',
  );
}
