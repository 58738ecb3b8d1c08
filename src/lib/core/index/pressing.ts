/** What pressing a place or a shortcut leads to; both may stand for an application, and then are the same thing. */
import type { Wish } from '../commands/commands';
import type { Notice } from '../host/notice';
import type { ApplicationId, DocumentId } from '../model/ids';
import type { Session } from '../session/session';
import { applicationAimedAt, windowsAimedAt, type TitleMatching } from '../shortcuts/aim';
import { awayFrom } from '../shortcuts/away-from';
import { documentOf } from '../slices/documents/selectors';
import { thingAt } from '../slices/places/selectors';
import type { Digit } from '../slices/places/state';
import type { Shortcut } from '../slices/shortcuts/state';
import { activeTab, windowOf } from '../slices/windows/selectors';
import { press, type Run } from './run';

/** What can be pressed: something as a shortcut has it, or a document. */
export type Pressable = Pick<Shortcut, 'aim' | 'opens' | 'further'> | { readonly document: DocumentId };

/** What stands at a digit, to be pressed; null for an empty place. */
export function pressableAt(session: Session, digit: Digit): Pressable | null {
  const thing = thingAt(session, digit);
  if (thing === null || typeof thing === 'object') return thing;
  return { aim: { application: thing, title: null }, opens: true, further: 'next-window' };
}

/** The application that would come forward. */
export const applicationPressed = (session: Session, what: Pressable): ApplicationId =>
  'document' in what ? documentOf(session, what.document).application : applicationAimedAt(session, what.aim);

/** What a press leads to: a wish, or why nothing happens; and the run that a next press goes on with. */
export type Outcome = { readonly run: Run | null } & ({ readonly wish: Wish } | { readonly notice: Notice });

/** A press of `what`, which is called `of`; `run` as in `press`. */
export function pressed(
  session: Session,
  run: Run | null,
  of: string,
  what: Pressable,
  matching: TitleMatching,
): Outcome {
  const application = applicationPressed(session, what);
  const nowhere = { run: null, notice: { type: 'only-window', application } } as const;
  const { front } = session;
  if ('document' in what) {
    const shown = front !== null && activeTab(windowOf(session, front)).document === what.document;
    return shown ? nowhere : { run: null, wish: { type: 'open-document', document: what.document } };
  }
  const windows = windowsAimedAt(session, what.aim, matching).map(({ id }) => id);
  if (windows.length === 0)
    return what.opens
      ? { run: null, wish: { type: 'switch-to-application', application } }
      : { run: null, notice: { type: 'nothing-to-go-to' } };
  const leaves = what.further !== 'next-window' && front !== null && windows.includes(front);
  const next = leaves
    ? { run: null, wish: awayFrom(session, what, windows) }
    : press(run, of, windows, session);
  return next.wish ? { run: next.run, wish: next.wish } : nowhere;
}
