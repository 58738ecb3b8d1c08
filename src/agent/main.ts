/** `npm run agent`, and what `npm start` starts where there is a display: carries the windows of a display to Key Fold. */
import { existsSync, readFileSync } from 'node:fs';
import { hostname } from 'node:os';
import { dirname, join } from 'node:path';
import { Agent, type TabSettings } from './agent';
import { socketFolder } from './browser/doors';
import { InstalledPrograms } from './programs';

const say = (text: string): void => console.log(`Key Fold, agent: ${text}`);

function wanted(name: string): string {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set. Start the agent with \`npm run agent\`.`);
  return value;
}

/** The token itself, or the file that holds it. */
function token(): string {
  const { KEY_FOLD_AGENT_TOKEN: given } = process.env;
  if (given) return given;
  const file = wanted('KEY_FOLD_AGENT_TOKEN_FILE');
  try {
    return readFileSync(file, 'utf8').trim();
  } catch {
    throw new Error(`There is no token in ${file}. \`npm run agent-token\` makes one.`);
  }
}

/** What Key Fold's own window needs: the access key, and a place for its browser. Without them there is none. */
function panel(): { key: string; profile: string } | null {
  const { KEY_FOLD_ACCESS_KEY_FILE: file, KEY_FOLD_PANEL_PROFILE: profile } = process.env;
  if (!file || !profile || !existsSync(file)) return null;
  return { key: readFileSync(file, 'utf8').trim(), profile };
}

/** What following the tabs of browsers needs. Without a folder for sockets that is ours alone they are not. */
function tabs(): TabSettings | null {
  try {
    const folder = socketFolder();
    const script = join(dirname(process.argv[1] ?? ''), 'browser-keeper.js');
    return { keeper: [process.execPath, script, folder], extension: join(folder, 'tabs') };
  } catch (error) {
    say(`Tabs are not followed: ${error instanceof Error ? error.message : String(error)}`);
    return null;
  }
}

try {
  const display = wanted('DISPLAY');
  const agent = new Agent({
    display,
    name: process.env.KEY_FOLD_DISPLAY_NAME ?? hostname(),
    url: wanted('KEY_FOLD_AGENT_URL'),
    token: token(),
    programs: new InstalledPrograms(),
    panel: panel(),
    tabs: tabs(),
    // The server is no program of the display's, though it may have been started in one of its windows.
    kept: (process.env.KEY_FOLD_KEEP ?? '').split(',').map(Number).filter(Boolean),
    say,
  });
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP', 'disconnect'] as const)
    process.once(signal, () => agent.stop());
  // Stopped, it would leave the keyboard standing still at the next key that is Key Fold's: a terminal's Control Z is for others.
  process.on('SIGTSTP', () => undefined);
  await agent.start();
  await agent.over;
  process.exit(0);
} catch (error) {
  say(error instanceof Error ? error.message : String(error));
  process.exit(1);
}
