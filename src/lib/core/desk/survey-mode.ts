/** The survey at the desk: it is opened, laid out anew when something is different, and left. */
import { sheetOn } from '../survey/sheet';
import {
  layRequest,
  obeyedInSurvey,
  openedSurvey,
  sameChoice,
  sameRequest,
  SURVEY_HEAD,
  withSheet,
  type Sheeted,
  type Survey,
  type SurveyOrderOf,
} from '../survey/survey';
import { deskTarget, type Turn } from './turn';

/** Opens the survey, of everything or of one application alone; leaves it where it is open. */
export function toggleSurvey(turn: Turn, only: boolean): void {
  if (turn.state.survey) return endSurvey(turn, false);
  const target = deskTarget(turn.state, turn.session);
  if (turn.state.switcher) turn.advance({ type: 'cancel' });
  turn.leaveIndex();
  surveyTo(turn, openedSurvey(turn.session, only ? (target?.application ?? null) : null));
  surveyAgain(turn);
  turn.say({ type: 'survey' });
}

/** The survey is another one now, or none. */
export function surveyTo(turn: Turn, survey: Survey | null): void {
  if (survey === turn.state.survey) return;
  const moved = survey?.at !== turn.state.survey?.at;
  turn.to({ survey });
  if (survey?.sheet && moved) turn.say({ type: 'survey' });
}

/** Lays out anew what is different by now. */
export function surveyAgain(turn: Turn): void {
  const { survey, paper } = turn.state;
  if (!survey) return;
  const request = layRequest(turn.session, survey, paper);
  const laid = survey.sheet;
  const same = laid !== null && sameRequest(request, laid.windows) && (laid.form !== 'pictures' || laid.laid);
  if (!same) turn.effect({ type: 'lay-out', request });
}

/** What was laid out of windows that are others by now is of no use; something newer is on its way. */
export function laidOut(turn: Turn, sheet: Sheeted): void {
  const { survey, paper } = turn.state;
  if (!survey || !sameRequest(layRequest(turn.session, survey, paper), sheet.windows)) return;
  surveyTo(turn, withSheet(survey, sheet));
}

/** Does what is ordered in the survey. */
export function inSurvey(turn: Turn, order: SurveyOrderOf): void {
  const { survey, paper } = turn.state;
  if (!survey) return;
  const sheet = sheetOn({ width: paper.width, height: paper.height - SURVEY_HEAD });
  const next = obeyedInSurvey(survey, order, turn.session, sheet);
  surveyTo(turn, next);
  // An arrow shows nothing else.
  if (!sameChoice(survey, next)) surveyAgain(turn);
}

/** Leaves the survey, for its highlight or for what was in front. */
export function endSurvey(turn: Turn, choose: boolean): void {
  const at = turn.state.survey?.at ?? null;
  turn.to({ survey: null });
  turn.way = 'survey';
  if (choose && at !== null)
    return turn.submit({ wishes: [{ type: 'bring-to-front', window: at, raiseAll: false }] });
  turn.say({ type: 'front' });
}
