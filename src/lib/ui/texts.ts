/** Every sentence and label that the page shows, named once. */
import type { Notice } from '../core/host/notice';
import type { CandidateKind } from '../core/search/candidates';
import type { HeldKey } from '../core/keys/key-map';
import type { KeyRow } from '../core/keys/writing-keys';
import type { SessionEvent } from '../core/session/session';
import { MOST_WINDOWS } from '../core/model/limits';
import type { PutAway } from '../core/slices/put-away/state';
import type { Session } from '../core/session/session';
import type { AppWindow } from '../core/slices/windows/state';
import { applicationOf } from '../core/slices/applications/selectors';
import { documentOf } from '../core/slices/documents/selectors';
import { titleOf, windowOf } from '../core/slices/windows/selectors';
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
  'next-question': 'go to the next question',
};

const ROW_TEXTS: Readonly<Record<KeyRow, string>> = {
  digits: 'digit row',
  top: 'top row of letters',
  home: 'middle row of letters',
  bottom: 'bottom row of letters',
};

/** Where a key is whose label is not known; `nth` is 1 at the left end. */
export const keySeatText = (row: KeyRow, nth: number): string => `key ${nth} of the ${ROW_TEXTS[row]}`;

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
      return 'not responding';
    case 'quitting':
      return 'quitting';
    case 'asking':
      return standing.titles.length === 1 ? 'needs an answer' : `${standing.titles.length} need an answer`;
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
export const windowName = (session: Session, window: AppWindow): string =>
  `${titleOf(window)} — ${applicationOf(session, window.application).name}`;

/** What a notice says; `key` names the whole chord of a held key. */
export function noticeText(session: Session, notice: Notice, key: (held: HeldKey) => string): string {
  const application = 'application' in notice ? applicationOf(session, notice.application).name : '';
  switch (notice.type) {
    case 'stays-resident':
      return `${application} always runs. ${key('end-now')} restarts it.`;
    case 'does-not-answer':
      return `${application} is not responding. ${key('end-now')} ends it; drafts are kept.`;
    case 'already-minimised':
      return 'Already minimised.';
    case 'already-asking':
      return `${application} waits for your answer about unsaved work.`;
    case 'nothing-to-put-away':
      return 'There is nothing to put away.';
    case 'nothing-to-put-back':
      return 'Nothing to put back.';
    case 'already-there':
      return 'It is so already.';
    case 'not-hidden':
      return `${application} is not hidden.`;
    case 'nothing-to-restore':
      return 'None of its windows is minimised.';
    case 'nothing-to-forget':
      return 'There is nothing to forget.';
    case 'nothing-to-reopen':
      return 'There is nothing left to reopen.';
    case 'nothing-to-close':
      return `${application} has no windows to close.`;
    case 'not-running':
      return `${application} is not running.`;
    case 'draft-waits':
      return `${documentOf(session, notice.document).title} has a draft that waits: use it or discard it first.`;
    case 'newer-draft':
      return `${documentOf(session, notice.document).title} has newer unsaved changes: save or discard them first.`;
    case 'too-many-windows':
      return `There are ${MOST_WINDOWS} windows, as many as there can be. Close some first.`;
    case 'session-full':
      return 'This desk holds as much text as it can. Save or discard drafts, or close windows first.';
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
export function happenedText(before: Session, events: readonly SessionEvent[]): string {
  const closed = events.flatMap((event) =>
    event.type === 'windows-closed' ? event.windows.map((id) => titleOf(windowOf(before, id))) : [],
  );
  const named = closed.length > MOST_NAMED ? TEXTS.windows(closed.length) : listed.format(closed);
  const puttingBack = events.some(({ type }) => type === 'put-back');
  const others = events
    .filter(({ type }) => !(puttingBack && type === 'applications-shown'))
    .map((event) => eventText(before, event));
  return [closed.length > 0 ? `${named} closed` : '', ...others].filter(Boolean).join('. ');
}

function eventText(before: Session, event: SessionEvent): string {
  switch (event.type) {
    case 'put-away':
      return putAwayText(event.entry);
    case 'put-back': {
      const entry = before.putAways.find(({ id }) => id === event.entries[0]);
      return entry ? `Put back: ${putAwayText(entry)}` : '';
    }
    case 'application-launched':
      return `${applicationOf(before, event.application).name} launched`;
    case 'applications-shown':
      return `${listed.format(event.applications.map((id) => applicationOf(before, id).name))} shown`;
    case 'application-restarted':
      return `${applicationOf(before, event.application).name} restarted`;
    case 'application-ended':
      return `${applicationOf(before, event.application).name} has ended`;
    case 'drafts-saved':
      return `${listed.format(event.documents.map((id) => documentOf(before, id).title))} saved`;
    case 'drafts-discarded':
      return 'Draft discarded';
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
  nothingRuns: (searchChord: string) => `Nothing is running. ${searchChord} finds and opens anything.`,
  nothingInFront: 'Nothing is in front',
  nothingToActOn: 'There is no window here for that.',
  emptySurface: 'Nothing lies open here.',
  goesToLast: 'goes to what was used last',
  putsBack: (what: string) => `puts back ${what}`,
  reopens: 'reopens what ended last',
  findsAnything: 'finds and opens anything',
  inFront: (name: string) => `${name}, in front`,
  cancelled: (front: string) => `Cancelled. ${front}`,
  releaseMissed: 'Switcher stays open: press Enter to switch or Escape to stay',
  bareSurface: 'Bare surface',
  offline: 'Working offline: your changes are kept here and sent later',
  unsent: (count: number) => `${count} to send`,
  notStoredYet: (count: number) =>
    count === 1 ? '1 change is not stored yet' : `${count} changes are not stored yet`,
  refused: (detail: string) => `The server did not accept the last change: ${detail}`,
  setAside: 'A change could not be stored and was set aside: Settings has it, to send again or export',
  asideCount: (count: number) =>
    count === 1 ? '1 change was not stored' : `${count} changes were not stored`,
  gone: 'This desk was deleted. Nothing that you do here is kept any more.',
  controlLeft: 'Control cannot be the hold key: it would take copy and paste. The hold key is Alt now.',
  notKept: 'This browser’s storage is full: changes would not survive a reload until they are sent',
  unsaved: 'unsaved',
  minimised: 'minimised',
  searchLine: 'Search windows, applications, documents and commands',
  searchHint: 'titles, applications, documents, commands',
  nothingFound: (letters: string) => `Nothing is called “${letters}”. Try fewer letters, or Escape to stay.`,
  found: (title: string | undefined, position: number, count: number) =>
    title === undefined ? 'Nothing found' : `${title}, ${position} of ${count}`,
  exported: (file: string) => `The desk is being saved as ${file}`,
  asks: (titles: readonly string[]) =>
    `Unsaved changes in ${listed.format(titles)}: save, discard or keep open?`,
  askingCount: (count: number) =>
    count === 1 ? '1 window needs an answer' : `${count} windows need an answer`,
  nothingAsks: 'No window needs an answer.',
  askingText: 'This window has unsaved changes.',
  save: 'Save',
  drop: 'Discard',
  keepOpen: 'Keep open',
  draftText: (ago: string) => `An unsaved draft from ${ago} ago`,
  takeUp: 'Use the draft',
  willSwitch: (name: string) => `switches to ${name}`,
  willOpen: (name: string) => `opens ${name}`,
  willOpenWindow: (name: string) => `opens a window of ${name}`,
  willDo: (title: string) => `does: ${title}`,
  willStay: (name: string | null) => (name === null ? 'chooses nothing' : `stays in ${name}`),
  toCancel: 'to cancel',
  switchButton: 'Switch',
  notRunning: 'not running',
} as const;

export const SETTINGS_TEXTS = {
  title: 'Settings',
  names: { holdKey: 'Hold key', keyboard: 'Key labels', theme: 'Colours', holding: 'No holding' } as Readonly<
    Record<string, string>
  >,
  holdKeyHints: {
    Alt: '',
    Meta: 'Where Meta copies, pastes and saves, those keys then switch windows; the desktop may keep some for itself.',
  } as Readonly<Record<string, string>>,
  keyboardAutomatic: 'as I type',
  keyboardShow: 'Show layouts',
  keyboardNotFound: 'No layout is called that.',
  keyboardHint:
    'Where a label is not known yet, the key is drawn among the three rows of letters. Typing teaches it.',
  aside: 'Changes that could not be stored',
  asideHint: 'The server failed on these several times, or did not take them. They are kept in this browser.',
  asideRetry: 'Send again',
  asideExport: 'Export',
  asideDrop: 'Discard them',
  deleteDesk: 'Delete this desk',
  deleteButton: 'Delete …',
  deleteHint: 'Its windows, documents and history go for good. Export it first if you may want it back.',
  deleteSure: 'Delete it for good',
  deleteNot: 'Keep it',
  notDeleted: (why: string) => `This desk was not deleted. ${why}`,
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

export const ACCESS_TEXTS = {
  title: 'Key Fold asks for its access key',
  label: 'Access key',
  hint: 'It was printed as a link when Key Fold was first started here. “npm run access-key” makes a new one.',
  enter: 'Enter',
  noServer: 'The server cannot be reached.',
} as const;
