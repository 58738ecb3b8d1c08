/** The importer with threads that do as they are told, so that they break and dawdle when a test wants it. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import { Importer } from './importer';

/** Answers with what it got, unless that says to break, to refuse, or not to answer at all. */
const SCRIPT = `
const { parentPort, threadId } = require('node:worker_threads');
parentPort.on('message', ({ id, body }) => {
  const text = Buffer.from(body).toString();
  if (text === 'break') throw new Error('broken');
  if (text === 'late') return;
  const problem = { type: 'not-json', detail: 'No.', errors: [{ pointer: '#', detail: 'no' }] };
  parentPort.postMessage(text === 'refuse' ? { id, problem } : { id, session: text + ' in ' + threadId, pictures: [] });
});`;

let folder: string;
const script = () => join(folder, 'worker.cjs');
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'key-fold-importer-'));
  writeFileSync(script(), SCRIPT);
});
afterAll(() => rmSync(folder, { recursive: true }));

const bytes = (text: string) => new TextEncoder().encode(text);
const threadOf = (answer: string) => answer.split(' in ')[1];

it('answers in turn from one thread, also with what is wrong', async () => {
  const importer = new Importer(script());
  const check = async (text: string) => (await importer.check(bytes(text))).session;
  const answers = await Promise.allSettled([check('a'), check('refuse'), check('b')]);
  const [a, refused, b] = answers.map((one) => (one.status === 'fulfilled' ? one.value : one.reason));
  expect([a.split(' ')[0], b.split(' ')[0]]).toEqual(['a', 'b']);
  expect(threadOf(a)).toBe(threadOf(b));
  expect(refused).toMatchObject({
    type: 'not-json',
    detail: 'No.',
    errors: [{ pointer: '#', detail: 'no' }],
  });
});

it('replaces a thread that breaks; what waits behind is answered by the next', async () => {
  const log = vi.spyOn(console, 'error').mockReturnValue();
  const importer = new Importer(script());
  const [broken, behind] = [importer.check(bytes('break')), importer.check(bytes('behind'))];
  await expect(broken).rejects.toMatchObject({ type: 'session-too-large' });
  expect((await behind).session).toContain('behind');
  expect(log).toHaveBeenCalledOnce();
  log.mockRestore();
});

it('does not wait for ever; the time of one is not taken from the next', async () => {
  const log = vi.spyOn(console, 'error').mockReturnValue();
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  const importer = new Importer(script());
  await importer.check(bytes('a'));
  expect(vi.getTimerCount()).toBe(0);
  const late = importer.check(bytes('late'));
  vi.advanceTimersByTime(29_999);
  expect(log).not.toHaveBeenCalled();
  vi.advanceTimersByTime(1);
  vi.useRealTimers();
  await expect(late).rejects.toMatchObject({ type: 'session-too-large', status: 413 });
  log.mockRestore();
});

it('lets so many wait, and tells the next when to come again', async () => {
  const importer = new Importer(script());
  const waiting = Array.from({ length: 17 }, (_, n) => importer.check(bytes(`${n}`)));
  const busy = { type: 'busy', headers: { 'retry-after': '5' } };
  await expect(importer.check(bytes('one too many'))).rejects.toMatchObject(busy);
  expect((await Promise.all(waiting)).map(({ session }) => session.split(' ')[0])).toEqual(
    waiting.map((_, n) => `${n}`),
  );
});
