/** The first minutes: what is learned first, each done with the keys themselves and known by what came of it. */
import type { Invocation } from '../actions/action';
import type { DeskState } from '../desk/state';
import { find } from '../model/table';
import type { Session } from '../session/session';
import { frontApplication } from '../slices/front/selectors';
import { thingAt } from '../slices/places/selectors';
import type { Digit } from '../slices/places/state';

/** The desk at one moment. */
export interface Moment {
  readonly state: Pick<DeskState, 'switcher' | 'walk' | 'dialog' | 'glancing'>;
  readonly session: Session;
}

/** The lessons, in their order. */
export const LESSONS = [
  'flip',
  'window',
  'place',
  'minimise',
  'put-back',
  'search',
  'glance',
  'index',
  'help',
] as const;
/** One of them. */
export type Lesson = (typeof LESSONS)[number];

/** The place that is tried out. */
export const LESSON_DIGIT: Digit = '4';

/** What has to be pressed, so that the keys are named as they are now. */
export const LESSON_KEYS: Readonly<Record<Lesson, Invocation>> = {
  flip: { action: 'older-application', argument: null },
  window: { action: 'next-window', argument: null },
  place: { action: 'place', argument: LESSON_DIGIT },
  minimise: { action: 'minimise', argument: null },
  'put-back': { action: 'put-back', argument: null },
  search: { action: 'search', argument: null },
  glance: { action: 'glance', argument: null },
  index: { action: 'index', argument: null },
  help: { action: 'keys', argument: null },
};

/** Whether what happened between two moments is what a lesson asks for. */
export const isDone = (lesson: Lesson, before: Moment, after: Moment): boolean => DONE[lesson](before, after);

/** Whether something was chosen in the switcher; `searched`: among what search had found. */
const chose = (before: Moment, after: Moment, searched: boolean): boolean =>
  before.state.switcher !== null &&
  after.state.switcher === null &&
  (before.state.switcher.search !== null) === searched &&
  before.session.front !== after.session.front &&
  after.session.front !== null;

const sameApplication = (before: Moment, after: Moment): boolean =>
  frontApplication(before.session) === frontApplication(after.session);

const minimised = ({ windows }: Session): number => windows.filter((window) => window.minimised).length;

const DONE: Readonly<Record<Lesson, (before: Moment, after: Moment) => boolean>> = {
  flip: (before, after) => chose(before, after, false) && !sameApplication(before, after),
  window: (before, after) => chose(before, after, false) && sameApplication(before, after),
  place: (before, after) => {
    const thing = thingAt(after.session, LESSON_DIGIT);
    const front = find(after.session.windows, after.session.front ?? '');
    return (
      before.session.front !== after.session.front &&
      before.state.switcher === null &&
      typeof thing === 'string' &&
      front?.application === thing
    );
  },
  minimise: (before, after) => minimised(after.session) > minimised(before.session),
  'put-back': (before, after) => after.session.putAways.length < before.session.putAways.length,
  search: (before, after) => chose(before, after, true),
  glance: (before, after) => before.state.glancing && !after.state.glancing,
  index: (before, after) => before.state.walk !== null && after.state.walk === null,
  help: (before, after) => before.state.dialog === 'keys' && after.state.dialog === null,
};
