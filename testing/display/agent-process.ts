/** The agent as it ships, in a process of its own. */
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';

const GIVE_UP_MS = 60_000;

export class AgentProcess {
  said = '';

  private constructor(readonly child: ChildProcess) {
    child.stdout?.setEncoding('utf8').on('data', (text: string) => (this.said += text));
    const end = () => this.kill();
    process.once('exit', end);
    child.once('exit', () => process.removeListener('exit', end));
  }

  /**
   * @param secrets the folder with token and access key
   * @param display as in `DISPLAY`
   */
  static start(
    server: string,
    display: string,
    secrets: string,
    env: Readonly<Record<string, string>> = {},
  ): AgentProcess {
    const child = spawn(process.execPath, ['build/workers/agent.js'], {
      env: {
        ...process.env,
        DISPLAY: display,
        HOME: secrets,
        // Programs of the machine that runs the tests are no part of them.
        XDG_DATA_DIRS: secrets,
        KEY_FOLD_DISPLAY_NAME: 'Quay',
        KEY_FOLD_AGENT_URL: `${server.replace(/^http/, 'ws')}/api/agent`,
        KEY_FOLD_AGENT_TOKEN_FILE: join(secrets, 'agent-token'),
        KEY_FOLD_ACCESS_KEY_FILE: join(secrets, 'access-key'),
        KEY_FOLD_PANEL_PROFILE: join(secrets, 'panel'),
        ...env,
      },
      stdio: ['ignore', 'pipe', 'inherit'],
      detached: true,
    });
    return new AgentProcess(child);
  }

  /** Waits until it has said something that matches, since the last time that this was waited for. */
  async says(pattern: RegExp): Promise<void> {
    const last = performance.now() + GIVE_UP_MS;
    while (!pattern.test(this.said)) {
      if (performance.now() > last) throw new Error(`It did not say ${pattern}:\n${this.said}`);
      if (this.child.exitCode !== null) throw new Error(`It ended before it said ${pattern}:\n${this.said}`);
      await pause(20);
    }
    this.said = this.said.replace(pattern, '');
  }

  /** Its exit code, once it has ended by itself. */
  async ended(): Promise<number | null> {
    if (this.child.exitCode === null && this.child.signalCode === null) await once(this.child, 'exit');
    return this.child.exitCode;
  }

  /** Ends the agent alone, as if it had crashed. */
  async crash(): Promise<void> {
    this.child.kill('SIGKILL');
    await this.ended();
  }

  /** Ends it and its browser, as a power cut would. */
  kill(): void {
    const { pid } = this.child;
    if (pid === undefined) return;
    try {
      process.kill(-pid, 'SIGKILL');
    } catch {
      // It is gone.
    }
  }
}
