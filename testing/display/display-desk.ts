/** A display and the session that it has, as the server keeps it, without a server between them. */
import { join, resolve } from 'node:path';
import Ajv2020, { type ValidateFunction } from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { TO_AGENT_SCHEMA } from '../../src/lib/core/display/agent-schema';
import { displaySession } from '../../src/lib/core/display/display-session';
import type { Batch } from '../../src/lib/core/commands/commands';
import { SessionLog } from '../../src/lib/core/host/session-log';
import type { Session } from '../../src/lib/core/session/session';
import type { Settlement } from '../../src/lib/core/slices/under-way/state';
import { DisplayCarrier } from '../../src/lib/server/displays/display-carrier';
import { InstalledPrograms } from '../../src/agent/programs';
import { Orders } from '../../src/agent/x11/orders';
import { Deeds } from '../../src/agent/x11/deeds';
import { abilitiesWith } from '../../src/agent/x11/manager';
import { Browsers } from '../../src/agent/browser/browsers';
import { TAB_WISHES, TabDeeds } from '../../src/agent/browser/tab-deeds';
import { orderOf, snapshotOf, type Telling } from '../../src/agent/x11/telling';
import { XDisplay } from '../../src/agent/x11/x-display';
import type { ServerMessage } from '../../src/lib/core/display/told';
import type { Display } from './display';
import { XClient } from './x-client';

const acceptsFromServer: ValidateFunction = addFormats(new Ajv2020()).compile(TO_AGENT_SCHEMA);

/** The keeper of a browser's pipe, before the folder of its sockets. */
const KEEPER = [
  process.execPath,
  '--import',
  import.meta.resolve('tsx'),
  resolve('src/agent/browser/keeper.ts'),
];

/** A clock that never says the same twice. */
let last = 0;
const now = (): string => {
  last = Math.max(last + 1, Date.now());
  return new Date(last).toISOString();
};

export class DisplayDesk {
  readonly clients: XClient[] = [];
  readonly settlements: Settlement[] = [];
  readonly log = new SessionLog(displaySession('Quay', 'Alt', now()), 0);
  readonly #carrier = new DisplayCarrier(() => undefined);
  /** What the agent would have said to a person. */
  readonly said: string[] = [];
  browsers: Browsers | undefined;
  #display: XDisplay | null = null;
  #orders: Orders | null = null;
  #working: Promise<unknown> = Promise.resolve();

  /** @param kept processes that are never ended */
  constructor(
    readonly display: Display,
    readonly programs = new InstalledPrograms([]),
    readonly kept: readonly number[] = [process.pid],
    /** A folder for what following tabs needs; null: they are not. */
    readonly tabs: string | null = null,
  ) {}

  /** Opens windows as of a line like `a: a1 a2 | b: b1`, the first one in front, and reads the display. */
  static async of(display: Display, line: string): Promise<DisplayDesk> {
    const desk = new DisplayDesk(display);
    const parts = line.split('|').map((part) => part.trim().split(':'));
    const wanted = parts.flatMap(([name = '', ids = '']) =>
      ids
        .trim()
        .split(/\s+/)
        .map((id) => ({ name, id })),
    );
    for (const [name = ''] of parts) desk.clients.push(await XClient.open(display.name, name.trim()));
    for (const { name, id } of wanted.toReversed()) {
      const client = desk.clients.find(({ className }) => className === name.trim());
      const window = await client?.show({ title: id, id });
      while (display.manager.windows.at(-1) !== window)
        await new Promise((resolve) => setTimeout(resolve, 2));
    }
    await desk.open();
    return desk;
  }

  /** Begins to read the display, and tells the session of it. */
  async open(): Promise<void> {
    this.#carrier.open({
      session: () => this.log.session,
      observed: (events, cause) => void this.log.observe(events, cause, now()),
      settled: (batch, settlement) => void this.log.settle(batch, settlement),
    });
    const display = await XDisplay.open(this.display.name, this.programs, {
      changed: (telling) => {
        this.browsers?.follow();
        this.#tell(telling);
      },
      managed: () => undefined,
      failed: (error) => {
        throw error;
      },
    });
    this.#display = display;
    const { programs, tabs } = this;
    const { name } = this.display;
    if (tabs !== null)
      this.browsers = new Browsers(
        display,
        join(tabs, 'tabs'),
        () => this.#hello(display),
        (text) => this.said.push(text),
      );
    const beyond =
      this.browsers &&
      new TabDeeds(display, this.browsers, (application) =>
        programs.launch(application, name, [...KEEPER, tabs ?? '']),
      );
    this.#orders = new Orders(display, new Deeds(display, programs, new Set(this.kept), name, beyond));
    this.#hello(display);
  }

  /** As an agent that connects, or that has news of what can be done. */
  #hello(display: XDisplay): void {
    if (!display.manager) throw new Error('No manager runs.');
    this.#carrier.connect((message) => this.#hear(message), {
      type: 'hello',
      v: 1,
      name: 'Quay',
      abilities: [...abilitiesWith(display.manager), ...(this.browsers?.any ? TAB_WISHES : [])],
      screen: display.connection.screen,
    });
    this.#tell(snapshotOf(display));
  }

  get session(): Session {
    return this.log.session;
  }

  /** What reads the display. */
  get reading(): XDisplay {
    if (!this.#display) throw new Error('It is not open.');
    return this.#display;
  }

  /** Takes batches one after the other, as fast as they come; resolves when all are settled. */
  async take(batches: readonly Batch[]): Promise<void> {
    for (const batch of batches) {
      const taken = this.log.take(batch, now());
      if (!taken.ok) throw new Error(taken.refusal.detail);
      if (taken.orders.length > 0) this.#carrier.carryOut(batch.id, taken.orders);
      if (batch.commands.some(({ type }) => type === 'change-settings'))
        this.#carrier.settingsChanged(this.session.settings);
    }
    await this.#working;
  }

  async close(): Promise<void> {
    this.browsers?.stop();
    this.#display?.close();
    for (const client of this.clients) client.close();
    while (this.display.manager.windows.length > 0) await new Promise((resolve) => setTimeout(resolve, 2));
  }

  /** What is said to an agent is what docs/agent.md says. */
  #hear(message: ServerMessage): void {
    if (!acceptsFromServer(message))
      throw new Error(
        `No message to an agent: ${JSON.stringify(message)} ${acceptsFromServer.errors?.[0]?.message}`,
      );
    this.#carryOut(message);
  }

  #carryOut(message: ServerMessage): void {
    if (message.type === 'tabs') this.browsers?.want(message.followed);
    if (message.type !== 'carry-out' || !this.#orders) return;
    const { batch, orders } = message;
    const done = this.#orders.carryOut(batch, orders).then((settlement) => {
      this.settlements.push(settlement);
      this.#tell(orderOf(this.reading), batch);
      this.#carrier.settled({ type: 'settled', batch, settlement });
    });
    this.#working = Promise.all([this.#working, done]);
  }

  #tell(telling: Telling, cause = this.#orders?.cause ?? null): void {
    const { front: _front, stacking: _stacking, ...rest } = telling;
    this.#carrier.told({ type: 'told', cause, ...(this.#orders?.moving ? rest : telling) });
  }
}
