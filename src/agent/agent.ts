import { AGENT_VERSION, LATEST_MS, type ServerMessage } from '../lib/core/display/told';
import type { Look } from '../lib/core/display/pictures';
import { programsUse, type Measure, type ProcessTable } from '../lib/core/display/processes';
import { LARGEST_PICTURE } from '../lib/core/capture/picture';
import type { Shoot } from '../lib/core/display/shots';
import { Link } from './link';
import { processTable } from './process-table';
import { lineageOf } from './processes';
import type { InstalledPrograms } from './programs';
import { Browsers } from './browser/browsers';
import { TAB_WISHES, TabDeeds } from './browser/tab-deeds';
import { Answering } from './x11/answering';
import { Countdown } from './x11/countdown';
import { Orders } from './x11/orders';
import { Deeds } from './x11/deeds';
import { abilitiesWith, lackingOf, type Manager } from './x11/manager';
import { HeldKeys } from './held-keys';
import { Panel } from './panel';
import type { DeedMaker } from './x11/deed';
import { orderOf, programRoots, snapshotOf, type Telling } from './x11/telling';
import { Pictures } from './x11/pictures';
import { XDisplay } from './x11/x-display';

/** What a browser is started through, so that its tabs can be followed, and where the extension for that is written. */
export interface TabSettings {
  readonly keeper: readonly string[];
  readonly extension: string;
}

/** Where an agent is, and whom it tells. */
export interface AgentSettings {
  /** As in `DISPLAY`. */
  readonly display: string;
  /** What people call it. */
  readonly name: string;
  /** The server's agent route. */
  readonly url: string;
  readonly token: string;
  readonly programs: InstalledPrograms;
  /** What the tabs of browsers need; null: none are followed. */
  readonly tabs: TabSettings | null;
  /** Processes that are never ended, besides the agent's own, what started it, and the display's. */
  readonly kept: readonly number[];
  /** Key Fold's own window; null: there is none, and no key is taken. */
  readonly panel: { readonly key: string; readonly profile: string } | null;
  /** Hears what a person should know. */
  readonly say: (text: string) => void;
}

/**
 * What runs beside a display and carries it to Key Fold: tells how its windows are, and does what is wished. While no
 * window manager runs there is nothing to tell, and it waits for one.
 */
export class Agent {
  readonly #link: Link;
  #display: XDisplay | null = null;
  /** Whether all is there that answers the server. */
  #ready = false;
  #orders: Orders | null = null;
  #answering: Answering | null = null;
  #pictures: Pictures | null = null;
  #browsers: Browsers | null = null;
  #panel: Panel | null = null;
  #countdown: Countdown | null = null;
  #heldKeys: HeldKeys | null = null;
  /** Where the server says that people find the display; null while it is away. */
  #page: string | null = null;
  /** How processes were when they were measured last. */
  #measured: ProcessTable | null = null;
  /** The server's clock minus ours, in ms. */
  #ahead = 0;
  #over: () => void = () => undefined;
  /** Resolves when the agent has nothing more to do: the display is gone, or it is not wanted. */
  readonly over = new Promise<void>((resolve) => (this.#over = resolve));

  constructor(readonly settings: AgentSettings) {
    const { url, token } = settings;
    this.#link = new Link(url, token, {
      connected: () => this.#begin(),
      lost: () => {
        settings.say('The server is away; it is tried again.');
        this.#page = null;
        // Nobody would hear what is pressed.
        this.#heldKeys?.want(null);
      },
      message: (message) => this.#hear(message),
      ended: (why) => {
        settings.say(why);
        this.stop();
      },
    });
  }

  /** Connects to the display, and to the server once a window manager is there. @throws if there is no such display */
  async start(): Promise<void> {
    const { display: name, programs } = this.settings;
    const display = await XDisplay.open(name, programs, {
      changed: (telling) => this.#tell(telling),
      managed: (manager) => this.#managed(manager),
      failed: (error) => this.settings.say(`Something of the display could not be read: ${String(error)}`),
    });
    this.#display = display;
    const kept = [...this.settings.kept, ...lineageOf(process.pid), (await display.serverPid()) ?? 0];
    this.#orders = new Orders(
      display,
      new Deeds(display, programs, new Set(kept), name, this.#tabsOf(display)),
    );
    this.#answering = new Answering(display);
    this.#pictures = new Pictures(display, name);
    this.#countdown = new Countdown(display.connection);

    void display.connection.gone.then(() => {
      this.settings.say(`The display ${name} is gone.`);
      this.stop();
    });
    this.#ready = true;
    this.#managed(display.manager);
  }

  /** What carries out what is wished of tabs. */
  #tabsOf(display: XDisplay): DeedMaker | undefined {
    const { tabs, programs, say, display: name } = this.settings;
    if (!tabs) return undefined;
    const browsers = new Browsers(display, tabs.extension, () => this.#link.isOpen && this.#begin(), say);
    this.#browsers = browsers;
    return new TabDeeds(display, browsers, (application) => programs.launch(application, name, tabs.keeper));
  }

  /** Opens Key Fold's own window on a page of the server's, unless it is open. */
  #openPanel(display: XDisplay, page: string): void {
    const { panel: settings, say, display: name, url } = this.settings;
    if (!settings || this.#panel) return;
    const { key, profile } = settings;
    const address = `${new URL(url.replace(/^ws/, 'http')).origin}/access?to=${encodeURIComponent(`${page}?panel`)}#${key}`;
    const panel = new Panel(display, { address, profile, display: name, say });
    if (!panel.open())
      return say(
        'No browser was found for Key Fold’s own window, so no key is taken. KEY_FOLD_BROWSER names one.',
      );
    this.#panel = panel;
    this.#heldKeys = new HeldKeys(
      display,
      panel,
      (message) => this.#link.say(message),
      (holdKey, had, taken) =>
        say(
          `${holdKey} with ${had} keys is Key Fold’s in every program of ${name}` +
            (taken.length > 0 ? `; another program has it with ${taken.join(', ')}.` : '.'),
        ),
    );
  }

  /** Lets go of display and server. */
  stop(): void {
    this.#heldKeys?.stop();
    this.#panel?.close();
    this.#answering?.stop();
    this.#pictures?.stop();
    this.#browsers?.stop();
    this.#link.close();
    this.#display?.close();
    this.#over();
  }

  #managed(manager: Manager | null): void {
    const { say, display } = this.settings;
    if (!this.#ready) return;
    if (!manager) {
      say(
        `No window manager runs on ${display}, so no windows can be told or brought forward: waiting for one.`,
      );
      this.#heldKeys?.want(null);
      this.#link.pause();
      return;
    }
    const lacking = lackingOf(manager);
    say(`On ${display} runs ${manager.name}.`);
    if (lacking.length > 0) say(`It does not keep ${lacking.join(', ')}: what needs that is not offered.`);
    if (this.#link.isOpen) this.#begin();
    else this.#link.open();
  }

  /** Says everything anew: what was missed is made good by that. */
  #begin(): void {
    const display = this.#display;
    if (!display?.manager) return;
    this.#link.say({
      type: 'hello',
      v: AGENT_VERSION,
      name: this.settings.name,
      abilities: [...abilitiesWith(display.manager), ...(this.#browsers?.any ? TAB_WISHES : [])],
      screen: display.connection.screen,
    });
    this.#link.say({ type: 'told', cause: null, ...snapshotOf(display) });
  }

  #tell(telling: Telling, cause = this.#orders?.cause ?? null): void {
    this.#panel?.follow();
    this.#pictures?.follow();
    this.#browsers?.follow();
    if (!this.#display?.manager) return;
    const { front: _front, stacking: _stacking, ...rest } = telling;
    const said = this.#orders?.moving ? rest : telling;
    if (Object.keys(said).length === 0) return;
    this.#link.say({ type: 'told', cause, ...said });
  }

  #hear(message: ServerMessage): void {
    switch (message.type) {
      case 'welcome':
        this.#ahead = Date.parse(message.now) - Date.now();
        if (message.page !== this.#page)
          this.settings.say(`Connected: ${this.settings.display} is at ${message.page}`);
        this.#page = message.page;
        if (this.#display) this.#openPanel(this.#display, message.page);
        return;
      case 'carry-out':
        return void this.#carryOut(message);
      case 'pictures':
        return this.#pictures?.allow(message);
      case 'tabs':
        return this.#browsers?.want(message.followed);
      case 'look':
        return void this.#look(message);
      case 'measure':
        return this.#measure(message);
      case 'shoot':
        return void this.#shoot(message);
      case 'waiting':
        return this.#countdown?.show(message.seconds);
      case 'hold':
        return this.#heldKeys?.want(message);
      case 'panel':
        return this.#heldKeys?.be(message.stance, message.wished);
      case 'has-keys':
        return this.#heldKeys?.panelHasKeys();
      case 'hold-done':
        return this.#heldKeys?.holdDone();
      case 'no-panel':
        this.#countdown?.show(null);
        return this.#heldKeys?.want(null);
      case 'misunderstood':
        return this.settings.say(`The server did not understand: ${message.detail}`);
    }
  }

  async #look({ id, windows }: Look): Promise<void> {
    const pictures = (await this.#pictures?.look(windows)) ?? [];
    this.#link.say({ type: 'seen', id, pictures });
  }

  async #shoot({ id, window }: Shoot): Promise<void> {
    this.#countdown?.show(null);
    // Key Fold's own window is in no picture of the screen.
    if (window === null) await this.#panel?.outOfSight();
    const png = (await this.#pictures?.shoot(window)) ?? null;
    this.#link.say({
      type: 'shot',
      id,
      png: png && png.length <= LARGEST_PICTURE ? png.toString('base64') : null,
    });
  }

  #measure({ id }: Measure): void {
    if (!this.#display) return;
    const now = processTable();
    const programs = programsUse(programRoots(this.#display), now, this.#measured);
    this.#measured = now;
    this.#link.say({ type: 'measured', id, programs });
  }

  async #carryOut({ batch, at, orders }: Extract<ServerMessage, { type: 'carry-out' }>): Promise<void> {
    const age = Date.now() + this.#ahead - Date.parse(at);
    if (!this.#orders || !this.#display?.manager || age > LATEST_MS) {
      const detail = 'It was wished too long ago to be done now.';
      return this.#link.say({ type: 'settled', batch, settlement: { kind: 'refused', detail } });
    }
    const settlement = await this.#orders.carryOut(batch, orders);
    // What came forward on the way was not said: what is in front now is.
    this.#tell(orderOf(this.#display), batch);
    this.#link.say({ type: 'settled', batch, settlement });
  }
}
