/** The agent that carries the windows of a display to Key Fold. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { dataFolder } from './cluster.mjs';
import { BUILD } from './paths.mjs';

/** Where the secrets of this machine's display are, for its owner alone. */
export const secretsFolder = () => join(dataFolder(), 'display');

/** Whether this machine has a display that an agent can be beside, and nobody has said that there shall be none. */
export const wantsAgent = () => Boolean(process.env.DISPLAY) && process.env.KEY_FOLD_AGENT !== 'off';

/**
 * Starts the agent; it ends with whoever started it.
 * @param {string} server where Key Fold is served
 * @param {readonly number[]} keep processes that it never ends
 */
export const startAgent = (server, keep = []) =>
  spawn(process.execPath, [join(BUILD, 'workers/agent.js')], {
    env: {
      ...process.env,
      KEY_FOLD_AGENT_URL: `${server.replace(/^http/, 'ws')}/api/agent`,
      KEY_FOLD_AGENT_TOKEN_FILE: join(secretsFolder(), 'agent-token'),
      KEY_FOLD_ACCESS_KEY_FILE: join(secretsFolder(), 'access-key'),
      KEY_FOLD_PANEL_PROFILE: join(secretsFolder(), 'panel'),
      KEY_FOLD_KEEP: keep.join(),
    },
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    detached: true,
  });
