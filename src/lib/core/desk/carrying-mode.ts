/** Carrying at the desk: a document is taken up, and laid down in a program that opens it. */
import { laidDown, takersOf, type Carried } from '../carrying/carried';
import type { WindowId } from '../model/ids';
import { activeTab, windowOf } from '../slices/windows/selectors';
import { highlightedResult } from '../switcher/switcher';
import { deskTarget, type Turn } from './turn';

/** The document that the keys act on: one that was found, else what a window shows; null where there is none. */
export function documentMeant(turn: Turn, window: WindowId | null): Carried | null {
  const { switcher } = turn.state;
  const subject = switcher && highlightedResult(switcher)?.candidate.subject;
  if (subject?.kind === 'document') return { type: 'document', document: subject.document };
  if (window === null) return null;
  return { type: 'document', document: activeTab(windowOf(turn.session, window)).document };
}

/** The switcher says who opens it, and stays until it is laid down. */
export function carry(turn: Turn, what: Carried): void {
  turn.advance({ type: 'cancel' });
  turn.leaveIndex();
  turn.to({ survey: null });
  turn.stay();
  turn.to({ carrying: what });
  turn.say({ type: 'carrying' });
}

/** Whether what is carried was laid down, or could not be: then the switcher stays. */
export function layDown(turn: Turn, carried: Carried): boolean {
  const target = deskTarget(turn.state, turn.session);
  if (!target) return false;
  const { application } = target;
  if (!takersOf(turn.session, carried).has(application)) {
    turn.notice({ type: 'cannot-open', application });
    return true;
  }
  const { switcher } = turn.state;
  const subject = switcher && highlightedResult(switcher)?.candidate.subject;
  const leaf = subject ? subject.kind === 'window' : (switcher?.leaf ?? null) !== null;
  turn.advance({ type: 'cancel' });
  turn.submit({ wishes: [laidDown(carried, target, leaf)] });
  return true;
}
