/** Walks every sequence of inputs up to a depth over a small desk, visiting each state once. */
import { BATCH_VERSION, type Wish } from '../src/lib/core/commands/commands';
import { AT_REST, type DeskState } from '../src/lib/core/desk/state';
import type { DeskInput, Outcome } from '../src/lib/core/desk/messages';
import { drive, type Driven } from '../src/lib/core/desk/drive';
import type { ArrivedKey } from '../src/lib/core/keys/key-input';
import { planOf } from '../src/lib/core/host/plan';
import type { Session } from '../src/lib/core/session/session';
import { START } from './sessions';
import { PLAIN_KEY } from './keys';
import { aroundOf } from './person';

/** One thing that can happen: something before the desk, or something that others do. */
type Happening = ((desk: DeskState) => readonly DeskInput[]) | { readonly elsewhere: Wish };

const key = (desk: DeskState, more: Partial<ArrivedKey> & { readonly code: string }): DeskInput => {
  const { modifier: _modifier, ...plain } = PLAIN_KEY;
  const alt = desk.modifiers.has('AltLeft');
  return { type: 'key', key: { ...plain, alt, key: more.code, ...more }, at: START };
};
const down =
  (code: string, more: Partial<ArrivedKey> = {}): Happening =>
  (desk) => [key(desk, { code, ...more })];
const up = (code: string): Happening => down(code, { phase: 'up' });
/** A key that goes down and comes up; of two keys it is told apart in full which of them is down. */
const tap =
  (code: string, more: Partial<ArrivedKey> = {}): Happening =>
  (desk) => [key(desk, { code, ...more }), key(desk, { code, ...more, phase: 'up' })];
const only =
  (input: DeskInput): Happening =>
  () => [input];

/** What can happen at the small desk: keys, the clock, the pointer, and other people. */
export const HAPPENINGS: Readonly<Record<string, Happening>> = {
  hold: down('AltLeft', { key: 'Alt', alt: true }),
  release: down('AltLeft', { key: 'Alt', alt: false, phase: 'up' }),
  S: down('KeyS'),
  'S again': down('KeyS', { repeat: true }),
  'S up': up('KeyS'),
  F: tap('KeyF'),
  Z: tap('KeyZ'),
  X: tap('KeyX'),
  V: tap('KeyV'),
  Q: tap('KeyQ', { key: 'q' }),
  '1': tap('Digit1'),
  index: tap('Backquote'),
  ArrowDown: tap('ArrowDown'),
  'time for a new run': only({ type: 'time', timer: 'run' }),
  R: tap('KeyR'),
  'Shift R': tap('KeyR', { shift: true }),
  G: tap('KeyG'),
  T: tap('KeyT'),
  Space: down('Space', { key: ' ' }),
  'Space up': up('Space'),
  Enter: tap('Enter'),
  Escape: tap('Escape'),
  'type b': only({ type: 'letters', letters: 'b', at: START }),
  'type nothing': only({ type: 'letters', letters: '', at: START }),
  'time to show': only({ type: 'time', timer: 'show' }),
  'focus lost': only({ type: 'blur' }),
  'the pointer tells of a missed release': only({ type: 'pointer', did: 'move', holdKeyDown: false }),
  'elsewhere: b1 is closed': { elsewhere: { type: 'close', window: 'b1' } },
  'elsewhere: c1 comes forward': { elsewhere: { type: 'bring-to-front', window: 'c1', raiseAll: false } },
};

export interface Standing {
  readonly desk: DeskState;
  readonly session: Session;
}

export interface Visit {
  /** What led here, by name. */
  readonly path: readonly string[];
  readonly name: string;
  readonly before: Standing;
  readonly after: Standing;
  /** What was wished on the way, and what the page was asked for. */
  readonly wished: readonly Wish[];
  readonly effects: Driven['effects'];
}

export interface Explored {
  /** From which something was tried. */
  readonly states: number;
  readonly steps: number;
  /** How many sequences of inputs that stands for. */
  readonly sequences: number;
}

/** The host decides at once. Names come from the session, not from a counter, so that equal states are equal. */
function decided(session: Session, wishes: readonly Wish[]): { session: Session; outcome: Outcome } {
  const id = `${session.putAways.length}-${session.ended.length}-${session.windows.length}`;
  const commands = wishes.map((wish, nth) => ({ ...wish, id: `${id}-${nth}`, at: START }));
  const decision = planOf(session, { id, v: BATCH_VERSION, commands });
  if (!decision.ok) return { session, outcome: { events: [], notices: [], refusal: decision.refusal } };
  const { events, notices } = decision;
  return { session: decision.session, outcome: { events, notices, refusal: null } };
}

type Around = ReturnType<typeof aroundOf>;

/** How things stand after something has happened. */
export function after({ desk, session }: Standing, name: string, around: Around): Omit<Visit, 'path'> {
  const happening = HAPPENINGS[name];
  if (!happening) throw new Error(`Nothing is called '${name}'.`);
  const elsewhere = 'elsewhere' in happening ? happening.elsewhere : null;
  let now = elsewhere ? decided(session, [elsewhere]).session : session;
  let state = desk;
  const wished: Wish[] = [];
  const effects: Driven['effects'][number][] = [];
  const submit = ({ wishes }: { readonly wishes: readonly Wish[] }): Outcome => {
    wished.push(...wishes);
    const { session: then, outcome } = decided(now, wishes);
    now = then;
    return outcome;
  };
  const inputs: readonly DeskInput[] =
    typeof happening === 'function' ? happening(desk) : [{ type: 'session-changed' }];
  for (const input of inputs) {
    const driven = drive(state, input, { session: () => now, submit }, around);
    state = driven.state;
    effects.push(...driven.effects);
  }
  return { name, before: { desk, session }, after: { desk: state, session: now }, wished, effects };
}

/** Visits every transition up to `depth`, breadth first, so that the first path to a broken rule is a shortest one. */
export function explore(start: Session, depth: number, visit: (visit: Visit) => void): Explored {
  const names = Object.keys(HAPPENINGS);
  const around = aroundOf(start);
  const known = new Set<string>([`${nameOfDesk(AT_REST)}|${nameOfSession(start)}`]);
  const sessions = new Map<string, Session>([[nameOfSession(start), start]]);
  let layer: { standing: Standing; path: readonly string[] }[] = [
    { standing: { desk: AT_REST, session: start }, path: [] },
  ];
  let steps = 0;
  for (let level = 0; level < depth; level += 1) {
    /** By session: what is computed from one is kept for the one that was asked for last. */
    const next = new Map<Session, typeof layer>();
    for (const { standing, path } of layer)
      for (const name of names) {
        steps += 1;
        const then = after(standing, name, around);
        visit({ ...then, path });
        // What the last steps lead to is looked at, and led no further.
        if (level === depth - 1) continue;
        const { desk } = then.after;
        const sessionName = nameOfSession(then.after.session);
        const key = `${nameOfDesk(desk)}|${sessionName}`;
        if (known.has(key)) continue;
        known.add(key);
        const session = sessions.get(sessionName) ?? then.after.session;
        sessions.set(sessionName, session);
        const others = next.get(session) ?? [];
        next.set(session, others);
        others.push({ standing: { desk, session }, path: [...path, name] });
      }
    layer = [...next.values()].flat();
  }
  return { states: known.size, steps, sequences: names.length ** depth };
}

/** Everything of a desk that can change what happens next, without instants. */
function nameOfDesk(desk: DeskState): string {
  const {
    switcher,
    modifiers,
    taken,
    hurried: _hurried,
    stepped: _stepped,
    undoes: _undoes,
    dialogOn: _dialogOn,
    recorded: _recorded,
    run,
    walk,
    placing,
    carrying,
    survey,
    surface: _surface,
    paper: _paper,
    ...flags
  } = desk;
  const search = switcher?.search;
  return [
    Object.values(flags).join(),
    run && [run.of, run.order.join(' '), run.at, run.pass.after, run.pass.minimised].join(),
    walk && [walk.at, walk.letters].join(),
    placing?.window,
    JSON.stringify(carrying),
    survey && [survey.at, survey.order, survey.letters].join(),
    [...modifiers.keys()].join(),
    taken.toSorted().join(),
    switcher && [switcher.row, switcher.leaf, switcher.mode, switcher.putAway].join(),
    switcher?.rows.map((row) => `${row.application}:${row.leaves.join()}`).join(),
    search &&
      [search.letters, search.highlighted, ...search.results.map(({ candidate }) => candidate.key)].join(),
  ].join('|');
}

/** The same of a session. */
const nameOfSession = (session: Session): string =>
  [
    session.front,
    session.stacking.join(),
    session.windows.map((one) => `${one.id}${one.minimised ? '-' : ''}${one.asking?.goal ?? ''}`).join(),
    session.applications.map((one) => `${one.id}${one.hidden ? '!' : ''}${one.running ? '' : '.'}`).join(),
    session.recent.windows.map(({ id }) => id).join(),
    session.recent.applications.map(({ id }) => id).join(),
    session.putAways.map((one) => `${one.kind}${one.front ?? ''}`).join(),
    session.ended.map((one) => `${one.kind}${one.application}`).join(),
    session.learned.map(({ choice }) => choice).join(),
  ].join('|');
