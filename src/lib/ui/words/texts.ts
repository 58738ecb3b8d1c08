/** Every sentence and label that the page shows, named once. */
import type { Group } from '../../core/actions/action';
import type { Geometry } from '../../core/model/geometry';
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
  tab: 'tab',
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

const ordinals = new Intl.PluralRules('en-GB', { type: 'ordinal' });
const SUFFIXES: Readonly<Partial<Record<Intl.LDMLPluralRule, string>>> = { one: 'st', two: 'nd', few: 'rd' };
/** A number as in “22nd”. */
const ordinal = (n: number): string => `${n}${SUFFIXES[ordinals.select(n)] ?? 'th'}`;

/** How a window is called where its application is not at hand. */
export const windowName = (session: Session, window: AppWindow): string =>
  `${titleOf(window)} — ${applicationOf(session, window.application).name}`;

/** How a place of the index is called for those who do not see it. */
export function placeName({ digit, name, application, inFront, windows }: PlaceView): string {
  const minimised = windows.filter((window) => window.minimised).length;
  return [
    // What is seen comes first, in the same order: people who speak to their machine say it (WCAG 2.2, 2.5.3).
    `${name}, ${digit}`,
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
  shownHere: (count: number, elsewhere: readonly string[], chord: string) =>
    [
      `${count} here`,
      ...(elsewhere.length > 0 ? [`elsewhere: ${elsewhere.join(', ')} (${chord})`] : []),
    ].join(' · '),
  within: 'in',
  insideHint: 'what is in there',
  goesInto: 'into',
  goesOut: 'out',
  foundCount: (count: number) => `${count} found`,
  rows: 'applications',
  leaves: 'windows',
  results: 'results',
  chosenBefore: (times: number, letters: string) =>
    `chosen ${times === 1 ? 'once' : times === 2 ? 'twice' : `${times} times`} for “${letters}”`,
  windows: (count: number) => (count === 1 ? '1 window' : `${count} windows`),
  windowOf: (at: number, count: number) => `window ${at} of ${count}`,
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
  fullScreen: 'Full screen: every key arrives. Hold Esc to leave it.',
  notFullScreen: 'No longer full screen',
  noFullScreen: 'The browser did not let it fill the screen.',
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
  /** While something is carried. */
  carry: (title: string) => `Carry ${title} to`,
  carrying: (title: string) => `Carrying ${title}: choose what opens it`,
  willOpenIn: (title: string, program: string) => `opens ${title} in ${program}`,
  cannotOpen: (program: string) => `${program} does not open documents of that kind. Choose another program.`,
  opensNot: 'does not open it',
  notText: (file: string) =>
    `${file} is not taken in: Key Fold takes in plain text (.txt, .md) and tables (.csv).`,
  tooLongFile: (file: string) =>
    `${file} is not taken in: it is longer than a document can be. Split it first.`,
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
  onlyTab: 'This window has one tab only.',
  tabIn: (window: string) => `tab, beside ${window}`,
  tabsOf: (position: number, count: number) => `${count} tabs, ${ordinal(position)} shown`,
  tabList: 'Tabs',
  closesTab: (title: string) => `Close ${title}`,
  tabAt: (title: string, position: number, count: number) => `${title}, tab ${position} of ${count}`,
  sideBySide: (left: string, right: string) => `Side by side: ${left}, ${right}`,
  figures: ({ x, y, width, height }: Geometry) => `${width} × ${height} at ${x}, ${y}`,
} as const;

/** Every text of the settings. */
export const SETTINGS_TEXTS = {
  title: 'Settings',
  names: {
    holdKey: 'Hold key',
    keyboard: 'Key labels',
    theme: 'Colours',
    block: 'Block of keys',
    index: 'Index',
    switcherShows: 'Switcher shows',
    edges: 'Dragged to an edge',
    rim: 'Corners and edges',
    holding: 'Tap instead of hold',
  } as Readonly<Record<string, string>>,
  holdKeyHints: {
    Alt: '',
    Meta: 'Where Meta copies, pastes and saves, those keys then switch windows; the desktop may keep some for itself.',
  } as Readonly<Record<string, string>>,
  blockHints: {
    left: 'The keys lie under the left hand.',
    right: 'The keys are mirrored to the right hand; the places keep their digits.',
    window: 'Besides, Ctrl W closes and Ctrl N opens a window: installed, the browser lets these through.',
  },
  keyboardAutomatic: 'as I type',
  keyboardShow: 'Show layouts',
  keyboardNotFound: 'No layout is called that.',
  keyboardHint:
    'Where a label is not known yet, the key is drawn among the three rows of letters. Typing teaches it.',
  ownWindow: 'A window of its own',
  ownWindowIs: 'Key Fold is in a window of its own: every key arrives.',
  ownWindowHint:
    'Installed, Key Fold has a window of its own, in which every key arrives, and opens without the server.',
  ownWindowMenu:
    'The menu of some browsers installs this page, as an app or by adding it to the dock or home screen.',
  install: 'Install',
  fullScreen: 'Full screen',
  leaveFullScreen: 'Leave full screen',
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
    left: 'left hand',
    right: 'right hand',
    window: 'window of its own',
    everything: 'everything',
    here: 'only this workspace',
    lie: 'a window lies there',
    fill: 'it fills that half',
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
  importLabel: 'Import a desk …',
  notImported: (file: string, why: string) => `${file} was not opened. ${why}`,
  noServer: 'The server cannot be reached.',
  close: 'Close',
} as const;

/** The corners and edges of the surface. */
export const RIM_TEXTS = {
  hint: 'What is chosen is done once the pointer has rested there for half a second with no button down, and is named there meanwhile.',
  nothing: 'nothing',
  parts: {
    topLeft: 'top left',
    top: 'top',
    topRight: 'top right',
    left: 'left',
    right: 'right',
    bottomLeft: 'bottom left',
    bottom: 'bottom',
    bottomRight: 'bottom right',
  },
} as const;

/** What is said where the server cannot be reached and no desk is kept. */
export const OFFLINE_TEXTS = {
  title: 'Key Fold’s server cannot be reached',
  hint: 'Start it with “npm start” in its folder. Desks that were open in this browser can be opened without it.',
  again: 'This page tries again every three seconds.',
} as const;

/** Every text of the first minutes. */
export const LESSON_TEXTS = {
  title: 'First minutes',
  step: (at: number, all: number) => `${at} of ${all}`,
  lessons: {
    flip: 'and let go: you are in what you used before. Once more, and you are back.',
    window: 'and let go: the next window of the same application.',
    place: 'goes straight to what stands at 4 of the index, at the right edge.',
    minimise: 'minimises what is in front.',
    'put-back': 'takes that back. It takes any putting-away back, many steps deep.',
    search: 'searches everything. Type “week”, then Enter.',
    glance: 'shows the bare surface for as long as the key is down.',
    index: 'goes to the index. Arrows and first letters walk it, Enter goes to something, Esc leaves.',
    help: 'shows every key. Esc closes it, and that is all there is to begin with.',
  },
  over: 'That was it. What the foot line shows while the hold key is down is what can be done right now.',
  leave: 'Leave, or take it up again:',
  left: (chord: string) => `Left. ${chord} takes it up again.`,
} as const;

/** Every text of the key sheet. */
export const SHEET_TEXTS = {
  title: (hold: string) => `Keep ${hold} down, and press`,
  hint: 'Below the dots: with Shift. Dashed: free. Underlined: chosen by you.',
  rows: { digits: 'Digits', top: 'Upper row', home: 'Middle row', bottom: 'Lower row' },
  scopes: {
    anywhere: 'At any time',
    list: 'In the open switcher',
    rows: 'Before anything is typed',
    'at-end': 'At the end of the search line',
    'at-start': 'At its start',
    index: 'In the index',
    placing: 'While a window is placed',
    survey: 'In the survey',
    'survey-bare': 'Before anything is typed there',
    'survey-held': 'There, with the hold key',
  },
  print: 'Print',
  close: 'Close',
} as const;

/** Every text of the menu of a place. */
export const MENU_TEXTS = {
  windows: 'Windows',
  documents: 'Documents',
  acts: 'What to do',
  place: (digit: string) => `Place ${digit}`,
  of: (name: string) => `What can be done with ${name}`,
  window: 'The window',
  tabs: 'Its tabs',
  document: 'Its document',
  application: 'Its application',
  show: 'show',
  reveal: (folder: string) => `Show it in ${folder}`,
} as const;

/** Every text of the survey. */
export const SURVEY_TEXTS = {
  title: 'Survey',
  none: 'No windows to survey',
  nothing: (letters: string) =>
    letters === '' ? 'No windows are open here.' : `No window matches “${letters}”.`,
  shown: (count: number, workspace: string) =>
    `${count === 1 ? '1 window' : `${count} windows`} ${workspace === '' ? 'of all workspaces' : `of ${workspace}`}`,
  of: (at: number, count: number) => `${at} of ${count}`,
  order: 'Order',
  orders: { place: 'place', title: 'title', application: 'application', recent: 'recent use' },
  filter: 'Type to filter',
  comesForward: (title: string) => `${title} comes forward`,
  asBefore: 'as before',
} as const;

/** Every text of the list of workspaces. */
export const WORKSPACES_TEXTS = {
  title: 'Workspaces',
  here: 'shown',
  goes: 'goes there',
  carries: (title: string) => `takes ${title} along`,
  carriesAll: (application: string) => `takes all of ${application} along`,
  rename: 'Rename',
  renaming: (name: string) => `Rename ${name}`,
  newName: (name: string) => `New name of ${name}`,
  remove: 'Remove',
  removing: (name: string) => `Remove ${name}: its windows go to its neighbour`,
  add: 'Add',
  addHint: 'Name of a new workspace',
  close: 'Close',
} as const;

/** Every text of shortcuts. */
export const SHORTCUT_TEXTS = {
  title: 'Shortcuts',
  hint: 'A combination of keys that goes straight to one window or one application, from minimised, hidden or another workspace.',
  none: 'None yet.',
  make: 'A new shortcut',
  change: 'Change',
  changing: (chord: string) => `Change ${chord}`,
  remove: 'Remove',
  toInk: 'Go over in ink',
  undo: 'Undo the last change',
  pencil: 'pencil',
  ink: 'ink',
  goesTo: 'It goes to',
  window: 'this window, in pencil: the shortcut ends when the window is closed',
  application: 'the application, in ink: the shortcut is kept',
  titles: 'its windows with such titles, in ink',
  whichWindow: 'Window',
  whichApplication: 'Application',
  pattern: 'Titles',
  patternHint: 'A part of the title, or a regular expression',
  matches: (count: number) => (count === 1 ? '1 window matches now' : `${count} windows match now`),
  opens: 'Launch it if it does not run',
  further: 'Pressed again',
  furthers: {
    'next-window': 'goes on to its next window',
    'next-tab': 'goes on to its next tab',
    back: 'goes back to where I was',
    hide: 'hides it',
  },
  stays: 'does nothing more',
  keep: 'Keep it',
  stop: 'Leave it as it was',
  close: 'Close',
} as const;

/** Every text of applications that are added. */
export const GUESTS_TEXTS = {
  title: 'Web pages as applications',
  hint: 'A web page gets a row, windows and a place of its own. Fill in its address, or drop its web app manifest, a picture or a desktop entry here.',
  none: 'None yet.',
  make: 'A new one',
  address: 'Address',
  name: 'Name',
  monogram: 'Monogram',
  hue: 'Hue',
  opening: 'Opens in',
  openings: { frame: 'a window here', 'browser-window': 'a browser window' },
  scope: 'Belongs to it',
  scopeHint: 'Addresses that begin like this; empty: the folder of the address',
  picture: 'Picture',
  choosePicture: 'Choose a picture …',
  noPictureAnyMore: 'No picture',
  manifest: 'Manifest',
  manifestHint: 'Paste the page’s web app manifest to fill in the rest',
  fillIn: 'Fill in',
  filledIn: (name: string) => `Filled in from the manifest of ${name}.`,
  frames: {
    permitted: 'The page permits frames.',
    refused: 'The page permits no frames, so it opens in a browser window.',
    unknown: 'Whether the page permits frames is not known: it did not answer.',
  },
  noPicture: (file: string) => `${file} is no picture that this browser can read.`,
  noEntry: (file: string, why: string) => `${file} was not added. ${why}`,
  isHere: (name: string) => `${name} is here already.`,
  added: (name: string) => `${name} was added. Search finds it.`,
  ofTheMachine: 'a program of the machine, by its desktop entry',
  entries: 'Add desktop entries …',
  entryOf: 'Desktop entry of',
  exportEntry: 'Export',
  change: 'Change',
  changing: (name: string) => `Change ${name}`,
  remove: 'Remove',
  removing: (name: string) => `Remove ${name}`,
  keep: 'Keep it',
  stop: 'Leave it as it was',
  undo: 'Undo the last change',
  close: 'Close',
} as const;

/** Every text of handing over. */
export const SETUP_TEXTS = {
  title: 'Hand over',
  hint: 'Places, shortcuts in ink, keys, settings and added applications as one file. Windows, documents and shortcuts in pencil are no part of it.',
  handOut: 'Export my set-up',
  handedOut: 'The set-up is being saved.',
  takeOver: 'Take over a set-up …',
  from: (title: string) => `The set-up of “${title}”`,
  parts: {
    setting: 'Settings',
    application: 'Added applications',
    place: 'The index',
    shortcut: 'Shortcuts',
    key: 'Keys',
  },
  tooLarge: (file: string) => `${file} was not read: no set-up is larger than 1 MiB.`,
  notRead: (file: string, why: string) => `${file} was not read. ${why}`,
  nothingNew: 'Everything in it is so here already.',
  same: (count: number) => (count === 1 ? '1 more is the same here.' : `${count} more are the same here.`),
  notHere: (name: string) => `does not fit: there is no ${name} here`,
  noSuchAction: (action: string) => `does not fit: nothing here is called “${action}”`,
  collides: (title: string) => `taken here: ${title}. Ticked, that loses it.`,
  isNew: 'new',
  insteadOf: (what: string) => `instead of ${what}`,
  empty: 'empty',
  noKey: 'no key',
  block: 'the key of the block',
  hold: 'hold',
  tap: 'tap instead of hold',
  take: (count: number) => `Take over ${count}`,
  all: 'Tick all that fit',
  stop: 'Take nothing',
  taken: (count: number) => `${count} taken over. One undo takes all of it back.`,
  undo: 'Undo the last change',
  close: 'Close',
} as const;

/** Every text of the reach check. */
export const REACH_TEXTS = {
  title: 'Which keys arrive here?',
  hint: 'Each combination in use is asked for once. What the desktop or the browser keeps to itself never arrives: then press Enter. In a window of its own, installed, every key arrives.',
  press: 'Press',
  missed: 'it did something else, or nothing',
  again: 'the one before once more',
  stop: 'stops',
  goOn: 'Go on',
  over: (seen: number, all: number) =>
    seen === all ? `All ${all} combinations arrive here.` : `${seen} of ${all} combinations arrive here.`,
  instead: 'Use instead',
  arrived: 'arrived',
  not: 'did not',
  list: 'Combinations in use',
  close: 'Close',
} as const;

/** Every text of choosing a combination. */
export const CHORD_TEXTS = {
  label: 'Combination',
  record: 'Press to record',
  again: 'Record another',
  recording: 'Press the combination now. Esc stops.',
  none: 'None recorded yet.',
  free: 'Nobody uses these; the nearest to your resting hands come first:',
  fine: 'Nobody else uses it, as far as is known.',
  notMeasured: 'What this browser keeps to itself was not measured.',
  not: {
    'alt-graph':
      'With AltGraph, or Control and Alt, this types a character on some keyboards. Choose another one.',
    writes: 'Alone, this key writes or moves. Hold another key with it, or choose a function key.',
    composing: 'An input method is at work: switch it off to record.',
  },
  keyFold: (title: string) => `Key Fold uses it: ${title}. Choose another one, or change that first.`,
  program: (program: string, what: string) =>
    `${program} uses it: ${what}. There it would not be heard any more.`,
  browser: 'It does not reach the page: this browser keeps it to itself.',
  browserHere:
    'It does not reach the page in a tab of this browser; in a window of its own every key arrives.',
  desktop: (what: string) => `The desktop ${what} (common practice): it may never arrive.`,
  thisMachine: 'It did not arrive at the last reach check in this browser.',
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
    shortcut: 'Shortcuts',
    'put-away': 'Putting away',
    end: 'Ending',
    surface: 'The whole surface',
    placing: 'Placing windows',
    tab: 'Tabs',
    workspace: 'Workspaces',
    'bring-back': 'Bringing back',
    program: 'In programs',
    page: 'Key Fold',
  } as const satisfies Readonly<Record<Group, string>>,
  change: 'Change',
  changing: (title: string) => `Change the key: ${title}`,
  use: 'Use it',
  noKey: 'No key at all',
  back: 'Back to the block',
  backAll: 'All back to the block',
  undo: 'Undo the last change',
  which: 'Which one',
  reach: 'Check which keys arrive',
  sheet: 'Key sheet',
  save: 'Save a letter',
  saveKey: 'S',
  or: 'or',
  close: 'Close',
} as const;
