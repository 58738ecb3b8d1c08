/** One turn of the desk: the state so far, the effects so far, and what every mode does to them. */
import type { Registry } from '../actions/registry';
import { frontTarget, windowTarget, type Target } from '../actions/target';
import type { KeyMap } from '../actions/views/key-map';
import type { Origin } from '../commands/commands';
import type { Notice } from '../host/notice';
import { walkTarget } from '../index/at-the-index';
import { has } from '../model/table';
import type { Neighbours } from '../search/keyboard';
import type { Session } from '../session/session';
import type { TitleMatching } from '../shortcuts/aim';
import { holdKeyOf, type UsableHoldKey } from '../slices/settings/state';
import type { Survey } from '../survey/survey';
import type { Way } from '../tally/way';
import { advance, targetOf, type Choice, type SwitcherInput } from '../switcher/switcher';
import type { Effect, Saying, Submission } from './messages';
import type { DeskState } from './state';

/** What the machine looks at and never changes. */
export interface DeskContext {
  readonly session: Session;
  readonly registry: Registry;
  readonly keys: KeyMap;
  /** Tells whether titles match the patterns of shortcuts. */
  readonly matching: TitleMatching;
  /** Which keys of the person's keyboard lie beside each other. */
  readonly neighbours: Neighbours;
}

/** What the keys act on now: the highlight, the place that is walked, or what is in front. */
export function deskTarget({ survey, switcher, walk }: DeskState, session: Session): Target | null {
  if (switcher) return targetOf(switcher, session);
  if (survey) return surveyTarget(survey, session);
  return walk ? walkTarget(session, walk) : frontTarget(session);
}

/** The highlight of the survey, unless it has gone just now. */
const surveyTarget = ({ at }: Survey, session: Session): Target | null =>
  at !== null && has(session.windows, at) ? windowTarget(session, at) : null;

/** What moves the highlight by hand; what follows from an action is said with its outcome. */
const MOVING: ReadonlySet<SwitcherInput['type']> = new Set<SwitcherInput['type']>([
  'step',
  'jump',
  'jump-leaf',
  'point',
  'point-result',
  'type',
  'stay',
  'pass-on',
  'to-row',
  'into',
  'out',
]);

/** A turn; it begins with a state, and each step of it goes on from the one before. */
export class Turn {
  readonly effects: Effect[] = [];
  /** Whether the keys go to the foot line. */
  atFoot = false;
  /** What makes the person wish what is wished in this turn. */
  origin: Origin = 'page';
  /** How it comes about, where that is more than an action of a key. */
  way: Way | undefined;

  constructor(
    public state: DeskState,
    readonly context: DeskContext,
  ) {}

  get session(): Session {
    return this.context.session;
  }

  get holdKey(): UsableHoldKey {
    return holdKeyOf(this.session.settings);
  }

  /** A state that is the same stays the same object, so that views can tell. */
  to(change: Partial<DeskState>): void {
    const changes = (Object.keys(change) as (keyof DeskState)[]).some(
      (key) => change[key] !== this.state[key],
    );
    if (changes) this.state = { ...this.state, ...change };
  }

  /** Asks something of the page. */
  effect(effect: Effect): void {
    this.effects.push(effect);
  }

  /** Says something to the person. */
  say(saying: Saying): void {
    this.effect({ type: 'say', saying });
  }

  /** Says why nothing came of it. */
  notice(notice: Notice): void {
    this.say({ type: 'notice', notice });
  }

  /** Wishes something of the session. */
  submit(submission: Omit<Submission, 'origin' | 'way'>): void {
    const { origin, way } = this;
    this.effect({ type: 'submit', submission: { ...submission, origin, ...(way && { way }) } });
  }

  /** Moves the switcher on. */
  advance(input: SwitcherInput): void {
    this.choice(input);
  }

  /** Moves the switcher on; answers with what a commit chose. */
  choice(input: SwitcherInput): Choice | null {
    const before = this.state.switcher;
    const { switcher, choice } = advance(before, input, this.session);
    this.to({ switcher });
    if (switcher !== null && before === null) {
      this.leaveIndex();
      this.to({ survey: null });
    }
    if (switcher === null && before !== null) {
      this.effect({ type: 'cancel', timer: 'show' });
      this.to({ shown: false, carrying: null });
    }
    if (this.state.shown && switcher !== before && MOVING.has(input.type)) this.say({ type: 'highlight' });
    return choice;
  }

  /** Shows the switcher that is open, with what its keys do while they are held. */
  show(): void {
    if (!this.state.switcher || this.state.shown) return;
    this.effect({ type: 'cancel', timer: 'show' });
    this.to({ shown: true, explained: this.state.holding });
    this.say({ type: 'highlight' });
  }

  /** Lets the switcher stay, and opens it where it is not. */
  stay(): void {
    this.advance(this.state.switcher ? { type: 'stay' } : { type: 'open', by: null, mode: 'staying' });
    this.show();
  }

  /** A step was taken: another one soon after it is in a hurry, and moves without motion. */
  hurry(): void {
    this.to({ hurried: this.state.stepped, stepped: true });
    this.effect({ type: 'schedule', timer: 'calm' });
  }

  /** The index is walked no more. */
  leaveIndex(): void {
    this.to({ walk: null });
  }
}
