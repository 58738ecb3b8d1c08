import type { IncomingMessage } from 'node:http';
import type { Duplex } from 'node:stream';
import { WebSocketServer, type RawData, type WebSocket } from 'ws';
import { displaySession } from '../../core/display/display-session';
import { mayBePictured, type LookedAt, type Picture } from '../../core/display/pictures';
import type { HoldWanted } from '../../core/display/holding';
import { LONGEST_SHOT } from '../../core/display/shots';
import type { ProgramUse } from '../../core/display/processes';
import { CLOSE_CODES, type AgentMessage, type ServerMessage } from '../../core/display/told';
import type { WindowId } from '../../core/model/ids';
import { picturesOf } from '../../core/slices/settings/state';
import { agentMessageFrom, isOtherVersion, panelMessageFrom } from '../input/agent-input';
import { Problem } from '../http/problem';
import type { EventStore } from '../store/event-store';
import { Asked } from './asked';
import { DisplayCarrier } from './display-carrier';
import type { DisplayTokens } from './display-tokens';

/** Where agents connect. */
export const AGENT_ROUTE = '/api/agent';
/** Where the pages in Key Fold's own windows connect. */
export const PANEL_ROUTE = '/api/panel';
/** A message of an agent is at most so long, in bytes: a picture, and what is round it. 2,000 windows are less. */
const LARGEST_MESSAGE = LONGEST_SHOT + 1_024;
/** So long, in ms, an agent may take for a picture of the screen. */
const SHOT_MS = 20_000;
/** So often, in ms, an agent is asked whether it is still there; one that has not answered by the next time is gone. */
const PULSE_MS = 5_000;

/** RFC 6455's registry: try again later. */
const TRY_AGAIN = 1013;

interface Connected {
  readonly carrier: DisplayCarrier;
  /** What it was asked to show, and to tell of programs. */
  readonly looking: Asked<readonly Picture[]>;
  readonly measuring: Asked<readonly ProgramUse[]>;
  readonly shooting: Asked<{ readonly png: string | null }>;
  detach: (() => void) | null;
  agent: WebSocket | null;
  /** The page in Key Fold's own window on that display, and which keys it wants. */
  panel: WebSocket | null;
  hold: HoldWanted | null;
}

/** The displays that this server knows: their sessions, and the agents that are connected. */
export class Displays {
  readonly #server = new WebSocketServer({
    noServer: true,
    maxPayload: LARGEST_MESSAGE,
    perMessageDeflate: false,
  });
  readonly #displays = new Map<string, Connected>();
  readonly #pulse: ReturnType<typeof setInterval>;
  readonly #silent = new WeakSet<WebSocket>();
  #sessions: ReadonlySet<string> = new Set();

  constructor(
    readonly store: EventStore,
    readonly tokens: DisplayTokens,
    /** Whether a page with these headers, from this address, is one of this server's. */
    readonly mayAsk: (headers: Headers, peer: string) => boolean,
    /** Whether these cookies have the access key. */
    readonly hasKey: (cookies: string) => Promise<boolean>,
  ) {
    this.#pulse = setInterval(() => this.#feelPulses(), PULSE_MS);
    this.#pulse.unref();
  }

  /** Takes up the displays there are: none of them has an agent yet, so all of them are away. */
  async open(): Promise<void> {
    await this.refresh();
    for (const session of this.#sessions)
      if ((await this.store.last(session)) !== null) await this.#attach(session);
  }

  /** Reads anew which displays there are; agents of those that are not any more are told so. */
  async refresh(): Promise<void> {
    this.#sessions = new Set(await this.tokens.sessions());
    for (const [session, { agent }] of this.#displays)
      if (!this.#sessions.has(session)) agent?.close(CLOSE_CODES.revoked);
  }

  /** The sessions of all displays. */
  get sessions(): ReadonlySet<string> {
    return this.#sessions;
  }

  /** Whether a session is about a display, so that only who has the access key may come near it. */
  has(session: string): boolean {
    return this.#sessions.has(session) || this.#displays.has(session);
  }

  /** Pictures of windows that look different than what was seen, as far as they may be made. None of a session without a display. */
  async pictures(session: string, windows: readonly LookedAt[]): Promise<readonly Picture[]> {
    const { carrier, looking, agent } = this.#displays.get(session) ?? {};
    const may = (window: string) => {
      const now = carrier?.session;
      return now ? mayBePictured(now, window) : false;
    };
    const wanted = windows.filter(({ window }) => may(window));
    if (!agent || !looking || wanted.length === 0) return [];
    const pictures = (await looking.ask((id) => send(agent, { type: 'look', id, windows: wanted }))) ?? [];
    // What may be pictured can have changed meanwhile.
    return pictures.filter(({ window }) => may(window));
  }

  /** What the programs of a session's display use of their machine; none where nobody knows. */
  async processes(session: string): Promise<readonly ProgramUse[]> {
    const { measuring, agent } = this.#displays.get(session) ?? {};
    if (!agent || !measuring) return [];
    return (await measuring.ask((id) => send(agent, { type: 'measure', id }))) ?? [];
  }

  /** A picture of a display's screen (null), or of one of its windows, as a PNG; null where none may be taken, or none can. */
  async shot(session: string, window: WindowId | null): Promise<Buffer | null> {
    const { carrier, shooting, agent } = this.#displays.get(session) ?? {};
    const may = () => {
      const now = carrier?.session;
      if (!now) return false;
      return window === null ? picturesOf(now.settings).shown : mayBePictured(now, window);
    };
    if (!agent || !shooting || !may()) return null;
    const { png = null } = (await shooting.ask((id) => send(agent, { type: 'shoot', id, window }))) ?? {};
    // What may be pictured can have changed meanwhile.
    return png === null || !may() ? null : Buffer.from(png, 'base64');
  }

  /** Lets go of all agents and panels. */
  close(): void {
    clearInterval(this.#pulse);
    for (const { agent, panel, detach } of this.#displays.values()) {
      agent?.terminate();
      panel?.terminate();
      detach?.();
    }
    this.#server.close();
  }

  /** Answers a request to upgrade to a WebSocket; one that is neither an agent's nor a panel's is refused. */
  readonly upgrade = (request: IncomingMessage, socket: Duplex, head: Buffer): void => {
    const url = new URL(request.url ?? '/', 'http://localhost');
    void this.#admit(request, url).then(
      (session) => {
        if (typeof session === 'number') return refuse(socket, session);
        this.#server.handleUpgrade(request, socket, head, (peer) =>
          url.pathname === AGENT_ROUTE ? this.#converse(session, peer) : this.#hearPanel(session, peer),
        );
      },
      () => refuse(socket, 503),
    );
  };

  /** The session that a peer may speak about, or why there is none, as an HTTP status. */
  async #admit({ headers, socket }: IncomingMessage, url: URL): Promise<string | number> {
    if (url.pathname === PANEL_ROUTE) {
      const session = url.searchParams.get('session') ?? '';
      const fetched = new Headers();
      for (const [name, value] of Object.entries(headers))
        if (typeof value === 'string') fetched.set(name, value);
      if (fetched.get('origin') === null || !this.mayAsk(fetched, socket.remoteAddress ?? '')) return 403;
      if (!(await this.hasKey(fetched.get('cookie') ?? ''))) return 401;
      if (!this.#sessions.has(session)) return 404;
      return (await this.store.locks.isLocked(session)) ? 423 : session;
    }
    if (url.pathname !== AGENT_ROUTE) return 404;
    // Browsers say where a script comes from; no agent is a page.
    if (headers.origin !== undefined) return 403;
    const [, token] = /^Bearer (\S+)$/.exec(headers.authorization ?? '') ?? [];
    const session = token === undefined ? null : await this.tokens.sessionOf(token);
    return session ?? 401;
  }

  #converse(session: string, agent: WebSocket): void {
    const say = (message: ServerMessage) => send(agent, message);
    let carrier: DisplayCarrier | null = null;
    // One message after the other: the first may have to make the session.
    let turn = Promise.resolve();
    agent.on('message', (data) => {
      turn = turn.then(async () => {
        try {
          const text = textOf(data);
          const message = agentMessageFrom(text);
          if (message.type === 'hello') {
            if (isOtherVersion(message)) return agent.close(CLOSE_CODES.version);
            carrier = await this.#meet(session, message.name, agent);
            carrier.connect(say, message);
            say({ type: 'welcome', session, page: `/sessions/${session}`, now: new Date().toISOString() });
            const { hold } = this.#displays.get(session) ?? {};
            if (hold) say(hold);
          } else if (!carrier) say({ type: 'misunderstood', detail: 'The first message must be a hello.' });
          else if (message.type === 'told') carrier.told(message);
          else if (message.type === 'settled') carrier.settled(message);
          else if (message.type === 'seen')
            this.#displays.get(session)?.looking.answered(message.id, message.pictures);
          else if (message.type === 'measured')
            this.#displays.get(session)?.measuring.answered(message.id, message.programs);
          else if (message.type === 'shot')
            this.#displays.get(session)?.shooting.answered(message.id, message);
          else send(this.#displays.get(session)?.panel, message);
        } catch (error) {
          if (!(error instanceof Problem)) return agent.close(TRY_AGAIN, 'Not now.');
          say({ type: 'misunderstood', detail: error.message });
        }
      });
    });
    agent.on('pong', () => this.#silent.delete(agent));
    agent.on('error', () => agent.terminate());
    agent.on('close', () => {
      const display = this.#displays.get(session);
      if (display?.agent !== agent) return;
      display.agent = null;
      display.carrier.disconnect();
    });
  }

  /** Between a panel and its agent all goes by as it comes; of several panels the last one has the keys. */
  #hearPanel(session: string, panel: WebSocket): void {
    const display = this.#displays.get(session);
    if (!display) return panel.close(TRY_AGAIN, 'Not now.');
    display.panel?.close(CLOSE_CODES.replaced);
    display.panel = panel;
    // While it is locked no key goes by: the keyboard is the programs' alone.
    const unsubscribe = this.store.publisher.subscribe(session, (news) => {
      if (news === 'locked') panel.close(TRY_AGAIN, 'Locked.');
    });
    panel.on('message', (data) => {
      if (display.panel !== panel) return;
      try {
        const message = panelMessageFrom(textOf(data));
        if (message.type === 'hold') display.hold = message;
        send(display.agent, message);
      } catch (error) {
        panel.close(CLOSE_CODES.version, error instanceof Error ? error.message.slice(0, 100) : '');
      }
    });
    panel.on('error', () => panel.terminate());
    panel.on('close', () => {
      unsubscribe();
      if (display.panel !== panel) return;
      display.panel = null;
      display.hold = null;
      send(display.agent, { type: 'no-panel' });
    });
  }

  /** The carrier of a session for an agent; one that was connected before is let go. */
  async #meet(session: string, name: string, agent: WebSocket): Promise<DisplayCarrier> {
    if ((await this.store.last(session)) === null)
      await this.store.create(session, displaySession(name, 'Meta', new Date().toISOString()));
    const display = await this.#attach(session);
    if (display.agent && display.agent !== agent) {
      display.agent.close(CLOSE_CODES.replaced);
      display.carrier.disconnect();
    }
    display.agent = agent;
    return display.carrier;
  }

  async #attach(session: string): Promise<Connected> {
    const known = this.#displays.get(session);
    if (known?.detach) return known;
    const display: Connected = known ?? {
      carrier: new DisplayCarrier(closed),
      looking: new Asked(),
      measuring: new Asked(),
      shooting: new Asked(SHOT_MS),
      detach: null,
      agent: null,
      panel: null,
      hold: null,
    };
    this.#displays.set(session, display);
    // The session was removed, or what is told cannot be stored: an agent that connects anew tells it again.
    function closed() {
      display.detach = null;
      display.agent?.terminate();
    }
    display.detach = await this.store.attach(session, display.carrier, (error) =>
      console.error(`What the display of '${session}' tells could not be stored:`, error),
    );
    return display;
  }

  #feelPulses(): void {
    for (const { agent } of this.#displays.values()) {
      if (!agent) continue;
      if (this.#silent.has(agent)) agent.terminate();
      this.#silent.add(agent);
      agent.ping();
    }
  }
}

/** A message as text: it comes in one piece, or in several. */
const textOf = (data: RawData): string =>
  (Array.isArray(data) ? Buffer.concat(data) : Buffer.from(data as Buffer)).toString();

/** Says something to a peer that is there. */
function send(peer: WebSocket | null | undefined, message: ServerMessage | AgentMessage): void {
  peer?.send(JSON.stringify(message));
}

const REASONS: Readonly<Record<number, string>> = {
  401: 'Unauthorized',
  403: 'Forbidden',
  404: 'Not Found',
  423: 'Locked',
  503: 'Service Unavailable',
};

function refuse(socket: Duplex, status: number): void {
  socket.end(`HTTP/1.1 ${status} ${REASONS[status]}\r\nConnection: close\r\nContent-Length: 0\r\n\r\n`);
}
