/** The survey as someone has it open: which windows, in which order, and which one is highlighted. */
import type { Extent } from '../model/geometry';
import type { ApplicationId, WindowId } from '../model/ids';
import { find } from '../model/table';
import { boxOn } from '../placing/placement';
import { fold } from '../search/letters';
import { isVisible, type Session } from '../session/session';
import { applicationOf } from '../slices/applications/selectors';
import { titleOf, windowOf } from '../slices/windows/selectors';
import type { AppWindow } from '../slices/windows/state';
import { arrowKeys, cursorAt, type Cursor, type Direction } from './arrow-keys';
import { captionList, formFor, type Form } from './form';
import { layoutNear } from './keep';
import { layout } from './layout';
import {
  byText,
  sheetOn,
  SURVEY_ORDERS,
  type Laid,
  type Sheet,
  type SurveyOrder,
  type SurveyWindow,
} from './sheet';

/** What stands above the sheet. */
export const SURVEY_HEAD = 44;
/** What cannot be seen on the surface is shown as a folded slip. */
const SLIP: Extent = { width: 240, height: 72 };

/** Which windows are surveyed, and how. */
export interface Choice {
  readonly order: SurveyOrder;
  /** The application whose windows alone are shown; null for all. */
  readonly only: ApplicationId | null;
  /** Whether what is minimised or hidden is shown too. */
  readonly away: boolean;
  /** Whether what is on other workspaces is shown too. */
  readonly elsewhere: boolean;
  /** What was typed to filter. */
  readonly letters: string;
}

/** Whether two surveys show the same windows in the same order. */
export const sameChoice = (a: Choice, b: Choice): boolean =>
  a.order === b.order &&
  a.only === b.only &&
  a.away === b.away &&
  a.elsewhere === b.elsewhere &&
  a.letters === b.letters;

/** Windows laid out. */
export interface Sheeted {
  readonly form: Form;
  readonly windows: readonly SurveyWindow[];
  /** Of `pictures`; null otherwise, and where not even captions fit. */
  readonly laid: Laid | null;
}

/** The open survey. */
export interface Survey extends Choice {
  /** What was laid out last; null before anything was. */
  readonly sheet: Sheeted | null;
  /** The highlighted window; null where there is none. */
  readonly at: WindowId | null;
  readonly cursor: Pick<Cursor, 'goal' | 'jump'>;
  readonly enlarged: boolean;
}

/** What has to be laid out: given to whoever computes it. */
export interface LayRequest {
  readonly windows: readonly SurveyWindow[];
  readonly sheet: Sheet;
  readonly order: SurveyOrder;
  readonly previous: Sheeted | null;
}

/** A survey that is opened, with what is in front highlighted. */
export const openedSurvey = (session: Session, only: ApplicationId | null): Survey => ({
  order: 'place',
  only,
  away: false,
  elsewhere: false,
  letters: '',
  sheet: null,
  at: session.front,
  cursor: { goal: null, jump: null },
  enlarged: false,
});

/** The windows that a choice shows, most recently used first. */
export function windowsSurveyed(session: Session, { only, away, elsewhere, letters }: Choice): AppWindow[] {
  const words = fold(letters).split(/\s+/u).filter(Boolean);
  return session.recent.windows
    .map(({ id }) => windowOf(session, id))
    .filter((window) => {
      const { application, workspace, minimised } = window;
      if (only !== null && application !== only) return false;
      if (!elsewhere && workspace !== session.workspace) return false;
      const { hidden, name } = applicationOf(session, application);
      if (!away && (minimised || hidden)) return false;
      if (words.length === 0) return true;
      const text = fold(`${titleOf(window)} ${name}`);
      return words.every((word) => text.includes(word));
    });
}

/** What has to be laid out for a choice on paper of this size. */
export function layRequest(session: Session, survey: Survey, paper: Extent): LayRequest {
  const sheet = sheetOn({ width: paper.width, height: Math.max(1, paper.height - SURVEY_HEAD) });
  const down = sheet.height / paper.height;
  const windows = windowsSurveyed(session, survey).map((window, rank): SurveyWindow => {
    const seen = isVisible(session, window);
    const { x, y, ...extent } = boxOn(paper, window);
    return {
      id: window.id,
      application: window.application,
      title: titleOf(window),
      rank,
      corner: seen ? { x, y: y * down } : null,
      ...(seen ? extent : SLIP),
    };
  });
  return { windows, sheet, order: survey.order, previous: survey.sheet };
}

/** Whether two requests would lead to the same. */
export const sameRequest = (a: LayRequest, b: readonly SurveyWindow[]): boolean =>
  a.windows.length === b.length &&
  a.windows.every((window, n) => {
    const other = b[n];
    return (
      other !== undefined &&
      window.id === other.id &&
      window.title === other.title &&
      window.width === other.width &&
      window.height === other.height &&
      window.corner?.x === other.corner?.x &&
      window.corner?.y === other.corner?.y
    );
  });

/** Lays out what is asked for. Of many windows it is heavy: 50 ms for a thousand. */
export function layOut({ windows, sheet, order, previous }: LayRequest): Sheeted {
  const form = formFor(windows, sheet, previous?.form ?? null);
  if (form !== 'pictures') return { form, windows, laid: null };
  const before = previous?.laid;
  const laid =
    before && before.pictures.length > 0
      ? layoutNear(windows, sheet, order, before)
      : layout(windows, sheet, order);
  return laid ? { form, windows, laid } : { form: 'captions', windows, laid: null };
}

/** The survey once something was laid out: the highlight stays, or goes to what stands where it stood. */
export function withSheet(survey: Survey, sheet: Sheeted): Survey {
  const order = readingOrder(sheet, survey.order);
  const at = survey.at !== null && order.includes(survey.at) ? survey.at : successor(survey, order);
  const cursor = at === survey.at ? survey.cursor : { goal: null, jump: null };
  return { ...survey, sheet, at, cursor, enlarged: survey.enlarged && at !== null };
}

/** What comes after the highlight in the order as it was, and is still there; else the last one before it. */
function successor(survey: Survey, now: readonly WindowId[]): WindowId | null {
  const before = survey.sheet ? readingOrder(survey.sheet, survey.order) : [];
  const from = before.indexOf(survey.at ?? '');
  const there = new Set(now);
  const next =
    before.slice(from + 1).find((id) => there.has(id)) ??
    before.slice(0, Math.max(from, 0)).findLast((id) => there.has(id));
  return next ?? now[0] ?? null;
}

/** The windows as one reads them: pictures row by row, captions down the columns. */
export function readingOrder({ form, windows, laid }: Sheeted, order: SurveyOrder): WindowId[] {
  if (laid) return laid.rows.flat();
  const byFamily = (a: SurveyWindow, b: SurveyWindow) =>
    byText(a.application, b.application) || a.rank - b.rank;
  const compare: (a: SurveyWindow, b: SurveyWindow) => number =
    form === 'families' || order === 'application'
      ? byFamily
      : order === 'title'
        ? (a, b) => byText(a.title, b.title) || a.rank - b.rank
        : (a, b) => a.rank - b.rank;
  return [...windows].sort(compare).map(({ id }) => id);
}

/** Where everything stands on the sheet, in reading order; of families the windows of the highlighted one. */
export function boxesOf(
  survey: Survey,
  sheet: Sheet,
): { readonly id: WindowId; readonly box: Laid['pictures'][number]['cell'] }[] {
  const { sheet: laid, order, at } = survey;
  if (!laid) return [];
  if (laid.laid) {
    const cells = new Map(laid.laid.pictures.map(({ id, cell }) => [id, cell]));
    return laid.laid.rows.flat().flatMap((id) => {
      const box = cells.get(id);
      return box ? [{ id, box }] : [];
    });
  }
  const all = readingOrder(laid, order);
  const shown = laid.form === 'families' ? familyOf(laid, all, at) : all;
  const boxes = captionList(shown.length, laid.form === 'families' ? besideFamilies(sheet) : sheet);
  return shown.flatMap((id, n) => {
    const box = boxes[n];
    return box ? [{ id, box }] : [];
  });
}

/** Room that the captions of applications take at the left. */
export const FAMILIES_WIDTH = 260;
const besideFamilies = (sheet: Sheet): Sheet => ({ ...sheet, width: sheet.width - FAMILIES_WIDTH });

function familyOf({ windows }: Sheeted, all: readonly WindowId[], at: WindowId | null): WindowId[] {
  const owner = windows.find(({ id }) => id === at)?.application;
  const members = new Set(windows.flatMap(({ id, application }) => (application === owner ? [id] : [])));
  return all.filter((id) => members.has(id));
}

/** What someone asks for who looks at the survey. */
export type SurveyOrderOf =
  | { readonly do: 'go'; readonly direction: Direction }
  | { readonly do: 'go-to-end'; readonly end: 'first' | 'last' }
  /** To the next application’s windows, or the one before. */
  | { readonly do: 'family'; readonly by: 1 | -1 }
  | { readonly do: 'sort'; readonly by: 1 | -1 }
  | { readonly do: 'enlarge' }
  | { readonly do: 'only' }
  | { readonly do: 'away' }
  | { readonly do: 'elsewhere' };

/** The survey after one of these. */
export function obeyedInSurvey(survey: Survey, order: SurveyOrderOf, session: Session, sheet: Sheet): Survey {
  switch (order.do) {
    case 'go':
      return gone(survey, order.direction, sheet);
    case 'go-to-end': {
      const all = survey.sheet ? readingOrder(survey.sheet, survey.order) : [];
      return at(survey, (order.end === 'first' ? all[0] : all.at(-1)) ?? survey.at);
    }
    case 'family':
      return toFamily(survey, order.by);
    case 'sort': {
      const to = SURVEY_ORDERS.indexOf(survey.order) + order.by + SURVEY_ORDERS.length;
      return {
        ...survey,
        order: SURVEY_ORDERS[to % SURVEY_ORDERS.length] ?? 'place',
        sheet: survey.sheet && { ...survey.sheet, laid: null },
      };
    }
    case 'enlarge':
      return { ...survey, enlarged: !survey.enlarged && survey.at !== null };
    case 'only': {
      const owner = survey.at === null ? undefined : find(session.windows, survey.at)?.application;
      return { ...survey, only: survey.only === null ? (owner ?? null) : null };
    }
    case 'away':
      return { ...survey, away: !survey.away };
    case 'elsewhere':
      return { ...survey, elsewhere: !survey.elsewhere };
  }
}

function gone(survey: Survey, direction: Direction, sheet: Sheet): Survey {
  const boxes = boxesOf(survey, sheet);
  const from = boxes.findIndex(({ id }) => id === survey.at);
  if (from < 0) return at(survey, boxes[0]?.id ?? null);
  const { at: to, ...cursor } = arrowKeys(boxes.map(({ box }) => box))(
    { at: from, ...survey.cursor },
    direction,
  );
  return { ...survey, at: boxes[to]?.id ?? survey.at, cursor };
}

function toFamily(survey: Survey, by: 1 | -1): Survey {
  if (!survey.sheet) return survey;
  const { windows } = survey.sheet;
  const all = readingOrder(survey.sheet, 'application');
  const owners = [...new Set(windows.map(({ application }) => application))].sort(byText);
  const owner = windows.find(({ id }) => id === survey.at)?.application ?? '';
  const next = owners[(owners.indexOf(owner) + by + owners.length) % Math.max(1, owners.length)];
  const first = all.find((id) => windows.some((one) => one.id === id && one.application === next));
  return at(survey, first ?? survey.at);
}

const at = (survey: Survey, window: WindowId | null): Survey => ({
  ...survey,
  at: window,
  cursor: { goal: cursorAt(0).goal, jump: null },
});

/** With a window highlighted by the pointer. */
export const pointedAt = (survey: Survey, window: WindowId): Survey =>
  survey.at === window ? survey : at(survey, window);
