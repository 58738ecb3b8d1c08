/** The switcher by itself, where no rule asks for it by name: found results, the pointer, edges. */
import { describe, expect, it } from 'vitest';
import { later, sessionOf } from '../../../../testing/sessions';
import { REGISTRY } from '../../../../testing/person';
import { decide } from '../host/decide';
import type { Wish } from '../commands/commands';
import { NEWCOMER } from '../../../../testing/candidates';
import { search } from '../search/search';
import { catalogueOf } from '../search/session-catalogue';
import type { Session } from '../session/session';
import { advance, commitEffect, targetOf, type Switcher, type SwitcherInput } from './switcher';

const desk = () => sessionOf('a: a1 a2 a3 | b: b1 | c: | d: d1');

/** The switcher after some inputs; each must leave it open. */
function after(session: Session, ...inputs: SwitcherInput[]): Switcher {
  const open: SwitcherInput = { type: 'open', by: null, mode: 'staying' };
  return [open, ...inputs].reduce<Switcher | null>(
    (now, input) => advance(now, input, session).switcher,
    null,
  ) as Switcher;
}
const typed = (session: Session, letters: string): SwitcherInput => ({
  type: 'type',
  letters,
  results: search(catalogueOf(session, REGISTRY), letters, NEWCOMER),
});
const wished = (session: Session, wish: Wish): Session => {
  const decision = decide(session, { ...wish, id: 'c', at: later(1) });
  if (!decision.ok) throw new Error(decision.refusal.detail);
  return decision.session;
};
const follow = (switcher: Switcher, session: Session) =>
  advance(switcher, { type: 'session-changed' }, session).switcher as Switcher;
const step = (by: 'older-application' | 'next-window' | 'previous-window', repeat = false) =>
  ({ type: 'step', step: by, repeat }) as const;
const commit = { type: 'commit', raiseAll: false } as const;

describe('what letters have found', () => {
  const choice = (letters: string, ...inputs: SwitcherInput[]) =>
    advance(after(desk(), typed(desk(), letters), ...inputs), commit, desk()).choice;

  it('is chosen as what it is, and remembered by the letters', () => {
    expect(choice(' A2 ')).toEqual({
      does: { wish: { type: 'bring-to-front', window: 'a2', raiseAll: false } },
      learn: { letters: 'a2', choice: expect.any(String) },
    });
    expect(choice('c')?.does).toEqual({ wish: { type: 'switch-to-application', application: 'c' } });
    expect(choice('sweep')?.does).toEqual({ invocation: { action: 'sweep', argument: null } });
    const closed = wished(desk(), { type: 'close', window: 'b1' });
    const { choice: document } = advance(after(closed, typed(closed, 'b1')), commit, closed);
    expect(document?.does).toEqual({ wish: { type: 'open-document', document: 'd-b1' } });
    expect(choice('zzz')).toBeNull();
  });

  it('is what keys act on, if it is a window or an application', () => {
    const target = (letters: string) => targetOf(after(desk(), typed(desk(), letters)), desk());
    expect(target('a2')).toEqual({ application: 'a', window: 'a2' });
    expect(target('c')).toEqual({ application: 'c', window: null });
    expect(target('sweep')).toBeNull();
    expect(target('zzz')).toBeNull();
  });

  it('is walked like rows, wrapping when pressed and stopping when held, and pointed at', () => {
    const at = (...inputs: SwitcherInput[]) => {
      const { search: now } = after(desk(), typed(desk(), 'a'), ...inputs);
      return `${now?.highlighted} of ${now?.results.length}`;
    };
    const [, count] = at().split(' of ');
    const last = Number(count) - 1;
    expect(last).toBeGreaterThan(2);
    expect(at()).toBe(`0 of ${count}`);
    expect(at(step('previous-window'))).toBe(`${last} of ${count}`);
    expect(at({ type: 'jump', rows: 99 })).toBe(`${last} of ${count}`);
    expect(at({ type: 'jump', rows: 99 }, step('older-application', true))).toBe(`${last} of ${count}`);
    expect(at({ type: 'jump', rows: 99 }, step('older-application'))).toBe(`0 of ${count}`);
    expect(at({ type: 'point-result', index: 2 })).toBe(`2 of ${count}`);
  });

  it('leaves when it is gone; the highlight stays on its place, or goes to the last', () => {
    const found = after(desk(), typed(desk(), 'a'), { type: 'point-result', index: 1 });
    const title = ({ search: now }: Switcher) => now?.results[now.highlighted]?.candidate.title;
    expect(found.search?.results.slice(0, 4).map(({ candidate }) => candidate.title)).toEqual([
      'a1',
      'a2',
      'A',
      'a3',
    ]);
    const without = (window: string) => wished(desk(), { type: 'close', window });
    expect(title(follow(found, without('a1')))).toBe('a2');
    expect(title(follow(found, without('a2')))).toBe('A');
    expect(title(follow(found, without('a3')))).toBe('a2');
    expect(follow(found, desk()).search).toBe(found.search);
    const one = after(desk(), typed(desk(), 'b1'));
    expect(one.search?.results).toHaveLength(1);
    expect(follow(one, without('b1')).search).toMatchObject({
      highlighted: -1,
      results: [],
    });
  });

  it('is none while nothing but blanks is typed, and rows are what they were', () => {
    expect(after(desk(), typed(desk(), '  '))).toEqual(after(desk()));
    expect(commitEffect(after(desk(), typed(desk(), 'zzz')), desk())).toEqual({ type: 'nothing' });
  });
});

describe('rows and leaves', () => {
  const at = (...inputs: SwitcherInput[]) => {
    const { row, leaf } = after(desk(), ...inputs);
    return [row, leaf];
  };

  it('are pointed at; a row that is not there leaves the highlight alone', () => {
    expect(at({ type: 'point', application: 'a', window: 'a3' })).toEqual([0, 'a3']);
    expect(at({ type: 'point', application: 'd', window: null })).toEqual([3, null]);
    expect(at({ type: 'point', application: 'x', window: null })).toEqual([0, null]);
  });

  it('have ends, which jumps stop at', () => {
    expect(at({ type: 'jump', rows: 2 }, { type: 'jump', rows: -1 })).toEqual([1, null]);
    expect(at({ type: 'jump', rows: 99 })).toEqual([3, null]);
    expect(at({ type: 'jump-leaf', to: 'last' })).toEqual([0, 'a3']);
    expect(at({ type: 'jump-leaf', to: 'last' }, { type: 'jump-leaf', to: 'first' })).toEqual([0, 'a1']);
    expect(at({ type: 'jump', rows: 2 }, step('next-window'))).toEqual([2, null]);
    // The same row again keeps the leaf that was chosen in it.
    expect(at(step('previous-window'), { type: 'jump', rows: -1 })).toEqual([0, 'a3']);
  });

  it('keep their place when others come and go', () => {
    const second = after(desk(), { type: 'jump', rows: 1 });
    expect(follow(second, wished(desk(), { type: 'quit', application: 'a' }))).toMatchObject({ row: 0 });
    expect(follow(second, wished(desk(), { type: 'quit', application: 'd' }))).toMatchObject({ row: 1 });
    const none = follow(second, sessionOf('x: x1'));
    expect(none.rows).toEqual([{ application: 'x', leaves: ['x1'] }]);
    expect(none).toMatchObject({ row: 0, leaf: null });
    const opened = follow(second, wished(desk(), { type: 'open-window', application: 'b', inFront: false }));
    expect(opened.rows[1]?.leaves).toEqual(['b1', 'w-c']);
    expect(opened.rows[0]).toBe(second.rows[0]);
  });

  it('hand a chosen leaf that ends to the one that takes its place, or to the last', () => {
    const chosen = (window: string) => after(desk(), { type: 'point', application: 'a', window });
    const closed = (...windows: string[]) =>
      windows.reduce((now, window) => wished(now, { type: 'close', window }), desk());
    expect(follow(chosen('a2'), closed('a2')).leaf).toBe('a3');
    expect(follow(chosen('a3'), closed('a3')).leaf).toBe('a2');
    expect(follow(chosen('a3'), closed('a1')).leaf).toBe('a3');
    expect(follow(chosen('a3'), closed('a1', 'a3')).leaf).toBe('a2');
    expect(follow(chosen('a1'), closed('a1', 'a2', 'a3')).leaf).toBeNull();
    expect(follow(after(desk()), closed('a1')).leaf).toBeNull();
  });
});
