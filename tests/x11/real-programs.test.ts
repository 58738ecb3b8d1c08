/** Programs of Debian's packages xterm and x11-apps, and what xprop and xwininfo say of their windows (package x11-utils). */
import { execFileSync, type ChildProcess } from 'node:child_process';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Wish } from '../../src/lib/core/commands/commands';
import { find } from '../../src/lib/core/model/table';
import { titleOf, windowOf } from '../../src/lib/core/slices/windows/selectors';
import { programsUse } from '../../src/lib/core/display/processes';
import { processTable } from '../../src/agent/process-table';
import { programRoots } from '../../src/agent/x11/telling';
import { batchOf } from '../../testing/batches';
import { Display } from '../../testing/display/display';
import { DisplayDesk } from '../../testing/display/display-desk';

let display: Display;
let desk: DisplayDesk;
const programs = new Map<string, ChildProcess>();

const UTF_8 = { LC_ALL: 'C.UTF-8' };
const titles = () => desk.session.windows.map(titleOf).toSorted();
const windowCalled = (title: string): string =>
  desk.session.windows.find((window) => titleOf(window) === title)?.id ?? '';
const xidOf = (title: string): number => desk.reading.find(windowCalled(title))?.xid ?? 0;
const wish = async (...wishes: Wish[]) => {
  await desk.take([batchOf(...wishes)]);
  return desk.settlements.at(-1);
};
const ask = (program: string, ...args: string[]): string =>
  execFileSync(program, ['-display', display.name, ...args], {
    encoding: 'utf8',
    env: { ...process.env, ...UTF_8 },
  });
/** What xwininfo says of a window under a heading. */
const told = (title: string, heading: string): string =>
  new RegExp(`${heading}:\\s+(.+)`).exec(ask('xwininfo', '-id', String(xidOf(title))))?.[1] ?? '';
const activeByXprop = (): number =>
  Number(/0x[0-9a-f]+/.exec(ask('xprop', '-root', '_NET_ACTIVE_WINDOW'))?.[0]);

async function start(title: string, program: string, ...args: string[]): Promise<void> {
  programs.set(title, display.run(program, args, UTF_8));
  await expect.poll(titles).toContain(title);
}

beforeAll(async () => {
  display = await Display.open();
  desk = new DisplayDesk(display);
  await desk.open();
});
afterAll(async () => {
  for (const program of programs.values()) program.kill('SIGKILL');
  await desk.close();
  await display.close();
});

describe('real programs', () => {
  it('are listed as they are called, by program', async () => {
    await start('Radio log', 'xterm', '-T', 'Radio log', '-e', 'cat');
    await start('Gezeiten für Élan', 'xterm', '-T', 'Gezeiten für Élan', '-e', 'cat');
    await start('xclock', 'xclock', '-update', '1');
    await start('xeyes', 'xeyes');
    const seen = desk.session.windows.map((window) => `${window.application}: ${titleOf(window)}`);
    expect(seen.toSorted()).toEqual([
      'xclock: xclock',
      'xeyes: xeyes',
      'xterm: Gezeiten für Élan',
      'xterm: Radio log',
    ]);
    for (const title of titles())
      expect(desk.reading.find(windowCalled(title))?.pid, title).toBe(programs.get(title)?.pid);
  });

  it('are measured with what they started, and busy is who is busy', async () => {
    await start('Sums', 'xterm', '-T', 'Sums', '-e', 'sh', '-c', 'while :; do :; done');
    const before = processTable();
    // Not over a moment: a machine that is busy with something else gives it little of that.
    await expect
      .poll(() => {
        const use = programsUse(programRoots(desk.reading), processTable(), before);
        return use.map(({ application, processor }) => [application, processor > 0.05]).toSorted();
      })
      .toEqual([
        ['xclock', false],
        ['xeyes', false],
        ['xterm', true],
      ]);
    const [xclock] = programsUse(programRoots(desk.reading), processTable(), null).toSorted((a, b) =>
      a.application.localeCompare(b.application),
    );
    expect(Date.now() - Date.parse(xclock?.since ?? '')).toBeLessThan(1_000 * process.uptime() + 60_000);
    expect(xclock?.memory).toBeGreaterThan(1_000_000);
    expect(await wish({ type: 'end-now', application: 'xterm' })).toEqual({ kind: 'done' });
    await start('Radio log', 'xterm', '-T', 'Radio log', '-e', 'cat');
    await start('Gezeiten für Élan', 'xterm', '-T', 'Gezeiten für Élan', '-e', 'cat');
  });

  it('come to the front, as xprop says', async () => {
    for (const title of ['Radio log', 'xeyes', 'Gezeiten für Élan']) {
      expect(await wish({ type: 'bring-to-front', window: windowCalled(title), raiseAll: false })).toEqual({
        kind: 'done',
      });
      expect(activeByXprop()).toBe(xidOf(title));
    }
  });

  it('are minimised and come back, as xwininfo says', async () => {
    await wish({ type: 'minimise', window: windowCalled('xclock') });
    expect(told('xclock', 'Map State')).toBe('IsUnMapped');
    expect(ask('xprop', '-id', String(xidOf('xclock')), 'WM_STATE')).toContain('Iconic');
    await wish({ type: 'bring-to-front', window: windowCalled('xclock'), raiseAll: false });
    expect(told('xclock', 'Map State')).toBe('IsViewable');
  });

  it('are hidden with all their windows, and shown as they were', async () => {
    await wish({ type: 'minimise', window: windowCalled('Radio log') });
    await wish({ type: 'hide', application: 'xterm' });
    const states = () => ['Radio log', 'Gezeiten für Élan', 'xeyes'].map((title) => told(title, 'Map State'));
    expect(states()).toEqual(['IsUnMapped', 'IsUnMapped', 'IsViewable']);
    await wish({ type: 'show', application: 'xterm' });
    expect(states()).toEqual(['IsUnMapped', 'IsViewable', 'IsViewable']);
    await wish({ type: 'bring-to-front', window: windowCalled('Radio log'), raiseAll: false });
  });

  it('are placed where it was wished, as xwininfo says; a terminal keeps to whole letters', async () => {
    const geometry = { x: 300, y: 200, width: 500, height: 400 };
    const on = { width: 1600, height: 1000 };
    for (const title of ['xeyes', 'Radio log'])
      await wish({ type: 'place-window', window: windowCalled(title), placement: { geometry, on } });
    const seen = (title: string) =>
      ['Absolute upper-left X', 'Absolute upper-left Y', 'Width', 'Height'].map((heading) =>
        Number(told(title, heading)),
      );
    expect(seen('xeyes')).toEqual([300, 200, 500, 400]);
    const [, , width = 0, height = 0] = seen('Radio log');
    expect(Math.abs(width - 500)).toBeLessThan(20);
    expect(Math.abs(height - 400)).toBeLessThan(30);
    expect(windowOf(desk.session, windowCalled('Radio log')).geometry).toMatchObject({ width, height });
  });

  it('close and quit when they are asked to, and their processes end', async () => {
    const ends = (title: string) =>
      expect.poll(() => programs.get(title)?.exitCode ?? programs.get(title)?.signalCode).not.toBeNull();
    await wish({ type: 'close', window: windowCalled('xclock') });
    await ends('xclock');
    await wish({ type: 'quit', application: 'xeyes' });
    await ends('xeyes');
    expect(titles()).toEqual(['Gezeiten für Élan', 'Radio log']);
    expect(find(desk.session.applications, 'xeyes')?.running).toBe(false);
  });

  it('one that is stopped does not go when it is asked, and does when it is ended', async () => {
    await start('stuck', 'xclock', '-title', 'stuck');
    programs.get('stuck')?.kill('SIGSTOP');
    expect(await wish({ type: 'quit', application: 'xclock' })).toMatchObject({ kind: 'refused' });
    expect(await wish({ type: 'end-now', application: 'xclock' })).toEqual({ kind: 'done' });
    expect(titles()).not.toContain('stuck');
  });
});
