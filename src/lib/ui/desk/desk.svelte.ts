import type { Host } from '../../core/host/host';
import { newestPutAway } from '../../core/host/putting-away';
import { interpret, type Intent } from '../../core/keys/interpret';
import { isHeld, isHoldKey, type KeyInput } from '../../core/keys/key-input';
import type { Action } from '../../core/keys/key-map';
import type { Wish } from '../../core/session/commands';
import type { ApplicationId, DocumentId, Session, WindowId } from '../../core/session/session';
import { applicationOf, titleOf, windowOf } from '../../core/session/views';
import { advance, type Step, type Switcher, type SwitcherInput } from '../../core/switcher/switcher';
import { targetOf, wishFor } from '../../core/switcher/target';
import { standingOfWindow } from '../../core/switcher/standing';
import { keyInputFrom } from '../../client/key-input';
import { Outbox } from '../../client/outbox';
import { SessionLink } from '../../client/session-link.svelte';
import { noticeText, standingText, TEXTS, windowName } from '../texts';

/**
 * A quick tap is released within this many ms and then paints nothing (switching rule 8). A second press shows the
 * switcher at once.
 */
export const QUIET_TAP_MS = 110;

/**
 * The desk: the session's link, the switcher, and what the keys mean right now. Components read it and call it;
 * every decision is the core's.
 */
export class Desk {
  readonly link: SessionLink;
  switcher = $state.raw<Switcher | null>(null);
  /** Whether the open switcher is on screen yet. */
  shown = $state(false);
  held = $state(false);
  glancing = $state(false);
  /** What happened last, for the live region and the foot line. */
  announcement = $state('');
  /** True while the announcement is something the person must read. */
  urgent = $state(false);

  readonly highlighted = $derived(this.switcher && targetOf(this.switcher, this.session));
  readonly putAway = $derived.by(() => newestPutAway(this.session)?.entry ?? null);
  #showing: ReturnType<typeof setTimeout> | undefined;

  constructor(id: string, stored: { session: Session; seq: number }, host: Host, storage: Storage) {
    this.link = new SessionLink(id, stored, host, new Outbox(storage, id), {
      changed: () => this.#advance({ type: 'session-changed' }),
      refused: (detail) => this.say(TEXTS.refused(detail), true),
      notKept: () => this.say(TEXTS.notKept, true),
    });
  }

  get session(): Session {
    return this.link.session;
  }

  /** What the stand-ins inside windows may do. */
  readonly standInActions = {
    keepDraft: (document: DocumentId, text: string): void =>
      this.wish({ type: 'keep-draft', document, text }),
    save: (document: DocumentId): void => this.wish({ type: 'save', document }),
  };

  /** Handles a key of the page; capture it at the window, before anything in the page sees it. */
  readonly onKey = (event: KeyboardEvent): void => {
    const input = keyInputFrom(event);
    this.#noticeHold(input);
    const intent = interpret(input, {
      switcher: this.switcher?.mode ?? 'closed',
      typed: false,
      settings: this.session.settings,
    });
    if (!intent) return;
    // The hold key alone would open a menu in some browsers when it comes up.
    event.preventDefault();
    if (intent.type !== 'hold-down' && intent.type !== 'hold-up') event.stopPropagation();
    this.#perform(intent);
  };

  /** The page lost the focus: a release may go unseen. */
  readonly onBlur = (): void => {
    this.held = false;
    this.glancing = false;
    if (this.switcher?.mode !== 'holding') return;
    this.#advance({ type: 'focus-lost' });
    this.#show();
  };

  /** Opens the switcher so that it stays, as the pointer does. */
  openStaying(): void {
    this.#advance({ type: 'open', by: null, mode: 'staying' });
    this.#show();
  }

  point(application: ApplicationId, window: WindowId | null): void {
    this.#advance({ type: 'point', application, window });
  }

  commit(raiseAll = false): void {
    this.#advance({ type: 'commit', raiseAll });
  }

  cancel(): void {
    this.#advance({ type: 'cancel' });
    this.say(TEXTS.closedWithout);
  }

  /** Does what is wished and says what the host has to say about it. */
  wish(wish: Wish): void {
    const front = this.session.front;
    const { notices, refusal } = this.link.submit(wish);
    const [notice] = notices;
    if (refusal) this.say(refusal.detail, true);
    else if (notice) this.say(noticeText(this.session, notice), true);
    else if (this.session.front !== front && !this.switcher) this.say(this.frontText());
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
        return this.#holdDown();
      case 'hold-up':
        return this.#holdUp(intent.shift);
      case 'glance':
        if (intent.on !== this.glancing) this.#glance(intent.on);
        return;
      case 'search':
      case 'swallow':
        return;
    }
  }

  #step(step: Step, repeat: boolean): void {
    this.held = this.session.settings.holding;
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
    this.#sayHighlight();
  }

  #holdDown(): void {
    this.held = true;
  }

  #holdUp(shift: boolean): void {
    this.held = false;
    if (this.glancing) this.#glance(false);
    if (this.switcher?.mode === 'holding' || this.switcher?.mode === 'unsure') this.commit(shift);
  }

  /** A release that was not seen shows at the next event. */
  #noticeHold(input: KeyInput): void {
    const { holdKey } = this.session.settings;
    if (isHoldKey(input, holdKey)) return;
    const held = isHeld(input, holdKey);
    this.held = held && this.session.settings.holding;
    const mode = this.switcher?.mode;
    if (held && mode === 'unsure') this.#advance({ type: 'hold-seen' });
    if (!held && (mode === 'unsure' || mode === 'holding')) this.#releaseMissed();
  }

  #releaseMissed(): void {
    this.#advance({ type: 'release-missed' });
    this.#show();
    this.say(TEXTS.releaseMissed);
  }

  #glance(on: boolean): void {
    this.glancing = on;
    this.say(on ? TEXTS.bareSurface : this.frontText());
  }

  /** Acts on the highlight, or while the switcher is closed on what is in front. */
  #act(action: Action): void {
    const wish = wishFor(action, this.switcher ? this.highlighted : targetOf(null, this.session));
    if (wish) this.wish(wish);
    else this.say(TEXTS.nothingToActOn, true);
  }

  #advance(input: SwitcherInput): void {
    const before = this.switcher;
    const { switcher, wish } = advance(before, input, this.session);
    this.switcher = switcher;
    if (switcher === null) {
      clearTimeout(this.#showing);
      this.shown = false;
    }
    if (wish) this.wish(wish);
    else if (this.shown && switcher !== before && input.type !== 'session-changed') this.#sayHighlight();
  }

  #sayHighlight(): void {
    const highlighted = this.highlighted;
    if (!highlighted || !this.switcher) return this.say(TEXTS.nothingRuns);
    const { name } = applicationOf(this.session, highlighted.application);
    if (highlighted.window === null) return this.say(`${name}. ${TEXTS.noWindows}`);
    const states = [
      ...(applicationOf(this.session, highlighted.application).hidden
        ? [standingText({ type: 'hidden' })]
        : []),
      ...standingOfWindow(this.session, highlighted.window).map(standingText),
    ];
    this.say([name, titleOf(windowOf(this.session, highlighted.window)), ...states].join(', '));
  }
}
