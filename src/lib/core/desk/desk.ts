/**
 * The controller of the page, as a pure machine: a state and an input give the next state and effects. It knows no
 * clock (timers are effects, and come back as inputs), no page, no server, and no key: what a key means it asks the
 * registry. There are no instants and no counters in its state, so that a test can walk all of it.
 */
import { FRESH, type Invocation, type Moment, type PageRequest } from '../actions/action';
import { WHILE_PLACING } from '../actions/list/placing';
import type { Target } from '../actions/target';
import { isThereStill } from '../carrying/carried';
import type { Wish } from '../commands/commands';
import { following } from '../index/at-the-index';
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
import type { Instant } from '../model/ids';
import { isSeen, type Session, type SessionEvent } from '../session/session';
import { recordedFrom } from '../shortcuts/recording';
import { askingWindows } from '../slices/recency/selectors';
import { pointedAt } from '../survey/survey';
import { carry, documentMeant, layDown } from './carrying-mode';
import {
  addToIndex,
  atIndex,
  endRunUnlessOf,
  pressPlace,
  pressShortcut,
  seek,
  toSection,
  walkIndex,
  walkTo,
} from './index-mode';
import {
  ORIGIN_OF,
  type Before,
  type DeskInput,
  type Effect,
  type Outcome,
  type PointerDeed,
  type Submission,
} from './messages';
import type { DeskOrder } from './order';
import { acceptPlacing, lift, placeBy } from './placing-mode';
import { readKey } from './read-key';
import { forgetResult, intoResult, typed } from './searching';
import { AT_REST, type DeskState, type Timer } from './state';
import type { Way } from '../tally/way';
import type { Switcher } from '../switcher/switcher';
import { endSurvey, inSurvey, laidOut, surveyAgain, surveyTo, toggleSurvey } from './survey-mode';
import { deskTarget, Turn, type DeskContext } from './turn';

/** What one step of the machine gives. */
export interface Transition {
  readonly state: DeskState;
  readonly effects: readonly Effect[];
}

/** One step of the machine. */
export function transition(state: DeskState, input: DeskInput, context: DeskContext): Transition {
  const turn = new DeskTurn(state, context);
  turn.take(input);
  return { state: turn.state, effects: turn.effects };
}

/** Whether an action is one of those that place the window that is lifted. */
const isOfPlacing = ({ id }: { readonly id: string }): boolean =>
  WHILE_PLACING.some((action) => action.id === id);

/** How a switcher that is committed now came to its highlight. */
function wayOfCommit(switcher: Switcher | null): Way {
  if (switcher?.search) return 'search';
  return switcher?.leaf ? 'window-step' : 'step';
}

/** A turn that takes an input, whatever it is. */
class DeskTurn extends Turn {
  take(input: DeskInput): void {
    this.origin = ORIGIN_OF[input.type] ?? 'page';
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
        return typed(this, input.letters, input.at);
      case 'session-changed':
        return this.#sessionChanged();
      case 'point':
      case 'point-result':
        return this.advance(input);
      case 'invoked':
        endRunUnlessOf(this, input.invocation);
        return this.#invoke(input.invocation, input.moment ?? FRESH, input.target, true);
      case 'happened':
        return this.#happened(input.before, input.events);
      case 'dialog':
        return this.to({ dialog: input.dialog, recording: false, recorded: null });
      case 'record':
        return this.to({ recording: input.on, recorded: null });
      case 'surface':
        this.to({ surface: input.surface, paper: input.paper });
        return surveyAgain(this);
      case 'laid-out':
        return laidOut(this, input.sheet);
      case 'point-survey':
        return surveyTo(this, this.state.survey && pointedAt(this.state.survey, input.window));
      case 'carry':
        return carry(this, input.what);
      case 'lift':
        return lift(this, input.window, true);
      case 'lay':
        return this.to({
          placing: this.state.placing && { ...this.state.placing, placement: input.placement },
        });
      case 'let-lie':
        return acceptPlacing(this);
      case 'wished':
        return this.submit({ wishes: input.wishes });
      case 'answered':
        // The key that answered does nothing more while it stays down: it must not type into what comes.
        this.to({ taken: [...new Set([...this.state.taken, 'Enter', 'NumpadEnter'])] });
        return this.submit({ wishes: [input.wish], answers: true });
      case 'submitted':
        return this.#submitted(input.submitted, input.before, input.outcome);
    }
  }

  // Keys, the pointer, and what they tell of the hold key.

  #key(arrived: ArrivedKey, at: Instant): void {
    this.atFoot = arrived.atFoot ?? false;
    const { down, input } = readModifiers(this.state.modifiers, arrived);
    this.to({ modifiers: down, shifted: input.shift, unsure: false });
    this.effect({ type: 'heard', input });
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
      settings: this.session.settings,
      registry: this.context.registry,
      keys: this.context.keys,
    });
    const others = taken.filter((code) => code !== input.code);
    this.to({ taken: meaning && input.phase === 'down' ? [...others, input.code] : others });
    if (input.phase === 'down' && !input.repeat && !isModifying(input))
      endRunUnlessOf(this, meaning?.type === 'invoke' ? meaning.invocation : null);
    if (!meaning) return;
    // The hold key alone would open a menu in some browsers when it comes up, but others may want to see it.
    const ofHoldKey = meaning.type === 'hold-down' || meaning.type === 'hold-up';
    this.effect({ type: 'take', wholly: dialog === null && !ofHoldKey });
    // In a dialog nothing switches; but what is bound must not reach the browser's own menus either.
    if (dialog !== null) return;
    if (meaning.type !== 'hold-up') this.to({ tapped: meaning.type === 'hold-down' });
    switch (meaning.type) {
      case 'invoke':
        return this.#invoke(meaning.invocation, meaning.moment, undefined, false);
      case 'text':
        return typed(this, this.#letters + meaning.text, at);
      case 'seek':
        return seek(this, meaning.letter);
      case 'erase':
        return typed(this, [...this.#letters].slice(0, -1).join(''), at);
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
    const recorded = isModifying(input) ? null : recordedFrom(input, this.holdKey);
    const alone = recorded !== null && 'not' in recorded ? recorded.code : null;
    if (alone === 'Tab') return this.to({ recording: false });
    this.effect({ type: 'take', wholly: true });
    if (alone === 'Escape') return this.to({ recording: false });
    if (input.phase === 'up' || input.repeat || !recorded) return;
    this.to({ recorded, recording: 'not' in recorded });
  }

  /** A release that was not seen shows at the next event. */
  #noticeHold(input: KeyInput): void {
    if (this.state.dialog !== null) return this.#hold(false);
    if (isHoldKey(input, this.holdKey)) return;
    this.#hold(isHeld(input, this.holdKey) && !isComposing(input));
    this.to({ tapped: false });
    if (!isHoldKeyDown(input, this.holdKey)) this.#releaseMissed();
  }

  #pointer(did: PointerDeed, holdKeyDown: boolean): void {
    this.to({ unsure: false, tapped: this.state.tapped && did === 'move' });
    if (did === 'press') this.to({ run: null });
    if (did === 'press' && this.state.dialog === null) {
      this.leaveIndex();
      acceptPlacing(this);
    }
    if (!holdKeyDown && !isUntoldDown(this.state.modifiers, this.holdKey)) this.#releaseMissed();
  }

  #blur(): void {
    this.#hold(false);
    const { modifiers, taken } = AT_REST;
    const gone = { shifted: false, tapped: false, searching: false, glancing: false, run: null };
    this.to({ ...gone, modifiers, taken, unsure: true });
  }

  #hold(down: boolean): void {
    const holding = down && this.session.settings.holding;
    if (holding === this.state.holding) return;
    this.to({ holding });
    if (holding) return this.effect({ type: 'schedule', timer: 'explain' });
    this.to({ searching: false, explained: false });
    this.effect({ type: 'cancel', timer: 'explain' });
  }

  #holdUp(shift: boolean): void {
    this.#hold(false);
    const { switcher, tapped } = this.state;
    if (tapped && !this.session.settings.holding && !switcher) this.stay();
    this.#glance(false);
    if (this.state.switcher?.mode === 'holding') this.#commit(shift);
  }

  /** The hold key came up while the page could not see it: nothing is committed (switching rule 8). */
  #releaseMissed(): void {
    if (this.state.switcher?.mode !== 'holding') return;
    this.stay();
    this.say({ type: 'release-missed' });
  }

  #time(timer: Timer): void {
    switch (timer) {
      case 'show':
        return this.show();
      case 'explain':
        return this.to({ explained: this.state.holding });
      case 'calm':
        return this.to({ stepped: false });
      case 'run':
        return this.to({ run: null });
      case 'seek':
        return this.to({ walk: this.state.walk && { ...this.state.walk, letters: '' } });
    }
  }

  // Actions, and what they ask for.

  #invoke(invocation: Invocation, moment: Moment, target: Target | undefined, byPointer: boolean): void {
    const action = this.context.registry.action(invocation.action);
    if (!isOfPlacing(action)) acceptPlacing(this);
    if (action.passesOn && target === undefined) this.advance({ type: 'pass-on' });
    const acts = target ?? deskTarget(this.state, this.session);
    const offer = this.context.registry.deeds(this.session, invocation, acts, moment);
    if ('not' in offer) return this.say({ type: 'notice', notice: offer.not });
    const wishes: Wish[] = [];
    for (const deed of offer.does)
      if (deed.to === 'session') wishes.push(deed.wish);
      else if (deed.to === 'desk') this.#obey(deed.order, byPointer);
      else this.#request(deed.request, acts);
    if (wishes.length === 0) return;
    this.submit({ wishes, acted: { action, target: acts } });
  }

  #request(request: PageRequest, on: Target | null): void {
    if (request.type === 'open-dialog') {
      this.to({ dialogOn: on });
      if (this.state.switcher) this.advance({ type: 'cancel' });
      this.to({ dialog: request.dialog });
    } else this.effect({ type: 'page', request });
  }

  #obey(order: DeskOrder, byPointer: boolean): void {
    switch (order.type) {
      case 'step': {
        if (this.state.switcher) {
          this.hurry();
          this.advance(order);
          return this.show();
        }
        this.hurry();
        const quietly = this.session.settings.holding && !byPointer;
        this.advance({ type: 'open', by: order.step, mode: quietly ? 'holding' : 'staying' });
        return quietly ? this.effect({ type: 'schedule', timer: 'show' }) : this.show();
      }
      case 'jump':
      case 'jump-leaf':
        return this.advance(order);
      case 'search':
        if (!byPointer) this.to({ searching: this.state.holding });
        return this.stay();
      case 'glance':
        return this.#glance(order.on);
      case 'commit':
        return this.#commit(order.raiseAll);
      case 'cancel':
        this.advance({ type: 'cancel' });
        return this.say({ type: 'cancelled' });
      case 'into':
        return intoResult(this);
      case 'out':
        return this.advance({ type: 'out' });
      case 'forget':
        return forgetResult(this);
      case 'press-place':
        return pressPlace(this, order.digit);
      case 'press-shortcut':
        return pressShortcut(this, order.id);
      case 'walk-index':
        return this.state.walk ? this.leaveIndex() : walkIndex(this);
      case 'to-section':
        return toSection(this, order.by);
      case 'at-index':
        return atIndex(this, order.order);
      case 'add-to-index':
        return addToIndex(this);
      case 'begin-placing':
        if (this.state.switcher) this.advance({ type: 'cancel' });
        return lift(this, order.window, false);
      case 'placing':
        return placeBy(this, order.order);
      case 'survey':
        return toggleSurvey(this, order.only);
      case 'in-survey':
        return inSurvey(this, order.order);
      case 'end-survey':
        return endSurvey(this, order.choose);
      case 'everything-or-here':
        if (!this.state.switcher) this.stay();
        return this.advance({ type: 'everything-or-here' });
      case 'carry': {
        const what = documentMeant(this, order.window);
        return what === null ? this.notice({ type: 'no-window-here' }) : carry(this, what);
      }
      case 'step-aside':
        return this.advance({ type: 'cancel' });
    }
  }

  // The index.

  #sessionChanged(): void {
    this.advance({ type: 'session-changed' });
    if (this.state.walk) walkTo(this, following(this.session, this.state.walk));
    surveyAgain(this);
    const { carrying, placing } = this.state;
    if (carrying && !isThereStill(this.session, carrying)) this.to({ carrying: null });
    if (placing && !isSeen(this.session, placing.window)) this.to({ placing: null });
  }

  #glance(on: boolean): void {
    if (on === this.state.glancing) return;
    this.to({ glancing: on });
    this.say({ type: on ? 'bare-surface' : 'front' });
  }

  // The survey.

  // Placing a window.

  // The switcher.

  get #letters(): string {
    return this.state.switcher?.search?.letters ?? '';
  }

  // Carrying a document.

  #commit(raiseAll: boolean): void {
    const { carrying } = this.state;
    if (carrying && layDown(this, carrying)) return;
    this.way = wayOfCommit(this.state.switcher);
    const choice = this.choice({ type: 'commit', raiseAll });
    if (!choice) return this.say({ type: 'front' });
    const { learn, does } = choice;
    const lesson: Wish[] = learn ? [{ type: 'learn-choice', ...learn }] : [];
    if (learn) this.origin = 'search';
    if ('wish' in does) return this.submit({ wishes: [...lesson, does.wish] });
    if (lesson.length > 0) this.submit({ wishes: lesson });
    this.#invoke(does.invocation, FRESH, does.target, true);
  }

  // What is wished, and what comes of it.

  #submitted({ acted, answers }: Submission, before: Before, outcome: Outcome): void {
    const { events, notices, refusal } = outcome;
    const [notice] = notices;
    if (refusal) this.say({ type: 'refusal', refusal });
    else if (notice) this.say({ type: 'notice', notice });
    else if (events.length > 0) this.#sayOutcome(before, events);
    this.#noteUndo(events);
    if (acted) this.advance({ type: 'acted', away: acted.action.leavesNothing(this.session, acted.target) });
    if (answers && askingWindows(this.session).length > 0)
      this.#invoke({ action: 'next-question', argument: null }, FRESH, undefined, true);
  }

  #sayOutcome(before: Before, events: readonly SessionEvent[]): void {
    const { shown } = this.state;
    const target = deskTarget(this.state, this.session);
    const moved = shown
      ? target?.application !== before.target?.application || target?.window !== before.target?.window
      : this.session.front !== before.session.front;
    const to = moved ? (shown ? 'highlight' : 'front') : null;
    this.say({ type: 'outcome', before: before.session, events, moved: to });
  }

  #happened(before: Session, events: readonly SessionEvent[]): void {
    const moved = this.session.front === before.front ? null : 'front';
    this.say({ type: 'outcome', before, events, moved });
    this.#noteUndo(events);
  }

  #noteUndo(events: readonly SessionEvent[]): void {
    for (const { type } of events)
      if (type === 'put-away') this.to({ undoes: 'put-back' });
      else if (type === 'windows-closed' || type === 'application-ended') this.to({ undoes: 'reopen' });
  }
}
