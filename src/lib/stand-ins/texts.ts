/** Every text of the programs that show what people have added. */
export const GUEST_TEXTS = {
  notLaunched: 'A program of the machine. This desk switches windows of its own and cannot launch it.',
  command: 'Command',
  frame: (name: string) => `${name}, the page itself`,
  give: 'Give the keys to the page',
  back: 'Take the keys back',
  inPage: 'The page has the keys; Key Fold hears none.',
  frames: 'Nothing shown? Then the page permits no frames:',
  own: 'open it in a browser window',
  asBrowserWindow:
    'This page is in a browser window of its own. It comes forward and closes together with this one.',
  forward: 'Bring it forward',
  open: 'Open it',
  kept: 'The browser did not let it open. Press the button once more, or allow windows for this site.',
  emptyFolder: 'There is nothing in this folder.',
  paused: 'Paused: nothing is heard until it goes on.',
} as const;

/** The texts of pictures. */
export const PICTURE_TEXTS = {
  size: (width: number, height: number, bytes: number) =>
    `${width} × ${height} · ${Math.max(1, Math.round(bytes / 1024))} KiB`,
  missing: 'The picture is not on this server: its document came without it.',
  mark: 'M: mark it once more',
  file: 'D: as a file',
  downloaded: (file: string) => `${file} was handed to the browser.`,
  none: 'This names no picture.',
} as const;

/** The texts of what one writes in. */
export const WRITING_TEXTS = {
  find: 'Find',
  lacking: 'Nothing can be found in this text while the server cannot be reached.',
  tooLong: 'That would be longer than can be kept, so it is not taken in. Go on in another document.',
  found: ({ nth, of }: { readonly nth: number; readonly of: number }) =>
    of === 0 ? 'not found' : nth === 0 ? `${of} found` : `${nth} of ${of}`,
} as const;

/** The texts of tables. */
export const TABLE_TEXTS = {
  filter: 'Filter',
  some: (shown: number, all: string) => `${shown} of ${all}`,
  addRow: 'Add row',
  takeIn: 'CSV in',
  handOut: 'CSV out',
  tookIn: (file: string, rows: string) =>
    `${file} is in its place now: ${rows}. Control Z takes the table back as it was.`,
  tooLong: 'The table would be longer than can be kept, so it stays as it was. Split it in two.',
} as const;

/** The texts of tides. */
export const TIDE_TEXTS = {
  cursor: (place: string) => `Tide at ${place}: the instant you look at`,
  height: (metres: string, rising: boolean) => `${metres}, ${rising ? 'rising' : 'falling'}`,
  water: (high: boolean, clock: string, metres: string) =>
    `${high ? 'high' : 'low'} water ${clock}, ${metres}`,
  chart: 'D: from chart datum',
  mean: 'D: from mean level',
  now: 'Home: now',
} as const;

/** The texts of the weather. */
export const WIND_TEXTS = {
  at: (
    {
      time,
      from,
      mean,
      gusts,
      sea,
    }: { time: string; from: string; mean: number; gusts: number; sea: string },
    force: string,
  ) => `${time} · ${from} ${mean} knots, gusts ${gusts} · force ${force}${sea && ` · sea ${sea}`}`,
} as const;

/** The texts of what is only read. */
export const READER_TEXTS = {
  contents: 'Contents',
} as const;

/** The texts of sums. */
export const SUMS_TEXTS = {
  sheet: (title: string) => `${title}: a line a sum`,
  reckoning: 'reckoning …',
  wrong: 'not understood',
  parts: 'What the water under the ship is made of',
} as const;

/** The texts of the radio. */
export const RADIO_TEXTS = {
  mark: 'Mark this call',
  unmark: 'Mark it no more',
  noneMarked: 'No call is marked. Enter on a call marks it.',
  count: (calls: number, marked: number) =>
    `${calls === 1 ? '1 call' : `${calls} calls`}${marked > 0 ? `, ${marked} marked` : ''}`,
  pause: 'Pause',
  goOn: 'Go on',
  onlyMarked: 'Only marked',
  all: 'All calls',
} as const;

/** The texts of the workshop. */
export const WORKSHOP_TEXTS = {
  intro:
    'Here nothing is at stake: try what Key Fold does with windows that are many, that ask, or that hang.',
  ask: 'Ask on closing',
  dontAsk: 'Ask no more',
  asks: 'This window has unsaved changes now, so it asks when it is closed.',
  hang: 'Stop answering',
  hangs: 'The Workshop answers nothing more, until it is ended or restarted.',
  count: 'Windows to open',
  open: 'Open them',
} as const;

/** The texts of folders. Each button says the key that does the same in the list. */
export const FOLDER_TEXTS = {
  openWith: 'O: open with …',
  rename: 'F2: rename',
  make: 'N: new …',
  takeIn: 'File in …',
  untitled: 'Untitled',
  name: 'Name of the document',
  count: (documents: number) => (documents === 1 ? '1 document' : `${documents} documents`),
} as const;
