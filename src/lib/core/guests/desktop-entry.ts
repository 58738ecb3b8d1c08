/**
 * Desktop entry files (freedesktop.org, "Desktop Entry Specification" 1.5): how the programs of a machine say what they
 * are. Nothing of an entry is ever run here.
 */

/** Longer files are not read, in UTF-16 code units. */
export const LONGEST_ENTRY = 50_000;

/** A further action of a program, in a group of its own. */
export interface EntryAction {
  readonly id: string;
  readonly name: string;
  readonly command: readonly string[];
}

/** What is used of an entry. */
export interface DesktopEntry {
  readonly type: 'Application' | 'Link';
  readonly name: string;
  readonly comment: string | null;
  readonly keywords: readonly string[];
  /** The program and its arguments, field codes as they stand; empty for a link, or where a bus starts it. */
  readonly command: readonly string[];
  readonly url: string | null;
  readonly actions: readonly EntryAction[];
  /** The class of its windows (StartupWMClass); null where it does not say. */
  readonly windowClass: string | null;
  /** Whether menus have it (neither NoDisplay nor Hidden). */
  readonly inMenus: boolean;
  /** Whether it runs in a terminal. */
  readonly inTerminal: boolean;
  /** Which application here it was made from; null for others. */
  readonly application: string | null;
  /** As it was here; null for entries from elsewhere. */
  readonly monogram: string | null;
  readonly hue: number | null;
}

/** An entry, or what is wrong with the file. */
export type EntryRead = { readonly entry: DesktopEntry } | { readonly problem: string };

/** Thrown while a file is read that is no entry. */
class NoEntry extends Error {}

type Group = ReadonlyMap<string, string>;

const MAIN = 'Desktop Entry';

/** Reads a desktop entry file. */
export function desktopEntry(text: string): EntryRead {
  try {
    return { entry: read(text) };
  } catch (error) {
    if (error instanceof NoEntry) return { problem: error.message };
    throw error;
  }
}

function read(text: string): DesktopEntry {
  if (text.length > LONGEST_ENTRY)
    throw new NoEntry(
      `A file of more than ${LONGEST_ENTRY / 1_000} thousand characters is no desktop entry.`,
    );
  const groups = groupsOf(text);
  const main = groups.get(MAIN);
  if (!main) throw new NoEntry('This is no desktop entry: it does not begin with the group [Desktop Entry].');
  const type = main.get('Type');
  if (type !== 'Application' && type !== 'Link')
    throw new NoEntry(
      type === undefined
        ? 'The key “Type” is missing.'
        : `Entries of the type “${type}” name no program and no page.`,
    );
  const url = main.get('URL') ?? null;
  if (type === 'Link' && url === null) throw new NoEntry('It is a link, but the key “URL” is missing.');
  const hue = Number(main.get('X-KeyFold-Hue') ?? NaN);
  return {
    type,
    name: nameIn(main),
    comment: unescaped(main.get('Comment')) ?? null,
    keywords: listOf(main.get('Keywords')),
    command: type === 'Application' ? commandOf(main, main.get('DBusActivatable') === 'true') : [],
    url: url === null ? null : (unescaped(url) ?? null),
    actions: type === 'Application' ? actionsOf(main, groups) : [],
    windowClass: unescaped(main.get('StartupWMClass')) ?? null,
    inMenus: main.get('NoDisplay') !== 'true' && main.get('Hidden') !== 'true',
    inTerminal: main.get('Terminal') === 'true',
    application: main.get('X-KeyFold-Application') ?? null,
    monogram: unescaped(main.get('X-KeyFold-Monogram')) ?? null,
    hue: Number.isInteger(hue) && hue >= 0 && hue < 360 ? hue : null,
  };
}

function actionsOf(main: Group, groups: ReadonlyMap<string, Group>): EntryAction[] {
  return listOf(main.get('Actions')).flatMap((id) => {
    const group = groups.get(`Desktop Action ${id}`);
    // "It is not valid to have an action group without the action being in Actions", nor the other way round: ignored.
    return group ? [{ id, name: nameIn(group), command: commandOf(group, true) }] : [];
  });
}

function nameIn(group: Group): string {
  const name = unescaped(group.get('Name'))?.trim();
  if (!name) throw new NoEntry('The key “Name” is missing.');
  return name;
}

/** The groups of a file with their keys; translations are left aside. */
function groupsOf(text: string): Map<string, Group> {
  const groups = new Map<string, Map<string, string>>();
  let group: Map<string, string> | null = null;
  for (const [nth, line] of text
    .replace(/^\uFEFF/, '')
    .split(/\r?\n/)
    .entries()) {
    if (line.trim() === '' || line.startsWith('#')) continue;
    const [, header] = /^\[([^[\]]+)\]\s*$/.exec(line) ?? [];
    if (header !== undefined) {
      if (groups.has(header)) throw new NoEntry(`Line ${nth + 1}: the group [${header}] is there twice.`);
      if (groups.size === 0 && header !== MAIN) break;
      groups.set(header, (group = new Map()));
      continue;
    }
    const [, key, locale, value] = /^([A-Za-z0-9-]+)(\[[^\]]+\])?\s*=\s*(.*)$/.exec(line) ?? [];
    if (key === undefined || value === undefined || !group)
      throw new NoEntry(`Line ${nth + 1} is neither a group nor a key with a value: “${line.slice(0, 60)}”.`);
    if (locale !== undefined) continue;
    if (group.has(key)) throw new NoEntry(`Line ${nth + 1}: the key “${key}” is there twice.`);
    group.set(key, value.trimEnd());
  }
  return groups;
}

const ESCAPES: Readonly<Record<string, string>> = { s: ' ', n: '\n', t: '\t', r: '\r', '\\': '\\', ';': ';' };

/** A value with what its escapes stand for. */
const unescaped = (value: string | undefined): string | undefined =>
  value?.replace(/\\([sntr\\;])/g, (_, letter: string) => ESCAPES[letter] ?? letter);

/** The items of a list, which semicolons end. */
const listOf = (value: string | undefined): string[] =>
  (value?.match(/(?:\\.|[^;\\])+/g) ?? []).map((item) => (unescaped(item) ?? '').trim()).filter(Boolean);

/** What has to stand in quotes ("The Exec key"); outside of them it is meant for a shell. */
const RESERVED = /["'\\><~|&;$*?#()`]/;
const SHELLS = /(^|\/)(a|ba|da|k|z|fi|c|tc)?sh$/;

/** The program and its arguments of a group, by the rules of "The Exec key". */
function commandOf(group: Group, optional: boolean): string[] {
  const exec = unescaped(group.get('Exec'))?.trim();
  if (!exec) {
    if (optional) return [];
    throw new NoEntry('The key “Exec” is missing: it does not say which program it is.');
  }
  const words = [...exec.matchAll(/"((?:\\.|[^"\\])*)"(?=\s|$)|(\S+)/g)].map(([whole, quoted, bare]) => {
    if (quoted !== undefined) return quoted.replace(/\\(["`$\\])/g, '$1');
    const reserved = RESERVED.exec(bare ?? '');
    if (reserved)
      throw new NoEntry(
        `“Exec” has “${reserved[0]}” outside of quotes, as for a shell: ${whole}. No shell is ever run.`,
      );
    return bare ?? '';
  });
  const shell = words.find((word) => SHELLS.test(word));
  if (shell !== undefined && words.includes('-c'))
    throw new NoEntry(`“Exec” hands a command to the shell ${shell}. No shell is ever run.`);
  return words;
}

/** What is written into an entry for an application of a session. */
export interface EntryWanted {
  readonly application: string;
  readonly name: string;
  readonly monogram: string;
  readonly hue: number;
  /** What it opens. */
  readonly url: string;
}

/** What is written into an entry for a program. */
export interface ProgramWanted {
  readonly name: string;
  readonly comment: string;
  /** The program and its arguments. */
  readonly command: readonly string[];
  /** The file of its picture. */
  readonly icon: string;
  /** The main and further categories of the menu specification, e.g. `Utility`; none for what is in no menu. */
  readonly categories: readonly string[];
}

/** A desktop entry file that starts a program, without any shell. */
export const programText = ({ name, comment, command, icon, categories }: ProgramWanted): string =>
  [
    `[${MAIN}]`,
    'Type=Application',
    `Name=${escaped(name)}`,
    `Comment=${escaped(comment)}`,
    `Exec=${escaped(command.map(quotedWord).join(' '))}`,
    `Icon=${escaped(icon)}`,
    'Terminal=false',
    ...(categories.length > 0 ? [`Categories=${categories.join(';')};`] : []),
    '',
  ].join('\n');

/** A word of a command line, whatever is in it ("The Exec key"): in quotes, and without field codes. */
const quotedWord = (word: string): string => `"${word.replace(/["`$\\]/g, '\\$&').replaceAll('%', '%%')}"`;

const escaped = (value: string): string =>
  value.replace(/[\\\n\t\r]/g, (one) => ({ '\\': '\\\\', '\n': '\\n', '\t': '\\t' })[one] ?? '\\r');

/** A desktop entry file that opens an application by its address. */
export const entryText = ({ application, name, monogram, hue, url }: EntryWanted): string =>
  [
    `[${MAIN}]`,
    'Type=Link',
    `Name=${escaped(name)}`,
    `URL=${escaped(url)}`,
    `X-KeyFold-Application=${application}`,
    `X-KeyFold-Monogram=${escaped(monogram)}`,
    `X-KeyFold-Hue=${hue}`,
    '',
  ].join('\n');
