/** The survey: all windows at once. */
import type { Direction } from '../../survey/arrow-keys';
import type { SurveyOrderOf } from '../../survey/survey';
import { action, ordersDesk, type Action } from '../action';
import { held, heldInSurvey, heldShift, inSurvey, type Binding } from '../binding';

const SYNONYMS = ['survey', 'overview', 'all at once', 'every window'];

/** Lays out every window of the workspace; once it is open, leaves it. */
export const survey = action({
  id: 'survey',
  group: 'surface',
  acts: 'nothing',
  words: { title: 'Survey all windows at once', short: 'survey', synonyms: SYNONYMS },
  keys: [held('KeyW')],
  offer: () => ordersDesk({ type: 'survey', only: false }),
});

/** The same of one application. */
export const surveyApplication = action({
  id: 'survey-application',
  group: 'surface',
  acts: 'application',
  words: {
    title: 'Survey the windows of the front application',
    short: 'survey its windows',
    synonyms: SYNONYMS,
  },
  keys: [heldShift('KeyW')],
  offer: () => ordersDesk({ type: 'survey', only: true }),
});

const inside = (
  id: string,
  title: string,
  short: string,
  order: SurveyOrderOf,
  keys: readonly Binding[],
  explained = true,
): Action =>
  action({
    id,
    group: 'surface',
    press: order.do === 'go' || order.do === 'family' ? 'repeats' : 'once',
    acts: 'nothing',
    searched: false,
    explained,
    words: { title, short, synonyms: [] },
    keys,
    offer: () => ordersDesk({ type: 'in-survey', order }),
  });

const ARROWS: readonly (readonly [Direction, string])[] = [
  ['left', 'ArrowLeft'],
  ['right', 'ArrowRight'],
  ['up', 'ArrowUp'],
  ['down', 'ArrowDown'],
];

const ending = (id: string, title: string, short: string, choose: boolean, key: string): Action =>
  action({
    id,
    group: 'surface',
    acts: 'nothing',
    searched: false,
    words: { title, short, synonyms: [] },
    keys: [inSurvey(key)],
    offer: () => ordersDesk({ type: 'end-survey', choose }),
  });

/** What can be done while the survey is open. */
export const IN_SURVEY: readonly Action[] = [
  ending('choose-surveyed', 'Bring the highlighted window forward', 'forward', true, 'Enter'),
  ending('leave-survey', 'Leave the survey as everything was', 'leave', false, 'Escape'),
  ...ARROWS.map(([direction, key]) =>
    inside(
      `survey-${direction}`,
      `The window ${{ left: 'to the left', right: 'to the right', up: 'above', down: 'below' }[direction]}`,
      'by position',
      { do: 'go', direction },
      [inSurvey(key)],
    ),
  ),
  inside(
    'survey-first',
    'First window',
    'first',
    { do: 'go-to-end', end: 'first' },
    [inSurvey('Home')],
    false,
  ),
  inside('survey-last', 'Last window', 'last', { do: 'go-to-end', end: 'last' }, [inSurvey('End')], false),
  inside('survey-next-application', 'Next application', 'application', { do: 'family', by: 1 }, [
    inSurvey('PageDown'),
  ]),
  inside('survey-previous-application', 'Application before', 'application', { do: 'family', by: -1 }, [
    inSurvey('PageUp'),
  ]),
  inside(
    'survey-order',
    'Next order: place, title, application, recent use',
    'order',
    { do: 'sort', by: 1 },
    [inSurvey('Tab')],
  ),
  inside(
    'survey-order-before',
    'Order before',
    'order',
    { do: 'sort', by: -1 },
    [inSurvey('Tab', true)],
    false,
  ),
  inside('enlarge', 'Enlarge the highlighted window, or no longer', 'enlarge', { do: 'enlarge' }, [
    inSurvey(' ', false, 'survey-bare'),
    heldInSurvey('KeyE'),
  ]),
  inside('survey-away', 'Minimised and hidden windows too, or not', 'minimised', { do: 'away' }, [
    heldInSurvey('KeyM'),
  ]),
  inside(
    'survey-elsewhere',
    'Windows of other workspaces too, or not',
    'all workspaces',
    { do: 'elsewhere' },
    [heldInSurvey('KeyY')],
  ),
  inside(
    'survey-only',
    'Only the application of the highlighted window, or all',
    'its application',
    { do: 'only' },
    [heldInSurvey('KeyT')],
  ),
];
