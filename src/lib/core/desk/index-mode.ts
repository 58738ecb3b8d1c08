/** The index at the desk: places and shortcuts that are pressed, and walking from place to place. */
import type { Invocation } from '../actions/action';
import { adding, begun, obeyed, soughtIn } from '../index/at-the-index';
import { applicationPressed, pressableAt, pressed, type Pressable } from '../index/pressing';
import type { Walk } from '../index/walk';
import type { ApplicationId } from '../model/ids';
import { applicationOf } from '../slices/applications/selectors';
import type { Digit, Thing } from '../slices/places/state';
import { shortcutOf } from '../slices/shortcuts/selectors';
import { highlightedResult } from '../switcher/switcher';
import type { IndexOrder } from './order';
import { deskTarget, type Turn } from './turn';

/** What a run of presses is called by. */
const runName = ({ action, argument }: Invocation): string => `${action} ${argument}`;

/** The run goes on only with the same place (switching rule 14). */
export function endRunUnlessOf(turn: Turn, invocation: Invocation | null): void {
  const same = invocation && turn.state.run?.of === runName(invocation);
  if (!same) turn.to({ run: null });
}

/** Goes to what stands at a place of the index, or on within it. */
export function pressPlace(turn: Turn, digit: Digit): void {
  const what = pressableAt(turn.session, digit);
  if (what) pressThing(turn, 'place', digit, what);
  else turn.notice({ type: 'empty-place', digit });
}

/** Goes to what a shortcut leads to, or on within it. */
export function pressShortcut(turn: Turn, id: string): void {
  const what = shortcutOf(turn.session, id);
  if (what) pressThing(turn, 'shortcut', id, what);
  else turn.notice({ type: 'not-there' });
}

function pressThing(turn: Turn, way: 'place' | 'shortcut', argument: string, what: Pressable): void {
  const of = runName({ action: way, argument });
  if (turn.state.switcher) return toRow(turn, applicationPressed(turn.session, what));
  turn.way = way;
  turn.leaveIndex();
  const outcome = pressed(turn.session, turn.state.run, of, what, turn.context.matching);
  turn.to({ run: outcome.run });
  if (outcome.run) turn.effect({ type: 'schedule', timer: 'run' });
  if ('wish' in outcome) turn.submit({ wishes: [outcome.wish] });
  else turn.notice(outcome.notice);
}

/** While the switcher is open a place is its row, and then the next leaf of that. */
function toRow(turn: Turn, application: ApplicationId): void {
  if (!applicationOf(turn.session, application).running)
    return turn.notice({ type: 'not-running', application });
  turn.hurry();
  turn.advance({ type: 'to-row', application });
  turn.show();
}

/** Begins to walk the index, at the place where the walk ended last. */
export function walkIndex(turn: Turn): void {
  if (turn.state.switcher) turn.advance({ type: 'cancel' });
  walkTo(turn, begun(turn.session, turn.state.walkedTo));
  turn.say({ type: 'place' });
}

/** The walk is at another place now. */
export function walkTo(turn: Turn, walk: Walk): void {
  turn.to({ walk, walkedTo: walk.at });
}

/** The keys go to the next section of the page: the front window, the index, the foot line. */
export function toSection(turn: Turn, by: 1 | -1): void {
  const sections = ['front', 'index', 'foot'] as const;
  const at = turn.atFoot ? 2 : turn.state.walk ? 1 : 0;
  const to = sections[(at + by + sections.length) % sections.length];
  if (to === 'index') return walkIndex(turn);
  turn.leaveIndex();
  if (to) turn.effect({ type: 'page', request: { type: 'keys-to', section: to } });
}

/** A letter is typed while the index is walked: on to what begins with it. */
export function seek(turn: Turn, letter: string): void {
  if (!turn.state.walk) return;
  walkTo(turn, soughtIn(turn.session, turn.state.walk, letter));
  turn.effect({ type: 'schedule', timer: 'seek' });
  turn.say({ type: 'place' });
}

/** Does what is ordered at the place that is walked. */
export function atIndex(turn: Turn, order: IndexOrder): void {
  if (!turn.state.walk) return;
  const { walk, wishes, notice } = obeyed(turn.session, turn.state.walk, order);
  if (walk) walkTo(turn, walk);
  else turn.leaveIndex();
  if (notice) return turn.notice(notice);
  turn.way = 'place';
  if (wishes.length > 0) return turn.submit({ wishes });
  turn.say({ type: walk ? 'place' : 'front' });
}

/** Puts what the keys act on into the index, at its first empty place. */
export function addToIndex(turn: Turn): void {
  const thing = thingMeant(turn);
  if (thing === null) return turn.notice({ type: 'no-window-here' });
  const added = adding(turn.session, thing);
  if ('notice' in added) turn.notice(added.notice);
  else turn.submit({ wishes: [added.wish] });
}

/** What could stand in the index of what the keys act on: a document that was found, else an application. */
function thingMeant(turn: Turn): Thing | null {
  const { switcher } = turn.state;
  const subject = switcher && highlightedResult(switcher)?.candidate.subject;
  if (subject?.kind === 'document') return { document: subject.document };
  return deskTarget(turn.state, turn.session)?.application ?? null;
}
