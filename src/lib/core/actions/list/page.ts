/** Settings, keys, export, and what search has learned. */
import type { IndexStance, Settings } from '../../slices/settings/state';
import { action, asksPage, not, ordersDesk, wishes, type Action } from '../action';
import { held, heldShift, type Binding } from '../binding';

/** Opens the settings. */
export const openSettings = action({
  id: 'settings',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Settings',
    short: 'settings',
    synonyms: ['preferences', 'options', 'theme', 'hold key', 'keyboard', 'import'],
  },
  offer: () => asksPage({ type: 'open-dialog', dialog: 'settings' }),
});

/** Lists the desks there are, to go to another one. */
export const openDesks = action({
  id: 'desks',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Desks: your own windows, the demo, and others',
    short: 'desks',
    synonyms: ['display', 'demo', 'other desk', 'session', 'real windows'],
  },
  keys: [heldShift('KeyP')],
  offer: () => asksPage({ type: 'open-dialog', dialog: 'desks' }),
});

/** Lists what runs and whether it answers, what hangs on top. */
export const openRollCall = action({
  id: 'roll-call',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Roll call: what runs, and whether it answers',
    short: 'roll call',
    synonyms: ['not responding', 'hangs', 'frozen', 'processes', 'what is running', 'end a program'],
  },
  keys: [heldShift('KeyG')],
  offer: () => asksPage({ type: 'open-dialog', dialog: 'roll-call' }),
});

/** Takes a picture of what is here, now or in some seconds. */
export const takePicture = action({
  id: 'capture',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Take a picture: of all there is to see, a part of it, or one window',
    short: 'picture',
    synonyms: ['screenshot', 'capture', 'image', 'snapshot', 'photo', 'blot out', 'crop'],
  },
  keys: [heldShift('KeyY')],
  offer: () => asksPage({ type: 'open-dialog', dialog: 'capture' }),
});

/** Covers everything, for every page, until the passphrase is entered. */
export const lockDesk = action({
  id: 'lock',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Lock this desk: nobody sees it without the passphrase',
    short: 'lock',
    synonyms: ['away', 'cover', 'privacy', 'passphrase', 'password'],
  },
  keys: [heldShift('Backspace')],
  offer: () => asksPage({ type: 'open-dialog', dialog: 'lock' }),
});

/** Changes what opens the lock. */
export const changePassphrase = action({
  id: 'passphrase',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Change the passphrase of the lock',
    short: 'passphrase',
    synonyms: ['password', 'unlock', 'lock'],
  },
  offer: () => asksPage({ type: 'open-dialog', dialog: 'passphrase' }),
});

/** Opens the figures about one's own switching. */
export const openTally = action({
  id: 'tally',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Tally: what your keys are worth, and what is recorded of them',
    short: 'tally',
    synonyms: [
      'statistics',
      'figures',
      'history',
      'time',
      'charts',
      'recorded',
      'privacy',
      'forget my history',
    ],
  },
  keys: [heldShift('KeyM')],
  offer: () => asksPage({ type: 'open-dialog', dialog: 'tally' }),
});

/** Goes to the practice desk. */
export const openDrill = action({
  id: 'drill',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Drill: practise the keys for a minute',
    short: 'drill',
    synonyms: ['practice', 'exercise', 'train', 'learn keys', 'game'],
  },
  keys: [heldShift('Slash')],
  offer: () => asksPage({ type: 'drill' }),
});

/** Has the coach say now and then which keys would have done, or no more. */
export const turnCoach = action({
  id: 'coach',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Coach: now and then a word about shorter ways, or none',
    short: 'coach',
    synonyms: ['advice', 'hints', 'tips', 'be quiet'],
  },
  keys: [heldShift('KeyN')],
  offer: () => asksPage({ type: 'coach' }),
});

const F1: Binding = { scope: 'anywhere', at: { key: 'F1' }, shift: false };

/** Shows what can be done right now, with its keys. */
export const keysAndHelp = action({
  id: 'keys',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Keys and help',
    short: 'help',
    synonyms: ['help', 'shortcuts', 'commands', 'keyboard', 'what can I do'],
  },
  keys: [held('KeyH'), F1],
  offer: () => asksPage({ type: 'open-dialog', dialog: 'keys' }),
});

/** Takes up the first minutes where they were left, or leaves them. */
export const firstMinutes = action({
  id: 'first-minutes',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'First minutes: learn the keys by using them, or leave that',
    short: 'first minutes',
    synonyms: ['tutorial', 'introduction', 'how does it work', 'lessons', 'practice'],
  },
  keys: [heldShift('KeyH')],
  offer: () => asksPage({ type: 'first-minutes' }),
});

/** Shows all keys on one page that can be printed. */
export const showKeySheet = action({
  id: 'key-sheet',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Key sheet: all keys on one page, to print',
    short: 'key sheet',
    synonyms: ['cheat sheet', 'print', 'keyboard', 'overview'],
  },
  offer: () => asksPage({ type: 'open-dialog', dialog: 'key-sheet' }),
});

/** Fills the screen, where more keys arrive, or leaves that again. */
export const fullScreen = action({
  id: 'full-screen',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Full screen, in which every key arrives, and back',
    short: 'full screen',
    synonyms: ['fullscreen', 'kiosk', 'keyboard lock', 'keys do not arrive'],
  },
  offer: () => asksPage({ type: 'full-screen' }),
});

/** Hands the session document out. */
export const exportSession = action({
  id: 'export',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Export this desk as a session document',
    short: 'export',
    synonyms: ['save as', 'download', 'backup'],
  },
  offer: () => asksPage({ type: 'export' }),
});

/** Forgets everything that search has learned. */
export const forgetLearned = action({
  id: 'forget',
  group: 'page',
  acts: 'nothing',
  words: {
    title: 'Forget what search has learned',
    short: 'forget',
    synonyms: ['reset search', 'learned choices'],
  },
  offer: () => wishes({ type: 'forget-choices', choice: null }),
});

/** Forgets what search has learned about the highlighted result. */
export const forgetHighlighted = action({
  id: 'forget-highlighted',
  group: 'page',
  acts: 'nothing',
  searched: false,
  explained: false,
  words: { title: 'Forget what was learned about the highlighted result', short: 'forget', synonyms: [] },
  keys: [heldShift('KeyQ')],
  offer: ({ learned }) =>
    learned.length === 0 ? not({ type: 'nothing-to-forget' }) : ordersDesk({ type: 'forget' }),
});

const colours = (theme: Settings['theme'], title: string, ...synonyms: readonly string[]): Action =>
  action({
    id: theme,
    group: 'page',
    acts: 'nothing',
    words: { title, short: title.toLowerCase(), synonyms: ['theme', 'colours', ...synonyms] },
    offer: ({ settings }) => wishes({ type: 'change-settings', settings: { ...settings, theme } }),
  });

const indexStance = (index: IndexStance, title: string, ...synonyms: readonly string[]): Action =>
  action({
    id: `index-${index}`,
    group: 'page',
    acts: 'nothing',
    words: { title, short: title.toLowerCase(), synonyms },
    offer: ({ settings }) => wishes({ type: 'change-settings', settings: { ...settings, index } }),
  });

/** Where the index is. */
export const INDEX_STANCES: readonly Action[] = [
  indexStance('beside', 'Keep the index beside the surface', 'show index', 'places'),
  indexStance('away', 'Show the index only while it is walked', 'hide index', 'places', 'more room'),
];

/** One action a theme. */
export const COLOURS: readonly Action[] = [
  colours('day', 'Day colours', 'light'),
  colours('night', 'Night colours', 'dark'),
  colours('system', 'Colours of the system', 'match the system'),
];
