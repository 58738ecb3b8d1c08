import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './paths.mjs';
import { run } from './run.mjs';
import { say, SetUpError } from './say.mjs';

const LEAST_NODE = [20, 19];

/** @throws SetUpError if this Node.js is too old. */
export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
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

let listsUpdated = false;

/**
 * Installs a Debian package if `isThere()` says that what it brings is missing.
 * @throws SetUpError if that needs a right that this user does not have.
 */
export async function ensureDebianPackage(name, isThere) {
  if (isThere()) return;
  const root = process.getuid?.() === 0;
  const advice = `Ask an administrator to run: apt-get install ${name}`;
  if (!existsSync('/usr/bin/apt-get'))
    throw new SetUpError(
      `${name} is missing, and this system has no apt-get. Install ${name} in its own way.`,
    );
  const prefix = root ? [] : ['sudo', '-n'];
  if (!root) {
    const allowed = await run('sudo', ['-n', 'true']).then(
      () => true,
      () => false,
    );
    if (!allowed) throw new SetUpError(`${name} is missing, and this user may not install it. ${advice}`);
  }
  say(`installing ${name} …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (...args) => {
    const [program, ...rest] = [...prefix, 'apt-get', ...args];
    return run(program, rest, { env });
  };
  if (!listsUpdated) await apt('update', '-qq');
  listsUpdated = true;
  await apt('install', '-y', '-qq', '--no-install-recommends', name);
  if (!isThere()) throw new SetUpError(`${name} was installed, but what it should bring is not there.`);
}
