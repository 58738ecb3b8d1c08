/** Every sentence and label that the page shows, named once. */
import type { Notice } from '../core/host/host';
import type { CandidateKind } from '../core/search/candidates';
import type { HeldKey } from '../core/keys/key-map';
import type { Event } from '../core/session/events';
import type { PutAway, Session, Window } from '../core/session/session';
import { applicationOf, documentOf, titleOf, windowOf } from '../core/session/views';
import type { Standing } from '../core/switcher/standing';

export const KEY_TEXTS: Readonly<Record<HeldKey, string>> = {
  'older-application': 'older application',
  'newer-application': 'newer application',
  'next-window': 'next window',
  'previous-window': 'previous window',
  search: 'search',
  minimise: 'minimise',
  'minimise-all': 'minimise all its windows',
  'hide-or-show': 'hide or show',
  solo: 'solo: hide all others',
  close: 'close',
  'close-all': 'close all its windows',
  quit: 'quit',
  'end-now': 'end now',
  'put-back': 'put back',
  reopen: 'reopen what ended last',
  sweep: 'sweep',
  glance: 'glance at the bare surface',
};

/** What kind of thing a result is. */
export const KIND_TEXTS: Readonly<Record<CandidateKind, string>> = {
  window: 'window',
  application: 'application',
  document: 'document',
  command: 'command',
};

const listed = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/** A state in a few words, for the narrow end of a row. */
export function standingText(standing: Standing): string {
  switch (standing.type) {
    case 'hidden':
      return 'hidden';
    case 'no-windows':
      return 'no windows';
    case 'not-answering':
      return 'not answering';
    case 'quitting':
      return 'quitting';
    case 'asking':
      return standing.titles.length === 1 ? 'asking' : `${standing.titles.length} asking`;
    case 'unsaved':
      return standing.titles.length === 1 ? 'unsaved' : `${standing.titles.length} unsaved`;
    case 'minimised':
      if (standing.all)
        return (
          ['', 'minimised', 'both minimised'][standing.titles.length] ??
          `all ${standing.titles.length} minimised`
        );
      return `${standing.titles.length} minimised`;
    case 'elsewhere':
      return `${standing.all ? '' : 'some '}on ${listed.format(standing.workspaces)}`;
    case 'offering-draft':
      return 'draft kept';
    case 'new':
      return 'new';
  }
}

/** How a window is called where its application is not at hand. */
export const windowName = (session: Session, window: Window): string =>
  `${titleOf(window)} — ${applicationOf(session, window.application).name}`;

export function noticeText(session: Session, notice: Notice): string {
  switch (notice.type) {
    case 'stays-resident':
      return `${applicationOf(session, notice.application).name} is resident: it can be restarted, not quit.`;
    case 'does-not-answer':
      return `${applicationOf(session, notice.application).name} does not answer, so it cannot be asked. It can be ended now; its drafts are kept.`;
    case 'already-minimised':
      return 'Already minimised.';
    case 'nothing-to-put-away':
      return 'There is nothing to put away.';
    case 'nothing-to-put-back':
      return 'Nothing was put away.';
    case 'nothing-to-reopen':
      return 'There is nothing left to reopen.';
    case 'nothing-to-close':
      return `${applicationOf(session, notice.application).name} has no windows to close.`;
  }
}

const PUT_AWAY_TEXTS: Readonly<Record<PutAway['kind'], (subject: string) => string>> = {
  minimise: (subject) => `${subject}, minimised`,
  'minimise-all': (subject) => `all of ${subject}, minimised`,
  hide: (subject) => `${subject}, hidden`,
  solo: (subject) => `all but ${subject}, hidden`,
  sweep: () => 'everything swept away',
};

/** What a putting-away did, for the foot line. */
export const putAwayText = ({ kind, subject }: PutAway): string => PUT_AWAY_TEXTS[kind](subject);

/** More closed windows than these are counted, not named. */
const MOST_NAMED = 3;

/** What followed from a command, for those who hear the page; `before` is the session it was given in. */
export function happenedText(before: Session, events: readonly Event[]): string {
  const closed = events.flatMap((event) =>
    event.type === 'window-closed' ? [titleOf(windowOf(before, event.window))] : [],
  );
  const named = closed.length > MOST_NAMED ? TEXTS.windows(closed.length) : listed.format(closed);
  const puttingBack = events.some(({ type }) => type === 'put-back');
  const others = events
    .filter(({ type }) => !(puttingBack && type === 'application-shown'))
    .map((event) => eventText(before, event));
  return [closed.length > 0 ? `${named} closed` : '', ...others].filter(Boolean).join('. ');
}

function eventText(before: Session, event: Event): string {
  switch (event.type) {
    case 'put-away':
      return putAwayText(event.entry);
    case 'put-back': {
      const entry = before.putAways.at(-event.levels);
      return entry ? `Put back: ${putAwayText(entry)}` : '';
    }
    case 'application-launched':
      return `${applicationOf(before, event.application).name} launched`;
    case 'application-shown':
      return `${applicationOf(before, event.application).name} shown`;
    case 'application-restarted':
      return `${applicationOf(before, event.application).name} restarted`;
    case 'application-ended':
      return `${applicationOf(before, event.application).name} has ended`;
    case 'draft-saved':
      return `${documentOf(before, event.document).title} saved`;
    case 'choices-forgotten':
      return 'Forgotten';
    default:
      return '';
  }
}

export const TEXTS = {
  surface: 'Surface',
  switcher: 'Switcher',
  switchTo: 'Switch to',
  running: (count: number) => `${count} running`,
  foundCount: (count: number) => `${count} found`,
  rows: 'applications',
  leaves: 'windows',
  results: 'results',
  windows: (count: number) => (count === 1 ? '1 window' : `${count} windows`),
  used: (ago: string) => `used ${ago} ago`,
  neverUsed: 'not used yet',
  noWindows: 'No windows. Choosing it opens one.',
  nothingRuns: 'Nothing is running. Q finds and opens anything.',
  nothingInFront: 'Nothing is in front',
  nothingToActOn: 'There is no window here for that.',
  emptySurface: 'Nothing lies open here.',
  goesToLast: 'goes to what was used last',
  putsBack: (what: string) => `puts back ${what}`,
  reopens: 'reopens what ended last',
  findsAnything: 'finds and opens anything',
  inFront: (name: string) => `${name}, in front`,
  closedWithout: 'Switcher closed, nothing chosen',
  releaseMissed: 'Switcher stays open: press Enter to switch or Escape to stay',
  bareSurface: 'Bare surface',
  offline: 'Working offline: your changes are kept here and sent later',
  unsent: (count: number) => `${count} to send`,
  refused: (detail: string) => `The server did not accept the last change: ${detail}`,
  notKept: 'This browser’s storage is full: changes would not survive a reload until they are sent',
  unsaved: 'unsaved',
  minimised: 'minimised',
  searchLine: 'Search windows, applications, documents and commands',
  searchHint: 'titles, applications, documents, commands',
  nothingFound: (letters: string) => `Nothing is called “${letters}”. Try fewer letters, or Escape to stay.`,
  found: (title: string | undefined, count: number) =>
    title === undefined ? 'Nothing found' : `${title}, best of ${count}`,
  exported: (file: string) => `The desk is being saved as ${file}`,
  asks: (titles: readonly string[]) => `Unsaved work in ${listed.format(titles)}: save, drop or keep open?`,
  askingCount: (count: number) => (count === 1 ? '1 window asks' : `${count} windows ask`),
  askingText: 'This holds unsaved work.',
  save: 'Save',
  drop: 'Drop it',
  keepOpen: 'Keep open',
  draftText: (ago: string) => `A draft from ${ago} ago was kept when this ended.`,
  takeUp: 'Take it up',
  switchButton: 'Switch',
  notRunning: 'not running',
} as const;

export const SETTINGS_TEXTS = {
  title: 'Settings',
  names: { holdKey: 'Hold key', theme: 'Colours', holding: 'No holding' } as Readonly<Record<string, string>>,
  options: { system: 'as the system', day: 'day', night: 'night' } as Readonly<Record<string, string>>,
  holdingHint: 'The switcher stays open and Enter switches. Tapping the hold key opens it.',
  learned: 'What search has learned',
  nothingLearned: 'Nothing yet. What you choose for some letters comes sooner the next time.',
  gone: 'something that has ended',
  forget: 'Forget',
  forgetOne: (name: string) => `Forget ${name}`,
  forgetAll: 'Forget everything',
  document: 'This desk as a document',
  exportButton: 'Export',
  importLabel: 'Open another desk:',
  notImported: (file: string, why: string) => `${file} was not opened. ${why}`,
  noServer: 'The server cannot be reached.',
  close: 'Close',
} as const;
