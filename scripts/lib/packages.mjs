import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './paths.mjs';
import { run } from './run.mjs';
import { say, SetUpError } from './say.mjs';

/** @type {readonly [major: number, minor: number]} */
const LEAST_NODE = [20, 19];

/** @throws SetUpError if this Node.js is too old. */
export function checkNode() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major < LEAST_NODE[0] || (major === LEAST_NODE[0] && minor < LEAST_NODE[1]))
    throw new SetUpError(
      `Node.js ${LEAST_NODE.join('.')} or newer is needed; this is ${process.versions.node}.`,
    );
}

/** Installs the packages of package-lock.json unless just these are installed already. */
export async function ensureNodePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  const mark = join(ROOT, 'node_modules', '.key-fold-lock');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  say('installing packages …');
  await run('npm', ['ci', '--no-audit', '--no-fund', '--include=dev'], { cwd: ROOT });
  writeFileSync(mark, lock);
}

/**
 * Installs those Debian packages that are missing, all at once.
 * @param {readonly (readonly [name: string, isThere: () => boolean])[]} packages each with what tells whether that which
 *   it brings is there
 * @throws SetUpError if that needs a right that this user does not have; it names them all.
 */
export async function ensureDebianPackages(packages) {
  const missing = packages.filter(([, isThere]) => !isThere());
  if (missing.length === 0) return;
  const names = missing.map(([name]) => name);
  const listed = names.join(' ');
  if (!existsSync('/usr/bin/apt-get'))
    throw new SetUpError(
      `Missing: ${listed}; and this system has no apt-get. Install the like in its own way.`,
    );
  const root = process.getuid?.() === 0;
  if (!root && !(await maySudo()))
    throw new SetUpError(
      `Missing: ${listed}; and this user may not install packages. ` +
        `Ask an administrator to run: apt-get install ${listed}`,
    );
  say(`installing ${names.join(', ')} …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const [program, ...before] = root ? ['apt-get'] : ['sudo', '-n', 'apt-get'];
  await run(program, [...before, 'update', '-qq'], { env });
  await run(program, [...before, 'install', '-y', '-qq', '--no-install-recommends', ...names], { env });
  const [still] = packages.find(([, isThere]) => !isThere()) ?? [];
  if (still) throw new SetUpError(`${still} was installed, but what it should bring is not there.`);
}

const maySudo = () =>
  run('sudo', ['-n', 'true']).then(
    () => true,
    () => false,
  );
