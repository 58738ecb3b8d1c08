/** A display with the agent and the server as they ship: what a person at that display has. */
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { throwawayCluster } from '../../scripts/lib/cluster.mjs';
import { idsOf } from '../../src/lib/core/model/order';
import type { Session } from '../../src/lib/core/session/session';
import { titleOf } from '../../src/lib/core/slices/windows/selectors';
import { startServer, type RunningServer } from '../server';
import { AgentProcess } from './agent-process';
import { Display } from './display';

/** How one begins. */
export interface Carried {
  readonly size?: { readonly width: number; readonly height: number };
  /** Desktop entries of programs that can be launched, by their ids. */
  readonly programs?: Readonly<Record<string, string>>;
  readonly env?: Readonly<Record<string, string>>;
}

const GRABBED = /Meta with \d+ keys is Key Fold’s/;

export class CarriedDisplay {
  private constructor(
    readonly display: Display,
    public server: RunningServer,
    public agent: AgentProcess,
    /** The folder with token and access key, which is also where the agent's programs keep what they keep. */
    readonly secrets: string,
    readonly cluster: Awaited<ReturnType<typeof throwawayCluster>>,
    readonly env: Readonly<Record<string, string>>,
  ) {}

  /** Resolves once the hold key is Key Fold's. */
  static async begin({ size, programs = {}, env = {} }: Carried = {}): Promise<CarriedDisplay> {
    const secrets = mkdtempSync(join(tmpdir(), 'key-fold-secrets-'));
    mkdirSync(join(secrets, 'applications'));
    mkdirSync(join(secrets, 'run'), { mode: 0o700 });
    for (const [id, entry] of Object.entries(programs))
      writeFileSync(join(secrets, 'applications', `${id}.desktop`), entry);
    const cluster = await throwawayCluster();
    const server = await startServer(cluster.url, undefined, { KEY_FOLD_DISPLAY_SECRETS: secrets });
    const display = await Display.open(size);
    const given = { XDG_RUNTIME_DIR: join(secrets, 'run'), ...env };
    const agent = AgentProcess.start(server.url, display.name, secrets, given);
    await agent.says(GRABBED);
    return new CarriedDisplay(display, server, agent, secrets, cluster, given);
  }

  /** One of the secrets, by the name of its file. */
  secret(name: string): string {
    return readFileSync(join(this.secrets, name), 'utf8').trim();
  }

  /** Asks the server, with the access key. */
  ask(path: string, init: RequestInit = {}): Promise<Response> {
    const cookie = `key-fold-access=${this.secret('access-key')}`;
    return fetch(this.server.url + path, { ...init, headers: { ...init.headers, cookie } });
  }

  /** The session of the display, as the server has it. */
  async session(): Promise<Session> {
    const response = await this.ask('/api/sessions/display');
    return ((await response.json()) as { session: Session }).session;
  }

  /** The windows by recent use, as they are called. */
  async recent(): Promise<string> {
    const { recent, windows } = await this.session();
    const titles = new Map(windows.map((window) => [window.id, titleOf(window)]));
    return idsOf(recent.windows)
      .map((id) => titles.get(id))
      .join(' ');
  }

  /** What has the keys, by the display itself; `Key Fold` for its own window. */
  readonly active = async (): Promise<string> => {
    const { connection } = this.display;
    const window = await connection.number(connection.root, '_NET_ACTIVE_WINDOW');
    const title = window ? await connection.text(window, '_NET_WM_NAME') : null;
    return title?.includes('Key Fold') ? 'Key Fold' : (title ?? '');
  };

  /** Holds the hold key, taps keys, and lets go. */
  async chord(...codes: string[]): Promise<void> {
    const { keyboard } = this.display;
    await keyboard.down('MetaLeft');
    await keyboard.tap(...codes);
    await keyboard.up('MetaLeft');
  }

  /** Kills the agent, and starts another one. */
  async restartAgent(): Promise<void> {
    this.agent.kill();
    await this.startAgent();
  }

  async startAgent(): Promise<void> {
    this.agent = AgentProcess.start(this.server.url, this.display.name, this.secrets, this.env);
    await this.agent.says(GRABBED);
  }

  /** Kills the server, and starts another one in its place. */
  async restartServer(): Promise<void> {
    await this.server.kill();
    this.server = await startServer(this.cluster.url, this.server.port, {
      KEY_FOLD_DISPLAY_SECRETS: this.secrets,
    });
  }

  async close(): Promise<void> {
    this.agent.kill();
    await this.display.close();
    await this.server.kill();
    await this.cluster.stop();
    rmSync(this.secrets, { recursive: true, force: true, maxRetries: 20, retryDelay: 100 });
  }
}
