/** The processes of this machine, as the kernel tells them. */
import { expect, it } from 'vitest';
import { processTable, statIn } from '../src/agent/process-table';

// proc_pid_stat(5): the name of a process may hold blanks and brackets.
it('reads what stands behind the name, whatever that is', () => {
  const rest = 'S 41 7 7 0 -1 4194304 100 0 0 0 250 50 0 0 20 0 1 0 123456 9999 88 0';
  for (const name of ['sh', 'a) b (c', ') S 1 2'])
    expect(statIn(`42 (${name}) ${rest}\n`)).toEqual({ parent: 41, ticks: 300, started: 123_456 });
  expect(statIn('42 (sh) S 41')).toBeNull();
});

it('tells of this very process what Node.js knows of it', () => {
  const { at, processes } = processTable();
  const own = processes.get(process.pid);
  const { user, system } = process.cpuUsage();
  expect(own?.parent).toBe(process.ppid);
  expect(Math.abs((at - (own?.began ?? 0)) / 1_000 - process.uptime())).toBeLessThan(3);
  expect(Math.abs((own?.busy ?? 0) - (user + system) / 1_000)).toBeLessThan(2_000);
  const share = (own?.memory ?? 0) / process.memoryUsage.rss();
  expect(share).toBeGreaterThan(0.5);
  expect(share).toBeLessThan(2);
});
