/** Everything that can be wished of a session. A new kind of command is a line here. */
import type { SwitchFacts } from '../tally/way';
import type { Signed, WishOf } from './command';
import {
  bringToFront,
  openDocument,
  openDocumentWith,
  openWindow,
  switchToApplication,
  walkTo,
} from './kinds/coming-forward';
import { keepPicture, makeDocument, makeInFolder, renameDocument, takeInDocument } from './kinds/documents';
import { answerDraft, keepDraft, save } from './kinds/drafts';
import { answerClosing, close, closeAll, closeTab, endNow, quit, reopen } from './kinds/ending';
import { putKeysBack, putShortcut, removeShortcut, resetKey, resetKeys, setKey } from './kinds/keys';
import { changeSettings, forgetChoices, learnChoice } from './kinds/own';
import { putIndexBack, putInIndex, takeFromIndex } from './kinds/places';
import {
  hide,
  hideOrShow,
  minimise,
  minimiseAll,
  putBack,
  restoreAll,
  show,
  solo,
  sweep,
  sweepOrPutBack,
} from './kinds/putting-away';
import { changeSetup, putSetupBack } from './kinds/setup';
import { carryTab, goToTab, join, openTab, retitleTab, tearOff } from './kinds/tabs';
import { pair, placeWindow, stopAnswering } from './kinds/windows';
import {
  addWorkspace,
  carryApplication,
  carryWindow,
  enterWorkspace,
  removeWorkspace,
  renameWorkspace,
} from './kinds/workspaces';

/** Every kind of command there is. */
export const COMMANDS = [
  bringToFront,
  switchToApplication,
  walkTo,
  openWindow,
  openDocument,
  openDocumentWith,
  makeDocument,
  makeInFolder,
  takeInDocument,
  keepPicture,
  renameDocument,
  minimise,
  minimiseAll,
  restoreAll,
  hide,
  show,
  solo,
  sweep,
  putBack,
  hideOrShow,
  sweepOrPutBack,
  close,
  closeAll,
  quit,
  endNow,
  answerClosing,
  reopen,
  keepDraft,
  save,
  answerDraft,
  placeWindow,
  pair,
  retitleTab,
  goToTab,
  openTab,
  closeTab,
  tearOff,
  join,
  carryTab,
  addWorkspace,
  renameWorkspace,
  removeWorkspace,
  enterWorkspace,
  carryWindow,
  carryApplication,
  stopAnswering,
  changeSettings,
  learnChoice,
  forgetChoices,
  putInIndex,
  takeFromIndex,
  putIndexBack,
  putShortcut,
  removeShortcut,
  setKey,
  resetKey,
  resetKeys,
  putKeysBack,
  changeSetup,
  putSetupBack,
] as const;

/** What someone wants. */
export type Wish = WishOf<(typeof COMMANDS)[number]>;
/** The name of a kind of command. */
export type WishType = Wish['type'];

/** A wish with its own id and the instant it was made. A host turns it into events, or refuses it. */
export type Command = Wish & Signed;

/** Commands that take effect together or not at all; sending one twice changes nothing. */
export interface Batch {
  readonly id: string;
  /** The version of the commands' shape. */
  readonly v: typeof BATCH_VERSION;
  readonly commands: readonly Command[];
  /** Absent from what was left by pages of older versions. */
  readonly origin?: Origin;
  /** How it came about, for the tally; absent where that is not kept, and where the page wishes by itself. */
  readonly facts?: SwitchFacts;
}

/** What makes someone wish: a key, the pointer, a choice in search, or the page by itself. */
export const ORIGINS = ['key', 'pointer', 'search', 'page'] as const;
/** One of the origins. */
export type Origin = (typeof ORIGINS)[number];

/** Since version 2 wishes name the state that is wanted. See `protocol/upcast.ts` for those before. */
export const BATCH_VERSION = 2;
