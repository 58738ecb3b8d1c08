/** Who runs Key Fold on a data folder: one at a time, so that nobody stops the database under another. */
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';

/**
 * What others are told who want the lock: where it can be found.
 * @typedef {{ readonly url: string }} About
 */

/**
 * Whether a process lives.
 * @param {number} pid
 */
export function isRunningProcess(pid) {
  if (!Number.isInteger(pid) || pid <= 0) return false;
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return codeOf(error) === 'EPERM';
  }
}

/**
 * Whether a process is one of Key Fold's scripts, and not another that was given the same number since.
 * @param {number} pid
 */
function isOurs(pid) {
  if (!isRunningProcess(pid)) return false;
  try {
    return /scripts\/[a-z-]+\.(mjs|ts)/.test(readFileSync(`/proc/${pid}/cmdline`, 'utf8'));
  } catch {
    return true;
  }
}

/**
 * Who holds the lock at `file`, and where he can be found; null if nobody does.
 * @param {string} file
 * @returns {(About & { readonly pid: number }) | null}
 */
export function holderOf(file) {
  try {
    const holder = JSON.parse(readFileSync(file, 'utf8'));
    return isOurs(holder.pid) ? holder : null;
  } catch {
    return null;
  }
}

/**
 * Takes the lock at `file`. Answers with a function that gives it back, or with null if someone else holds it.
 * @param {string} file
 * @param {About} about
 */
export function takeLock(file, about) {
  mkdirSync(dirname(file), { recursive: true });
  if (holderOf(file) === null) rmSync(file, { force: true });
  try {
    writeFileSync(file, JSON.stringify({ pid: process.pid, ...about }), { flag: 'wx' });
  } catch (error) {
    if (codeOf(error) === 'EEXIST') return null;
    throw error;
  }
  return () => rmSync(file, { force: true });
}

/** @param {unknown} error */
const codeOf = (error) => /** @type {NodeJS.ErrnoException} */ (error).code;
