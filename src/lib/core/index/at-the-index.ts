/** What the orders of someone at the index lead to: where the walk goes, and what is wished of the session. */
import { applicationTarget, windowTarget, type Target } from '../actions/target';
import type { Wish } from '../commands/commands';
import type { IndexOrder } from '../desk/order';
import type { Notice } from '../host/notice';
import { find } from '../model/table';
import type { Session } from '../session/session';
import { frontApplication } from '../slices/front/selectors';
import { emptyDigit, digitOf, sameThing } from '../slices/places/selectors';
import { DIGITS, type Thing } from '../slices/places/state';
import { shows } from '../slices/windows/selectors';
import { applicationOfThing, nameOfThing } from './place-view';
import { atEnd, begunWalk, sought, stepped, walkAt, type Walk } from './walk';

/** What an order leads to. */
export interface AtTheIndex {
  /** Where the walk is afterwards; null when it is over. */
  readonly walk: Walk | null;
  readonly wishes: readonly Wish[];
  readonly notice?: Notice;
}

/** A walk that begins: where the last one was, else with what is in front. */
export function begun(session: Session, last: number | null): Walk {
  const front = frontApplication(session);
  const digit = front === null ? null : digitOf(session, front);
  return begunWalk(session.places, last, digit === null ? -1 : DIGITS.indexOf(digit));
}

/** What stands where someone walks; null while the index is empty. */
export const thingWalked = ({ places }: Session, { at }: Walk): Thing | null => places[at] ?? null;

/** What stands where someone walks, as something to act on. */
export function walkTarget(session: Session, walk: Walk): Target | null {
  const thing = thingWalked(session, walk);
  if (thing === null) return null;
  if (typeof thing === 'string') return applicationTarget(session, thing);
  const window = session.recent.windows.find(({ id }) => {
    const found = find(session.windows, id);
    return found !== undefined && shows(found, thing.document);
  });
  return window
    ? windowTarget(session, window.id)
    : { application: applicationOfThing(session, thing), window: null };
}

/** The walk after a letter. */
export const soughtIn = (session: Session, walk: Walk, letter: string): Walk =>
  sought(
    walk,
    letter,
    session.places,
    session.places.map((thing) => thing && nameOfThing(session, thing)),
  );

/** The walk once the session is another: it goes with what it was on, else on to what stands next. */
export function following({ places }: Session, walk: Walk): Walk {
  const { at, on, letters } = walk;
  const now = places.findIndex((thing) => on !== null && sameThing(thing, on));
  if (now >= 0) return now === at ? walk : { ...walkAt(places, now), letters };
  return (places[at] ?? null) === null ? stepped(walk, places, 1, false) : { ...walkAt(places, at), letters };
}

/** What an order leads to while someone walks. */
export function obeyed(session: Session, walk: Walk, order: IndexOrder): AtTheIndex {
  const { places } = session;
  const stays = (walk: Walk, ...wishes: readonly Wish[]): AtTheIndex => ({ walk, wishes });
  const thing = thingWalked(session, walk);
  switch (order.do) {
    case 'step':
      return stays(stepped(walk, places, order.by, order.repeat));
    case 'go-to-end':
      return stays(atEnd(places, order.end));
    case 'go-to': {
      const at = DIGITS.indexOf(order.digit);
      return places[at] === null
        ? { walk, wishes: [], notice: { type: 'empty-place', digit: order.digit } }
        : stays(walkAt(places, at));
    }
    case 'leave':
      return { walk: null, wishes: [] };
  }
  if (thing === null) return { walk, wishes: [], notice: { type: 'empty-index' } };
  switch (order.do) {
    case 'open':
      return { walk: null, wishes: opening(session, thing, order.alone) };
    case 'take-out':
      return stays(walk, { type: 'take-from-index', thing });
    case 'carry': {
      const digit = DIGITS[walk.at + order.by];
      return digit ? stays(walk, { type: 'put-in-index', thing, digit }) : stays(walk);
    }
    case 'carry-to':
      return stays(walk, { type: 'put-in-index', thing, digit: order.digit });
  }
}

/** It comes forward; `alone`: and everything else is hidden. */
function opening(session: Session, thing: Thing, alone: boolean): Wish[] {
  const application = applicationOfThing(session, thing);
  return [
    typeof thing === 'string'
      ? { type: 'switch-to-application', application }
      : { type: 'open-document', document: thing.document },
    ...(alone ? [{ type: 'solo', application } as const] : []),
  ];
}

/** Puts something at the first empty place, or says why not. */
export function adding(
  session: Session,
  thing: Thing,
): { readonly wish: Wish } | { readonly notice: Notice } {
  const there = digitOf(session, thing);
  if (there !== null) return { notice: { type: 'in-index', digit: there } };
  const digit = emptyDigit(session);
  return digit === null
    ? { notice: { type: 'index-full' } }
    : { wish: { type: 'put-in-index', thing, digit } };
}
