/** What the survey shows of windows, by how much room there is. */
import type { Geometry } from '../model/geometry';
import { roomOf, sideOf, type Sheet, type SurveyWindow } from './sheet';
import { sizeLaw, unitBound } from './size-law';

/**
 * `pictures`: as laid out. `captions`: one caption a window, in columns. `families`: one caption an application with its count, and
 * the windows of the highlighted one beside them. There are no pages: they would end the sense of place.
 */
export type Form = 'pictures' | 'captions' | 'families';

/** A picture of a quarter of the sheet that is smaller is no longer made out: text must carry the survey. */
const MADE_OUT = 96;
/** Layouts reach about this share of the bound at least. */
const REACHED = 0.75;
/** Within this share of the limit the form stays what it was: one window more or less must not turn everything over. */
const STAYS = 0.08;
/** Wide enough for some 25 letters. */
const CAPTION_WIDTH = 200;

/** The form for some windows; `before`: what it was, if the survey is open already. */
export function formFor(windows: readonly SurveyWindow[], sheet: Sheet, before: Form | null = null): Form {
  const small = windows.every(({ width, height }) => sideOf({ width, height }) < MADE_OUT);
  const unit = REACHED * unitBound(windows, sheet, sizeLaw(windows, sheet));
  const stays = before === null ? 0 : before === 'pictures' ? -STAYS : STAYS;
  if (small || unit >= MADE_OUT * (1 + stays)) return 'pictures';
  const room = captionRoom(sheet);
  return windows.length <= room * (1 + (before === 'families' ? -STAYS : 0)) ? 'captions' : 'families';
}

const columnsOf = (sheet: Sheet): number =>
  Math.max(1, Math.floor((sheet.width - sheet.gap) / (CAPTION_WIDTH + sheet.gap)));

/** How many captions a sheet holds. */
export const captionRoom = (sheet: Sheet): number =>
  columnsOf(sheet) * Math.floor(roomOf(sheet).height / sheet.captionHeight);

/** Captions down the columns, as even as can be; more than there is room for run on below the sheet. */
export function captionList(count: number, sheet: Sheet): Geometry[] {
  const columns = columnsOf(sheet);
  const rows = Math.max(1, Math.ceil(count / columns));
  const width = (sheet.width - sheet.gap) / columns - sheet.gap;
  return Array.from({ length: count }, (_, index) => ({
    x: sheet.gap + Math.floor(index / rows) * (width + sheet.gap),
    y: sheet.gap + (index % rows) * sheet.captionHeight,
    width,
    height: sheet.captionHeight,
  }));
}
