/** `npm test`: installs what is missing, then checks everything, and ends with one line that counts it all. */
import { spawnSync } from 'node:child_process';
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
  for (const [name, args] of only.length > 0 ? [] : CHECKS) {
    say(`checking ${name} …`);
    if (npx(args)) tally.passed += 1;
    else tally.failed += 1;
  }
  say('running the tests …');
  const { passed, failed } = runTests(only);
  console.log(`${tally.passed + passed} passed, ${tally.failed + failed} failed`);
  process.exit(tally.failed + failed > 0 ? 1 : 0);
});

/** @param {readonly string[]} args */
function npx(args) {
  return spawnSync('npx', args, { cwd: ROOT, stdio: 'inherit' }).status === 0;
}

/**
 * Runs Vitest; a run that breaks off counts as a failure even if no test failed.
 * @param {readonly string[]} args
 */
function runTests(args) {
  const folder = mkdtempSync(join(tmpdir(), 'key-fold-report-'));
  const report = join(folder, 'report.json');
  try {
    const green = npx([
      'vitest',
      'run',
      '--reporter=dot',
      '--reporter=json',
      `--outputFile.json=${report}`,
      ...args,
    ]);
    const { numPassedTests = 0, numFailedTests = 0 } = existsSync(report)
      ? JSON.parse(readFileSync(report, 'utf8'))
      : {};
    return { passed: numPassedTests, failed: green ? 0 : Math.max(1, numFailedTests) };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
