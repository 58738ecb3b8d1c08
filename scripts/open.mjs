/** `npm run open`: opens Key Fold in a browser, and starts it before that unless it runs. */
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, openSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { pathToFileURL } from 'node:url';
import { secretsFolder, wantsAgent } from './lib/agent.mjs';
import { dataFolder } from './lib/cluster.mjs';
import { runningAt } from './lib/database.mjs';
import { ROOT } from './lib/paths.mjs';
import { runMain, say, SetUpError } from './lib/say.mjs';

/** So long, in ms, a first start may take: packages, database and build. */
const START_MS = 10 * 60_000;

await runMain(async () => {
  if (!(await isServing())) await start();
  const door = join(secretsFolder(), 'open.html');
  const address = wantsAgent() && existsSync(door) ? pathToFileURL(door).href : (runningAt() ?? '');
  if (!(await opens(process.env.KEY_FOLD_BROWSER ?? 'xdg-open', address)))
    throw new SetUpError(`No browser could be opened. Key Fold is at ${runningAt()}.`);
});

async function isServing() {
  const url = runningAt();
  return url !== null && (await fetch(url).then(Boolean, () => false));
}

/** Starts Key Fold, which goes on by itself; what it says goes to a file. */
async function start() {
  mkdirSync(dataFolder(), { recursive: true });
  const file = join(dataFolder(), 'start.log');
  const log = openSync(file, 'w', 0o600);
  const child = spawn(process.execPath, [join(ROOT, 'scripts/start.mjs')], {
    cwd: ROOT,
    detached: true,
    stdio: ['ignore', log, log],
  });
  let over = false;
  child.once('exit', () => (over = true));
  child.unref();
  say('starting …');
  for (const end = performance.now() + START_MS; !(await isServing()); await pause(200))
    if (over || performance.now() > end) throw new SetUpError(`Key Fold did not start: see ${file}.`);
}

/**
 * Whether a program opens an address.
 * @param {string} program
 * @param {string} address
 * @returns {Promise<boolean>}
 */
const opens = (program, address) =>
  new Promise((resolve) => {
    const child = spawn(program, [address], { detached: true, stdio: 'ignore' });
    child.once('error', () => resolve(false));
    child.once('spawn', () => {
      child.unref();
      resolve(true);
    });
  });
