import { BATCH_VERSION, type Origin, type Wish } from '../../core/commands/commands';
import type { Outcome } from '../../core/desk/messages';
import { planOf } from '../../core/host/plan';
import type { Session } from '../../core/session/session';
import type { SwitchFacts } from '../../core/tally/way';
import type { DeskLink } from '../desk-link';
import { newId } from '../ids';
import { Present } from '../present.svelte';

/** What hears of a practice desk. */
export interface PracticeListener {
  /** Something was done at it. */
  changed(before: Session, after: Session, facts: SwitchFacts | null): void;
  /** It was laid anew. */
  laid(): void;
}

/** A desk to practise at: it is in this page alone, and gone with it. */
export class PracticeLink implements DeskLink {
  readonly id = 'practice';
  readonly hears = true;
  readonly isBusy = false;
  readonly offline = false;
  readonly unsent = 0;
  readonly unsettled = 0;
  readonly unconfirmed = 0;
  readonly late = false;
  readonly aside = [];
  readonly #session: Present<Session>;

  constructor(
    session: Session,
    readonly listener: PracticeListener,
  ) {
    this.#session = new Present(session);
  }

  get session(): Session {
    return this.#session.shown;
  }

  get sessionNow(): Session {
    return this.#session.now;
  }

  /** There is nobody to listen to. */
  open(): () => void {
    return () => undefined;
  }

  /** Does it, here and now. */
  submit(wishes: readonly Wish[], origin: Origin, facts?: SwitchFacts): Outcome {
    const before = this.sessionNow;
    const at = new Date().toISOString();
    const commands = wishes.map((wish) => ({ ...wish, id: newId(), at }));
    const plan = planOf(before, { id: newId(), v: BATCH_VERSION, commands, origin });
    if (!plan.ok) return { events: [], notices: [], refusal: plan.refusal };
    this.#session.become(plan.session);
    if (plan.session !== before) this.listener.changed(before, plan.session, facts ?? null);
    return { events: plan.events, notices: plan.notices, refusal: null };
  }

  /** Lays the desk anew. */
  lay(session: Session): void {
    this.#session.become(session);
    this.listener.laid();
  }

  /** Nothing is ever set aside. */
  retryAside(): void {}

  /** Nothing is ever set aside. */
  dropAside(): void {}
}
