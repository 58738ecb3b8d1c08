import type { Host } from '../../core/host/host';
import type { Notice } from '../../core/host/notice';
import { newestPutAway } from '../../core/slices/put-away/selectors';
import { interpret, type Intent } from '../../core/keys/interpret';
import { isComposing, isHeld, isHoldKey, isHoldKeyDown, type KeyInput } from '../../core/keys/key-input';
import { isStep, KEY_MAP, type Action, type HeldKey } from '../../core/keys/key-map';
import { isUntoldDown, NONE_DOWN, readModifiers, type ModifiersDown } from '../../core/keys/modifiers';
import type { Wish } from '../../core/commands/commands';
import type { SessionEvent } from '../../core/session/session';
import type { ApplicationId, DocumentId, WindowId } from '../../core/model/ids';
import type { Session } from '../../core/session/session';
import { holdKeyOf } from '../../core/slices/settings/state';
import { applicationOf } from '../../core/slices/applications/selectors';
import { askingWindows } from '../../core/slices/recency/selectors';
import { titleOf, windowOf } from '../../core/slices/windows/selectors';
import {
  advance,
  targetOf,
  type Choice,
  type Step,
  type Switcher,
  type SwitcherInput,
} from '../../core/switcher/switcher';
import { wishFor, type Target } from '../../core/switcher/acting';
import { standingOfLoneWindow } from '../../core/switcher/standing';
import { arrivedKey } from '../../client/arrived-key';
import { learnFrom } from '../../client/key-labels.svelte';
import { Outbox, type OutboxStorage } from '../../client/outbox';
import { SessionLink } from '../../client/session-link.svelte';
import { chordName } from '../parts/key-names';
import { happenedText, noticeText, standingText, TEXTS, windowName } from '../texts';

/**
 * A quick tap is released within this many ms and then paints nothing (switching rule 8). A second press shows the
 * switcher at once.
 */
export const QUIET_TAP_MS = 110;

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
]);

/** Steps closer together than this, in ms, are hurried. */
const HURRIED_MS = 250;

/**
 * The desk: the session's link, the switcher, and what the keys mean right now. Components read it and call it;
 * every decision is the core's.
 */
export class Desk {
  readonly link: SessionLink;
  switcher = $state.raw<Switcher | null>(null);
  /** Whether the open switcher is on screen yet. */
  shown = $state(false);
  /** Whether the hold key is down, and has been for longer than a quick tap: then its keys are explained. */
  held = $state(false);
  glancing = $state(false);
  /** What happened last, for the live region and the foot line. */
  announcement = $state('');
  /** True while the announcement is something the person must read. */
  urgent = $state(false);

  /** True while steps follow each other so quickly that unfolding in motion would only be in the way. */
  hurried = false;
  #steppedAt = -Infinity;

  /** True from a loss of the focus on, until an event tells whether the hold key is still down. */
  unsure = $state(false);

  shifted = $state(false);
  settingsOpen = $state(false);

  readonly highlighted = $derived(this.switcher && targetOf(this.switcher, this.session));
  readonly putAway = $derived.by(() => newestPutAway(this.session));
  #holding = false;
  #modifiers: ModifiersDown = NONE_DOWN;
  #explaining: ReturnType<typeof setTimeout> | undefined;
  readonly #flushes = new Set<() => void>();
  #showing: ReturnType<typeof setTimeout> | undefined;
  /** Whether the hold key went down and nothing else since. */
  #tapped = false;
  /** Whether search was pressed in this hold: until the hold key comes up, letters belong to it. */
  #searching = false;
  /** Positions still down from a press that was taken. */
  readonly #taken = new Set<string>();
  #pointer: { screenX: number; screenY: number } | null = null;

  constructor(
    id: string,
    stored: { session: Session; seq: number },
    host: Host,
    storage: OutboxStorage,
    locked: () => void,
  ) {
    this.link = new SessionLink(id, stored, host, new Outbox(storage, id), {
      changed: () => this.#advance({ type: 'session-changed' }),
      refused: (detail) => this.say(TEXTS.refused(detail), true),
      setAside: () => this.say(TEXTS.setAside, true),
      late: (unsent) => this.say(TEXTS.notStoredYet(unsent)),
      notKept: () => this.say(TEXTS.notKept, true),
      gone: () => this.say(TEXTS.gone, true),
      locked,
    });
    this.#sayOpening();
  }

  /** What someone who opens or reloads the page must know first. */
  #sayOpening(): void {
    const asking = askingWindows(this.session).map(titleOf);
    if (this.session.settings.holdKey === 'Control') this.#leaveControl();
    else if (asking.length > 0) this.say(TEXTS.asks(asking));
  }

  /** An earlier version let Control be the hold key; it would take copy, paste and select all. */
  #leaveControl(): void {
    this.wish({
      type: 'change-settings',
      settings: { ...this.session.settings, holdKey: holdKeyOf(this.session.settings) },
    });
    this.say(TEXTS.controlLeft, true);
  }

  get session(): Session {
    return this.link.session;
  }

  get #holdKey() {
    return holdKeyOf(this.session.settings);
  }

  /** What the stand-ins inside windows may do. */
  readonly standInActions = {
    keepDraft: (document: DocumentId, text: string): void =>
      this.wish({ type: 'keep-draft', document, text }),
    save: (document: DocumentId): void => this.wish({ type: 'save', document }),
    /** Calls `flush` before anything is done, so that nothing typed is missed; the returned function ends that. */
    beforeActing: (flush: () => void): (() => void) => {
      this.#flushes.add(flush);
      return () => this.#flushes.delete(flush);
    },
  };

  /** Handles a key of the page; capture it at the window, before anything in the page sees it. */
  readonly onKey = (event: KeyboardEvent): void => {
    // With two windows side by side, the one that has only the pointer hears keys too in some browsers.
    if (!document.hasFocus()) return;
    const { down, input } = readModifiers(this.#modifiers, arrivedKey(event));
    this.#modifiers = down;
    learnFrom(input);
    this.shifted = input.shift;
    this.#noticeHold(input);
    const intent = interpret(input, {
      switcher: this.settingsOpen ? 'closed' : (this.switcher?.mode ?? 'closed'),
      typed: Boolean(this.switcher?.search),
      taken: this.#taken.has(input.code),
      searching: this.#searching,
      settings: this.session.settings,
    });
    if (intent && input.phase === 'down') this.#taken.add(input.code);
    else this.#taken.delete(input.code);
    if (!intent) return;
    // The hold key alone would open a menu in some browsers when it comes up.
    event.preventDefault();
    // There, nothing switches; but what is bound must not reach the browser's own menus either.
    if (this.settingsOpen) return;
    if (intent.type !== 'hold-down' && intent.type !== 'hold-up') event.stopPropagation();
    this.#perform(intent);
  };

  /** The page lost the focus: a release may go unseen, and an open switcher waits for the next event to tell. */
  readonly onBlur = (): void => {
    this.#hold(false);
    this.#modifiers = NONE_DOWN;
    this.unsure = true;
    this.shifted = false;
    this.#tapped = false;
    this.#searching = false;
    this.#taken.clear();
    this.glancing = false;
  };

  /** Handles a pointer that moves, is pressed or scrolls: it tells whether the hold key is still down. */
  readonly onPointer = (event: MouseEvent): void => {
    if (event.type !== 'pointermove') this.#tapped = false;
    this.unsure = false;
    if (!event.getModifierState(this.#holdKey) && !isUntoldDown(this.#modifiers, this.#holdKey))
      this.#releaseMissed();
  };

  /** Opens the switcher so that it stays, or lets the open one stay. */
  openStaying(): void {
    this.#advance(this.switcher ? { type: 'stay' } : { type: 'open', by: null, mode: 'staying' });
    this.#show();
  }

  /** Takes what is in the search line. */
  type(letters: string): void {
    this.#advance({ type: 'type', letters, at: new Date().toISOString() });
  }

  /**
   * Whether the pointer really moved since the last time: rows that move under a resting pointer must not take the
   * highlight.
   */
  pointerMoved({ screenX, screenY }: PointerEvent): boolean {
    const before = this.#pointer;
    this.#pointer = { screenX, screenY };
    return before !== null && (before.screenX !== screenX || before.screenY !== screenY);
  }

  pointResult(index: number): void {
    this.#advance({ type: 'point-result', index });
  }

  point(application: ApplicationId, window: WindowId | null): void {
    this.#advance({ type: 'point', application, window });
  }

  commit(raiseAll = false): void {
    this.#advance({ type: 'commit', raiseAll });
  }

  cancel(): void {
    this.#advance({ type: 'cancel' });
    this.say(TEXTS.cancelled(this.frontText()));
  }

  /** Does what a held key does, for the pointer: what a step opens then stays. A glance is {@link glance}'s. */
  press(key: HeldKey): void {
    if (key === 'glance') return;
    if (key === 'search') return this.openStaying();
    if (key === 'next-question') return this.nextQuestion();
    if (!isStep(key)) return this.#act(key);
    this.#advance(
      this.switcher ? { type: 'step', step: key, repeat: false } : { type: 'open', by: key, mode: 'staying' },
    );
    this.#show();
  }

  /** Does what is wished, all of it or nothing, and says what came of it. */
  wish(...wishes: readonly Wish[]): void {
    for (const flush of this.#flushes) flush();
    const before = { session: this.session, highlighted: this.highlighted };
    const { events, notices, refusal } = this.link.submit(...wishes);
    const [notice] = notices;
    if (refusal) this.say(refusal.detail, true);
    else if (notice) this.say(this.#noticeText(notice), true);
    else if (events.length > 0) this.#sayOutcome(before, events);
  }

  #sayOutcome(
    before: { session: Session; highlighted: Target | null },
    events: readonly SessionEvent[],
  ): void {
    this.urgent = false;
    const asking = events.flatMap((event) =>
      event.type === 'closing-asked' ? event.windows.map((id) => titleOf(windowOf(this.session, id))) : [],
    );
    const moved = this.shown
      ? this.highlighted?.application !== before.highlighted?.application ||
        this.highlighted?.window !== before.highlighted?.window
      : this.session.front !== before.session.front;
    const said = [
      happenedText(before.session, events),
      asking.length > 0 ? TEXTS.asks(asking) : '',
      moved ? (this.shown ? this.#highlightText() : this.frontText()) : '',
    ].filter(Boolean);
    if (said.length > 0) this.say(said.join('. '));
  }

  #noticeText(notice: Notice): string {
    return noticeText(this.session, notice, (key) => chordName(this.#holdKey, KEY_MAP[key]));
  }

  /** Brings the next window to the front that asks about unsaved work, after the one in front. */
  nextQuestion(): void {
    const asking = askingWindows(this.session).map(({ id }) => id);
    const at = asking.indexOf(this.session.front ?? '');
    const next = asking[(at + 1) % Math.max(1, asking.length)];
    if (this.switcher) this.#advance({ type: 'cancel' });
    if (next === undefined) return this.say(TEXTS.nothingAsks, true);
    this.wish({ type: 'bring-to-front', window: next, raiseAll: false });
  }

  /**
   * Answers the question in a window; the next window that asks comes forward, so that one answer follows the other.
   * The key that answered does nothing more while it stays down: it must not type into what comes.
   */
  answerQuestion(window: WindowId, answer: 'save' | 'drop' | 'keep-open'): void {
    this.#answered();
    this.wish({ type: 'answer-closing', window, answer });
    if (askingWindows(this.session).length > 0) this.nextQuestion();
  }

  /** Answers the offer of a draft. */
  answerOffer(window: WindowId, answer: 'take-up' | 'drop'): void {
    this.#answered();
    this.wish({ type: 'answer-draft', window, answer });
  }

  #answered(): void {
    for (const code of ['Enter', 'NumpadEnter']) this.#taken.add(code);
  }

  say(text: string, urgent = false): void {
    this.announcement = text;
    this.urgent = urgent;
  }

  frontText(): string {
    const { front } = this.session;
    if (front === null) return TEXTS.nothingInFront;
    return TEXTS.inFront(windowName(this.session, windowOf(this.session, front)));
  }

  #perform(intent: Intent): void {
    if (intent.type !== 'hold-up') this.#tapped = intent.type === 'hold-down';
    switch (intent.type) {
      case 'step':
        return this.#step(intent.step, intent.repeat);
      case 'act':
        return this.#act(intent.action);
      case 'jump':
      case 'jump-leaf':
        return this.#advance(intent);
      case 'commit':
        return this.commit(intent.raiseAll);
      case 'cancel':
        return this.cancel();
      case 'hold-down':
        return this.#hold(true);
      case 'hold-up':
        return this.#holdUp(intent.shift);
      case 'glance':
        return this.glance(intent.on);
      case 'search':
        this.#searching = this.#holding;
        return this.openStaying();
      case 'next-question':
        return this.nextQuestion();
      case 'text':
        return this.type(this.#letters + intent.text);
      case 'erase':
        return this.type([...this.#letters].slice(0, -1).join(''));
      case 'swallow':
        return;
    }
  }

  /** What is in the search line. */
  get #letters(): string {
    return this.switcher?.search?.letters ?? '';
  }

  #step(step: Step, repeat: boolean): void {
    const now = performance.now();
    this.hurried = now - this.#steppedAt < HURRIED_MS;
    this.#steppedAt = now;
    if (this.switcher) {
      this.#advance({ type: 'step', step, repeat });
      this.#show();
      return;
    }
    const mode = this.session.settings.holding ? 'holding' : 'staying';
    this.#advance({ type: 'open', by: step, mode });
    if (mode === 'staying') this.#show();
    else this.#showing = setTimeout(() => this.#show(), QUIET_TAP_MS);
  }

  #show(): void {
    clearTimeout(this.#showing);
    if (!this.switcher || this.shown) return;
    this.shown = true;
    this.held = this.#holding;
    this.say(this.#highlightText());
  }

  #hold(down: boolean): void {
    const holding = down && this.session.settings.holding;
    if (holding === this.#holding) return;
    this.#holding = holding;
    if (!holding) this.#searching = false;
    clearTimeout(this.#explaining);
    if (holding) this.#explaining = setTimeout(() => (this.held = true), QUIET_TAP_MS);
    else this.held = false;
  }

  #holdUp(shift: boolean): void {
    this.#hold(false);
    if (this.#tapped && !this.session.settings.holding && !this.switcher) this.openStaying();
    this.glance(false);
    if (this.switcher?.mode === 'holding') this.commit(shift);
  }

  /** A release that was not seen shows at the next event. */
  #noticeHold(input: KeyInput): void {
    this.unsure = false;
    if (this.settingsOpen) return this.#hold(false);
    if (isHoldKey(input, this.#holdKey)) return;
    this.#hold(isHeld(input, this.#holdKey) && !isComposing(input));
    this.#tapped = false;
    if (!isHoldKeyDown(input, this.#holdKey)) this.#releaseMissed();
  }

  /** The hold key came up while the page could not see it: nothing is committed (switching rule 8). */
  #releaseMissed(): void {
    if (this.switcher?.mode !== 'holding') return;
    this.openStaying();
    this.say(TEXTS.releaseMissed);
  }

  /** Begins or ends a glance at the bare surface (switching rule 18). */
  glance(on: boolean): void {
    if (on === this.glancing) return;
    this.glancing = on;
    this.say(on ? TEXTS.bareSurface : this.frontText());
  }

  /** Acts on the highlight, or while the switcher is closed on what is in front. */
  #act(action: Action): void {
    if (action === 'quit') this.#advance({ type: 'pass-on' });
    const wish = wishFor(this.session, action, targetOf(this.switcher, this.session));
    if (!wish) return this.say(TEXTS.nothingToActOn, true);
    this.wish(wish);
    this.#advance({ type: 'acted', action });
  }

  #advance(input: SwitcherInput): void {
    const before = this.switcher;
    const { switcher, choice } = advance(before, input, this.session);
    this.switcher = switcher;
    if (switcher === null) {
      clearTimeout(this.#showing);
      this.shown = false;
    }
    if (choice) this.#choose(choice);
    else if (input.type === 'commit') this.say(this.frontText());
    else if (this.shown && switcher !== before && MOVING.has(input.type)) this.say(this.#highlightText());
  }

  #choose({ wish, page, learn }: Choice): void {
    const wishes = [learn && ({ type: 'learn-choice', ...learn } as const), wish].filter(
      (one) => one !== null,
    );
    if (wishes.length > 0) this.wish(...wishes);
    if (page === 'settings') this.settingsOpen = true;
    if (page === 'export') this.exportDocument();
  }

  /** Hands the session document to the browser as a download. */
  exportDocument(): void {
    const file = `${this.link.id}.json`;
    download(`/api/sessions/${this.link.id}/document`, file);
    this.say(TEXTS.exported(file));
  }

  /** Hands what could not be stored to the browser as a download. */
  exportAside(): void {
    const aside = this.link.aside.map(({ text }) => text);
    const address = URL.createObjectURL(
      new Blob([JSON.stringify(aside, null, 2)], { type: 'application/json' }),
    );
    download(address, `${this.link.id}-not-stored.json`);
    URL.revokeObjectURL(address);
  }

  #highlightText(): string {
    const search = this.switcher?.search;
    if (search) {
      const title = search.results[search.highlighted]?.candidate.title;
      return TEXTS.found(title, search.highlighted + 1, search.results.length);
    }
    const { highlighted } = this;
    if (!highlighted) return TEXTS.nothingRuns(chordName(this.#holdKey, KEY_MAP.search));
    const { name } = applicationOf(this.session, highlighted.application);
    if (highlighted.window === null) return `${name}. ${TEXTS.noWindows}`;
    const states = standingOfLoneWindow(this.session, highlighted.window).map(standingText);
    return [name, titleOf(windowOf(this.session, highlighted.window)), ...states].join(', ');
  }
}

function download(address: string, file: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = file;
  link.click();
}
