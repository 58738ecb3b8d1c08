import type { Command, Wish, WishType } from '../session/commands';
import { LONGEST_LETTERS, LONGEST_TEXT, LONGEST_TITLE, MOST_WEIGHT, MOST_WINDOWS } from '../session/limits';
import type { Session } from '../session/session';
import { weightOf } from '../session/weight';
import { bringToFront, openDocument, openWindow, switchToApplication } from './coming-forward';
import { Course, Refused } from './course';
import { answerDraft, keepDraft, save } from './drafts';
import { answerClosing, close, closeAll, endNow, quit, reopen } from './ending';
import type { Host, Notice, Refusal } from './host';
import { hideOrShow, minimise, minimiseAll, putBack, solo, sweep } from './putting-away';

/** The host that ships with Key Fold: its stand-ins do at once what is asked of them. */
export const simulatedHost: Host = {
  decide(session, command) {
    const refusal = refusalOf(session, command);
    if (refusal) return { ok: false, refusal };
    const course = new Course(session, command);
    try {
      carryOut(course, command);
    } catch (error) {
      if (error instanceof Refused) return { ok: false, refusal: error.refusal };
      throw error;
    }
    const limit = GROWING.has(command.type) ? limitPassed(session, course.session) : null;
    if (limit) return { ok: true, events: [], notices: [limit], session };
    return { ok: true, events: course.events, notices: course.notices, session: course.session };
  },
};

/** The wishes that can make a session larger. */
const GROWING: ReadonlySet<WishType> = new Set<WishType>([
  'switch-to-application',
  'open-window',
  'open-document',
  'reopen',
  'keep-draft',
  'retitle-tab',
]);

/** What would not fit is not done at all, so that every session can be exported and imported again. */
function limitPassed(before: Session, after: Session): Notice | null {
  const windows = after.stacking.length;
  if (windows > MOST_WINDOWS && windows > before.stacking.length) return { type: 'too-many-windows' };
  const weight = weightOf(after);
  return weight > MOST_WEIGHT && weight > weightOf(before) ? { type: 'session-full' } : null;
}

/** The texts of commands that have a longest length, by their field. */
const LONGEST = { text: LONGEST_TEXT, title: LONGEST_TITLE, letters: LONGEST_LETTERS } as const;

const NAMED = ['window', 'application', 'document'] as const;

/** A command is refused when it names something that the session does not have, or is longer than can be kept. */
function refusalOf(session: Session, command: Command): Refusal | null {
  for (const kind of NAMED) {
    const id = (command as { [kind in (typeof NAMED)[number]]?: string })[kind];
    if (id !== undefined && !Object.hasOwn(session[`${kind}s`], id))
      return { field: kind, detail: `There is no ${kind} '${id}'.` };
  }
  for (const [field, longest] of Object.entries(LONGEST)) {
    const text = (command as { [field: string]: unknown })[field];
    if (typeof text === 'string' && text.length > longest)
      return { field, detail: `The ${field} is longer than ${longest} characters.` };
  }
  if (command.type === 'retitle-tab') {
    const known = session.windows[command.window]?.tabs.some((tab) => tab.id === command.tab);
    if (!known) return { field: 'tab', detail: `Window '${command.window}' has no tab '${command.tab}'.` };
  }
  return null;
}

function carryOut(course: Course, wish: Wish): void {
  switch (wish.type) {
    case 'bring-to-front':
      return bringToFront(course, wish.window, wish.raiseAll);
    case 'switch-to-application':
      return switchToApplication(course, wish.application);
    case 'open-window':
      return openWindow(course, wish.application, wish.inFront);
    case 'open-document':
      return openDocument(course, wish.document);
    case 'minimise':
      return minimise(course, wish.window);
    case 'minimise-all':
      return minimiseAll(course, wish.application);
    case 'hide-or-show':
      return hideOrShow(course, wish.application);
    case 'solo':
      return solo(course, wish.application);
    case 'sweep':
      return sweep(course);
    case 'put-back':
      return putBack(course);
    case 'close':
      return close(course, wish.window);
    case 'close-all':
      return closeAll(course, wish.application);
    case 'quit':
      return quit(course, wish.application);
    case 'end-now':
      return endNow(course, wish.application);
    case 'answer-closing':
      return answerClosing(course, wish.window, wish.answer);
    case 'reopen':
      return reopen(course);
    case 'keep-draft':
      return keepDraft(course, wish.document, wish.text);
    case 'save':
      return save(course, wish.document);
    case 'answer-draft':
      return answerDraft(course, wish.window, wish.answer);
    case 'place-window':
      return course.happen({
        type: 'windows-placed',
        places: [{ window: wish.window, geometry: wish.geometry }],
      });
    case 'retitle-tab':
      return course.happen({ type: 'tab-retitled', window: wish.window, tab: wish.tab, title: wish.title });
    case 'stop-answering':
      return course.happen({ type: 'application-stopped-answering', application: wish.application });
    case 'change-settings':
      return course.happen({ type: 'settings-changed', settings: wish.settings });
    case 'learn-choice':
      return course.happen({
        type: 'choice-learned',
        letters: wish.letters,
        choice: wish.choice,
        at: course.command.at,
      });
    case 'forget-choices':
      return course.happen({ type: 'choices-forgotten', choice: wish.choice });
  }
}
