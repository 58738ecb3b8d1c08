/** What is said about taking pictures. */
import type { EaselInput } from '../../core/capture/easel';
import type { Ink, Tool } from '../../core/capture/mark';
import { LARGEST_PICTURE } from '../../core/capture/picture';

/** What a mark is called. */
const TOOLS: Readonly<Record<Tool, string>> = {
  crop: 'Cut out',
  arrow: 'Arrow',
  box: 'Box',
  text: 'Text',
  line: 'Free line',
  number: 'Number',
  blot: 'Blot out',
};

const INKS: Readonly<Record<Ink, string>> = {
  signal: 'red',
  tide: 'blue',
  marigold: 'yellow',
  ink: 'dark',
  paper: 'light',
};

/** The texts of taking a picture, and of marking it. */
export const CAPTURE_TEXTS = {
  title: 'Take a picture',
  hint: 'Of all that is to be seen, of a part of it, or of one window, also where others lie over it.',
  everything: 'Everything',
  everythingHint: 'as it is to be seen',
  part: 'A part',
  partHint: 'is cut out of it by keys or the pointer',
  dropped: 'Back to the picture that was dropped last',
  live: {
    off: 'Pictures of this display are off. Settings, Pictures, turns them on.',
    failed: 'The display gave no picture. What is not to be pictured, and what is out of sight, cannot be.',
  },
  keys: { take: 'take it', delay: 'wait first', close: 'leave' },
  delay: (seconds: number) => (seconds === 0 ? 'at once' : `after ${seconds} s`),
  waiting: (seconds: number) => `A picture is taken in ${seconds} s.`,
  cancel: (chord: string) => `${chord} again: none is taken.`,
  cancelled: 'No picture is taken.',
  taking: 'Taking the picture …',
  failed: 'The picture could not be taken. Try it with one window, or once more.',
  gone: 'The window of which a picture was to be taken is not there any more.',
  name: (what: string, time: string) => `${what}, ${time}`,
  ofDesk: 'Picture of the desk',
  marking: {
    title: 'Mark the picture',
    label: (width: number, height: number, marks: number) =>
      `The picture, ${width} × ${height}, ${marks === 1 ? '1 mark' : `${marks} marks`}`,
    area: 'Picture: arrow keys move what is being made, and look around while nothing is',
    nothing: 'Choose what to do: nothing is marked yet.',
    tools: TOOLS,
    inks: INKS,
    toolList: 'What to do with the picture',
    inkList: 'Colour',
    text: 'Text of the mark',
    write: 'Write, then Enter; arrow keys move it, and Enter places it.',
    make: {
      move: 'move',
      stretch: 'size',
      fine: 'by a pixel',
      place: 'place it',
      cut: 'cut it out',
      giveUp: 'give it up',
      draw: 'draw',
    },
    chosen: { remove: 'remove', letGo: 'let it lie', other: 'another' },
    rest: {
      choose: 'choose a mark',
      undo: 'undo',
      redo: 'again',
      revert: 'as it was taken',
      smaller: 'smaller',
      larger: 'larger',
      fit: 'whole',
    },
    done: {
      keep: (folder: string) => `Keep in ${folder}`,
      noFolder: 'This desk has no folder to keep it in: copy the picture, or take it as a file.',
      copy: 'Copy',
      download: 'As a file',
      drop: 'Drop',
    },
    zoom: (percent: number) => `${percent} %`,
    keeping: 'Keeping the picture …',
    kept: (title: string, folder: string) => `${title} is kept in ${folder}.`,
    copied: 'The picture is copied.',
    notCopied: 'This browser lets no picture be copied here. Take it as a file.',
    downloaded: (file: string) => `${file} was handed to the browser.`,
    dropped: (chord: string) => `The picture is dropped. ${chord} offers it once more.`,
    tooLarge: `The picture is larger than ${LARGEST_PICTURE / 1024 / 1024} MiB. Cut a part out, or take it as a file.`,
    noServer:
      'The server cannot be reached, and the picture is not kept yet. Try again, or take it as a file.',
    notKept: (why: string) => `The picture is not kept: ${why}`,
    did: {
      place: 'Placed.',
      'give-up': 'Given up.',
      undo: 'Undone.',
      redo: 'Done again.',
      revert: 'As it was taken. Undo brings the marks back.',
      remove: 'Removed.',
      choose: 'Chosen.',
    } satisfies Partial<Record<EaselInput['type'], string>>,
    begun: (tool: string) => `${tool}: arrow keys move it, Enter places it, Escape gives it up.`,
  },
  missing: 'The picture is not on this server: its document came without it.',
} as const;
