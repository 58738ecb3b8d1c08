import { readdirSync, readFileSync } from 'node:fs';
import type { ProcessTable, ProcessUse } from '../lib/core/display/processes';

/** Ticks of the clock in a second: USER_HZ, which is 100 on every machine that Linux' own `proc(5)` speaks of (common practice). */
const TICKS_A_SECOND = 100;
const MS_A_TICK = 1_000 / TICKS_A_SECOND;
const KIB = 1024;

/** What the kernel tells of a process, from its `stat` (`proc_pid_stat(5)`); null if it is none. Its name may hold anything. */
export function statIn(text: string): { parent: number; ticks: number; started: number } | null {
  const fields = text
    .slice(text.lastIndexOf(')') + 2)
    .trim()
    .split(' ')
    .map(Number);
  // The first of these is the third of all: state, then parent (4), utime (14), stime (15), starttime (22).
  const [parent, user, system, started] = [fields[1], fields[11], fields[12], fields[19]];
  if (parent === undefined || user === undefined || system === undefined || started === undefined)
    return null;
  return { parent, ticks: user + system, started };
}

/** All processes of this machine, as they are. */
export function processTable(): ProcessTable {
  const at = Date.now();
  const booted = Number(/^btime (\d+)/m.exec(readFileSync('/proc/stat', 'utf8'))?.[1]) * 1_000;
  const processes = new Map<number, ProcessUse>();
  for (const name of readdirSync('/proc')) {
    if (!/^\d+$/.test(name)) continue;
    const pid = Number(name);
    try {
      const stat = statIn(readFileSync(`/proc/${name}/stat`, 'utf8'));
      const resident = /^VmRSS:\s+(\d+)/m.exec(readFileSync(`/proc/${name}/status`, 'utf8'))?.[1];
      if (!stat) continue;
      processes.set(pid, {
        pid,
        parent: stat.parent,
        began: booted + stat.started * MS_A_TICK,
        busy: stat.ticks * MS_A_TICK,
        memory: Number(resident ?? 0) * KIB,
      });
    } catch {
      // It has ended meanwhile.
    }
  }
  return { at, processes };
}
