/** Every sentence of the desk of a display, and of the list of desks. */
import type { LiveHost } from '../../core/slices/host/state';
import { TEXTS } from './texts';
import { clockText } from './times';

/** The texts of a display's desk. */
export const DISPLAY_TEXTS = {
  chart: 'Plan of the display',
  counts: (windows: number, programs: number, workspace: string) =>
    `${TEXTS.windows(windows)} of ${programs} ${programs === 1 ? 'program' : 'programs'} · ${workspace}`,
  away: ({ name, awaySince }: LiveHost) =>
    `The display ${name} is away since ${awaySince === undefined ? 'a while' : clockText(new Date(awaySince))}.`,
  awayHint: 'What stands here is how it was then. It comes back by itself once its agent runs:',
  awayCommand: 'npm run agent',
  minimisedHere: 'Minimised here',
  elsewhere: (windows: number, workspace: string) => `${workspace}: ${TEXTS.windows(windows)}`,
  nothing: 'No window is open on this display.',
  metaTaken: 'Another program of this display has Meta with S, so the hold key is Alt now.',
  taken: (holdKey: string, keys: readonly string[]) =>
    `Another program of this display has ${holdKey} with ${keys.join(', ')}: there they do nothing here.`,
  holdHint: 'Hold the key and step, here or in any program:',
} as const;

/** The texts of the setting of pictures. */
export const PICTURE_TEXTS = {
  title: 'Window pictures',
  hint: 'Small, of what you look at; they are kept nowhere.',
  except: 'Leave these programs out:',
} as const;

/** The texts of the setting of tabs. */
export const TAB_TEXTS = {
  title: 'Browser tabs',
  hint: 'Of browsers that are launched from here. The agent could then read and change every page that is open in them, and so could anything that takes the agent over.',
} as const;

/** The texts of the list of desks. */
export const DESK_TEXTS = {
  title: 'Desks',
  display: 'your own windows',
  demo: 'the demo, where nothing can be broken',
  other: 'a desk of its own',
  here: 'here',
  away: 'away',
  goes: 'goes there',
  close: 'Close',
  alone: 'No other desk is known here yet.',
  noServer: 'The list could not be read: the server cannot be reached.',
} as const;
