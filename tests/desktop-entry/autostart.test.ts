/** `npm run autostart`: what it writes is what a desktop reads, and it takes away what it wrote. */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { commandLine } from '../../src/agent/programs';
import { desktopEntry } from '../../src/lib/core/guests/desktop-entry';

let home: string;
beforeEach(() => (home = mkdtempSync(join(tmpdir(), 'key-fold-home-'))));
afterEach(() => rmSync(home, { recursive: true }));

function autostart(args: readonly string[], env: Readonly<Record<string, string>> = {}): void {
  const { PATH = '' } = process.env;
  const { status, stderr } = spawnSync('node_modules/.bin/tsx', ['scripts/autostart.ts', ...args], {
    env: { PATH, HOME: home, ...env },
    encoding: 'utf8',
  });
  expect(stderr).toBe('');
  expect(status).toBe(0);
}
const entryOf = (file: string) => {
  const read = desktopEntry(readFileSync(join(home, file), 'utf8'));
  if (!('entry' in read)) throw new Error(read.problem);
  return { ...read.entry, words: commandLine({ entry: read.entry, name: '', file }) };
};
const AUTOSTART = '.config/autostart/key-fold.desktop';
const MENU = '.local/share/applications/key-fold.desktop';

it('starts it with the desktop and has it in the menu, by commands that are there', () => {
  autostart([]);
  for (const [file, script] of [
    [AUTOSTART, 'scripts/start.mjs'],
    [MENU, 'scripts/open.mjs'],
  ] as const) {
    const { words, inMenus, inTerminal } = entryOf(file);
    expect(words).toEqual([process.execPath, join(process.cwd(), script)]);
    expect(words.every((word) => existsSync(word))).toBe(true);
    expect([inMenus, inTerminal]).toEqual([true, false]);
    const { stdout, stderr, status } = spawnSync('/usr/bin/desktop-file-validate', [join(home, file)], {
      encoding: 'utf8',
    });
    expect(`${stdout}${stderr}`).toBe('');
    expect(status).toBe(0);
  }
});

it('keeps how it is set up, whatever is in it, and no secret', () => {
  const folder = '/a folder/with "quotes", $dollars and 100 %';
  autostart([], { KEY_FOLD_DATA: folder, PORT: '4999', DATABASE_URL: 'postgres://a:secret@b/c' });
  expect(entryOf(AUTOSTART).words.slice(0, 3)).toEqual(['env', 'PORT=4999', `KEY_FOLD_DATA=${folder}`]);
  expect(readFileSync(join(home, AUTOSTART), 'utf8')).not.toContain('secret');
});

it('goes where the XDG folders are', () => {
  const [config, data] = [join(home, 'c'), join(home, 'd')];
  autostart([], { XDG_CONFIG_HOME: config, XDG_DATA_HOME: data });
  expect(existsSync(join(config, 'autostart/key-fold.desktop'))).toBe(true);
  expect(existsSync(join(data, 'applications/key-fold.desktop'))).toBe(true);
});

it('is taken away again, also twice', () => {
  autostart([]);
  autostart(['--remove']);
  autostart(['--remove']);
  expect(readdirSync(home, { recursive: true, withFileTypes: true }).filter((one) => one.isFile())).toEqual(
    [],
  );
});
