/** Every sentence and label that the page shows, named once. */
import type { Group } from '../../core/actions/action';
import type { KeyRow } from '../../core/keys/writing-keys';
import type { CandidateKind } from '../../core/search/candidates';
import type { Kind } from '../../core/search/kinds';
import type { PlaceView } from '../../core/index/place-view';
import type { Session } from '../../core/session/session';
import { applicationOf } from '../../core/slices/applications/selectors';
import { titleOf } from '../../core/slices/windows/selectors';
import type { AppWindow } from '../../core/slices/windows/state';

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

/** Why a result stands where it does, where the marked letters alone do not say it. */
export const REASONS: Readonly<Partial<Record<Kind, string>>> = {
  slip: 'one slip',
  'two-slips': 'two slips',
  scattered: 'letters apart',
};

const listed = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/** How a window is called where its application is not at hand. */
export const windowName = (session: Session, window: AppWindow): string =>
  `${titleOf(window)} — ${applicationOf(session, window.application).name}`;

/** How a place of the index is called for those who do not see it. */
export function placeName({ digit, name, application, inFront, windows }: PlaceView): string {
  const minimised = windows.filter((window) => window.minimised).length;
  return [
    `${digit}, ${name}`,
    application.running ? TEXTS.windows(windows.length) : TEXTS.notRunning,
    minimised > 0 ? `${minimised} ${TEXTS.minimised}` : '',
    application.hidden ? TEXTS.hidden : '',
    inFront ? TEXTS.front : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** Every text of the desk. */
export const TEXTS = {
  surface: 'Surface',
  switcher: 'Switcher',
  switchTo: 'Switch to',
  running: (count: number) => `${count} running`,
  foundCount: (count: number) => `${count} found`,
  rows: 'applications',
  leaves: 'windows',
  results: 'results',
  chosenBefore: (times: number, letters: string) =>
    `chosen ${times === 1 ? 'once' : times === 2 ? 'twice' : `${times} times`} for “${letters}”`,
  windows: (count: number) => (count === 1 ? '1 window' : `${count} windows`),
  used: (ago: string) => `used ${ago} ago`,
  ago: (duration: string) => `${duration} ago`,
  neverUsed: 'not used yet',
  noWindows: 'No windows. Choosing it opens one.',
  nothingRuns: (searchChord: string) => `Nothing is running. ${searchChord} finds and opens anything.`,
  nothingInFront: 'Nothing is in front',
  emptySurface: 'No windows are open here.',
  goesToLast: 'goes to what was used last',
  undoes: (what: string) => `undoes: ${what}`,
  reopens: (name: string) => `reopens ${name}`,
  release: 'Release',
  findsAnything: 'finds and opens anything',
  inFront: (name: string) => `${name}, in front`,
  cancelled: (front: string) => `Cancelled. ${front}`,
  releaseMissed: 'Switcher stays open: press Enter to switch or Escape to cancel',
  bareSurface: 'Bare surface',
  offline: 'Working offline: your changes are kept here and sent later',
  unsent: (count: number) => `${count} to send`,
  notStoredYet: (count: number) =>
    count === 1 ? '1 change is not stored yet' : `${count} changes are not stored yet`,
  unconfirmed: (count: number) => `${count} not confirmed yet`,
  unanswered: 'What has the windows does not answer: what you see may not be so yet',
  refused: (detail: string) => `The server did not accept the last change: ${detail}`,
  setAside: 'A change could not be stored and was set aside: Settings has it, to send again or export',
  asideCount: (count: number) =>
    count === 1 ? '1 change was not stored' : `${count} changes were not stored`,
  notLoaded: 'This cannot be opened while the server cannot be reached.',
  gone: 'This desk was deleted. Nothing that you do here is kept any more.',
  controlLeft: 'Control cannot be the hold key: it would take copy and paste. The hold key is Alt now.',
  notKept: 'This browser’s storage is full: changes would not survive a reload until they are sent',
  unsaved: 'unsaved',
  minimised: 'minimised',
  hidden: 'hidden',
  front: 'in front',
  index: 'Index',
  emptyIndex: (chord: string) => `The index is empty. ${chord} adds what is in front.`,
  searchLine: 'Search windows, applications, documents and commands',
  searchHint: 'titles, applications, documents, commands',
  nothingFound: (letters: string) => `No match for “${letters}”. Try fewer letters, or Escape to cancel.`,
  found: (title: string | undefined, position: number, count: number) =>
    title === undefined ? 'Nothing found' : `${title}, ${position} of ${count}`,
  exported: (file: string) => `The desk is being saved as ${file}`,
  asks: (titles: readonly string[]) =>
    `Unsaved changes in ${listed.format(titles)}: save, discard or keep open?`,
  askingCount: (count: number) =>
    count === 1 ? '1 window needs an answer' : `${count} windows need an answer`,
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
  toForget: 'to forget that',
  toCancel: 'to cancel',
  openSwitcher: 'Open switcher',
  workspace: (name: string) => `Workspace: ${name}`,
  notRunning: 'not running',
} as const;

/** Every text of the settings. */
export const SETTINGS_TEXTS = {
  title: 'Settings',
  names: {
    holdKey: 'Hold key',
    keyboard: 'Key labels',
    theme: 'Colours',
    index: 'Index',
    holding: 'Tap instead of hold',
  } as Readonly<Record<string, string>>,
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
  deleteSession: 'Delete this desk',
  deleteButton: 'Delete …',
  deleteHint: 'Its windows, documents and history go for good. Export it first if you may want it back.',
  deleteSure: 'Delete it for good',
  deleteNot: 'Keep it',
  notDeleted: (why: string) => `This desk was not deleted. ${why}`,
  options: {
    system: 'match the system',
    day: 'day',
    night: 'night',
    beside: 'beside the surface',
    away: 'only while it is walked',
  } as Readonly<Record<string, string>>,
  holdingHint: 'The switcher stays open and Enter switches. Tapping the hold key opens it.',
  learned: 'Learned choices',
  nothingLearned: 'Nothing yet. What you choose for some letters comes sooner the next time.',
  gone: 'something that has ended',
  forget: 'Forget',
  forgetOne: (name: string) => `Forget ${name}`,
  forgetAll: 'Forget everything',
  document: 'Export and import',
  exportButton: 'Export',
  importLabel: 'Import a desk:',
  notImported: (file: string, why: string) => `${file} was not opened. ${why}`,
  noServer: 'The server cannot be reached.',
  close: 'Close',
} as const;

/** Every text of the menu of a place. */
export const MENU_TEXTS = {
  windows: 'Windows',
  documents: 'Documents',
  acts: 'What to do',
  place: (digit: string) => `Place ${digit}`,
  show: 'show',
} as const;

/** Every text of the page that asks for the access key. */
export const ACCESS_TEXTS = {
  title: 'Key Fold asks for its access key',
  label: 'Access key',
  hint: 'It was printed as a link when Key Fold was first started here. “npm run access-key” makes a new one.',
  enter: 'Enter',
  noServer: 'The server cannot be reached.',
} as const;

/** The list of keys. */
export const KEYS_TEXTS = {
  title: 'Keys and help',
  hint: (hold: string) =>
    `Keep ${hold} down and press the key. Keys without ${hold} are those of the open switcher, where typing searches everything, or of the index while it is walked. What cannot be done right now says why.`,
  groups: {
    find: 'Finding',
    index: 'The index',
    'put-away': 'Putting away',
    end: 'Ending',
    surface: 'The whole surface',
    'bring-back': 'Bringing back',
    program: 'In programs',
    page: 'Key Fold',
  } as const satisfies Readonly<Record<Group, string>>,
  save: 'Save a letter',
  saveKey: 'S',
  or: 'or',
  close: 'Close',
} as const;
