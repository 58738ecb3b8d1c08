/** A radio log: what was written down, and what is heard since, until it is paused. Pure: the hour is passed in. */
import { csvFormatRows, csvParseRows } from 'd3-dsv';

/** One call. */
export interface Call {
  /** Hours and minutes, e.g. `09:31`. */
  readonly time: string;
  readonly from: string;
  readonly message: string;
  /** Whether somebody marked it, to find it again. */
  readonly marked: boolean;
}

/** A log as its text has it. */
export interface RadioLog {
  readonly written: readonly Call[];
  /** When it was paused; null while it listens. */
  readonly paused: Date | null;
}

const HEADER = ['Time', 'From', 'Message'];
/** A fourth column, where something was marked. */
const MARKED = 'Marked';
const MARK = 'x';
const PAUSED = '# paused ';

/** The log in a text; null if it is none. */
export function radioLog(text: string): RadioLog | null {
  const [first = '', ...rest] = text.trim().split('\n');
  const isPaused = first.startsWith(PAUSED);
  const [header = [], ...rows] = csvParseRows((isPaused ? rest : [first, ...rest]).join('\n'));
  const paused = isPaused ? new Date(first.slice(PAUSED.length)) : null;
  const isLog = HEADER.every((name, column) => header[column] === name);
  if (!isLog || Number.isNaN(paused?.getTime())) return null;
  const written = rows.map(([time = '', from = '', message = '', marked = '']) => ({
    time,
    from,
    message,
    marked: marked !== '',
  }));
  return { written, paused };
}

/** The text of the log paused at an instant, or listening again. */
export function withPause(text: string, at: Date | null): string {
  const log = text.trim();
  const plain = log.startsWith(PAUSED) ? log.slice(log.indexOf('\n') + 1) : log;
  return at === null ? plain : `${PAUSED}${at.toISOString()}\n${plain}`;
}

/** Whether two are the same call. */
export const sameCall = (a: Call, b: Call): boolean =>
  a.time === b.time && a.from === b.from && a.message === b.message;

/** The text of the log with a call marked, or not any more. One that was only heard is written down with its mark. */
export function withMark(text: string, call: Call, marked: boolean): string {
  const log = radioLog(text);
  if (!log) return text;
  const known = log.written.some((one) => sameCall(one, call));
  const calls = known ? log.written : [...log.written, call];
  const rows = calls.map((one) => {
    const isMarked = sameCall(one, call) ? marked : one.marked;
    return [one.time, one.from, one.message, isMarked ? MARK : ''];
  });
  return withPause(csvFormatRows([[...HEADER, MARKED], ...rows]), log.paused);
}

/**
 * All there is to see at an instant: what was written down, then what was heard since; the newest last. What was heard
 * and written down for its mark stays where it was heard.
 */
export function callsOf(channel: string, { written, paused }: RadioLog, now: Date): Call[] {
  const heard = heardUntil(channel, now, paused);
  const before = written.filter((call) => !heard.some((one) => sameCall(one, call)));
  return [...before, ...heard.map((call) => written.find((one) => sameCall(one, call)) ?? call)];
}

/** How often somebody calls, in ms. */
const EVERY_MS = 7 * 60_000;
/** How long what was heard stays in sight, in ms. */
const KEPT_MS = 2 * 3_600_000;

const HEARD: readonly (readonly [from: string, message: string])[] = [
  ['Sable Wren', 'radio check'],
  ['Ellavane Port', 'Sable Wren, loud and clear'],
  ['Tug Anvil', 'free of tow, back to Tug Pier'],
  ['Quillfeather', 'at buoy 4, pilot ladder starboard side'],
  ['Marigold Tern', 'heaving up, underway in ten minutes'],
  ['Osprey Nine', 'all fast at Oil Jetty'],
  ['Ellavane Port', 'to all: dredger working south of buoy 6'],
  ['Tarn Runner', 'at anchor, changing watch'],
  ['Tug Bollard', 'standing by at the lock'],
  ['Grey Heron II', 'berthed, gangway down'],
];

/** What the channel of a log has heard in the last two hours, up to `now` or to when it was paused; the newest last. */
export function heardUntil(channel: string, now: Date, paused: Date | null): Call[] {
  const until = Math.min(now.getTime(), paused?.getTime() ?? Infinity);
  const seed = [...channel].reduce((sum, letter) => sum + (letter.codePointAt(0) ?? 0), 0);
  const calls: Call[] = [];
  for (let slot = Math.ceil((now.getTime() - KEPT_MS) / EVERY_MS); slot * EVERY_MS <= until; slot += 1) {
    const [from, message] = HEARD[(slot * 7 + seed + (slot >> 3)) % HEARD.length] as (typeof HEARD)[number];
    calls.push({ time: clockOf(new Date(slot * EVERY_MS)), from, message, marked: false });
  }
  return calls;
}

const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
const clockOf = (date: Date): string => clock.format(date);
