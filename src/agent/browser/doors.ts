import { lstatSync, mkdirSync, readFileSync } from 'node:fs';
import { homedir, tmpdir, userInfo } from 'node:os';
import { join } from 'node:path';
import { lineageOf } from '../processes';

/** How a browser can be spoken with: through the one that started it, or by a port that a person opened. */
export type Door =
  { readonly kind: 'socket'; readonly path: string } | { readonly kind: 'port'; readonly url: string };

/**
 * A folder for sockets that nobody else can reach: the session's own (XDG Base Directory Specification 0.8,
 * XDG_RUNTIME_DIR), else one of this user's among the temporary files.
 * @throws Error if somebody else has that name
 */
export function socketFolder(env: NodeJS.ProcessEnv = process.env): string {
  const { uid } = userInfo();
  const folder = env.XDG_RUNTIME_DIR
    ? join(env.XDG_RUNTIME_DIR, 'key-fold')
    : join(tmpdir(), `key-fold-${uid}`);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const { uid: owner, mode } = lstatSync(folder);
  if (owner !== uid || (mode & 0o077) !== 0) throw new Error(`${folder} is not for this user alone.`);
  return folder;
}

/** Where the one that started a browser listens. @param pid of the browser */
export const socketOf = (folder: string, pid: number): string => join(folder, `browser-${pid}.sock`);

/** The door of the browser that a window belongs to; null if it has none. @param pid of the window's process */
export async function doorOf(pid: number): Promise<Door | null> {
  const folder = socketFolder();
  for (const path of lineageOf(pid).map((one) => socketOf(folder, one)))
    if (isSocket(path)) return { kind: 'socket', path };
  const words = commandLineOf(pid);
  const port = wordOf(words, '--remote-debugging-port');
  if (port === undefined) return null;
  if (port === '0')
    return writtenDoor(wordOf(words, '--user-data-dir') ?? join(homedir(), '.config/chromium'));
  const response = await fetch(`http://127.0.0.1:${port}/json/version`, {
    signal: AbortSignal.timeout(2_000),
  });
  const { webSocketDebuggerUrl: url } = (await response.json()) as { webSocketDebuggerUrl?: unknown };
  return typeof url === 'string' ? { kind: 'port', url } : null;
}

/** A browser that chose a port by itself has written it down. */
export function writtenDoor(profile: string): Door | null {
  try {
    const [port, path] = readFileSync(join(profile, 'DevToolsActivePort'), 'utf8').split('\n');
    return { kind: 'port', url: `ws://127.0.0.1:${port}${path}` };
  } catch {
    return null;
  }
}

function isSocket(path: string): boolean {
  try {
    return lstatSync(path).isSocket();
  } catch {
    return false;
  }
}

/** What a process was started with (`proc_pid_cmdline(5)`); nothing where that cannot be read. */
function commandLineOf(pid: number): readonly string[] {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0');
  } catch {
    return [];
  }
}

const wordOf = (words: readonly string[], name: string): string | undefined =>
  words.find((word) => word.startsWith(`${name}=`))?.slice(name.length + 1);
