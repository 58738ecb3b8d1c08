import { goto } from '$app/navigation';
import { createContext, untrack } from 'svelte';
import { ACTIONS } from '../../core/actions/actions';
import type { Action, Invocation, Moment, PageRequest } from '../../core/actions/action';
import { programActions } from '../../core/actions/list/programs';
import { Registry } from '../../core/actions/registry';
import type { Target } from '../../core/actions/target';
import { keyMapOf, type KeyMap } from '../../core/actions/views/key-map';
import type { Wish } from '../../core/commands/commands';
import { deskTarget } from '../../core/desk/turn';
import { AT_REST, TIMERS, type DeskState, type Timer } from '../../core/desk/state';
import type { DeskInput, Effect, Outcome, PointerDeed, Submission, Saying } from '../../core/desk/messages';
import { drive } from '../../core/desk/drive';
import { fileCarried, takersOf, type Carried } from '../../core/carrying/carried';
import type { Picture } from '../../core/capture/picture';
import type { Extent } from '../../core/model/geometry';
import type { ApplicationId, DocumentId, WindowId } from '../../core/model/ids';
import { has } from '../../core/model/table';
import { MOST_COMMANDS } from '../../core/model/limits';
import type { Placement } from '../../core/placing/placement';
import { neighboursOn } from '../../core/search/keyboard';
import { folderItems } from '../../core/folders/folder';
import { applicationOf } from '../../core/slices/applications/selectors';
import { withOpening } from '../../core/guests/page';
import { changingGuest, guestOf } from '../../core/slices/setup/selectors';
import { prepareCatalogue } from '../../core/search/session-catalogue';
import type { Session } from '../../core/session/session';
import { newestPutAway } from '../../core/slices/put-away/selectors';
import { askingWindows } from '../../core/slices/recency/selectors';
import type { Digit } from '../../core/slices/places/state';
import { SwitchWatch } from '../../core/tally/watch';
import { blockOf, holdKeyOf, keepsTally } from '../../core/slices/settings/state';
import { activeTab, titleOf, windowOf } from '../../core/slices/windows/selectors';
import { shownText } from '../../core/slices/drafts/selectors';
import { manifestOf, MANIFESTS } from '../../stand-ins/manifests';
import { arrivedKey } from '../../client/arrived-key';
import { download, downloadJson } from '../../client/download';
import { keyLabel, learnFrom } from '../../client/key-labels.svelte';
import type { DeskLink } from '../../client/desk-link';
import { documentAddress, drillPage, framePage, pictureAddress } from '../../client/session-api';
import { toggleFullScreen } from '../../client/own-window.svelte';
import { Present } from '../../client/present.svelte';
import type { LinkListener } from '../../client/session-link.svelte';
import { askForPictures } from '../../client/ask-for-pictures';
import { DisplayPictures } from '../../client/display-pictures.svelte';
import { SurveyLayouts } from '../../client/survey-layouts';
import { TitlePatterns } from '../../client/title-patterns';
import type { Chord } from '../../core/keys/chord';
import type { ArrivedKey } from '../../core/keys/key-input';
import { chordCaps, chordName } from '../parts/key-names';
import { LessonProgress } from '../first/progress.svelte';
import { sayingText } from '../words/sayings';
import type { SwitchFacts } from '../../core/tally/way';
import type { Capture } from '../capture/capture.svelte';
import { Coach } from '../tally/coach.svelte';
import { routeCaps } from '../tally/route-caps';
import { fellSilent } from '../../core/roll-call/roll-call';
import { ROLL_CALL_TEXTS } from '../words/roll-call-texts';
import { COACH_TEXTS } from '../words/coach-texts';
import { PageWindows } from './page-windows.svelte';
import { LESSON_TEXTS, TEXTS } from '../words/texts';

/** The desk of the page that a component is on. */
export const [deskHere, provideDesk] = createContext<Desk>();

/** A press on what stands in the index says by itself what it means. */
function pointerDeed({ type, target }: MouseEvent): PointerDeed {
  if (type === 'pointermove') return 'move';
  if (type !== 'pointerdown') return 'scroll';
  return target instanceof Element && target.closest('[data-place]') ? 'press-index' : 'press';
}

const now = (): string => new Date().toISOString();

/**
 * The page's side of the desk: events of the browser go in as inputs, and effects come out. What an input means is
 * decided in `core/desk`; here are the clock, the timers, the link to the server and what is announced.
 */
export class Desk {
  readonly link: DeskLink;
  readonly registry: Registry;
  readonly lessons = new LessonProgress();
  /** The browser windows of page applications. */
  readonly pages: PageWindows;
  readonly #state = new Present<DeskState>(AT_REST);
  /** What happened last, for the live region and the foot line. */
  announcement = $state('');
  /** True while the announcement is something the person must read. */
  urgent = $state(false);

  /** Where the keys were sent last, by a key that goes through the sections: a new object each time. */
  sectionAsked = $state.raw<{ readonly section: 'foot' | 'front' } | null>(null);

  /** How the windows of a display look. */
  readonly pictures = new DisplayPictures(
    (windows) => askForPictures(this.link.id, windows),
    () => !document.hidden,
  );
  readonly #surveys = new SurveyLayouts((sheet) => this.#drive({ type: 'laid-out', sheet }));
  readonly #timers = new Map<Timer, ReturnType<typeof setTimeout>>();
  readonly #flushes = new Set<() => void>();
  /** Takes pictures, once it was asked for. */
  capture = $state.raw<Capture | null>(null);
  /** The window of which a picture is taken just now. */
  pictured = $state<WindowId | null>(null);
  /** Now and then it has an advice. */
  readonly coach = new Coach(({ to, route }) => {
    const keys = routeCaps(route, this.session, this.keys).join(' ');
    // It may have closed since.
    if (has(this.session.windows, to)) this.say(COACH_TEXTS.says(titleOf(windowOf(this.session, to)), keys));
  });
  /** How switches come about, for the tally. */
  readonly #watch = new SwitchWatch();
  #driving = false;
  /** Whether the hold key is known to be down by what hands keys on. */
  #heldElsewhere = false;
  #pointer: { screenX: number; screenY: number } | null = null;

  // Each by itself, so that who looks at one does not hear of the others.
  readonly switcher = $derived(this.state.switcher);
  readonly shown = $derived(this.state.shown);
  readonly explained = $derived(this.state.explained);
  readonly shifted = $derived(this.state.shifted);
  readonly glancing = $derived(this.state.glancing);
  readonly hurried = $derived(this.state.hurried);
  readonly unsure = $derived(this.state.unsure);
  readonly undoes = $derived(this.state.undoes);
  readonly walk = $derived(this.state.walk);
  readonly placing = $derived(this.state.placing);
  readonly survey = $derived(this.state.survey);
  readonly carrying = $derived(this.state.carrying);
  readonly #takers = $derived(this.carrying && takersOf(this.session, this.carrying));
  /** The window that is moved or sized just now. */
  readonly lifted = $derived(this.state.placing?.window ?? null);
  readonly surface = $derived(this.state.surface);
  readonly paper = $derived(this.state.paper);
  readonly recording = $derived(this.state.recording);
  readonly recorded = $derived(this.state.recorded);

  readonly highlighted = $derived(this.state.switcher && deskTarget(this.state, this.session));
  readonly putAway = $derived(newestPutAway(this.session));

  /**
   * @param link makes the link to what the desk works on
   * @param offered which of all actions there are at this desk
   */
  constructor(
    link: (listener: Omit<LinkListener, 'keyNeeded' | 'locked'>) => DeskLink,
    offered: (action: Action) => boolean = () => true,
  ) {
    this.registry = new Registry([...ACTIONS, ...programActions(MANIFESTS)].filter(offered));
    this.link = link({
      changed: () => this.#changed(),
      happened: (before, events) => this.#drive({ type: 'happened', before, events }),
      unanswered: () => this.say(TEXTS.unanswered, true),
      refused: (detail) => this.say(TEXTS.refused(detail), true),
      setAside: () => this.say(TEXTS.setAside, true),
      late: (unsent) => this.say(TEXTS.notStoredYet(unsent)),
      notKept: () => this.say(TEXTS.notKept, true),
      gone: () => this.say(TEXTS.gone, true),
    });
    this.pages = new PageWindows(() => this.session);
    this.#sayOpening();
  }

  get session(): Session {
    return this.link.session;
  }

  get state(): DeskState {
    return this.#state.shown;
  }

  readonly #shortcuts = $derived(this.session.shortcuts);
  readonly #ownKeys = $derived(this.session.ownKeys);
  readonly #block = $derived(blockOf(this.session.settings));

  /** Which key does what. It stays the same until someone chooses others. */
  readonly keys = $derived.by((): KeyMap => {
    void this.#shortcuts;
    void this.#ownKeys;
    void this.#block;
    return untrack(() => keyMapOf(this.registry, this.session));
  });

  /** What reads patterns comes after the page, and only where there are some. */
  readonly #patterns = new TitlePatterns();

  /** Loads what reads the patterns of shortcuts, if there are any. */
  loadPatterns(): void {
    if (this.#shortcuts.some(({ aim }) => 'application' in aim && aim.title !== null))
      void this.#patterns.load();
  }

  readonly #neighbours = $derived(neighboursOn(keyLabel));

  /** Takes into what search finds what is different now, so that no key has to wait for it. */
  prepareSearch(): void {
    prepareCatalogue(this.session, this.registry);
  }

  /** What someone who opens or reloads the page must know first. */
  #sayOpening(): void {
    const asking = askingWindows(this.session).map(titleOf);
    if (this.session.settings.holdKey === 'Control') this.#leaveControl();
    else if (asking.length > 0) this.say(TEXTS.asks(asking));
  }

  /** An earlier version let Control be the hold key; it would take copy, paste and select all. */
  #leaveControl(): void {
    const { settings } = this.session;
    this.wish({ type: 'change-settings', settings: { ...settings, holdKey: holdKeyOf(settings) } });
    this.say(TEXTS.controlLeft, true);
  }

  /** What the stand-ins inside windows may do. */
  readonly standInActions = {
    keepDraft: (document: DocumentId, text: string): void => this.#keepDraft(document, text),
    save: (document: DocumentId): void => this.wish({ type: 'save', document }),
    write: (document: DocumentId, text: string): void =>
      this.wish({ type: 'keep-draft', document, text }, { type: 'save', document }),
    say: (text: string): void => this.say(text, true),
    /** Calls `flush` before anything is done, so that nothing typed is missed; the returned function ends that. */
    beforeActing: (flush: () => void): (() => void) => {
      this.#flushes.add(flush);
      return () => this.#flushes.delete(flush);
    },
    frameOf: (document: DocumentId): string => framePage(this.link.id, document),
    isPageOpen: (window: WindowId): boolean => this.pages.isOpen(window),
    showPage: (window: WindowId): boolean => this.pages.show(window),
    itemsOf: (id: DocumentId) =>
      (folderItems(this.session, id) ?? []).map(({ id: item, title, application }) => ({
        id: item,
        title,
        application: applicationOf(this.session, application).name,
      })),
    renameDocument: (document: DocumentId, title: string): void =>
      this.wish({ type: 'rename-document', document, title }),
    carry: (what: Carried): void => this.carry(what),
    carryFile: (file: File): void => void this.carryFile(file),
    letGo: (): void => {
      if (this.carrying) this.invoke('cancel');
    },
    pictureAt: (digest: string): string => pictureAddress(this.link.id, digest),
    markPicture: (picture: Picture, title: string): void => void this.#markAgain(picture, title),
    openDocument: (document: DocumentId): void => this.wish({ type: 'open-document', document }),
    stopAnswering: (window: WindowId): void => {
      const { application } = windowOf(this.session, window);
      this.wish({ type: 'stop-answering', application });
    },
    openMore: (window: WindowId, count: number): void => {
      const { application } = windowOf(this.session, window);
      // What is wished at once is bounded; what does not fit any more is said by whoever opens.
      for (let left = count; left > 0; left -= MOST_COMMANDS)
        this.wish(
          ...Array.from(
            { length: Math.min(left, MOST_COMMANDS) },
            () => ({ type: 'open-window', application, inFront: false }) as const,
          ),
        );
    },
    openInBrowser: (application: ApplicationId): void => {
      const guest = guestOf(this.session, application);
      if (guest) this.wish(changingGuest({ ...guest, text: withOpening(guest.text, 'browser-window') }));
    },
  };

  // What the browser tells.

  /** Handles a key of the page; capture it at the window, before anything in the page sees it. */
  readonly onKey = (event: KeyboardEvent): void => {
    // With two windows side by side, the one that has only the pointer hears keys too in some browsers.
    if (!document.hasFocus()) return;
    this.#drive({ type: 'key', key: arrivedKey(event), at: now() }, event);
  };

  /**
   * Handles a key that was pressed elsewhere: the agent of a display hands it on. From then on until the hold key comes
   * up, or the keyboard is handed over, it is known that it is down, whatever the browser says of its own.
   */
  hearKey(key: ArrivedKey): void {
    const holdKey = holdKeyOf(this.session.settings);
    this.#heldElsewhere = !(key.phase === 'up' && key.key === holdKey);
    this.#drive({ type: 'key', key: { ...key, handedOn: true }, at: now() });
  }

  /** From now on keys come to this page by themselves. */
  takeKeyboard(): void {
    this.#heldElsewhere = false;
  }

  readonly onBlur = (): void => {
    if (!this.#heldElsewhere) this.#drive({ type: 'blur' });
  };

  /** Handles a pointer that moves, is pressed or scrolls. */
  readonly onPointer = (event: MouseEvent): void => {
    const holdKeyDown = this.#heldElsewhere || event.getModifierState(holdKeyOf(this.session.settings));
    this.#drive({ type: 'pointer', did: pointerDeed(event), holdKeyDown });
  };

  /**
   * Whether the pointer really moved since the last time: rows that move under a resting pointer must not take the
   * highlight.
   */
  pointerMoved({ screenX, screenY }: PointerEvent): boolean {
    const before = this.#pointer;
    this.#pointer = { screenX, screenY };
    return before !== null && (before.screenX !== screenX || before.screenY !== screenY);
  }

  // What components ask for.

  /** Does what a key does, for the pointer: to a target of its own, or to what the keys act on. */
  invoke(invocation: Invocation | string, target?: Target, moment?: Moment): void {
    const what = typeof invocation === 'string' ? { action: invocation, argument: null } : invocation;
    this.#drive({ type: 'invoked', invocation: what, ...(target && { target }), ...(moment && { moment }) });
  }

  /** Takes what is in the search line. */
  type(letters: string): void {
    this.#drive({ type: 'letters', letters, at: now() });
  }

  /** Moves the highlight to a row or a leaf. */
  point(application: ApplicationId, window: WindowId | null): void {
    this.#drive({ type: 'point', application, window });
  }

  /** Moves the highlight to a result of search, counted from 0. */
  pointResult(index: number): void {
    this.#drive({ type: 'point-result', index });
  }

  /** Goes to a place of the index and opens its menu. */
  openPlaceMenu(digit: Digit): void {
    if (!this.state.walk) this.invoke('index');
    this.invoke({ action: 'go-to-place', argument: digit });
    this.invoke('place-menu');
  }

  /** Takes something up, to carry it to a program. */
  carry(what: Carried): void {
    this.#drive({ type: 'carry', what });
  }

  /** Takes up a file of the person's, or says why it cannot be. */
  async carryFile(file: File): Promise<void> {
    const carried = fileCarried(file.name, await file.text());
    if (!('not' in carried)) return this.carry(carried);
    this.say(carried.not === 'kind' ? TEXTS.notText(file.name) : TEXTS.tooLongFile(file.name), true);
  }

  /** Whether something is carried that an application does not open. */
  readonly isShut = (application: ApplicationId): boolean => this.#takers?.has(application) === false;

  /** The surface is so large now. @param paper what this page has to show it on, where that is something else */
  meetSurface(surface: Extent, paper = surface): void {
    this.#drive({ type: 'surface', surface, paper });
  }

  /** The pointer takes a window up, lays it somewhere, and lets it lie. */
  lift(window: WindowId): void {
    this.#drive({ type: 'lift', window });
  }
  readonly lay = (placement: Placement): void => this.#drive({ type: 'lay', placement });
  readonly letLie = (): void => this.#drive({ type: 'let-lie' });

  /** Highlights a window of the survey. */
  pointSurvey(window: WindowId): void {
    this.#drive({ type: 'point-survey', window });
  }

  /** Says who stopped answering from one session to the next. */
  hearSilence(before: Session, after: Session): void {
    const names = fellSilent(before, after).map((id) => applicationOf(after, id).name);
    if (names.length > 0) this.say(ROLL_CALL_TEXTS.fellSilent(names, this.chord('roll-call')), true);
  }

  /** Looks after nothing any more. */
  leave(): void {
    this.pages.leave();
    this.coach.stop();
    this.capture?.stop();
    this.#surveys.stop();
  }

  /** Opens the switcher so that it stays, or lets the open one stay. */
  openStaying(): void {
    this.invoke('search');
  }

  /** Does what is wished, all of it or nothing, and says what came of it. */
  wish(...wishes: readonly Wish[]): void {
    this.#drive({ type: 'wished', wishes });
  }

  /** Answers a question or an offer in a window; the next window that asks comes forward. */
  answer(wish: Wish): void {
    this.#drive({ type: 'answered', wish });
  }

  /** Opens a dialog, or closes the one that is open. */
  set dialog(dialog: DeskState['dialog']) {
    this.#drive({ type: 'dialog', dialog });
  }

  /** Records the next combination instead of doing what it does, or no more. */
  record(on: boolean): void {
    this.#drive({ type: 'record', on });
  }

  get dialog(): DeskState['dialog'] {
    return this.state.dialog;
  }

  /** Announces something, and shows it in the foot line if it is `urgent`. */
  say(text: string, urgent = false): void {
    this.announcement = text;
    this.urgent = urgent;
  }

  /** The whole chord of an action in words; empty if it has none. */
  readonly chord = (action: string): string => {
    const at = this.keys.chordOf({ action, argument: null });
    return at ? chordName(holdKeyOf(this.session.settings), at) : '';
  };

  /** A combination in words. */
  readonly chordName = (chord: Chord): string => chordCaps(holdKeyOf(this.session.settings), chord).join(' ');

  /** Hands the session document to the browser as a download. */
  exportDocument(): void {
    const file = `${this.link.id}.json`;
    download(documentAddress(this.link.id), file);
    this.say(TEXTS.exported(file));
  }

  /** Hands what could not be stored to the browser as a download. */
  exportAside(): void {
    downloadJson(
      this.link.aside.map(({ text }) => text),
      `${this.link.id}-not-stored.json`,
    );
  }

  // The loop.

  #drive(input: DeskInput, event?: Event): void {
    this.#driving = true;
    this.#watch.hear(input, performance.now());
    const { state, effects } = drive(
      this.#state.now,
      input,
      { session: () => this.link.sessionNow, submit: (submission) => this.#submit(submission) },
      {
        registry: this.registry,
        keys: this.keys,
        matching: this.#patterns.matching,
        neighbours: this.#neighbours,
      },
    );
    this.#driving = false;
    this.#watch.rest(state);
    this.#state.become(state);
    for (const effect of effects) this.#carryOut(effect, event);
  }

  /** Past the desk, because it is asked for in the middle of other wishes; what cannot be kept is said all the same. */
  #keepDraft(document: DocumentId, text: string): void {
    const { notices, refusal } = this.link.submit([{ type: 'keep-draft', document, text }], 'page');
    const [notice] = notices;
    if (refusal) this.#say({ type: 'refusal', refusal });
    else if (notice) this.#say({ type: 'notice', notice });
  }

  #submit(submission: Submission): Outcome {
    const { wishes, origin } = submission;
    for (const flush of this.#flushes) flush();
    const facts = this.#watch.factsOf(submission, performance.now());
    const before = this.link.sessionNow;
    const tells = origin !== 'page' && keepsTally(before.settings);
    const outcome = this.link.submit(wishes, origin, tells ? facts : undefined);
    const { front } = this.link.sessionNow;
    if (front !== before.front) this.#coachSees(before, front, facts);
    return outcome;
  }

  #coachSees(before: Session, to: WindowId | null, facts: SwitchFacts): void {
    const { registry } = this;
    const neighbours = this.#neighbours;
    this.coach.saw({ before, to, facts, registry, neighbours, matching: this.#patterns.matching });
  }

  /** Another page did something, or the server took something back. */
  #changed(): void {
    if (!this.#driving) this.#drive({ type: 'session-changed' });
  }

  /** Marks a picture that is kept once more. What does that comes when it is needed. */
  async #markAgain({ digest }: Picture, title: string): Promise<void> {
    const { Capture } = await import('../capture/capture.svelte');
    this.capture ??= new Capture(this);
    await this.capture.markAgain(pictureAddress(this.link.id, digest), title);
  }

  /** Lets a program do something with what a window shows, and says what it answers. */
  #runProgram(request: Extract<PageRequest, { type: 'run-program' }>): void {
    const { kind, action, application } = request;
    const program = manifestOf(kind)?.actions.find((one) => one.id === action);
    if (!program) return;
    const window = request.window === null ? null : windowOf(this.session, request.window);
    const answer = program.run(window ? shownText(this.session, window) : '', new Date());
    if (typeof answer === 'object' && 'makes' in answer)
      return this.wish({ type: 'make-document', application, ...answer.makes });
    if (!window) return;
    if (typeof answer === 'object') {
      this.standInActions.write(activeTab(window).document, answer.text);
    }
    this.say(`${titleOf(window)}: ${typeof answer === 'object' ? answer.says : answer}`, true);
  }

  #asked(request: Exclude<PageRequest, { type: 'open-dialog' }>): void {
    switch (request.type) {
      case 'export':
        return this.exportDocument();
      case 'first-minutes':
        this.lessons.toggle();
        return this.say(
          this.lessons.on ? LESSON_TEXTS.title : LESSON_TEXTS.left(this.chord('first-minutes')),
        );
      case 'drill':
        return void goto(drillPage(this.link.id));
      case 'coach':
        this.coach.turn(!this.coach.on);
        return this.say(this.coach.on ? COACH_TEXTS.on : COACH_TEXTS.off, true);
      case 'full-screen':
        return void this.fullScreen();
      case 'keys-to':
        this.sectionAsked = { section: request.section };
        return;
      case 'run-program':
        return this.#runProgram(request);
    }
  }

  /** Fills the screen, or no longer; where the browser does not let it, that is said. */
  async fullScreen(): Promise<void> {
    try {
      this.say((await toggleFullScreen()) ? TEXTS.fullScreen : TEXTS.notFullScreen);
    } catch {
      this.say(TEXTS.noFullScreen, true);
    }
  }

  #carryOut(effect: Exclude<Effect, { type: 'submit' }>, event: Event | undefined): void {
    switch (effect.type) {
      case 'heard':
        return learnFrom(effect.input);
      case 'take':
        event?.preventDefault();
        if (effect.wholly) event?.stopPropagation();
        return;
      case 'schedule':
        clearTimeout(this.#timers.get(effect.timer));
        this.#timers.set(
          effect.timer,
          setTimeout(() => this.#drive({ type: 'time', timer: effect.timer }), TIMERS[effect.timer]),
        );
        return;
      case 'cancel':
        return clearTimeout(this.#timers.get(effect.timer));
      case 'lay-out':
        return this.#surveys.layOut(effect.request);
      case 'page':
        return this.#asked(effect.request);
      case 'say':
        return this.#say(effect.saying);
    }
  }

  /** An outcome of which there is nothing to say takes the marking off what was said before. */
  #say(saying: Saying): void {
    const { text, urgent } = sayingText(saying, this);
    if (text !== '') this.say(text, urgent);
    else this.urgent &&= urgent;
  }
}
