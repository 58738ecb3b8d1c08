/** `npm test`: installs what is missing, then checks everything, and ends with one line that counts it all. */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensurePostgres } from './lib/cluster.mjs';
import { checkNode, ensureDebianPackages, ensureNodePackages } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { runMain, say } from './lib/say.mjs';

/** @type {readonly (readonly [name: string, args: readonly string[]])[]} */
const CHECKS = [
  ['formatting', ['prettier', '--check', '--log-level=warn', '.']],
  ['linting', ['eslint', '.']],
  [
    'layers',
    [
      'depcruise',
      '--config',
      '.dependency-cruiser.cjs',
      'src',
      'testing',
      'tests',
      'e2e',
      'bench',
      'scripts',
    ],
  ],
  ['types', ['svelte-check', '--tsconfig', './tsconfig.json', '--fail-on-warnings', '--output', 'machine']],
];

/**
 * Debian's packages that the tests need, and the file that tells whether they are there.
 * @type {readonly (readonly [name: string, file: string])[]}
 */
const PROGRAMS = [
  ['chromium', '/usr/bin/chromium'],
  ['firefox-esr', '/usr/bin/firefox-esr'],
  ['xvfb', '/usr/bin/Xvfb'],
  ['x11-xkb-utils', '/usr/bin/setxkbmap'],
  ['x11-utils', '/usr/bin/xprop'],
  ['x11-apps', '/usr/bin/xclock'],
  ['xterm', '/usr/bin/xterm'],
  ['desktop-file-utils', '/usr/bin/desktop-file-validate'],
];

await runMain(async () => {
  checkNode();
  await ensureNodePackages();
  if (!process.env.TEST_DATABASE_URL) await ensurePostgres();
  await ensureDebianPackages(
    PROGRAMS.map(([name, file]) => /** @type {const} */ ([name, () => existsSync(file)])),
  );
  npx(['svelte-kit', 'sync']);
  await ensureBuild();

  const tally = { passed: 0, failed: 0 };
  const only = process.argv.slice(2);
  say('running the tests …');
  /** @param {{ readonly passed: number, readonly failed: number }} counted */
  const count = ({ passed, failed }) => {
    tally.passed += passed;
    tally.failed += failed;
  };
  if (only.length > 0) count(await runTests(only));
  else {
    // Those in the browser mostly wait for it, so all else is done beside them, one thing after the other.
    const inBrowser = runTests(['--project', 'browser']);
    count(await runTests(['--project', 'core', '--project', 'server', '--maxWorkers=1']));
    for (const [name, args] of CHECKS) {
      say(`checking ${name} …`);
      count((await ran(args, 'inherit')) ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 });
    }
    count(await runTests(['--project', 'keyboard']));
    count(await inBrowser);
  }
  console.log(`${tally.passed} passed, ${tally.failed} failed`);
  process.exit(tally.failed > 0 ? 1 : 0);
});

/** @param {readonly string[]} args */
function npx(args) {
  return spawnSync('npx', args, { cwd: ROOT, stdio: 'inherit' }).status === 0;
}

/**
 * Whether a program of a package ended well; what it says is said at once, or kept until it is over.
 * @param {readonly string[]} args
 * @param {'inherit' | 'pipe'} says
 * @returns {Promise<boolean>}
 */
function ran(args, says) {
  const child = spawn('npx', args, { cwd: ROOT, stdio: ['ignore', says, says] });
  /** @type {Buffer[]} */
  const said = [];
  for (const stream of [child.stdout, child.stderr])
    stream?.on('data', (/** @type {Buffer} */ chunk) => said.push(chunk));
  return new Promise((resolve) => {
    child.on('close', (code) => {
      process.stdout.write(Buffer.concat(said));
      resolve(code === 0);
    });
  });
}

/**
 * Runs Vitest, and says what it said once it is over; a run that breaks off counts as a failure even if no test failed.
 * @param {readonly string[]} args
 */
async function runTests(args) {
  const folder = mkdtempSync(join(tmpdir(), 'key-fold-report-'));
  const report = join(folder, 'report.json');
  try {
    const green = await ran(
      ['vitest', 'run', '--reporter=dot', '--reporter=json', `--outputFile.json=${report}`, ...args],
      'pipe',
    );
    const { numPassedTests = 0, numFailedTests = 0 } = existsSync(report)
      ? JSON.parse(readFileSync(report, 'utf8'))
      : {};
    return { passed: numPassedTests, failed: green ? 0 : Math.max(1, numFailedTests) };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
