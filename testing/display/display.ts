/** A display of its own for tests: an X server that shows its screen to nobody, a window manager and a keyboard. */
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { setTimeout as pause } from 'node:timers/promises';
import { Keyboard } from './keyboard';
import { WindowManager, type ManagerSettings } from './window-manager';
import { EVENTS, XConnection } from '../../src/agent/x11/x-connection';

export class Display {
  readonly #programs: ChildProcess[];

  private constructor(
    /** As in `DISPLAY`. */
    readonly name: string,
    readonly connection: XConnection,
    public manager: WindowManager,
    readonly keyboard: Keyboard,
    /** Where programs may keep what they keep; gone when the display is closed. */
    readonly folder: string,
    server: ChildProcess,
  ) {
    this.#programs = [server];
  }

  /**
   * @param size of the screen, in pixels
   * @param settings of its manager
   */
  static async open(size = { width: 1600, height: 1000 }, settings: ManagerSettings = {}): Promise<Display> {
    const server = spawn(
      'Xvfb',
      ['-displayfd', '3', '-screen', '0', `${size.width}x${size.height}x24`, '-nolisten', 'tcp', '-noreset'],
      { stdio: ['ignore', 'ignore', 'ignore', 'pipe'], detached: true },
    );
    killWithUs(server);
    const [number] = (await Promise.race([
      once(server.stdio[3] as Readable, 'data'),
      once(server, 'exit').then(([code]) => Promise.reject(new Error(`Xvfb ended with ${code}.`))),
    ])) as [Buffer];
    const name = `:${String(number).trim()}`;
    const connection = await XConnection.open(name);
    const manager = await WindowManager.start(name, settings);
    const keyboard = await Keyboard.of(name, connection);
    return new Display(
      name,
      connection,
      manager,
      keyboard,
      mkdtempSync(join(tmpdir(), 'key-fold-display-')),
      server,
    );
  }

  /** Starts a program on this display. */
  run(program: string, args: readonly string[], env: Readonly<Record<string, string>> = {}): ChildProcess {
    const child = spawn(program, args, {
      env: { ...process.env, DISPLAY: this.name, HOME: this.folder, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
      // A group of its own, so that what it starts ends with it.
      detached: true,
    });
    killWithUs(child);
    this.#programs.push(child);
    return child;
  }

  /** A window of some other program's, which comes forward. */
  async openWindow(): Promise<number> {
    const { client, root } = this.connection;
    const window = client.AllocID();
    client.CreateWindow(window, root, 900, 500, 300, 200, 0, 0, 1, 0, {
      eventMask: EVENTS.KeyPress,
      backgroundPixel: 0x336699,
    });
    client.MapWindow(window);
    while (this.manager.windows.at(-1) !== window) await pause(5);
    return window;
  }

  /** Another manager takes over after the one there was has ended. */
  async restartManager(settings: ManagerSettings = {}): Promise<void> {
    this.manager.close();
    await this.manager.connection.gone;
    this.manager = await WindowManager.start(this.name, settings);
  }

  /** Ends the display's server, as if it had crashed. */
  kill(): void {
    const [server] = this.#programs;
    if (server) kill(server);
  }

  async close(): Promise<void> {
    this.manager.close();
    this.connection.close();
    for (const program of this.#programs.reverse()) await ended(program);
    rmSync(this.folder, { recursive: true, force: true, maxRetries: 50, retryDelay: 100 });
  }
}

/** Nothing stays behind when a test run is broken off. */
function killWithUs(child: ChildProcess): void {
  const end = () => kill(child);
  process.once('exit', end);
  child.once('exit', () => process.removeListener('exit', end));
}

/** Ends a program and all that it started. */
function kill({ pid }: ChildProcess): void {
  if (pid !== undefined) process.kill(-pid, 'SIGKILL');
}

async function ended(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const exit = once(child, 'exit');
  kill(child);
  await exit;
}
