/** Debian's Chromium, in a window, spoken to by its own remote protocol. */
import type { ChildProcess } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import type { Display } from './display';
import { callOf, EMPTY_PAGE, type RealBrowser, type RealPage } from './real-browser';
import { Remote } from './remote';

const FLAGS = [
  '--no-sandbox',
  '--test-type',
  '--no-first-run',
  '--no-default-browser-check',
  '--disable-gpu',
  '--disable-quic',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--password-store=basic',
  '--remote-debugging-port=0',
  '--window-size=1300,900',
  '--window-position=0,0',
];

interface Evaluated {
  readonly result: { readonly value?: string };
  readonly exceptionDetails?: object;
}

export async function startChromium(display: Display): Promise<RealBrowser> {
  const profile = join(display.folder, 'chromium');
  const child = display.run('chromium', [...FLAGS, `--user-data-dir=${profile}`, EMPTY_PAGE]);
  const [port, path] = await written(join(profile, 'DevToolsActivePort'), child);
  const remote = await Remote.open(`ws://127.0.0.1:${port}${path}`);
  const { product } = await remote.send<{ product: string }>('Browser.getVersion');
  return {
    version: product,
    first: await pageOf(remote, await firstPage(remote)),
    async openWindow() {
      const { targetId } = await remote.send<{ targetId: string }>('Target.createTarget', {
        url: EMPTY_PAGE,
        newWindow: true,
      });
      return pageOf(remote, targetId);
    },
  };
}

async function firstPage(remote: Remote): Promise<string> {
  for (;;) {
    const { targetInfos } = await remote.send<{ targetInfos: { type: string; targetId: string }[] }>(
      'Target.getTargets',
    );
    const page = targetInfos.find(({ type }) => type === 'page');
    if (page) return page.targetId;
    await pause(20);
  }
}

async function pageOf(remote: Remote, targetId: string): Promise<RealPage> {
  const { sessionId } = await remote.send<{ sessionId: string }>('Target.attachToTarget', {
    targetId,
    flatten: true,
  });
  await remote.send('Page.enable', {}, sessionId);
  return {
    async goto(url) {
      const loaded = remote.next('Page.loadEventFired', sessionId);
      await remote.send('Page.navigate', { url }, sessionId);
      await loaded;
    },
    async evaluate(run, argument) {
      const { result, exceptionDetails } = await remote.send<Evaluated>(
        'Runtime.evaluate',
        { expression: callOf(run, argument), awaitPromise: true, returnByValue: true },
        sessionId,
      );
      if (exceptionDetails) throw new Error(JSON.stringify(exceptionDetails));
      return JSON.parse(result.value ?? 'null');
    },
    async close() {
      await remote.send('Target.closeTarget', { targetId });
    },
  };
}

/** The lines of a file once the browser has written it. @throws if it ended before */
async function written(file: string, browser: ChildProcess): Promise<string[]> {
  for (;;) {
    if (browser.exitCode !== null) throw new Error(`Chromium ended with ${browser.exitCode}.`);
    const lines = existsSync(file) ? readFileSync(file, 'utf8').split('\n') : [];
    if (lines.length > 1) return lines;
    await pause(20);
  }
}
