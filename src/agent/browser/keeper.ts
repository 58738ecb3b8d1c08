/**
 * Starts a browser and keeps the pipe to it: a browser ends with its pipe, and the agent may end and begin anew while people
 * go on with their pages. Whoever reaches the socket can speak with the browser; that is this user alone. The newest one to
 * come is heard.
 *
 * Arguments: the folder of the sockets, then the command line of the browser.
 */
import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { createServer, type Socket } from 'node:net';
import type { Readable, Writable } from 'node:stream';
import { Frames } from './frames';
import { socketOf } from './doors';

/** Ids that no client uses. */
const FIRST_ID = 1_000_000_000;
const ATTACHED = '"Target.attachedToTarget"';

const [folder = '', command = '', ...words] = process.argv.slice(2);
const browser = spawn(command, [...words, '--remote-debugging-pipe', '--enable-unsafe-extension-debugging'], {
  stdio: ['ignore', 'ignore', 'ignore', 'pipe', 'pipe'],
});
const toBrowser = browser.stdio[3] as Writable;
const fromBrowser = browser.stdio[4] as Readable;
let client: Socket | null = null;
let sent = FIRST_ID;
/** What the client has attached to: the browser would go on telling of it. */
const sessions = new Set<string>();

const tell = (method: string, params: object = {}): boolean =>
  toBrowser.write(`${JSON.stringify({ id: (sent += 1), method, params })}\0`);

function leave(): void {
  client = null;
  for (const sessionId of sessions) tell('Target.detachFromTarget', { sessionId });
  sessions.clear();
}

// Whole messages both ways: whoever comes next does not begin in the middle of one.
const frames = new Frames();
fromBrowser.on('data', (bytes: Buffer) => {
  for (const message of frames.take(bytes)) {
    client?.write(`${message}\0`);
    if (!message.includes(ATTACHED)) continue;
    const { params } = JSON.parse(message) as { params?: { sessionId?: string } };
    if (params?.sessionId !== undefined) sessions.add(params.sessionId);
  }
});
toBrowser.on('error', () => undefined);

const server = createServer((socket) => {
  client?.destroy();
  if (client) leave();
  client = socket;
  const wishes = new Frames();
  socket.on('data', (bytes) => {
    for (const wish of wishes.take(bytes)) toBrowser.write(`${wish}\0`);
  });
  socket.on('error', () => undefined);
  socket.on('close', () => client === socket && leave());
});
const path = socketOf(folder, browser.pid ?? 0);
process.umask(0o077);
rmSync(path, { force: true });
if (browser.pid !== undefined) server.listen(path);

const end = () => {
  rmSync(path, { force: true });
  process.exit(0);
};
browser.once('exit', end);
browser.once('error', end);
// At log-out the browser is asked, so that it can keep what it keeps.
for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP'] as const)
  process.on(signal, () => tell('Browser.close'));
