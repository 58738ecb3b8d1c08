import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { BUILD, ROOT } from './paths.mjs';
import { run } from './run.mjs';
import { say } from './say.mjs';

const SOURCES = [
  'src',
  'static',
  'package-lock.json',
  'svelte.config.js',
  'vite.config.ts',
  'vite.workers.config.ts',
  'tsconfig.json',
];

function fingerprint() {
  const hash = createHash('sha256');
  /** @param {string} path */
  const visit = (path) => {
    const full = join(ROOT, path);
    const entries =
      SOURCES.includes(path) && !['src', 'static'].includes(path)
        ? null
        : readdirSync(full, { withFileTypes: true });
    if (!entries) {
      hash.update(path).update(readFileSync(full));
      return;
    }
    for (const entry of entries.sort((a, b) => (a.name < b.name ? -1 : 1))) {
      const inner = join(path, entry.name);
      if (entry.isDirectory()) visit(inner);
      else hash.update(inner).update(readFileSync(join(ROOT, inner)));
    }
  };
  SOURCES.forEach(visit);
  return hash.digest('hex');
}

/** Builds the application unless it was built from just these sources. */
export async function ensureBuild() {
  const mark = join(BUILD, '.fingerprint');
  const now = fingerprint();
  if (existsSync(mark) && readFileSync(mark, 'utf8') === now) return;
  say('building …');
  await run('npx', ['vite', 'build'], { cwd: ROOT });
  await buildWorkers();
  writeFileSync(mark, now);
}

/** Builds the server's worker threads alone, as the development server needs them. */
export const buildWorkers = () =>
  run('npx', ['vite', 'build', '--config', 'vite.workers.config.ts'], { cwd: ROOT });
