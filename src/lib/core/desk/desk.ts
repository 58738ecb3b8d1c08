/**
 * The controller of the page, as a pure machine: a state and an input give the next state and effects. It knows no
 * clock (timers are effects, and come back as inputs), no page, no server, and no key: what a key means it asks the
 * registry. There are no instants and no counters in its state, so that a test can walk all of it.
 */
import { FRESH, type Invocation, type Moment, type PageRequest } from '../actions/action';
import { WHILE_PLACING } from '../actions/list/placing';
import type { Registry } from '../actions/registry';
import { frontTarget, windowTarget, type Target } from '../actions/target';
import type { KeyMap } from '../actions/views/key-map';
import { isThereStill, laidDown, takersOf, type Carried } from '../carrying/carried';
import type { Origin, Wish } from '../commands/commands';
import type { Notice } from '../host/notice';
import { adding, begun, following, obeyed, soughtIn, walkTarget } from '../index/at-the-index';
import { applicationPressed, pressableAt, pressed, type Pressable } from '../index/pressing';
import type { Walk } from '../index/walk';
import {
  isComposing,
  isHeld,
  isHoldKey,
  isHoldKeyDown,
  isModifying,
  type ArrivedKey,
  type KeyInput,
} from '../keys/key-input';
import { isUntoldDown, readModifiers } from '../keys/modifiers';
import { has } from '../model/table';
import type { ApplicationId, Instant, WindowId } from '../model/ids';
import { placedBy, type PlacingOrder } from '../placing/placing';
import { placementOf, samePlacement } from '../placing/placement';
import type { Neighbours } from '../search/keyboard';
import {
  layRequest,
  obeyedInSurvey,
  openedSurvey,
  pointedAt,
  sameChoice,
  sameRequest,
  SURVEY_HEAD,
  withSheet,
  type Sheeted,
  type Survey,
  type SurveyOrderOf,
} from '../survey/survey';
import { sheetOn } from '../survey/sheet';
import { catalogueOf } from '../search/session-catalogue';
import { allInside, candidatesInside, searchInside } from '../search/inside';
import { search } from '../search/search';
import { applicationOf } from '../slices/applications/selectors';
import { isSeen, type Session, type SessionEvent } from '../session/session';
import type { TitleMatching } from '../shortcuts/aim';
import { recordedFrom } from '../shortcuts/recording';
import { shortcutOf } from '../slices/shortcuts/selectors';
import type { Digit, Thing } from '../slices/places/state';
import { askingWindows } from '../slices/recency/selectors';
import { holdKeyOf, type UsableHoldKey } from '../slices/settings/state';
import { activeTab, windowOf } from '../slices/windows/selectors';
import { advance, highlightedResult, targetOf, type Choice, type SwitcherInput } from '../switcher/switcher';
import {
  ORIGIN_OF,
  type Before,
  type DeskInput,
  type Effect,
  type Outcome,
  type PointerDeed,
  type Saying,
  type Submission,
} from './messages';
import type { DeskOrder, IndexOrder } from './order';
import { readKey } from './read-key';
import { AT_REST, type DeskState, type Timer } from './state';

/** What the machine looks at and never changes. */
export interface DeskContext {
  readonly session: Session;
  readonly registry: Registry;
  readonly keys: KeyMap;
  /** Tells whether titles match the patterns of shortcuts. */
  readonly matching: TitleMatching;
  /** Which keys of the person's keyboard lie beside each other. */
  readonly neighbours: Neighbours;
}

/** What one step of the machine gives. */
export interface Transition {
  readonly state: DeskState;
  readonly effects: readonly Effect[];
}

/** One step of the machine. */
export function transition(state: DeskState, input: DeskInput, context: DeskContext): Transition {
  const turn = new Turn(state, context);
  turn.take(input);
  return { state: turn.state, effects: turn.effects };
}

/** What the keys act on now: the highlight, the place that is walked, or what is in front. */
export function deskTarget({ survey, switcher, walk }: DeskState, session: Session): Target | null {
  if (switcher) return targetOf(switcher, session);
  if (survey) return surveyTarget(survey, session);
  return walk ? walkTarget(session, walk) : frontTarget(session);
}

/** The highlight of the survey, unless it has gone just now. */
const surveyTarget = ({ at }: Survey, session: Session): Target | null =>
  at !== null && has(session.windows, at) ? windowTarget(session, at) : null;

/** What moves the highlight by hand; what follows from an action is said with its outcome. */
const MOVING: ReadonlySet<SwitcherInput['type']> = new Set<SwitcherInput['type']>([
  'step',
  'jump',
  'jump-leaf',
  'point',
  'point-result',
  'type',
  'stay',
  'pass-on',
  'to-row',
  'into',
  'out',
]);

/** Whether an action is one of those that place the window that is lifted. */
const isOfPlacing = ({ id }: { readonly id: string }): boolean =>
  WHILE_PLACING.some((action) => action.id === id);

/** What a run of presses is called by. */
const runName = ({ action, argument }: Invocation): string => `${action} ${argument}`;

/** One turn: the state so far, and the effects so far. */
class Turn {
  readonly effects: Effect[] = [];
  /** Whether the keys go to the foot line. */
  #atFoot = false;
  /** What makes the person wish what is wished in this turn. */
  #origin: Origin = 'page';

  constructor(
    public state: DeskState,
    readonly context: DeskContext,
  ) {}

  take(input: DeskInput): void {
    this.#origin = ORIGIN_OF[input.type] ?? 'page';
    switch (input.type) {
      case 'key':
        return this.#key(input.key, input.at);
      case 'pointer':
        return this.#pointer(input.did, input.holdKeyDown);
      case 'blur':
        return this.#blur();
      case 'time':
        return this.#time(input.timer);
      case 'letters':
        return this.#type(input.letters, input.at);
      case 'session-changed':
        return this.#sessionChanged();
      case 'point':
      case 'point-result':
        return this.#advance(input);
      case 'invoked':
        this.#endRunUnlessOf(input.invocation);
        return this.#invoke(input.invocation, input.moment ?? FRESH, input.target, true);
      case 'happened':
        return this.#happened(input.before, input.events);
      case 'dialog':
        return this.#to({ dialog: input.dialog, recording: false, recorded: null });
      case 'record':
        return this.#to({ recording: input.on, recorded: null });
      case 'surface':
        this.#to({ surface: input.surface });
        return this.#surveyAgain();
      case 'laid-out':
        return this.#laidOut(input.sheet);
      case 'point-survey':
        return this.#surveyTo(this.state.survey && pointedAt(this.state.survey, input.window));
      case 'carry':
        return this.#carry(input.what);
      case 'lift':
        return this.#lift(input.window, true);
      case 'lay':
        return this.#to({
          placing: this.state.placing && { ...this.state.placing, placement: input.placement },
        });
      case 'let-lie':
        return this.#acceptPlacing();
      case 'wished':
        return this.#submit({ wishes: input.wishes });
      case 'answered':
        // The key that answered does nothing more while it stays down: it must not type into what comes.
        this.#to({ taken: [...new Set([...this.state.taken, 'Enter', 'NumpadEnter'])] });
        return this.#submit({ wishes: [input.wish], answers: true });
      case 'submitted':
        return this.#submitted(input.submitted, input.before, input.outcome);
    }
  }

  get #session(): Session {
    return this.context.session;
  }

  get #holdKey(): UsableHoldKey {
    return holdKeyOf(this.#session.settings);
  }

  /** A state that is the same stays the same object, so that views can tell. */
  #to(change: Partial<DeskState>): void {
    const changes = (Object.keys(change) as (keyof DeskState)[]).some(
      (key) => change[key] !== this.state[key],
    );
    if (changes) this.state = { ...this.state, ...change };
  }

  #effect(effect: Effect): void {
    this.effects.push(effect);
  }

  #say(saying: Saying): void {
    this.#effect({ type: 'say', saying });
  }

  // Keys, the pointer, and what they tell of the hold key.

  #key(arrived: ArrivedKey, at: Instant): void {
    this.#atFoot = arrived.atFoot ?? false;
    const { down, input } = readModifiers(this.state.modifiers, arrived);
    this.#to({ modifiers: down, shifted: input.shift, unsure: false });
    this.#effect({ type: 'heard', input });
    this.#noticeHold(input);
    if (this.state.recording) return this.#record(input);
    const { dialog, placing, searching, survey, switcher, taken, walk } = this.state;
    const meaning = readKey(input, {
      switcher: dialog === null ? (switcher?.mode ?? 'closed') : 'closed',
      typed: Boolean(switcher?.search ?? survey?.letters),
      caret: arrived.caret ?? null,
      taken: taken.includes(input.code),
      searching,
      walking: dialog === null && walk !== null,
      placing: dialog === null && placing !== null,
      surveying: dialog === null && survey !== null,
      settings: this.#session.settings,
      registry: this.context.registry,
      keys: this.context.keys,
    });
    const others = taken.filter((code) => code !== input.code);
    this.#to({ taken: meaning && input.phase === 'down' ? [...others, input.code] : others });
    if (input.phase === 'down' && !input.repeat && !isModifying(input))
      this.#endRunUnlessOf(meaning?.type === 'invoke' ? meaning.invocation : null);
    if (!meaning) return;
    // The hold key alone would open a menu in some browsers when it comes up, but others may want to see it.
    const ofHoldKey = meaning.type === 'hold-down' || meaning.type === 'hold-up';
    this.#effect({ type: 'take', wholly: dialog === null && !ofHoldKey });
    // In a dialog nothing switches; but what is bound must not reach the browser's own menus either.
    if (dialog !== null) return;
    if (meaning.type !== 'hold-up') this.#to({ tapped: meaning.type === 'hold-down' });
    switch (meaning.type) {
      case 'invoke':
        return this.#invoke(meaning.invocation, meaning.moment, undefined, false);
      case 'text':
        return this.#type(this.#letters + meaning.text, at);
      case 'seek':
        return this.#seek(meaning.letter);
      case 'erase':
        return this.#type([...this.#letters].slice(0, -1).join(''), at);
      case 'hold-down':
        return this.#hold(true);
      case 'hold-up':
        return this.#holdUp(meaning.shift);
      case 'swallow':
        return;
    }
  }

  /** While a combination is recorded no key does anything else; Escape alone ends that, and Tab goes on as well. */
  #record(input: KeyInput): void {
    const recorded = isModifying(input) ? null : recordedFrom(input, this.#holdKey);
    const alone = recorded !== null && 'not' in recorded ? recorded.code : null;
    if (alone === 'Tab') return this.#to({ recording: false });
    this.#effect({ type: 'take', wholly: true });
    if (alone === 'Escape') return this.#to({ recording: false });
    if (input.phase === 'up' || input.repeat || !recorded) return;
    this.#to({ recorded, recording: 'not' in recorded });
  }

  /** A release that was not seen shows at the next event. */
  #noticeHold(input: KeyInput): void {
    if (this.state.dialog !== null) return this.#hold(false);
    if (isHoldKey(input, this.#holdKey)) return;
    this.#hold(isHeld(input, this.#holdKey) && !isComposing(input));
    this.#to({ tapped: false });
    if (!isHoldKeyDown(input, this.#holdKey)) this.#releaseMissed();
  }

  #pointer(did: PointerDeed, holdKeyDown: boolean): void {
    this.#to({ unsure: false, tapped: this.state.tapped && did === 'move' });
    if (did === 'press') this.#to({ run: null });
    if (did === 'press' && this.state.dialog === null) {
      this.#leaveIndex();
      this.#acceptPlacing();
    }
    if (!holdKeyDown && !isUntoldDown(this.state.modifiers, this.#holdKey)) this.#releaseMissed();
  }

  #blur(): void {
    this.#hold(false);
    const { modifiers, taken } = AT_REST;
    const gone = { shifted: false, tapped: false, searching: false, glancing: false, run: null };
    this.#to({ ...gone, modifiers, taken, unsure: true });
  }

  #hold(down: boolean): void {
    const holding = down && this.#session.settings.holding;
    if (holding === this.state.holding) return;
    this.#to({ holding });
    if (holding) return this.#effect({ type: 'schedule', timer: 'explain' });
    this.#to({ searching: false, explained: false });
    this.#effect({ type: 'cancel', timer: 'explain' });
  }

  #holdUp(shift: boolean): void {
    this.#hold(false);
    const { switcher, tapped } = this.state;
    if (tapped && !this.#session.settings.holding && !switcher) this.#stay();
    this.#glance(false);
    if (this.state.switcher?.mode === 'holding') this.#commit(shift);
  }

  /** The hold key came up while the page could not see it: nothing is committed (switching rule 8). */
  #releaseMissed(): void {
    if (this.state.switcher?.mode !== 'holding') return;
    this.#stay();
    this.#say({ type: 'release-missed' });
  }

  #time(timer: Timer): void {
    switch (timer) {
      case 'show':
        return this.#show();
      case 'explain':
        return this.#to({ explained: this.state.holding });
      case 'calm':
        return this.#to({ stepped: false });
      case 'run':
        return this.#to({ run: null });
      case 'seek':
        return this.#to({ walk: this.state.walk && { ...this.state.walk, letters: '' } });
    }
  }

  // Actions, and what they ask for.

  #invoke(invocation: Invocation, moment: Moment, target: Target | undefined, byPointer: boolean): void {
    const action = this.context.registry.action(invocation.action);
    if (!isOfPlacing(action)) this.#acceptPlacing();
    if (action.passesOn && target === undefined) this.#advance({ type: 'pass-on' });
    const acts = target ?? deskTarget(this.state, this.#session);
    const offer = this.context.registry.deeds(this.#session, invocation, acts, moment);
    if ('not' in offer) return this.#say({ type: 'notice', notice: offer.not });
    const wishes: Wish[] = [];
    for (const deed of offer.does)
      if (deed.to === 'session') wishes.push(deed.wish);
      else if (deed.to === 'desk') this.#obey(deed.order, byPointer);
      else this.#request(deed.request, acts);
    if (wishes.length === 0) return;
    this.#submit({ wishes, acted: { action, target: acts } });
  }

  #request(request: PageRequest, on: Target | null): void {
    if (request.type === 'open-dialog') {
      this.#to({ dialogOn: on });
      if (this.state.switcher) this.#advance({ type: 'cancel' });
      this.#to({ dialog: request.dialog });
    } else this.#effect({ type: 'page', request });
  }

  #obey(order: DeskOrder, byPointer: boolean): void {
    switch (order.type) {
      case 'step': {
        if (this.state.switcher) {
          this.#hurry();
          this.#advance(order);
          return this.#show();
        }
        this.#hurry();
        const quietly = this.#session.settings.holding && !byPointer;
        this.#advance({ type: 'open', by: order.step, mode: quietly ? 'holding' : 'staying' });
        return quietly ? this.#effect({ type: 'schedule', timer: 'show' }) : this.#show();
      }
      case 'jump':
      case 'jump-leaf':
        return this.#advance(order);
      case 'search':
        if (!byPointer) this.#to({ searching: this.state.holding });
        return this.#stay();
      case 'glance':
        return this.#glance(order.on);
      case 'commit':
        return this.#commit(order.raiseAll);
      case 'cancel':
        this.#advance({ type: 'cancel' });
        return this.#say({ type: 'cancelled' });
      case 'into':
        return this.#goInto();
      case 'out':
        return this.#advance({ type: 'out' });
      case 'forget':
        return this.#forget();
      case 'press-place':
        return this.#pressPlace(order.digit);
      case 'press-shortcut':
        return this.#pressShortcut(order.id);
      case 'walk-index':
        return this.state.walk ? this.#leaveIndex() : this.#walkIndex();
      case 'to-section':
        return this.#toSection(order.by);
      case 'at-index':
        return this.#atIndex(order.order);
      case 'add-to-index':
        return this.#addToIndex();
      case 'begin-placing':
        if (this.state.switcher) this.#advance({ type: 'cancel' });
        return this.#lift(order.window, false);
      case 'placing':
        return this.#place(order.order);
      case 'survey':
        return this.#survey(order.only);
      case 'in-survey':
        return this.#inSurvey(order.order);
      case 'end-survey':
        return this.#endSurvey(order.choose);
      case 'everything-or-here':
        if (!this.state.switcher) this.#stay();
        return this.#advance({ type: 'everything-or-here' });
      case 'carry': {
        const what = this.#documentMeant(order.window);
        return what === null ? this.#notice({ type: 'no-window-here' }) : this.#carry(what);
      }
      case 'step-aside':
        return this.#advance({ type: 'cancel' });
    }
  }

  #forget(): void {
    const found = this.state.switcher && highlightedResult(this.state.switcher);
    if (!found?.lesson) return this.#say({ type: 'notice', notice: { type: 'nothing-to-forget' } });
    this.#submit({ wishes: [{ type: 'forget-choices', choice: found.candidate.learnedAs }] });
  }

  #notice(notice: Notice): void {
    this.#say({ type: 'notice', notice });
  }

  // The index.

  /** The run goes on only with the same place (switching rule 14). */
  #endRunUnlessOf(invocation: Invocation | null): void {
    const same = invocation && this.state.run?.of === runName(invocation);
    if (!same) this.#to({ run: null });
  }

  #pressPlace(digit: Digit): void {
    const what = pressableAt(this.#session, digit);
    if (what) this.#press(runName({ action: 'place', argument: digit }), what);
    else this.#notice({ type: 'empty-place', digit });
  }

  #pressShortcut(id: string): void {
    const what = shortcutOf(this.#session, id);
    if (what) this.#press(runName({ action: 'shortcut', argument: id }), what);
    else this.#notice({ type: 'not-there' });
  }

  #press(of: string, what: Pressable): void {
    if (this.state.switcher) return this.#toRow(applicationPressed(this.#session, what));
    this.#leaveIndex();
    const outcome = pressed(this.#session, this.state.run, of, what, this.context.matching);
    this.#to({ run: outcome.run });
    if (outcome.run) this.#effect({ type: 'schedule', timer: 'run' });
    if ('wish' in outcome) this.#submit({ wishes: [outcome.wish] });
    else this.#notice(outcome.notice);
  }

  /** While the switcher is open a place is its row, and then the next leaf of that. */
  #toRow(application: ApplicationId): void {
    if (!applicationOf(this.#session, application).running)
      return this.#notice({ type: 'not-running', application });
    this.#hurry();
    this.#advance({ type: 'to-row', application });
    this.#show();
  }

  #walkIndex(): void {
    if (this.state.switcher) this.#advance({ type: 'cancel' });
    this.#walkTo(begun(this.#session, this.state.walkedTo));
    this.#say({ type: 'place' });
  }

  #walkTo(walk: Walk): void {
    this.#to({ walk, walkedTo: walk.at });
  }

  #toSection(by: 1 | -1): void {
    const sections = ['front', 'index', 'foot'] as const;
    const at = this.#atFoot ? 2 : this.state.walk ? 1 : 0;
    const to = sections[(at + by + sections.length) % sections.length];
    if (to === 'index') return this.#walkIndex();
    this.#leaveIndex();
    if (to) this.#effect({ type: 'page', request: { type: 'keys-to', section: to } });
  }

  #leaveIndex(): void {
    this.#to({ walk: null });
  }

  #seek(letter: string): void {
    if (!this.state.walk) return;
    this.#walkTo(soughtIn(this.#session, this.state.walk, letter));
    this.#effect({ type: 'schedule', timer: 'seek' });
    this.#say({ type: 'place' });
  }

  #atIndex(order: IndexOrder): void {
    if (!this.state.walk) return;
    const { walk, wishes, notice } = obeyed(this.#session, this.state.walk, order);
    if (walk) this.#walkTo(walk);
    else this.#leaveIndex();
    if (notice) return this.#notice(notice);
    if (wishes.length > 0) return this.#submit({ wishes });
    this.#say({ type: walk ? 'place' : 'front' });
  }

  #addToIndex(): void {
    const thing = this.#thingMeant();
    if (thing === null) return this.#notice({ type: 'no-window-here' });
    const added = adding(this.#session, thing);
    if ('notice' in added) this.#notice(added.notice);
    else this.#submit({ wishes: [added.wish] });
  }

  /** What could stand in the index of what the keys act on: a document that was found, else an application. */
  #thingMeant(): Thing | null {
    const { switcher } = this.state;
    const subject = switcher && highlightedResult(switcher)?.candidate.subject;
    if (subject?.kind === 'document') return { document: subject.document };
    return deskTarget(this.state, this.#session)?.application ?? null;
  }

  #sessionChanged(): void {
    this.#advance({ type: 'session-changed' });
    if (this.state.walk) this.#walkTo(following(this.#session, this.state.walk));
    this.#surveyAgain();
    const { carrying, placing } = this.state;
    if (carrying && !isThereStill(this.#session, carrying)) this.#to({ carrying: null });
    if (placing && !isSeen(this.#session, placing.window)) this.#to({ placing: null });
  }

  #hurry(): void {
    this.#to({ hurried: this.state.stepped, stepped: true });
    this.#effect({ type: 'schedule', timer: 'calm' });
  }

  #glance(on: boolean): void {
    if (on === this.state.glancing) return;
    this.#to({ glancing: on });
    this.#say({ type: on ? 'bare-surface' : 'front' });
  }

  // The survey.

  #survey(only: boolean): void {
    if (this.state.survey) return this.#endSurvey(false);
    const target = deskTarget(this.state, this.#session);
    if (this.state.switcher) this.#advance({ type: 'cancel' });
    this.#leaveIndex();
    this.#surveyTo(openedSurvey(this.#session, only ? (target?.application ?? null) : null));
    this.#surveyAgain();
    this.#say({ type: 'survey' });
  }

  #surveyTo(survey: Survey | null): void {
    if (survey === this.state.survey) return;
    const moved = survey?.at !== this.state.survey?.at;
    this.#to({ survey });
    if (survey?.sheet && moved) this.#say({ type: 'survey' });
  }

  /** Lays out anew what is different by now. */
  #surveyAgain(): void {
    const { survey, surface } = this.state;
    if (!survey) return;
    const request = layRequest(this.#session, survey, surface);
    const laid = survey.sheet;
    const same =
      laid !== null && sameRequest(request, laid.windows) && (laid.form !== 'pictures' || laid.laid);
    if (!same) this.#effect({ type: 'lay-out', request });
  }

  /** What was laid out of windows that are others by now is of no use; something newer is on its way. */
  #laidOut(sheet: Sheeted): void {
    const { survey, surface } = this.state;
    if (!survey || !sameRequest(layRequest(this.#session, survey, surface), sheet.windows)) return;
    this.#surveyTo(withSheet(survey, sheet));
  }

  #inSurvey(order: SurveyOrderOf): void {
    const { survey, surface } = this.state;
    if (!survey) return;
    const sheet = sheetOn({ width: surface.width, height: surface.height - SURVEY_HEAD });
    const next = obeyedInSurvey(survey, order, this.#session, sheet);
    this.#surveyTo(next);
    // An arrow shows nothing else.
    if (!sameChoice(survey, next)) this.#surveyAgain();
  }

  #endSurvey(choose: boolean): void {
    const at = this.state.survey?.at ?? null;
    this.#to({ survey: null });
    if (choose && at !== null)
      return this.#submit({ wishes: [{ type: 'bring-to-front', window: at, raiseAll: false }] });
    this.#say({ type: 'front' });
  }

  // Placing a window.

  /** What cannot be seen comes forward first. */
  #lift(window: WindowId, byPointer: boolean): void {
    this.#leaveIndex();
    if (!byPointer && this.#session.front !== window)
      this.#submit({ wishes: [{ type: 'bring-to-front', window, raiseAll: false }] });
    this.#to({ placing: { window, placement: placementOf(windowOf(this.#session, window)), byPointer } });
    if (!byPointer) this.#say({ type: 'placing' });
  }

  #place(order: PlacingOrder): void {
    const { placing, surface } = this.state;
    if (!placing) return;
    if (order.do === 'accept') return this.#acceptPlacing();
    if (order.do === 'revert') {
      this.#to({ placing: null });
      return this.#say({ type: 'front' });
    }
    this.#to({ placing: { ...placing, placement: placedBy(placing.placement, order, surface) } });
    this.#say({ type: 'placing' });
  }

  /** What is seen stays so, however the placing ends: only reverting takes it back. */
  #acceptPlacing(): void {
    const { placing } = this.state;
    if (!placing) return;
    this.#to({ placing: null });
    const { window, placement } = placing;
    if (!isSeen(this.#session, window)) return;
    if (samePlacement(windowOf(this.#session, window), placement)) return this.#say({ type: 'front' });
    this.#submit({ wishes: [{ type: 'place-window', window, placement }] });
  }

  // The switcher.

  #stay(): void {
    this.#advance(this.state.switcher ? { type: 'stay' } : { type: 'open', by: null, mode: 'staying' });
    this.#show();
  }

  #show(): void {
    if (!this.state.switcher || this.state.shown) return;
    this.#effect({ type: 'cancel', timer: 'show' });
    this.#to({ shown: true, explained: this.state.holding });
    this.#say({ type: 'highlight' });
  }

  #advance(input: SwitcherInput): void {
    this.#choice(input);
  }

  /** Moves the switcher on; answers with what a commit chose. */
  #choice(input: SwitcherInput): Choice | null {
    const before = this.state.switcher;
    const { switcher, choice } = advance(before, input, this.#session);
    this.#to({ switcher });
    if (switcher !== null && before === null) {
      this.#leaveIndex();
      this.#to({ survey: null });
    }
    if (switcher === null && before !== null) {
      this.#effect({ type: 'cancel', timer: 'show' });
      this.#to({ shown: false, carrying: null });
    }
    if (this.state.shown && switcher !== before && MOVING.has(input.type)) this.#say({ type: 'highlight' });
    return choice;
  }

  get #letters(): string {
    return this.state.switcher?.search?.letters ?? '';
  }

  #type(letters: string, at: Instant): void {
    const { survey } = this.state;
    if (survey && !this.state.switcher) {
      this.#to({ survey: { ...survey, letters } });
      return this.#surveyAgain();
    }
    const { learned } = this.#session;
    const { neighbours, registry } = this.context;
    const searcher = { learned, neighbours, at };
    const level = this.state.switcher?.search?.within.at(-1);
    const results = level
      ? searchInside(level.inside, letters, searcher)
      : search(catalogueOf(this.#session, registry), letters, searcher);
    this.#advance({ type: 'type', letters, results });
    this.#show();
  }

  /** Into the highlighted result: an application, what opens a document, a folder. */
  #goInto(): void {
    const found = this.state.switcher && highlightedResult(this.state.switcher);
    if (!found) return;
    const inside = candidatesInside(this.#session, this.context.registry, found.candidate.subject);
    if (inside.length === 0) return this.#notice({ type: 'nothing-inside' });
    this.#advance({ type: 'into', inside, results: allInside(inside) });
  }

  // Carrying a document.

  #documentMeant(window: WindowId | null): Carried | null {
    const { switcher } = this.state;
    const subject = switcher && highlightedResult(switcher)?.candidate.subject;
    if (subject?.kind === 'document') return { type: 'document', document: subject.document };
    if (window === null) return null;
    return { type: 'document', document: activeTab(windowOf(this.#session, window)).document };
  }

  /** The switcher says who opens it, and stays until it is laid down. */
  #carry(what: Carried): void {
    this.#advance({ type: 'cancel' });
    this.#leaveIndex();
    this.#to({ survey: null });
    this.#stay();
    this.#to({ carrying: what });
    this.#say({ type: 'carrying' });
  }

  /** Whether what is carried was laid down, or could not be: then the switcher stays. */
  #layDown(carried: Carried): boolean {
    const target = deskTarget(this.state, this.#session);
    if (!target) return false;
    const { application } = target;
    if (!takersOf(this.#session, carried).has(application)) {
      this.#notice({ type: 'cannot-open', application });
      return true;
    }
    const { switcher } = this.state;
    const subject = switcher && highlightedResult(switcher)?.candidate.subject;
    const leaf = subject ? subject.kind === 'window' : (switcher?.leaf ?? null) !== null;
    this.#advance({ type: 'cancel' });
    this.#submit({ wishes: [laidDown(carried, target, leaf)] });
    return true;
  }

  #commit(raiseAll: boolean): void {
    const { carrying } = this.state;
    if (carrying && this.#layDown(carrying)) return;
    const choice = this.#choice({ type: 'commit', raiseAll });
    if (!choice) return this.#say({ type: 'front' });
    const { learn, does } = choice;
    const lesson: Wish[] = learn ? [{ type: 'learn-choice', ...learn }] : [];
    if (learn) this.#origin = 'search';
    if ('wish' in does) return this.#submit({ wishes: [...lesson, does.wish] });
    if (lesson.length > 0) this.#submit({ wishes: lesson });
    this.#invoke(does.invocation, FRESH, does.target, true);
  }

  // What is wished, and what comes of it.

  #submit(submission: Omit<Submission, 'origin'>): void {
    this.#effect({ type: 'submit', submission: { ...submission, origin: this.#origin } });
  }

  #submitted({ acted, answers }: Submission, before: Before, outcome: Outcome): void {
    const { events, notices, refusal } = outcome;
    const [notice] = notices;
    if (refusal) this.#say({ type: 'refusal', refusal });
    else if (notice) this.#say({ type: 'notice', notice });
    else if (events.length > 0) this.#sayOutcome(before, events);
    this.#noteUndo(events);
    if (acted)
      this.#advance({ type: 'acted', away: acted.action.leavesNothing(this.#session, acted.target) });
    if (answers && askingWindows(this.#session).length > 0)
      this.#invoke({ action: 'next-question', argument: null }, FRESH, undefined, true);
  }

  #sayOutcome(before: Before, events: readonly SessionEvent[]): void {
    const { shown } = this.state;
    const target = deskTarget(this.state, this.#session);
    const moved = shown
      ? target?.application !== before.target?.application || target?.window !== before.target?.window
      : this.#session.front !== before.session.front;
    const to = moved ? (shown ? 'highlight' : 'front') : null;
    this.#say({ type: 'outcome', before: before.session, events, moved: to });
  }

  #happened(before: Session, events: readonly SessionEvent[]): void {
    const moved = this.#session.front === before.front ? null : 'front';
    this.#say({ type: 'outcome', before, events, moved });
    this.#noteUndo(events);
  }

  #noteUndo(events: readonly SessionEvent[]): void {
    for (const { type } of events)
      if (type === 'put-away') this.#to({ undoes: 'put-back' });
      else if (type === 'windows-closed' || type === 'application-ended') this.#to({ undoes: 'reopen' });
  }
}
