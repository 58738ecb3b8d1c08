/** What the desk has to say, in words. */
import type { Registry } from '../../core/actions/registry';
import { deskTarget } from '../../core/desk/turn';
import type { DeskState } from '../../core/desk/state';
import type { Saying } from '../../core/desk/messages';
import { carriedTitle, takersOf } from '../../core/carrying/carried';
import type { Notice } from '../../core/host/notice';
import {
  MOST_DOCUMENTS,
  MOST_SHORTCUTS,
  MOST_TABS,
  MOST_WINDOWS,
  MOST_WORKSPACES,
} from '../../core/model/limits';
import type { TabId, WindowId } from '../../core/model/ids';
import { find, has } from '../../core/model/table';
import type { Session, SessionEvent } from '../../core/session/session';
import { applicationOf } from '../../core/slices/applications/selectors';
import { documentOf } from '../../core/slices/documents/selectors';
import type { Ended } from '../../core/slices/ended/state';
import type { PutAway } from '../../core/slices/put-away/state';
import type { PlacedWindow } from '../../core/slices/windows/events';
import { titleOf, windowOf } from '../../core/slices/windows/selectors';
import { workspaceName } from '../../core/slices/workspaces/selectors';
import { standingOfLoneWindow } from '../../core/switcher/standing';
import { aimText } from '../../core/shortcuts/aim';
import { isPencil, shortcutOf } from '../../core/slices/shortcuts/selectors';
import type { SetupChange } from '../../core/slices/setup/state';
import type { KeyChange } from '../../core/slices/shortcuts/state';
import type { Chord } from '../../core/keys/chord';
import { standingText } from '../../core/switcher/standing-text';
import { nameOfThing, placeViews } from '../../core/index/place-view';
import { sameThing } from '../../core/slices/places/selectors';
import { DIGITS, type Places } from '../../core/slices/places/state';
import { boxOn } from '../../core/placing/placement';
import { readingOrder } from '../../core/survey/survey';
import { placeName, SURVEY_TEXTS, TEXTS, windowName } from './texts';

/** What sentences are about: the desk as it is now, and how the whole chord of an action is called. */
export interface Around {
  readonly state: DeskState;
  readonly session: Session;
  readonly registry: Registry;
  readonly chord: (action: string) => string;
  /** How a combination is called. */
  readonly chordName: (chord: Chord) => string;
}

/** Something to be announced. */
export interface Sentence {
  readonly text: string;
  /** Whether the person must read it. */
  readonly urgent: boolean;
}

const listed = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/** What a saying says; empty if there is nothing to say. */
export function sayingText(saying: Saying, around: Around): Sentence {
  const calm = (text: string): Sentence => ({ text, urgent: false });
  switch (saying.type) {
    case 'highlight':
      return calm(highlightText(around));
    case 'front':
      return calm(frontText(around.session));
    case 'cancelled':
      return calm(TEXTS.cancelled(frontText(around.session)));
    case 'release-missed':
      return calm(TEXTS.releaseMissed);
    case 'bare-surface':
      return calm(TEXTS.bareSurface);
    case 'place':
      return calm(placeText(around));
    case 'placing':
      return calm(placingText(around));
    case 'survey':
      return calm(surveyText(around));
    case 'carrying':
      return calm(carryingText(around));
    case 'notice':
      return { text: noticeText(saying.notice, around), urgent: true };
    case 'refusal':
      return { text: saying.refusal.detail, urgent: true };
    case 'outcome':
      return calm(outcomeText(saying, around));
  }
}

/** What is in front, in words. */
export function frontText(session: Session): string {
  const { front } = session;
  if (front === null) return TEXTS.nothingInFront;
  return TEXTS.inFront(windowName(session, windowOf(session, front)));
}

/** Where the walk through the index is. */
function placeText({ state, session, chord }: Around): string {
  const place = placeViews(session)[state.walk?.at ?? -1];
  return place ? placeName(place) : TEXTS.emptyIndex(chord('add-to-index'));
}

/** Where the highlight of the survey is, and among how many. */
function surveyText({ state: { survey }, session }: Around): string {
  if (!survey?.sheet) return SURVEY_TEXTS.title;
  const order = readingOrder(survey.sheet, survey.order);
  if (survey.at === null || !has(session.windows, survey.at)) return SURVEY_TEXTS.none;
  const window = windowOf(session, survey.at);
  const states = standingOfLoneWindow(session, survey.at).map(standingText);
  const where = TEXTS.found(windowName(session, window), order.indexOf(survey.at) + 1, order.length);
  return [where, ...states].join(', ');
}

/** Where the window that is placed lies, in figures. */
function placingText({ state: { placing, surface } }: Around): string {
  return placing ? TEXTS.figures(boxOn(surface, placing.placement)) : '';
}

/** What is carried, and where the highlight is. */
function carryingText(around: Around): string {
  const { carrying } = around.state;
  const title = carrying && TEXTS.carrying(carriedTitle(around.session, carrying));
  return [title, highlightText(around)].filter(Boolean).join('. ');
}

function highlightText({ state, session, chord }: Around): string {
  const { switcher } = state;
  if (switcher?.search) {
    const { highlighted, results } = switcher.search;
    return TEXTS.found(results[highlighted]?.candidate.title, highlighted + 1, results.length);
  }
  const target = deskTarget(state, session);
  if (!target) return TEXTS.nothingRuns(chord('search'));
  const { name } = applicationOf(session, target.application);
  if (target.window === null) return `${name}. ${TEXTS.noWindows}`;
  const { carrying } = state;
  const opens = !carrying || takersOf(session, carrying).has(target.application);
  const states = standingOfLoneWindow(session, target.window).map(standingText);
  if (!opens) states.push(TEXTS.opensNot);
  return [name, titleOf(windowOf(session, target.window)), ...states].join(', ');
}

/** What a notice says. */
export function noticeText(notice: Notice, { session, chord }: Around): string {
  const application = 'application' in notice ? applicationOf(session, notice.application).name : '';
  switch (notice.type) {
    case 'stays-resident':
      return `${application} always runs. ${chord('end-now')} restarts it.`;
    case 'does-not-answer':
      return `${application} is not responding. ${chord('end-now')} ends it; drafts are kept.`;
    case 'already-minimised':
      return 'Already minimised.';
    case 'already-there':
      return 'It is so already.';
    case 'already-asking':
      return `${application} waits for your answer about unsaved work.`;
    case 'not-hidden':
      return `${application} is not hidden.`;
    case 'no-window-here':
      return 'There is no window here for that.';
    case 'nothing-asks':
      return 'No window needs an answer.';
    case 'not-there':
      return 'That is not there any more.';
    case 'host-cannot':
      return 'This display cannot do that.';
    case 'nothing-to-put-away':
      return 'There is nothing to put away.';
    case 'nothing-to-put-back': {
      const last = session.ended.at(-1);
      const more = last ? ` ${chord('reopen')} ${TEXTS.reopens(endedName(session, last))}.` : '';
      return `Nothing to put back.${more}`;
    }
    case 'nothing-to-restore':
      return 'None of its windows is minimised.';
    case 'nothing-to-forget':
      return 'There is nothing to forget.';
    case 'nothing-to-undo':
      return 'No such change is left to undo.';
    case 'chord-taken':
      return 'Another shortcut has that combination.';
    case 'too-many-shortcuts':
      return `There are ${MOST_SHORTCUTS} shortcuts, as many as there can be. Remove some first.`;
    case 'still-runs':
      return `${application} runs: quit it before it is removed.`;
    case 'too-many-applications':
      return `There are ${MOST_WINDOWS} applications, as many as there can be.`;
    case 'nothing-to-go-to':
      return 'What this shortcut goes to is not there, and it opens nothing.';
    case 'not-in-index':
      return 'It has no place in the index.';
    case 'in-index':
      return `It stands in the index already, at ${notice.digit}.`;
    case 'index-full':
      return `All ten places are taken. ${chord('index')} goes to the index: Delete takes something out there.`;
    case 'empty-index':
      return TEXTS.emptyIndex(chord('add-to-index'));
    case 'empty-place':
      return `Nothing stands at ${notice.digit}. ${chord('add-to-index')} adds what is in front to the index.`;
    case 'only-window':
      return `${application} has no other window to go on to.`;
    case 'nothing-to-reopen':
      return 'There is nothing left to reopen.';
    case 'nothing-to-close':
      return `${application} has no windows to close.`;
    case 'cannot-open':
      return TEXTS.cannotOpen(application);
    case 'not-running':
      return `${application} is not running.`;
    case 'draft-waits':
      return `${documentOf(session, notice.document).title} has a draft that waits: use it or discard it first.`;
    case 'newer-draft':
      return `${documentOf(session, notice.document).title} has newer unsaved changes: save or discard them first.`;
    case 'too-many-windows':
      return `There are ${MOST_WINDOWS} windows, as many as there can be. Close some first.`;
    case 'too-many-documents':
      return `There are ${MOST_DOCUMENTS} documents, as many as there can be.`;
    case 'too-many-tabs':
      return `A window holds ${MOST_TABS} tabs, and no more.`;
    case 'too-many-workspaces':
      return `There are ${MOST_WORKSPACES} workspaces, as many as there can be. Remove one first.`;
    case 'name-taken':
      return 'Another workspace is called that. Choose another name.';
    case 'only-workspace':
      return 'It is the only workspace.';
    case 'only-tab':
      return 'It is the only tab of its window.';
    case 'no-such-tab':
      return notice.count === 1 ? TEXTS.onlyTab : `This window has ${notice.count} tabs.`;
    case 'no-window-to-join':
      return `${application} has no other window here to join.`;
    case 'nothing-to-pair':
      return 'It takes two windows that can be seen to put them side by side.';
    case 'no-workspace-before':
      return `No other workspace was shown before. ${chord('workspaces')} lists them.`;
    case 'nothing-inside':
      return 'There is nothing in that to search.';
    case 'session-full':
      return 'This desk holds as much text as it can. Save or discard drafts, or close windows first.';
  }
}

/** How what ended is called. */
export function endedName(session: Session, { kind, application, windows, discarded, tab }: Ended): string {
  const [document] = discarded;
  if (tab) return tab.window.tabs.find(({ id }) => id === tab.id)?.title ?? '';
  if (kind === 'draft' && document) return `a draft of ${documentOf(session, document.document).title}`;
  const [first, second] = windows;
  return kind === 'window' && first && !second ? titleOf(first) : applicationOf(session, application).name;
}

/** Each kind of putting away: as what was done, as what is done, and as what undoing it does. */
const PUT_AWAY_TEXTS: Readonly<
  Record<
    PutAway['kind'],
    {
      done: (subject: string) => string;
      does: (subject: string) => string;
      undone: (subject: string) => string;
    }
  >
> = {
  minimise: {
    done: (subject) => `${subject}, minimised`,
    does: (subject) => `minimise ${subject}`,
    undone: (subject) => `${subject} is back`,
  },
  'minimise-all': {
    done: (subject) => `All ${subject} windows minimised`,
    does: (subject) => `minimise all ${subject} windows`,
    undone: (subject) => `all ${subject} windows are back`,
  },
  hide: {
    done: (subject) => `${subject}, hidden`,
    does: (subject) => `hide ${subject}`,
    undone: (subject) => `${subject} is shown again`,
  },
  solo: {
    done: (subject) => `All but ${subject}, hidden`,
    does: (subject) => `solo ${subject}`,
    undone: () => 'the others are shown again',
  },
  pair: {
    // Where they lie is said as they are placed, so that swapping them says it too.
    done: () => '',
    does: (subject) => `side by side: ${subject}`,
    undone: () => 'both lie where they were',
  },
  'remove-workspace': {
    done: (subject) => `Workspace ${subject} removed`,
    does: (subject) => `remove workspace ${subject}`,
    undone: (subject) => `workspace ${subject} is back`,
  },
  sweep: {
    done: () => 'Everything swept away',
    does: () => 'sweep everything away',
    undone: () => 'everything is back',
  },
};

/** What a putting-away does, for what offers to undo it. */
export const putAwayText = ({ kind, subject }: PutAway): string => PUT_AWAY_TEXTS[kind].does(subject);

/** What followed from a command, and where the highlight or the front went with it. */
function outcomeText(
  { before, events, moved }: Extract<Saying, { type: 'outcome' }>,
  around: Around,
): string {
  const { session } = around;
  const asking = events.flatMap((event) =>
    event.type === 'closing-asked' ? event.windows.map((id) => titleOf(windowOf(session, id))) : [],
  );
  return [
    happenedText(before, events, around),
    pencilsText(before, events, around),
    asking.length > 0 ? TEXTS.asks(asking) : '',
    moved === 'highlight' ? highlightText(around) : '',
    moved === 'front' ? frontText(session) : '',
  ]
    .filter(Boolean)
    .join('. ');
}

/** More closed windows than these are counted, not named. */
const MOST_NAMED = 3;

/** Windows by their titles, or how many they are. */
function namedWindows(before: Session, ids: readonly WindowId[]): string {
  const titles = ids.map((id) => titleOf(windowOf(before, id)));
  return titles.length > MOST_NAMED ? TEXTS.windows(titles.length) : listed.format(titles);
}

/** What happened; `before` is the session that it happened in. */
function happenedText(before: Session, events: readonly SessionEvent[], around: Around): string {
  const types = new Set(events.map(({ type }) => type));
  const windowsOf = (type: 'windows-closed' | 'windows-restored') =>
    events.flatMap((event) => (event.type === type ? event.windows : []));
  const closed = windowsOf('windows-closed');
  const saved = events.flatMap((event) => (event.type === 'drafts-saved' ? event.documents : []));
  const fronted = new Set(events.flatMap((event) => (event.type === 'window-fronted' ? [event.window] : [])));
  // What comes forward is said as that, and what is put back as one thing.
  const restored = types.has('put-back')
    ? []
    : windowsOf('windows-restored').filter((id) => !fronted.has(id));
  const opened =
    types.has('windows-opened') && !types.has('ended-reopened') && !types.has('application-launched');
  const others = events
    .filter(({ type }) => !(types.has('put-back') && type === 'applications-shown'))
    .map((event) => eventText(before, event, around));
  return [
    saved.length > 0 ? `${listed.format(saved.map((id) => documentOf(before, id).title))} saved` : '',
    closed.length > 0 ? `${namedWindows(before, closed)} closed` : '',
    restored.length > 0 ? `${namedWindows(before, restored)} back up` : '',
    opened ? 'New window' : '',
    ...others,
  ]
    .filter(Boolean)
    .join('. ');
}

/** Which pencil shortcuts ended with their windows. */
function pencilsText(
  before: Session,
  events: readonly SessionEvent[],
  { session, chordName }: Around,
): string {
  const kept = new Set(session.shortcuts.map(({ id }) => id));
  const gone = before.shortcuts.filter((one) => isPencil(one) && !kept.has(one.id));
  const byHand = events.some(({ type }) => type === 'keys-changed' || type === 'keys-put-back');
  if (byHand || gone.length === 0) return '';
  return `${listed.format(gone.map(({ chord }) => chordName(chord)))}, in pencil, ended with it`;
}

function keyChangeText(before: Session, change: KeyChange, { registry, session, chordName }: Around): string {
  if ('shortcut' in change) {
    const { to } = change;
    if (to === null) {
      const was = shortcutOf(before, change.shortcut);
      return was ? `${chordName(was.chord)} goes to ${aimText(before, was.aim)} no more` : '';
    }
    const how = isPencil(to) ? 'in pencil: until that is closed' : 'in ink: it is kept';
    return `${chordName(to.chord)} goes to ${aimText(session, to.aim)}, ${how}`;
  }
  const { title } = registry.words(change, session);
  if (change.to === null) return `${title} has the key of the block`;
  return change.to.chord ? `${chordName(change.to.chord)}: ${title}` : `${title} has no key`;
}

/** What stands elsewhere in the index now, or no more. */
function placesText(before: Session, places: Places): string {
  const moved = places.flatMap((thing, at) =>
    thing !== null && !sameThing(thing, before.places[at] ?? null)
      ? [`${nameOfThing(before, thing)} at ${DIGITS[at]}`]
      : [],
  );
  const gone = before.places.flatMap((thing) =>
    thing !== null && !places.some((one) => sameThing(one, thing))
      ? [`${nameOfThing(before, thing)} taken out`]
      : [],
  );
  return `Index: ${listed.format([...moved, ...gone])}`;
}

/** What was added, changed or removed; a whole set-up in one word. */
function setupText(before: Session, { settings, places, shortcuts, keys, guests }: SetupChange): string {
  if (settings || places || shortcuts.length > 0 || keys.length > 0) return 'The set-up is taken over';
  return guests
    .map(({ application, to }) => {
      const was = find(before.applications, application)?.name;
      if (to === null) return `${was} removed`;
      return was === undefined ? `${to.name} added` : `${to.name} changed`;
    })
    .join('. ');
}

/** Where a window lies now, in figures; of several it goes without saying. */
/** One window by its figures; two that lie side by side from left to right. */
function placedText([place, another]: readonly PlacedWindow[], around: Around): string {
  const { session, state } = around;
  if (!place) return '';
  if (!another) return TEXTS.figures(boxOn(state.surface, place));
  if (place.part !== 'left-half' || another.part !== 'right-half') return '';
  return TEXTS.sideBySide(
    titleOf(windowOf(session, place.window)),
    titleOf(windowOf(session, another.window)),
  );
}

const tabTitle = (session: Session, { window, tab }: { window: WindowId; tab: TabId }): string =>
  windowOf(session, window).tabs.find(({ id }) => id === tab)?.title ?? '';

function eventText(before: Session, event: SessionEvent, around: Around): string {
  switch (event.type) {
    case 'put-away':
      return PUT_AWAY_TEXTS[event.entry.kind].done(event.entry.subject);
    case 'put-back': {
      const entry = before.putAways.find(({ id }) => id === event.entries[0]);
      return entry ? `Undone: ${PUT_AWAY_TEXTS[entry.kind].undone(entry.subject)}` : '';
    }
    case 'application-launched':
      return `${applicationOf(before, event.application).name} launched`;
    case 'applications-shown':
      return `${listed.format(event.applications.map((id) => applicationOf(before, id).name))} shown`;
    case 'application-restarted':
      return `${applicationOf(before, event.application).name} restarted`;
    case 'application-ended':
      return `${applicationOf(before, event.application).name} has ended`;
    case 'drafts-discarded':
      return 'Draft discarded';
    case 'places-changed':
      return placesText(before, event.places);
    case 'keys-changed':
      return event.changes.map((change) => keyChangeText(before, change, around)).join('. ');
    case 'windows-placed':
      return placedText(event.places, around);
    case 'tab-activated':
    case 'tab-carried': {
      const { tabs } = windowOf(around.session, event.window);
      const at = tabs.findIndex(({ id }) => id === event.tab);
      return TEXTS.tabAt(tabs[at]?.title ?? '', at + 1, tabs.length);
    }
    case 'tab-closed':
      return `${tabTitle(before, event)} closed`;
    case 'tab-left':
      return `${tabTitle(before, event)} is a window of its own`;
    case 'window-joined':
      return `${titleOf(windowOf(before, event.window))} joined to ${titleOf(windowOf(before, event.into))}`;
    case 'workspace-entered':
      return TEXTS.workspace(workspaceName(around.session, event.workspace));
    case 'workspace-added':
      return `Workspace ${event.workspace.name} added`;
    case 'workspace-renamed':
      return `Workspace ${workspaceName(before, event.workspace)} is ${event.name} now`;
    case 'windows-carried':
      return `${namedWindows(before, event.windows)} carried to ${workspaceName(around.session, event.workspace)}`;
    case 'document-renamed':
      return `${documentOf(before, event.document).title} is ${event.title} now`;
    case 'document-made':
      return `${event.document.title} made`;
    case 'setup-changed':
      return setupText(before, event);
    case 'setup-put-back':
      return 'The set-up is as it was before';
    case 'keys-put-back':
      return 'Shortcuts and keys are as they were before';
    case 'places-put-back':
      return 'The index is as it was before';
    case 'choices-forgotten':
      return 'Forgotten';
    case 'settings-changed':
      return 'Settings changed';
    case 'closing-settled':
      return event.answer === 'keep-open' ? `${titleOf(windowOf(before, event.window))} stays open` : '';
    case 'quit-cancelled':
      return `${applicationOf(before, event.application).name} goes on`;
    default:
      return '';
  }
}
