/** What every agent keeps to, tried out on one: a server of its own, which nothing else is connected to. */
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { createServer, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Duplex } from 'node:stream';
import { setTimeout as pause } from 'node:timers/promises';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { WebSocketServer, type WebSocket } from 'ws';
import { AGENT_SCHEMA } from '../../src/lib/core/display/agent-schema';
import {
  AGENT_VERSION,
  CLOSE_CODES,
  LATEST_MS,
  type AgentMessage,
  type Hello,
  type ServerMessage,
  type Told,
  type ToldWindow,
} from '../../src/lib/core/display/told';
import type { Order } from '../../src/lib/core/host/order';

/** What came of one thing that was tried. */
export interface Outcome {
  readonly what: string;
  /** What is wrong; null for nothing. `skipped`: the agent does not offer it. */
  readonly problem: string | null;
  readonly skipped: boolean;
}

/** Thrown where an agent does not keep to something: it says what. */
class Wrong extends Error {}
/** Thrown where there is nothing to be tried. */
class Skipped extends Error {}

/** An agent has so long, in ms, to connect for the first time; to do anything else; and to try again. */
const FIRST_MS = 120_000;
const ANSWER_MS = 2_000;
const AGAIN_MS = 10_000;

/** How a display is, put together from what is told of it. */
class Known {
  windows = new Map<string, ToldWindow>();
  applications = new Set<string>();
  stacking: readonly string[] = [];
  front: string | null = null;

  take({ windows = [], gone = [], applications = [], stacking, front, whole }: Told): void {
    if (whole) this.windows = new Map();
    for (const { id } of applications) this.applications.add(id);
    for (const window of windows) this.windows.set(window.id, window);
    for (const id of gone) this.windows.delete(id);
    if (stacking) this.stacking = stacking;
    if (front !== undefined && front !== null) this.front = front;
  }
}

/** Tries an agent out. It is to be started, by whoever has it, for `url` with `token`. */
export class AgentConformance {
  readonly token = randomUUID();
  readonly #http = createServer();
  readonly #sockets = new WebSocketServer({ noServer: true });
  readonly #accepts = addFormats(new Ajv2020()).compile(AGENT_SCHEMA);
  #agent: WebSocket | null = null;
  #heard: AgentMessage[] = [];
  #known = new Known();
  #wrong: string | null = null;
  #connections = 0;

  private constructor(readonly port: number) {}

  /** @param port to listen at, on loopback; 0 for any */
  static async open(port: number): Promise<AgentConformance> {
    const one = new AgentConformance(port);
    one.#http.on('upgrade', (request, socket, head) => one.#upgrade(request, socket, head));
    one.#http.listen(port, '127.0.0.1');
    await once(one.#http, 'listening');
    return one;
  }

  get url(): string {
    return `ws://127.0.0.1:${(this.#http.address() as AddressInfo).port}/api/agent`;
  }

  close(): void {
    this.#agent?.terminate();
    this.#sockets.close();
    this.#http.close();
  }

  /** Tries everything, one thing after the other, and tells what came of each as it comes. */
  async *tried(): AsyncGenerator<Outcome> {
    for (const [what, tries] of this.#all()) {
      let outcome: Outcome = { what, problem: null, skipped: false };
      try {
        await tries();
        if (this.#wrong !== null) throw new Wrong(this.#wrong);
      } catch (error) {
        if (error instanceof Skipped) outcome = { what, problem: null, skipped: true };
        else outcome = { what, problem: (error as Error).message, skipped: false };
      }
      yield outcome;
      // Without an agent there is nothing more to be tried.
      if (outcome.problem !== null && this.#connections === 0) return;
    }
  }

  #all(): readonly (readonly [what: string, tries: () => Promise<void>])[] {
    return [
      ['It connects with its token, and says hello first.', () => this.#meets(FIRST_MS)],
      ['It tells everything before it is asked.', () => this.#tellsAll()],
      ['It brings a window forward, tells so with its cause, and settles after that.', () => this.#fronts()],
      ['It minimises a window and restores it.', () => this.#minimises()],
      ['It hides an application and shows it: all of its windows are told.', () => this.#hides()],
      ['It refuses what cannot be, in words.', () => this.#refuses()],
      ['It does nothing that was wished too long ago.', () => this.#tooLate()],
      ['It answers a look, with nothing that may not be pictured.', () => this.#looks()],
      ['Cut off, it connects anew and tells everything, with the same ids.', () => this.#again()],
      ['It ends once another one has taken its place.', () => this.#ends()],
    ];
  }

  async #meets(ms: number): Promise<void> {
    const hello = await this.#until((message): message is Hello => message.type === 'hello', ms, 'a hello');
    if (this.#heard[0] !== hello) throw new Wrong('The first message was no hello.');
    if (hello.v !== AGENT_VERSION) throw new Wrong(`It speaks version ${hello.v}, not ${AGENT_VERSION}.`);
    this.#say({ type: 'welcome', session: 'tried', page: '/sessions/tried', now: new Date().toISOString() });
  }

  async #tellsAll(): Promise<void> {
    const isWhole = (message: AgentMessage): message is Told =>
      message.type === 'told' && message.whole === true;
    await this.#until(isWhole, ANSWER_MS, 'a told with whole: true');
    const { windows, stacking, applications } = this.#known;
    for (const { id, application } of windows.values())
      if (!applications.has(application))
        throw new Wrong(`'${id}' is a window of '${application}', which was never told.`);
    if (windows.size !== stacking.length || stacking.some((id) => !windows.has(id)))
      throw new Wrong('The stacking does not name each window once.');
    if (windows.size < 2) throw new Wrong('Open at least two windows on the display, and try again.');
  }

  async #fronts(): Promise<void> {
    const window = this.#shown().find(({ id }) => id !== this.#known.front);
    if (!window) throw new Skipped();
    const { id } = window;
    await this.#carriesOut(
      [{ make: { type: 'window-fronted', window: id, at: new Date().toISOString() } }],
      `'${id}' in front`,
      () => this.#known.front === id,
    );
  }

  async #minimises(): Promise<void> {
    this.#needs('minimise');
    const [{ id } = { id: '' }] = this.#shown();
    const isMinimised = (minimised: boolean) => () => this.#known.windows.get(id)?.minimised === minimised;
    const windows = [id];
    await this.#carriesOut(
      [{ make: { type: 'windows-minimised', windows } }],
      `'${id}' minimised`,
      isMinimised(true),
    );
    await this.#carriesOut(
      [{ make: { type: 'windows-restored', windows } }],
      `'${id}' restored`,
      isMinimised(false),
    );
  }

  async #hides(): Promise<void> {
    this.#needs('hide');
    const [first] = this.#shown();
    const applications = [first?.application ?? ''];
    const all = (hidden: boolean) => () =>
      [...this.#known.windows.values()]
        .filter(({ application }) => application === first?.application)
        .every((window) => window.hidden === hidden);
    await this.#carriesOut(
      [{ make: { type: 'applications-hidden', applications } }],
      `all windows of '${first?.application}' hidden`,
      all(true),
    );
    await this.#carriesOut(
      [{ make: { type: 'applications-shown', applications } }],
      `none of them hidden`,
      all(false),
    );
  }

  async #refuses(): Promise<void> {
    const at = new Date().toISOString();
    const settlement = await this.#settled(
      this.#orders([{ make: { type: 'window-fronted', window: 'w-nowhere', at } }], at),
    );
    if (settlement.kind !== 'refused' || !settlement.detail)
      throw new Wrong('A window that is not there was brought forward, it says.');
  }

  async #tooLate(): Promise<void> {
    const { front } = this.#known;
    const [window] = this.#shown().filter(({ id }) => id !== front);
    if (!window) throw new Skipped();
    const at = new Date(Date.now() - LATEST_MS - 1_000).toISOString();
    const settlement = await this.#settled(
      this.#orders([{ make: { type: 'window-fronted', window: window.id, at } }], at),
    );
    if (settlement.kind !== 'refused' || this.#known.front !== front)
      throw new Wrong('An order that was 6 seconds old was carried out.');
  }

  async #looks(): Promise<void> {
    const [window] = this.#shown();
    const look = async () => {
      const id = randomUUID();
      this.#say({ type: 'look', id, windows: [{ window: window?.id ?? '', width: 160, seen: null }] });
      return this.#until((one) => one.type === 'seen' && one.id === id, ANSWER_MS, 'a seen with its id');
    };
    this.#say({ type: 'pictures', allowed: false, except: [] });
    const none = await look();
    if (none.type === 'seen' && none.pictures.length > 0)
      throw new Wrong('It pictured a window though nothing may be pictured.');
    this.#say({ type: 'pictures', allowed: true, except: [] });
    await look();
  }

  async #again(): Promise<void> {
    const before = [...this.#known.windows.keys()].sort().join(' ');
    this.#heard = [];
    this.#known = new Known();
    this.#agent?.terminate();
    await this.#meets(AGAIN_MS);
    await this.#tellsAll();
    const now = [...this.#known.windows.keys()].sort().join(' ');
    if (now !== before) throw new Wrong(`Its windows had other ids before: ${before}; now ${now}.`);
  }

  async #ends(): Promise<void> {
    const connections = this.#connections;
    this.#agent?.close(CLOSE_CODES.replaced);
    await pause(AGAIN_MS / 2);
    if (this.#connections > connections) throw new Wrong('It connected again after the close code 4001.');
  }

  /** Windows that can be seen, topmost first. */
  #shown(): ToldWindow[] {
    return this.#known.stacking
      .toReversed()
      .flatMap((id) => this.#known.windows.get(id) ?? [])
      .filter(({ minimised, hidden }) => !minimised && !hidden);
  }

  #needs(ability: Hello['abilities'][number]): void {
    const hello = this.#heard.find((message) => message.type === 'hello');
    if (!hello?.abilities.includes(ability)) throw new Skipped();
  }

  /** Orders are carried out if it is told so, with their batch as the cause, before they are settled. */
  async #carriesOut(orders: readonly Order[], what: string, holds: () => boolean): Promise<void> {
    const first = this.#heard.length;
    const batch = this.#orders(orders, new Date().toISOString());
    const settlement = await this.#settled(batch);
    if (settlement.kind !== 'done') throw new Wrong(`Not done: ${what}. It says: ${settlement.detail}`);
    if (!holds()) throw new Wrong(`It says that it is done, but never told: ${what}.`);
    const told = this.#heard.slice(first).filter((one) => one.type === 'told');
    if (!told.some(({ cause }) => cause === batch))
      throw new Wrong(`What the batch brought about was told without it as the cause: ${what}.`);
  }

  #orders(orders: readonly Order[], at: string): string {
    const batch = randomUUID();
    this.#say({ type: 'carry-out', batch, at, orders });
    return batch;
  }

  async #settled(batch: string) {
    const message = await this.#until(
      (one) => one.type === 'settled' && one.batch === batch,
      ANSWER_MS,
      'a settled with the batch of the order',
    );
    if (message.type !== 'settled') throw new Wrong('It was not settled.');
    return message.settlement as { readonly kind: 'done' | 'refused'; readonly detail?: string };
  }

  async #until<M extends AgentMessage>(
    is: ((message: AgentMessage) => message is M) | ((message: AgentMessage) => boolean),
    ms: number,
    what: string,
  ): Promise<M> {
    for (const end = performance.now() + ms; performance.now() < end; await pause(10)) {
      if (this.#wrong !== null) throw new Wrong(this.#wrong);
      const found = this.#heard.find(is);
      if (found) return found as M;
    }
    throw new Wrong(`It did not say ${what} within ${ms / 1000} s.`);
  }

  #say(message: ServerMessage): void {
    this.#agent?.send(JSON.stringify(message));
  }

  #upgrade(request: IncomingMessage, socket: Duplex, head: Buffer): void {
    if (request.headers.authorization !== `Bearer ${this.token}` || request.headers.origin !== undefined) {
      this.#wrong = 'It connected without “Authorization: Bearer TOKEN”, or with an Origin.';
      return void socket.end('HTTP/1.1 401 Unauthorized\r\nConnection: close\r\n\r\n');
    }
    this.#sockets.handleUpgrade(request, socket, head, (agent) => {
      this.#agent = agent;
      this.#connections += 1;
      agent.on('error', () => undefined);
      agent.on('message', (data) => this.#hear((data as Buffer).toString()));
    });
  }

  #hear(text: string): void {
    const message = parsed(text);
    const accepted: boolean = this.#accepts(message);
    if (!accepted) {
      const [error] = this.#accepts.errors ?? [];
      this.#wrong = `It said what is no message: ${error?.instancePath} ${error?.message}. ${text.slice(0, 200)}`;
      return;
    }
    const said = message as AgentMessage;
    this.#heard.push(said);
    if (said.type === 'told') this.#known.take(said);
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}
