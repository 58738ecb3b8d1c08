/**
 * `npm run autostart`: from the next log-in on Key Fold starts with the desktop, and its menu has it (XDG Desktop Application
 * Autostart Specification 0.5, Desktop Menu Specification 1.1). `-- --remove` takes both away.
 */
import { chmodSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { homedir } from 'node:os';
import { dirname, join } from 'node:path';
import { programText } from '../src/lib/core/guests/desktop-entry';
import { ROOT } from './lib/paths.mjs';
import { say } from './lib/say.mjs';

/** What says where and how Key Fold is served: at log-in none of it is set. None of these is a secret. */
const KEPT = [
  'HOST',
  'PORT',
  'KEY_FOLD_DATA',
  'KEY_FOLD_DB_PORT',
  'KEY_FOLD_HOSTS',
  'KEY_FOLD_AGENT',
  'KEY_FOLD_BROWSER',
  'KEY_FOLD_DISPLAY_NAME',
] as const;

const { XDG_CONFIG_HOME, XDG_DATA_HOME } = process.env;
const autostart = join(XDG_CONFIG_HOME || join(homedir(), '.config'), 'autostart/key-fold.desktop');
const menu = join(XDG_DATA_HOME || join(homedir(), '.local/share'), 'applications/key-fold.desktop');

/** A command that runs a script of ours with what is set now. */
function command(script: string): string[] {
  const set = KEPT.flatMap((name) => (process.env[name] ? [`${name}=${process.env[name]}`] : []));
  return [...(set.length > 0 ? ['env', ...set] : []), process.execPath, join(ROOT, 'scripts', script)];
}

function write(file: string, script: string, comment: string, categories: readonly string[]): void {
  const icon = join(ROOT, 'static/key-fold.svg');
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, programText({ name: 'Key Fold', comment, command: command(script), icon, categories }));
  chmodSync(file, 0o644);
}

if (process.argv.includes('--remove')) {
  for (const file of [autostart, menu]) rmSync(file, { force: true });
  say('it does not start with the desktop any more, and is in no menu. What it keeps stays.');
} else {
  write(autostart, 'start.mjs', 'Carries the windows of this desktop to Key Fold.', []);
  write(menu, 'open.mjs', 'Switch between applications and their windows by keyboard.', ['Utility']);
  say(`from the next log-in on it starts with the desktop (${autostart}), and the menu has it (${menu}).`);
  if (process.env.DATABASE_URL)
    say('DATABASE_URL is not written there, because it can have a password: set it where a log-in finds it.');
}
