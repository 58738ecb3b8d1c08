import { describe, expect, it } from 'vitest';
import { batchOf } from '../../../../testing/batches';
import { displaySession } from '../../core/display/display-session';
import type { ServerMessage, Told } from '../../core/display/told';
import { SessionLog } from '../../core/host/session-log';
import { reduceAll } from '../../core/session/session';
import type { Settlement } from '../../core/slices/under-way/state';
import { DisplayCarrier } from './display-carrier';
import { toldWindow } from '../../../../testing/told';

const AT = '2026-11-24T06:00:00.000Z';
const hello = {
  type: 'hello',
  v: 1,
  name: 'Quay',
  abilities: ['minimise', 'bring-to-front'],
  screen: { width: 1600, height: 1000 },
} as const;
const told: Told = {
  type: 'told',
  cause: null,
  applications: [{ id: 'charts', name: 'Charts' }],
  windows: ['c1', 'c2'].map((id) => toldWindow(id, { application: 'charts' })),
  whole: true,
  stacking: ['c2', 'c1'],
  front: 'c1',
};

/** A session in memory, and its carrier. */
function desk() {
  const log = new SessionLog(displaySession('Quay', 'Meta', AT), 0);
  const ended: [string, Settlement][] = [];
  const said: ServerMessage[] = [];
  const causes: (string | null)[] = [];
  let closed = 0;
  const carrier = new DisplayCarrier(() => (closed += 1));
  const close = carrier.open({
    session: () => log.session,
    observed: (events, cause) => {
      causes.push(cause);
      log.observe(events, cause, AT);
    },
    settled: (batch, settlement) => {
      ended.push([batch, settlement]);
      log.settle(batch, settlement);
    },
  });
  const host = () => log.session.host;
  return {
    log,
    carrier,
    ended,
    said,
    causes,
    close,
    host,
    say: (message: ServerMessage) => said.push(message),
    closed: () => closed,
  };
}

/** What of all that is no word about pictures. */
const withoutSettings = (said: readonly ServerMessage[]) =>
  said.filter(({ type }) => type !== 'pictures' && type !== 'tabs');

describe('the carrier of a display', () => {
  it('is away without an agent, there with one, and away since then when that is gone', () => {
    const { carrier, host, say } = desk();
    expect(host()).toMatchObject({ awaySince: AT });
    carrier.connect(say, hello);
    expect(host()).toEqual({ kind: 'live', name: 'Quay', abilities: hello.abilities, screen: hello.screen });
    carrier.disconnect();
    expect(host()).toMatchObject({ awaySince: expect.stringMatching(/^\d{4}-/), name: 'Quay' });
  });

  it('says once that it is there, and once that it is away', () => {
    const { carrier, log, say } = desk();
    carrier.connect(say, hello);
    const there = log.seq;
    carrier.connect(say, hello);
    expect(log.seq).toBe(there);
    carrier.disconnect();
    carrier.disconnect();
    expect(log.seq).toBe(there + 1);
  });

  it('makes of what is told what has happened, with the batch that caused it while that is under way', () => {
    const { carrier, log, say, said, causes, ended } = desk();
    carrier.connect(say, hello);
    carrier.told(told);
    expect(log.session).toMatchObject({ front: 'c1', stacking: ['c2', 'c1'] });
    const batch = batchOf({ type: 'minimise', window: 'c2' });
    const taken = log.take(batch, AT);
    if (taken.ok) carrier.carryOut(batch.id, taken.orders);
    expect(withoutSettings(said)).toEqual([
      expect.objectContaining({ type: 'carry-out', batch: batch.id, orders: [expect.anything()] }),
    ]);
    const [, second] = told.windows ?? [];
    if (second) carrier.told({ type: 'told', cause: batch.id, windows: [{ ...second, minimised: true }] });
    expect(causes.at(-1)).toBe(batch.id);
    carrier.settled({ type: 'settled', batch: batch.id, settlement: { kind: 'done' } });
    carrier.settled({ type: 'settled', batch: batch.id, settlement: { kind: 'done' } });
    expect(ended).toEqual([[batch.id, { kind: 'done' }]]);
    carrier.told({ type: 'told', cause: batch.id, front: 'c1', windows: [] });
    carrier.told({ ...told, cause: 'nobody knows it' });
    expect(causes.at(-1)).toBeNull();
  });

  it('refuses what is under way when the agent goes, and everything while it is away', () => {
    const { carrier, ended, say } = desk();
    carrier.connect(say, hello);
    carrier.carryOut('x', []);
    carrier.disconnect();
    carrier.carryOut('y', []);
    const away = { kind: 'refused', detail: 'The display is away.' };
    expect(ended).toEqual([
      ['x', away],
      ['y', away],
    ]);
  });

  it('takes no wish that is older than five seconds, but for what is Key Fold’s own', () => {
    const { carrier, log } = desk();
    const made = (ms: number, own = false) => {
      const wish = own
        ? ({ type: 'change-settings', settings: log.session.settings } as const)
        : ({ type: 'sweep' } as const);
      const batch = batchOf(wish);
      const at = new Date(Date.now() - ms).toISOString();
      return { ...batch, commands: batch.commands.map((command) => ({ ...command, at })) };
    };
    expect(carrier.refusalOf(made(0))).toBeNull();
    expect(carrier.refusalOf(made(4_000))).toBeNull();
    expect(carrier.refusalOf(made(60_000))).toMatch(/more than 5 seconds ago/);
    expect(carrier.refusalOf(made(60_000, true))).toBeNull();
  });

  it('forgets how windows were told when the agent goes: what is told next counts', () => {
    const { carrier, log, say } = desk();
    const hidden = (told.windows ?? []).map((window) => ({ ...window, hidden: true }));
    carrier.connect(say, hello);
    carrier.told({ ...told, windows: hidden, front: null });
    expect(log.session.applications).toMatchObject([{ hidden: true }]);
    carrier.disconnect();
    carrier.connect(say, hello);
    carrier.told(told);
    expect(log.session.applications).toMatchObject([{ hidden: false }]);
  });

  it('says that nobody hears any more when its session is let go, and is silent then', () => {
    const { carrier, close, closed, log, say } = desk();
    carrier.connect(say, hello);
    const seq = log.seq;
    close();
    expect(closed()).toBe(1);
    carrier.told(told);
    carrier.disconnect();
    expect(reduceAll(log.session, [])).toBe(log.session);
    expect(log.seq).toBe(seq);
  });
});
