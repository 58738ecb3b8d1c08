/** Everything that a person can do, in the order in which it is explained. A new action is a line here. */
import type { Action } from './action';
import { newWindow, putBack, reopen, restoreAll } from './list/bringing-back';
import { carryDocument } from './list/documents';
import { openMenu } from './list/menu';
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
import { beginPlacing, fillPart, maximise, pair, SIDES, WHILE_PLACING } from './list/placing';
import {
  addToIndex,
  newWindowAtPlace,
  place,
  TO_SECTIONS,
  undoIndex,
  walkIndex,
  WALKING,
} from './list/places';
import { hideOrShow, minimise, minimiseAll, solo, sweep } from './list/putting-away';
import { handOver, openGuests, undoSetup } from './list/setup';
import { checkReach, makeShortcut, shortcut, undoKeys } from './list/shortcuts';
import { JUMPS, newerApplication, nextWindow, olderApplication, previousWindow } from './list/stepping';
import { IN_SURVEY, survey, surveyApplication } from './list/survey';
import { cancel, COMMITS, glance, into, nextQuestion, out, search } from './list/switcher';
import {
  carryTabLeft,
  carryTabRight,
  closeTab,
  join,
  newTab,
  nextTab,
  previousTab,
  tabByNumber,
  tearOff,
} from './list/tabs';
import {
  everythingOrHere,
  openWorkspaces,
  STEPS_BETWEEN_WORKSPACES,
  TO_A_WORKSPACE,
} from './list/workspaces';

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
  survey,
  surveyApplication,
  ...IN_SURVEY,
  glance,
  putBack,
  reopen,
  restoreAll,
  newWindow,
  nextQuestion,
  carryDocument,
  openMenu,
  previousTab,
  nextTab,
  newTab,
  closeTab,
  carryTabLeft,
  carryTabRight,
  tearOff,
  join,
  tabByNumber,
  ...STEPS_BETWEEN_WORKSPACES,
  openWorkspaces,
  everythingOrHere,
  ...TO_A_WORKSPACE,
  beginPlacing,
  maximise,
  ...SIDES,
  pair,
  fillPart,
  ...WHILE_PLACING,
  makeShortcut,
  shortcut,
  checkReach,
  undoKeys,
  walkIndex,
  ...TO_SECTIONS,
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
