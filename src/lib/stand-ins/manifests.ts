/** The programs that ship with Key Fold. A new one is a line here, and one in `views.ts`. */
import { desktopEntry } from './desktop-entry/manifest';
import { folder } from './folder/manifest';
import { letter } from './letter/manifest';
import type { Manifest } from './manifest';
import { note } from './note/manifest';
import { page } from './page/manifest';
import { picture } from './picture/manifest';
import { prose } from './prose/manifest';
import { radioLogProgram } from './radio-log/manifest';
import { sums } from './sums/manifest';
import { table } from './table/manifest';
import { tideConstants } from './tide-constants/manifest';
import { wind } from './wind/manifest';
import { workshop } from './workshop/manifest';

/** Every program there is. A new one is a line here. */
export const MANIFESTS: readonly Manifest[] = [
  tideConstants,
  table,
  letter,
  note,
  prose,
  folder,
  picture,
  radioLogProgram,
  page,
  desktopEntry,
  sums,
  wind,
  workshop,
];

/** The program that shows documents of a kind; undefined if there is none. */
export const manifestOf = (kind: string): Manifest | undefined =>
  MANIFESTS.find((manifest) => manifest.kind === kind);
