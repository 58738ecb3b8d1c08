/** `npm run agent`, and what `npm start` starts where there is a display: carries the windows of a display to Key Fold. */
import { readFileSync } from 'node:fs';
import { hostname } from 'node:os';
import { Agent } from './agent';
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

try {
  const display = wanted('DISPLAY');
  const agent = new Agent({
    display,
    name: process.env.KEY_FOLD_DISPLAY_NAME ?? hostname(),
    url: wanted('KEY_FOLD_AGENT_URL'),
    token: token(),
    programs: new InstalledPrograms(),
    // The server is no program of the display's, though it may have been started in one of its windows.
    kept: (process.env.KEY_FOLD_KEEP ?? '').split(',').map(Number).filter(Boolean),
    say,
  });
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP', 'disconnect'] as const)
    process.once(signal, () => agent.stop());
  await agent.start();
  await agent.over;
  process.exit(0);
} catch (error) {
  say(error instanceof Error ? error.message : String(error));
  process.exit(1);
}
