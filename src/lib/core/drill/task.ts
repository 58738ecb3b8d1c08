/** Tasks of the drill: what is to be reached on the practice desk, whether it is, and by how few keys it can be. */
import type { ApplicationId, WindowId } from '../model/ids';
import { find } from '../model/table';
import { isSeen, type Session } from '../session/session';
import { frontApplication } from '../slices/front/selectors';
import { thingAt } from '../slices/places/selectors';
import { windowsOf } from '../slices/recency/selectors';
import { titleOf, windowOf } from '../slices/windows/selectors';
import type { AppWindow } from '../slices/windows/state';
import type { Digit } from '../slices/places/state';
import type { Stroke } from '../tally/cheapest-way';
import { NONE } from '../tally/history';
import { around } from '../tally/habits';
import type { Way } from '../tally/way';
import { digitOfSkill, SKILLS, type Skill } from './skills';

/** What is to be done, and by which keys it is practised. */
export type Task = {
  readonly skill: Skill;
  /** The shortest way, in which nobody has to look. */
  readonly strokes: readonly Stroke[];
  /** How often someone has to look on the way. */
  readonly looks: number;
} & (
  | { readonly kind: 'reach'; readonly window: WindowId }
  | { readonly kind: 'put-away'; readonly windows: readonly WindowId[] }
  | { readonly kind: 'end'; readonly application: ApplicationId }
);

/** The keys of a task that go down, the hold key not counted. */
export const pressesOf = ({ strokes }: Pick<Task, 'strokes'>): number =>
  strokes.reduce((sum, stroke) => sum + ('letters' in stroke ? [...stroke.letters].length : 1), 0);

/** The ways that count as a skill; for what is not about going anywhere there are none. */
export function waysOf(skill: Skill): readonly Way[] | null {
  if (digitOfSkill(skill) !== null) return ['place'];
  switch (skill) {
    case 'flip':
    case 'steps':
      return ['step', 'window-step'];
    case 'window-step':
      return ['window-step'];
    case 'search':
      return ['search'];
    default:
      return null;
  }
}

/** Windows to put away at once. */
const PUT_AWAY = 3;
/** So many letters find a title that no other one begins like. */
const LETTERS = 4;

/** Chooses one of several, e.g. by lot. */
export type Choose = <T>(from: readonly T[]) => T | undefined;

const press = (action: string, argument: string | null = null): Stroke => ({ does: { action, argument } });

/** A task for a skill on a desk; null where there is none just now. */
export function taskFor(skill: Skill, session: Session, choose: Choose): Task | null {
  const digit = digitOfSkill(skill);
  if (digit !== null) return toPlace(skill, digit, session);
  const front = frontApplication(session);
  const running = session.recent.applications.map(({ id }) => id);
  switch (skill) {
    case 'flip':
      return stepping(skill, session, 1);
    case 'steps':
      return stepping(skill, session, choose(running.map((_, at) => at).slice(2, -1)));
    case 'window-step':
      return toOwnWindow(session, choose);
    case 'search':
      return searching(session, choose);
    case 'put-away': {
      // In the order in which they come forward, once the one before is away.
      const used = session.recent.windows.map(({ id }) => id);
      const windows = used.filter((id) => isSeen(session, id)).slice(0, PUT_AWAY);
      if (windows.length < PUT_AWAY) return null;
      return { skill, kind: 'put-away', windows, strokes: windows.map(() => press('minimise')), looks: 0 };
    }
    case 'end-hung': {
      const application = choose(running.filter((id) => id !== front));
      if (application === undefined) return null;
      const strokes = [...stepsTo(running.indexOf(application), running.length), press('end-now')];
      return { skill, kind: 'end', application, strokes, looks: 1 };
    }
    default:
      return null;
  }
}

/** The steps to a row, the shorter way round. */
function stepsTo(at: number, count: number): Stroke[] {
  const older = at <= count - at;
  return Array.from({ length: around(at, count) }, () =>
    press(older ? 'older-application' : 'newer-application'),
  );
}

/** Where nothing is held, what is highlighted has to be accepted. */
const accepted = (strokes: readonly Stroke[], { settings }: Session): Stroke[] =>
  settings.holding ? [...strokes] : [...strokes, { enter: true }];

function toPlace(skill: Skill, digit: Digit, session: Session): Task | null {
  const thing = thingAt(session, digit);
  if (typeof thing !== 'string' || thing === frontApplication(session)) return null;
  const [window] = windowsOf(session, thing);
  return window
    ? { skill, kind: 'reach', window: window.id, strokes: [press('place', digit)], looks: 0 }
    : null;
}

function stepping(skill: Skill, session: Session, at: number | undefined): Task | null {
  const application = session.recent.applications[at ?? NONE]?.id;
  const [window] = application === undefined ? [] : windowsOf(session, application);
  if (!window || at === undefined) return null;
  const steps = stepsTo(at, session.recent.applications.length);
  const looks = Number(steps.length > 1);
  return { skill, kind: 'reach', window: window.id, strokes: accepted(steps, session), looks };
}

function toOwnWindow(session: Session, choose: Choose): Task | null {
  const front = frontApplication(session);
  const windows = front === null ? [] : windowsOf(session, front);
  const window = choose(windows.slice(1));
  if (!window) return null;
  const at = windows.indexOf(window);
  const next = at <= windows.length - at;
  const steps = Array.from({ length: around(at, windows.length) }, () =>
    press(next ? 'next-window' : 'previous-window'),
  );
  const looks = Number(steps.length > 1);
  const strokes = accepted(steps, session);
  return { skill: 'window-step', kind: 'reach', window: window.id, strokes, looks };
}

function searching(session: Session, choose: Choose): Task | null {
  const window = choose(session.windows.filter(({ id }) => id !== session.front && titleIsOnly(session, id)));
  if (!window) return null;
  const letters = lettersFor(window, session);
  const strokes: Stroke[] = [press('search'), { letters }, { enter: true }];
  return { skill: 'search', kind: 'reach', window: window.id, strokes, looks: 1 };
}

/** The start of a title, as far as it takes to tell it from the others. */
function lettersFor(window: AppWindow, { windows }: Session): string {
  const others = windows.filter(({ id }) => id !== window.id).map((other) => titleOf(other).toLowerCase());
  const title = [...titleOf(window).toLowerCase()];
  let count = LETTERS;
  while (count < title.length && others.some((other) => other.startsWith(title.slice(0, count).join(''))))
    count += 1;
  return title.slice(0, count).join('');
}

const titleIsOnly = (session: Session, id: WindowId): boolean => {
  const title = titleOf(windowOf(session, id));
  return session.windows.every((other) => other.id === id || titleOf(other) !== title);
};

/** The skills of which there can be a task on a desk. */
export const skillsOn = (session: Session): readonly Skill[] =>
  SKILLS.filter((skill) => taskFor(skill, session, ([first]) => first) !== null);

/** Whether a task is done. */
export function isDone(task: Task, session: Session): boolean {
  switch (task.kind) {
    case 'reach':
      return session.front === task.window;
    case 'put-away':
      return task.windows.every((id) => !isSeen(session, id));
    case 'end':
      return find(session.applications, task.application)?.running === false;
  }
}

/** Whether something was done that the task did not ask for. */
export function isMissed(task: Task, before: Session, after: Session): boolean {
  switch (task.kind) {
    case 'reach':
      return after.front !== before.front && after.front !== task.window;
    case 'put-away':
      return before.windows.some(
        ({ id }) => !task.windows.includes(id) && isSeen(before, id) && !isSeen(after, id),
      );
    case 'end':
      return before.applications.some(
        ({ id, running }) =>
          running && id !== task.application && find(after.applications, id)?.running === false,
      );
  }
}
