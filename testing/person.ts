/** Someone at a keyboard, before the very desk that the page runs: keys go in, and what follows is looked at. */
import { ACTIONS } from '../src/lib/core/actions/actions';
import type { Position } from '../src/lib/core/actions/binding';
import { Registry } from '../src/lib/core/actions/registry';
import { keyMapOf, type KeyMap } from '../src/lib/core/actions/views/key-map';
import { BATCH_VERSION, type Batch, type Wish } from '../src/lib/core/commands/commands';
import { AT_REST, type DeskState } from '../src/lib/core/desk/state';
import type { DeskInput, Effect, Outcome } from '../src/lib/core/desk/messages';
import { drive, type Ground } from '../src/lib/core/desk/drive';
import type { Step } from '../src/lib/core/desk/order';
import type { Notice } from '../src/lib/core/host/notice';
import type { ArrivedKey } from '../src/lib/core/keys/key-input';
import { idsOf } from '../src/lib/core/model/order';
import { planOf } from '../src/lib/core/host/plan';
import { problemsOf, type Session, type SessionEvent } from '../src/lib/core/session/session';
import { highlightedLeaf, unfoldedRow, type Switcher } from '../src/lib/core/switcher/switcher';
import { titlePattern } from '../src/lib/core/shortcuts/title-pattern';
import { SwitchWatch } from '../src/lib/core/tally/watch';
import type { SwitchFacts } from '../src/lib/core/tally/way';
import { layOut } from '../src/lib/core/survey/survey';
import { sessionOf, later } from './sessions';
import { PLAIN_KEY } from './keys';
import { US_NEIGHBOURS } from './candidates';

export const REGISTRY = new Registry(ACTIONS);

const KEYS = new WeakMap<Session, KeyMap>();

/** The keys of a session, and the registry that they are read off. */
export function aroundOf(session: Session) {
  const keys = KEYS.get(session) ?? keyMapOf(REGISTRY, session);
  KEYS.set(session, keys);
  return { registry: REGISTRY, keys, neighbours: US_NEIGHBOURS, matching };
}

/** Patterns as the page reads them, once it has loaded what reads them. */
function matching(pattern: string) {
  const read = titlePattern(pattern);
  return 'matches' in read ? read.matches : null;
}

const HOLD_KEY = { code: 'AltLeft', key: 'Alt' };

/** Every step must leave a valid session. */
export class Person {
  state: DeskState = AT_REST;
  events: SessionEvent[] = [];
  /** What was last said that changes nothing. */
  notices: readonly Notice[] = [];
  /** What was submitted, in its order. */
  readonly batches: Batch[] = [];
  /** What the desk left to the page, of all that was done. */
  effects: Exclude<Effect, { type: 'submit' }>[] = [];
  /** How each submission came about, as a page would tell it. */
  readonly facts: SwitchFacts[] = [];
  /** The time on the page's clock, in ms. */
  now = 0;
  readonly #watch = new SwitchWatch();
  #around: ReturnType<typeof aroundOf>;
  #keysOf: Pick<Session, 'shortcuts' | 'ownKeys' | 'settings'>;
  readonly #ground: Ground;
  #holding = false;
  #batches = 0;

  constructor(public session: Session) {
    this.#around = aroundOf(session);
    this.#keysOf = session;
    this.#ground = {
      session: () => this.session,
      submit: (submission) => {
        this.facts.push(this.#watch.factsOf(submission, this.now));
        return this.#decide(submission.wishes);
      },
    };
  }

  /** Something that happens by itself, or that others do: it is wished past the desk. */
  wish(wish: Wish): this {
    const { notices, refusal } = this.#decide([wish]);
    if (refusal) throw new Error(refusal.detail);
    this.notices = notices;
    return this.input({ type: 'session-changed' });
  }

  /** The same of what may be refused, which changes nothing then. */
  wishIfTaken(wish: Wish): this {
    return this.#decide([wish]).refusal ? this : this.input({ type: 'session-changed' });
  }

  input(input: DeskInput): this {
    this.#followKeys();
    this.#watch.hear(input, this.now);
    const { state, effects } = drive(this.state, input, this.#ground, this.#around);
    this.#watch.rest(state);
    this.state = state;
    this.effects.push(...effects);
    // What the page computes elsewhere where it is much is computed here at once.
    for (const effect of effects)
      if (effect.type === 'lay-out') this.input({ type: 'laid-out', sheet: layOut(effect.request) });
    const said = effects.flatMap((effect) =>
      effect.type === 'say' && effect.saying.type === 'notice' ? [effect.saying.notice] : [],
    );
    if (said.length > 0) this.notices = said;
    return this;
  }

  /** As the page does, it has other keys as soon as somebody chooses some. */
  #followKeys(): void {
    const { shortcuts, ownKeys, settings } = this.session;
    const before = this.#keysOf;
    if (shortcuts === before.shortcuts && ownKeys === before.ownKeys && settings === before.settings) return;
    this.#around = aroundOf(this.session);
    this.#keysOf = this.session;
  }

  /** A key event, with the modifiers as they are held. */
  key(key: Partial<ArrivedKey> & { readonly code: string }): this {
    const { modifier: _modifier, ...plain } = PLAIN_KEY;
    const arrived = { ...plain, alt: this.#holding, key: key.code, ...key };
    return this.input({ type: 'key', key: arrived, at: later(this.#batches) });
  }

  /** Time passes, in ms. */
  after(ms: number): this {
    this.now += ms;
    return this;
  }

  /** Takes the hold key, unless it is held. */
  hold(): this {
    if (this.#holding) return this;
    this.#holding = true;
    return this.key(HOLD_KEY);
  }

  letGo(options: { readonly shift?: boolean } = {}): this {
    this.#holding = false;
    return this.key({ ...HOLD_KEY, phase: 'up', shift: options.shift ?? false });
  }

  /** A key goes down and comes up. */
  tap(code: string, more: Partial<ArrivedKey> = {}): this {
    return this.key({ code, ...more }).key({ code, ...more, phase: 'up' });
  }

  /** The key of an action, while holding. */
  press(action: string, more: Partial<ArrivedKey> = {}): this {
    const { code, shift } = this.#chordOf(action);
    return this.hold().tap(code, { shift, ...more });
  }

  #chordOf(action: string): Position {
    this.#followKeys();
    const chord = this.#around.keys.chordOf({ action, argument: null });
    if (!chord) throw new Error(`'${action}' has no key.`);
    return chord;
  }

  step(...steps: Step[]): this {
    for (const step of steps) this.press(step);
    return this;
  }

  /** The key of a step is kept down until it has repeated so many times. */
  repeat(step: Step, times: number): this {
    const { code } = this.#chordOf(step);
    for (let time = 0; time < times; time += 1) this.hold().key({ code, repeat: true });
    return this.key({ code, phase: 'up' });
  }

  /** Does something to the highlight, or to what is in front. */
  act(action: string): this {
    return this.press(action);
  }

  /** Chooses: by letting go, or where the switcher stays open, by Enter. */
  release(options: { readonly shift?: boolean } = {}): this {
    const { switcher } = this.state;
    const stays = switcher?.mode === 'staying';
    this.letGo(options);
    return stays ? this.tap('Enter', { shift: options.shift ?? false }) : this;
  }

  /** Types into the search line. */
  type(letters: string): this {
    return this.input({ type: 'letters', letters, at: later(this.#batches) });
  }

  escape(): this {
    return this.tap('Escape');
  }

  /** Steps once and lets go. */
  flip(step: Step = 'older-application'): this {
    return this.step(step).release();
  }

  #decide(wishes: readonly Wish[]): Outcome {
    this.#batches += 1;
    const id = `c${this.#batches}`;
    const commands = wishes.map((wish, nth) => ({
      ...wish,
      id: nth === 0 ? id : `${id}-${nth}`,
      at: later(this.#batches),
    }));
    const batch: Batch = { id, v: BATCH_VERSION, commands };
    const decision = planOf(this.session, batch);
    this.batches.push(batch);
    if (!decision.ok) return { events: [], notices: [], refusal: decision.refusal };
    const { events, notices, session } = decision;
    const problems = problemsOf(session);
    if (problems.length > 0) throw new Error(JSON.stringify(problems));
    this.session = session;
    this.events.push(...events);
    this.notices = notices;
    return { events, notices, refusal: null };
  }

  get switcher(): Switcher | null {
    return this.state.switcher;
  }

  /** What search found, best first, by title. */
  get found(): string[] {
    return (this.switcher?.search?.results ?? []).map(({ candidate }) => candidate.title);
  }

  get rows(): string {
    return (this.switcher?.rows ?? []).map((row) => row.application).join(' ');
  }

  get row(): string | undefined {
    return this.switcher ? unfoldedRow(this.switcher)?.application : undefined;
  }

  get leaves(): string {
    return (this.switcher && unfoldedRow(this.switcher)?.leaves.join(' ')) ?? '';
  }

  get leaf(): string | null {
    return this.switcher && highlightedLeaf(this.switcher, this.session);
  }

  get applications(): string {
    return idsOf(this.session.recent.applications).join(' ');
  }

  get windows(): string {
    return idsOf(this.session.recent.windows).join(' ');
  }

  get stacking(): string {
    return this.session.stacking.join(' ');
  }
}

export const personAt = (line: string): Person => new Person(sessionOf(line));
