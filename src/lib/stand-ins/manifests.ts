/** The programs that ship with Key Fold. A new one is a line here, and one in `views.ts`. */
import { desktopEntry } from './desktop-entry/manifest';
import { folder } from './folder/manifest';
import { letter } from './letter/manifest';
import type { Manifest } from './manifest';
import { page } from './page/manifest';
import { prose } from './prose/manifest';
import { radioLogProgram } from './radio-log/manifest';
import { table } from './table/manifest';
import { tideConstants } from './tide-constants/manifest';

/** Every program there is. A new one is a line here. */
export const MANIFESTS: readonly Manifest[] = [
  tideConstants,
  table,
  letter,
  prose,
  folder,
  radioLogProgram,
  page,
  desktopEntry,
];

/** The program that shows documents of a kind; undefined if there is none. */
export const manifestOf = (kind: string): Manifest | undefined =>
  MANIFESTS.find((manifest) => manifest.kind === kind);
