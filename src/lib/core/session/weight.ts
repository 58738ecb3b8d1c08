/**
 * How heavy a session is: at least as many bytes as its document has, whatever the states of its windows and
 * applications are, so that it grows with what is in it and not with what it does.
 */
import type { Application } from '../slices/applications/state';
import type { AppDocument } from '../slices/documents/state';
import type { Draft } from '../slices/drafts/state';
import type { Table } from '../model/table';
import type { Session } from './session';
import type { AppWindow } from '../slices/windows/state';

const encoder = new TextEncoder();
const bytesOf = (value: unknown): number => encoder.encode(JSON.stringify(value)).length;

/** What keeps one item of a list apart from the next. */
const COMMA = 1;
/** Properties at the length of their longest values. */
const LONGEST_INSTANT = '2026-11-24T06:12:00.000Z';
const LONGEST_PLACE = { x: -20_000, y: -20_000, width: 20_000, height: 20_000 };
const LONGEST_STATE = { minimised: false, seen: false, offeringDraft: false } as const;
const LONGEST_SURFACE = { width: 20_000, height: 20_000 };
const LONGEST_PART = 'right-two-thirds';
const LONGEST_FLAGS = {
  running: false,
  hidden: false,
  answering: false,
  quitting: false,
  silentSince: LONGEST_INSTANT,
} as const;

/** A session's weight in bytes. */
export function weightOf(session: Session): number {
  const { title, settings, workspaces, workspace, places, front, shortcuts, ownKeys } = session;
  const head = bytesOf({ title, settings, workspaces, workspace, places, front, shortcuts, ownKeys }) + HEAD;
  return (
    head +
    applicationsWeight(session.applications) +
    windowsWeight(session.windows) +
    documentsWeight(session.documents) +
    draftsWeight(session.drafts)
  );
}

/** With the longest question there can be: about the tab with the longest id. */
function longestState({ tabs }: AppWindow) {
  const tab = tabs.reduce((longest, { id }) => (id.length > longest.length ? id : longest), '');
  const asking = { goal: 'close', dropping: false, tab } as const;
  return { geometry: LONGEST_PLACE, on: LONGEST_SURFACE, part: LONGEST_PART, asking };
}

/** Names of the lists, format, version, and room for longer settings and another front window. */
const HEAD = 1_000;

const useWeight = (id: string): number => bytesOf({ id, at: LONGEST_INSTANT }) + COMMA;

const applicationsWeight = summed(
  (application: Application) =>
    bytesOf({ ...application, ...LONGEST_FLAGS }) + COMMA + useWeight(application.id),
);
const windowsWeight = summed(
  (window: AppWindow) =>
    bytesOf({ ...window, ...LONGEST_STATE, ...longestState(window) }) +
    COMMA +
    useWeight(window.id) +
    bytesOf(window.id) +
    COMMA,
);
const documentsWeight = summed((document: AppDocument) => bytesOf(document) + COMMA);
const draftsWeight = summed(({ id, ...draft }: Draft) => bytesOf({ document: id, ...draft }) + COMMA);

/** The weight of a table, weighing again only the entries that changed since the last time. */
function summed<T extends { readonly id: string }>(weigh: (entry: T) => number): (table: Table<T>) => number {
  const entries = new WeakMap<T, number>();
  const tables = new WeakMap<Table<T>, number>();
  return (table) => {
    const known = tables.get(table);
    if (known !== undefined) return known;
    let sum = 0;
    for (const entry of table) {
      let weight = entries.get(entry);
      if (weight === undefined) entries.set(entry, (weight = weigh(entry)));
      sum += weight;
    }
    tables.set(table, sum);
    return sum;
  };
}
