import { describe, expect, it } from 'vitest';
import { callsOf, heardUntil, radioLog, withMark, withPause } from './radio-log';
import { radioLogProgram } from './manifest';

const TEXT = 'Time,From,Message\n09:02,Osprey Nine,"leaving, for Oil Jetty"';
const NOON = new Date('2026-11-24T12:00:00.000Z');
const later = (minutes: number) => new Date(NOON.getTime() + minutes * 60_000);

describe('a radio log', () => {
  it('has what was written down, and whether it is paused', () => {
    expect(radioLog(TEXT)).toEqual({
      written: [{ time: '09:02', from: 'Osprey Nine', message: 'leaving, for Oil Jetty', marked: false }],
      paused: null,
    });
    const paused = withPause(TEXT, NOON);
    expect(radioLog(paused)?.paused).toEqual(NOON);
    expect(withPause(withPause(paused, later(1)), null)).toBe(TEXT);
    for (const text of ['', 'a letter', '# paused never\nTime,From,Message'])
      expect(radioLog(text)).toBeNull();
  });

  it('grows by itself, keeps what it has heard for two hours, and no longer', () => {
    const [before, after] = [heardUntil('Channel 12', NOON, null), heardUntil('Channel 12', later(14), null)];
    expect(after.slice(-3, -2)).toEqual(before.slice(-1));
    expect(heardUntil('Channel 16', NOON, null)).not.toEqual(before);
    expect(before).toHaveLength(17);
  });

  it('hears nothing while it is paused, and grows less from the other end', () => {
    const atPause = heardUntil('Channel 12', NOON, NOON);
    expect(heardUntil('Channel 12', later(14), NOON)).toEqual(atPause.slice(2));
    expect(heardUntil('Channel 12', later(600), NOON)).toEqual([]);
  });

  it('keeps the mark of a call, written down or heard, whoever looks later, and lets go of it', () => {
    const all = (text: string, now = NOON) => {
      const log = radioLog(text);
      return log ? callsOf('Channel 12', log, now) : [];
    };
    const marked = (text: string, now?: Date) => all(text, now).filter((call) => call.marked);
    const [written, heard] = [all(TEXT)[0], all(TEXT).at(-1)];
    if (!written || !heard) throw new Error('nothing was heard');
    const both = withMark(withMark(TEXT, written, true), heard, true);
    expect(marked(both)).toEqual([
      { ...written, marked: true },
      { ...heard, marked: true },
    ]);
    // Everything stays where it is, nothing is there twice, and what was heard stays though the channel has forgotten it.
    expect(all(both).map(({ message }) => message)).toEqual(all(TEXT).map(({ message }) => message));
    expect(marked(both, later(600))).toHaveLength(2);
    expect(all(withMark(both, heard, false)).filter((call) => call.marked)).toHaveLength(1);
    expect(radioLog(withMark(withPause(TEXT, NOON), written, true))?.paused).toEqual(NOON);
    expect(withMark('a letter', written, true)).toBe('a letter');
  });

  it('is paused and goes on by its action', () => {
    const pause = radioLogProgram.actions[0];
    const answer = pause?.run(TEXT, NOON);
    expect(answer).toEqual({ says: 'The log is paused', text: withPause(TEXT, NOON) });
    expect(pause?.run(withPause(TEXT, NOON), later(5))).toEqual({ says: 'The log goes on', text: TEXT });
    expect(radioLogProgram.problem('a letter')).toMatch(/no radio log/);
  });
});
