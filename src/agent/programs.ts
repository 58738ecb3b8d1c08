import { spawn } from 'node:child_process';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { homedir } from 'node:os';
import { basename, delimiter, join } from 'node:path';
import type { ToldApplication } from '../lib/core/display/told';
import { desktopEntry, LONGEST_ENTRY, type DesktopEntry } from '../lib/core/guests/desktop-entry';
import { guestId } from '../lib/core/guests/guest';
import type { XWindow } from './x11/read-window';
import type { Programs } from './x11/telling';

/** A program that can be launched. */
interface Program extends ToldApplication {
  readonly entry: DesktopEntry;
  readonly file: string;
}

const SUFFIX = '.desktop';

/**
 * The programs of the machine by their desktop entries (Desktop Entry Specification 1.5), and which a window belongs to:
 * the class that an entry names, else an entry's own id, else the program that it runs; else the class alone.
 */
export class InstalledPrograms implements Programs {
  readonly #byId = new Map<string, Program>();
  readonly #byName = new Map<string, Program>();
  readonly #byClass = new Map<string, ToldApplication>();

  /** @param folders with entries, the most important first */
  constructor(folders: readonly string[] = applicationFolders()) {
    const seen = new Set<string>();
    for (const folder of folders)
      for (const file of entryFiles(folder)) {
        // An entry of the person's own stands in the place of the system's.
        const id = file.replaceAll('/', '-').slice(0, -SUFFIX.length);
        if (seen.has(id)) continue;
        seen.add(id);
        this.#add(id, join(folder, file));
      }
  }

  /** Those that menus have, and that need no terminal. */
  launchable(): ToldApplication[] {
    return [...this.#byId.values()]
      .filter(({ entry }) => entry.inMenus && !entry.inTerminal && entry.command.length > 0)
      .map(({ id, name }) => ({ id, name }));
  }

  applicationOf({
    className,
    instance,
    xid,
  }: Pick<XWindow, 'instance' | 'className' | 'xid'>): ToldApplication {
    const program = this.#byName.get(className.toLowerCase()) ?? this.#byName.get(instance.toLowerCase());
    if (program) return { id: program.id, name: program.name };
    // The upper bits of a window's number tell its client.
    const name = className || instance || `Client ${xid >>> 21}`;
    const known = this.#byClass.get(name);
    if (known) return known;
    const made = { id: this.#idFor(name), name };
    this.#byClass.set(name, made);
    return made;
  }

  /**
   * Launches a program, without a shell; what it prints goes nowhere, and it goes on when the agent ends.
   * @param through what is run in its place, with its command line behind it
   * @throws Error that says why it cannot be
   */
  async launch(id: string, display: string, through: readonly string[] = []): Promise<void> {
    const program = this.#byId.get(id);
    if (!program || !this.launchable().some((one) => one.id === id))
      throw new Error('Its desktop entry is not among those that can be launched.');
    const [command = '', ...args] = [...through, ...commandLine(program)];
    const child = spawn(command, args, {
      detached: true,
      stdio: 'ignore',
      cwd: homedir(),
      env: { ...process.env, DISPLAY: display },
    });
    await new Promise<void>((resolve, reject) => {
      child.once('spawn', resolve);
      child.once('error', (error: NodeJS.ErrnoException) =>
        reject(new Error(error.code === 'ENOENT' ? `There is no program “${command}”.` : error.message)),
      );
    });
    child.unref();
  }

  /** Whether a program is one of these, by the names of their files. */
  runs(id: string, names: readonly string[]): boolean {
    const [command = ''] = this.#byId.get(id)?.entry.command ?? [];
    return names.includes(basename(command));
  }

  #add(entryId: string, file: string): void {
    const read = desktopEntry(readShort(file));
    if (!('entry' in read) || read.entry.type !== 'Application') return;
    const program: Program = { id: this.#idFor(entryId), name: read.entry.name, entry: read.entry, file };
    this.#byId.set(program.id, program);
    const [command = ''] = read.entry.command;
    for (const name of [read.entry.windowClass, entryId, basename(command)]) {
      const key = name?.toLowerCase();
      if (key && (!this.#byName.has(key) || name === read.entry.windowClass)) this.#byName.set(key, program);
    }
  }

  #idFor(name: string): string {
    const made = new Set([...this.#byClass.values()].map(({ id }) => id));
    return guestId(name, (id) => this.#byId.has(id) || made.has(id));
  }
}

/** Where desktop entries are (XDG Base Directory Specification 0.8). */
export function applicationFolders(env: NodeJS.ProcessEnv = process.env): string[] {
  const own = env.XDG_DATA_HOME || join(homedir(), '.local/share');
  const all = env.XDG_DATA_DIRS || '/usr/local/share:/usr/share';
  return [own, ...all.split(delimiter)].filter(Boolean).map((folder) => join(folder, 'applications'));
}

/** What is to be run: field codes ("The Exec key") stand for nothing here but the name and the file of the entry. */
export const commandLine = ({ entry, name, file }: Omit<Program, 'id'>): string[] =>
  entry.command.flatMap((word) => {
    if (/^%[fFuUdDnNickvm]$/.test(word)) return word === '%c' ? [name] : word === '%k' ? [file] : [];
    return word.replace(/%([a-zA-Z%])/g, (_, code: string) =>
      code === '%' ? '%' : code === 'c' ? name : code === 'k' ? file : '',
    );
  });

/** The entries of a folder and of those in it; none where it cannot be read. */
function entryFiles(folder: string): string[] {
  try {
    return readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith(SUFFIX))
      .sort();
  } catch {
    return [];
  }
}

/** A file's text; nothing where it cannot be read, or is longer than entries are. */
function readShort(file: string): string {
  try {
    return statSync(file).size > 4 * LONGEST_ENTRY ? '' : readFileSync(file, 'utf8');
  } catch {
    return '';
  }
}
