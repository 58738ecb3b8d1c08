import { decide } from '../host/decide';
import { isAble } from '../host/plan';
import type { Session } from '../session/session';
import { FRESH, not, type Action, type Invocation, type Moment, type Offer, type Words } from './action';
import type { Target } from './target';

/** An instant for trying out what a wish would do; nothing of it is kept. */
const SOME_TIME = '2000-01-01T00:00:00.000Z';

/** All actions there are, by id. */
export class Registry {
  readonly #byId: ReadonlyMap<string, Action>;

  /** @throws TypeError if two actions have one id. */
  constructor(readonly actions: readonly Action[]) {
    this.#byId = new Map(actions.map((action) => [action.id, action]));
    if (this.#byId.size !== actions.length) throw new TypeError('Two actions have one id.');
  }

  /** Whether there is an action with this id; one that was chosen by a later version may be none. */
  has(id: string): boolean {
    return this.#byId.has(id);
  }

  /** The action with this id. @throws RangeError if there is none. */
  action(id: string): Action {
    const found = this.#byId.get(id);
    if (!found) throw new RangeError(`There is no action '${id}'.`);
    return found;
  }

  /** What an invocation asks for, without asking whether anything would come of it. */
  deeds(
    session: Session,
    { action: id, argument }: Invocation,
    target: Target | null,
    moment: Moment,
  ): Offer {
    return this.action(id).offer(session, target, argument, moment);
  }

  /**
   * What an invocation would do now, or why it would not. Whether a wish leads to anything is the host's to say and
   * nobody else's, so that what is offered happens: it is tried out.
   */
  offer(session: Session, invocation: Invocation, target: Target | null): Offer {
    const offer = this.deeds(session, invocation, target, FRESH);
    if ('not' in offer) return offer;
    let now = session;
    for (const [nth, deed] of offer.does.entries()) {
      if (deed.to !== 'session') continue;
      if (!isAble(session.host, deed.wish)) return not({ type: 'host-cannot' });
      const decision = decide(now, { ...deed.wish, id: `try-${nth}`, at: SOME_TIME });
      if (!decision.ok) return not({ type: 'not-there' });
      const [notice] = decision.notices;
      if (notice) return not(notice);
      now = decision.session;
    }
    return offer;
  }

  /** What an invocation is called. @throws RangeError for an action that there is not. */
  words({ action, argument }: Invocation, session: Session): Words {
    return this.action(action).words(argument, session);
  }

  /** Every invocation that there is now. */
  invocations(session: Session): Invocation[] {
    return this.actions.flatMap((action) =>
      action.arguments(session).map((argument) => ({ action: action.id, argument })),
    );
  }
}
