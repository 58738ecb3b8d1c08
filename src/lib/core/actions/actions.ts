/** Everything that a person can do, in the order in which it is explained. A new action is a line here. */
import type { Action } from './action';
import { newWindow, putBack, reopen, restoreAll } from './list/bringing-back';
import { close, closeAll, endNow, quit } from './list/ending';
import {
  COLOURS,
  exportSession,
  forgetHighlighted,
  firstMinutes,
  forgetLearned,
  fullScreen,
  INDEX_STANCES,
  keysAndHelp,
  openSettings,
  showKeySheet,
} from './list/page';
import { addToIndex, newWindowAtPlace, place, undoIndex, walkIndex, WALKING } from './list/places';
import { hideOrShow, minimise, minimiseAll, solo, sweep } from './list/putting-away';
import { handOver, openGuests, undoSetup } from './list/setup';
import { checkReach, makeShortcut, shortcut, undoKeys } from './list/shortcuts';
import { JUMPS, newerApplication, nextWindow, olderApplication, previousWindow } from './list/stepping';
import { cancel, COMMITS, glance, into, nextQuestion, out, search } from './list/switcher';

/** Every action that is no program's, in the order in which they are explained. A new one is a line here. */
export const ACTIONS: readonly Action[] = [
  newerApplication,
  olderApplication,
  previousWindow,
  nextWindow,
  search,
  minimise,
  hideOrShow,
  close,
  quit,
  minimiseAll,
  solo,
  closeAll,
  endNow,
  sweep,
  glance,
  putBack,
  reopen,
  restoreAll,
  newWindow,
  nextQuestion,
  makeShortcut,
  shortcut,
  checkReach,
  undoKeys,
  walkIndex,
  addToIndex,
  place,
  newWindowAtPlace,
  ...WALKING,
  undoIndex,
  ...JUMPS,
  ...COMMITS,
  into,
  out,
  cancel,
  keysAndHelp,
  showKeySheet,
  firstMinutes,
  openSettings,
  openGuests,
  handOver,
  undoSetup,
  fullScreen,
  exportSession,
  forgetLearned,
  forgetHighlighted,
  ...COLOURS,
  ...INDEX_STANCES,
];
