import { describe, expect, it } from 'vitest';
import { batchOf } from '../../../../testing/batches';
import { later, sessionOf } from '../../../../testing/sessions';
import { planOf } from '../host/plan';
import type { Wish } from '../commands/commands';
import type { Session } from '../session/session';
import { switchBetween, type Circumstances } from './recording';

const AROUND: Circumstances = { seq: 7, at: later(5), origin: 'key' };

/** What is recorded of one wish. */
function recorded(session: Session, wish: Wish, around: Partial<Circumstances> = {}) {
  const batch = batchOf(wish);
  const decision = planOf(session, batch);
  if (!decision.ok) throw new Error(decision.refusal.detail);
  return switchBetween(session, decision.session, { ...AROUND, commands: batch.commands, ...around });
}

const toFront = (window: string): Wish => ({ type: 'bring-to-front', window, raiseAll: false });

describe('what is recorded of a switch', () => {
  const desk = sessionOf('a: a1 a2 | b: b1 | c: c1 c2 c3');

  it('is where it went, how, and where that stood in the orders of recent use before', () => {
    const facts = { way: 'step', took: 420, presses: 3 } as const;
    expect(recorded(desk, toFront('c2'), { facts })).toEqual({
      seq: 7,
      at: later(5),
      way: 'step',
      took: 420,
      presses: 3,
      from: { window: 'a1', application: 'a' },
      to: { window: 'c2', application: 'c' },
      row: 2,
      rows: 3,
      leaf: 1,
      leaves: 3,
      goesOn: false,
    });
  });

  it('is nothing where the same window stays in front', () => {
    expect(recorded(desk, toFront('a1'))).toBeNull();
    expect(recorded(desk, { type: 'minimise', window: 'b1' })).toBeNull();
  });

  it('is nothing where somebody turned it off', () => {
    const off = { ...desk, settings: { ...desk.settings, tally: false } };
    expect(recorded(off, toFront('c1'))).toBeNull();
  });

  it('says that nothing is in front any more, with nothing to stand anywhere', () => {
    expect(recorded(sessionOf('a: a1'), { type: 'minimise', window: 'a1' })).toMatchObject({
      from: { window: 'a1', application: 'a' },
      to: null,
      row: null,
      leaf: null,
      leaves: 0,
    });
  });

  it('says that a window was not there before', () => {
    const opened = recorded(desk, { type: 'open-window', application: 'b', inFront: true });
    expect(opened).toMatchObject({ row: 1, leaf: null, leaves: 1 });
  });

  it('says who did it where no page tells: the host, or else a page or program', () => {
    expect(recorded(desk, toFront('b1'), { origin: 'host' })).toMatchObject({ way: 'host', took: null });
    expect(recorded(desk, toFront('b1'))).toMatchObject({ way: 'page', took: null, presses: null });
  });

  it('goes on from the one before where a window was only passed through', () => {
    const pass = { window: 'b1', at: null, after: null, minimised: false };
    expect(recorded(desk, { type: 'walk-to', window: 'c1', pass })).toMatchObject({ goesOn: true });
    expect(recorded(desk, { type: 'walk-to', window: 'c1', pass: null })).toMatchObject({ goesOn: false });
  });
});
