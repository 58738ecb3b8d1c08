/** Debian's Firefox, spoken to by WebDriver BiDi (W3C). */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ChildProcess } from 'node:child_process';
import type { Display } from './display';
import { callOf, EMPTY_PAGE, type RealBrowser, type RealPage } from './real-browser';
import { Remote } from './remote';

/** A quiet first run: no welcome, no questions, nothing fetched. */
const PREFERENCES: Readonly<Record<string, string | number | boolean>> = {
  'app.normandy.enabled': false,
  'app.update.enabled': false,
  'browser.aboutwelcome.enabled': false,
  'browser.discovery.enabled': false,
  'browser.newtabpage.enabled': false,
  'browser.preonboarding.enabled': false,
  'browser.region.update.enabled': false,
  'browser.safebrowsing.update.enabled': false,
  'browser.sessionstore.resume_from_crash': false,
  'browser.shell.checkDefaultBrowser': false,
  'browser.startup.homepage_override.mstone': 'ignore',
  'browser.startup.page': 0,
  'browser.tabs.firefox-view': false,
  'datareporting.policy.dataSubmissionEnabled': false,
  'datareporting.policy.dataSubmissionPolicyBypassNotification': true,
  'dom.disable_open_during_load': false,
  'extensions.getAddons.cache.enabled': false,
  'extensions.update.enabled': false,
  'network.captive-portal-service.enabled': false,
  'network.connectivity-service.enabled': false,
  'remote.prefs.recommended': false,
  'services.settings.server': 'data:,#remote-settings-dummy/v1',
  'termsofuse.bypassNotification': true,
  'toolkit.telemetry.reportingpolicy.firstRun': false,
};

interface Evaluated {
  readonly type: 'success' | 'exception';
  readonly result?: { readonly value: string };
  readonly exceptionDetails?: { readonly text: string };
}

export async function startFirefox(display: Display): Promise<RealBrowser> {
  const profile = join(display.folder, 'firefox');
  mkdirSync(profile, { recursive: true });
  const lines = Object.entries(PREFERENCES).map(
    ([name, value]) => `user_pref(${JSON.stringify(name)}, ${JSON.stringify(value)});`,
  );
  writeFileSync(join(profile, 'user.js'), lines.join('\n'));
  const child = display.run(
    'firefox-esr',
    [
      '--no-remote',
      '--profile',
      profile,
      '--width',
      '1300',
      '--height',
      '900',
      '--remote-debugging-port',
      '0',
      EMPTY_PAGE,
    ],
    { MOZ_ENABLE_WAYLAND: '0', NO_AT_BRIDGE: '1' },
  );
  const remote = await Remote.open(`${await said(child, /WebDriver BiDi listening on (\S+)/)}/session`);
  const { capabilities } = await remote.send<{
    capabilities: { browserName: string; browserVersion: string };
  }>('session.new', { capabilities: {} });
  const { contexts } = await remote.send<{ contexts: { context: string }[] }>('browsingContext.getTree', {
    maxDepth: 0,
  });
  const [first] = contexts;
  if (!first) throw new Error('Firefox shows no page.');
  return {
    version: `${capabilities.browserName} ${capabilities.browserVersion}`,
    first: pageOf(remote, first.context),
    async openWindow() {
      const { context } = await remote.send<{ context: string }>('browsingContext.create', {
        type: 'window',
      });
      return pageOf(remote, context);
    },
  };
}

const pageOf = (remote: Remote, context: string): RealPage => ({
  async goto(url) {
    await remote.send('browsingContext.navigate', { context, url, wait: 'complete' });
  },
  async evaluate(run, argument) {
    const evaluated = await remote.send<Evaluated>('script.evaluate', {
      expression: callOf(run, argument),
      target: { context },
      awaitPromise: true,
    });
    if (evaluated.type !== 'success') throw new Error(evaluated.exceptionDetails?.text);
    return JSON.parse(evaluated.result?.value ?? 'null');
  },
  async close() {
    await remote.send('browsingContext.close', { context });
  },
});

/** What a program says on its way that matches. */
function said(child: ChildProcess, pattern: RegExp): Promise<string> {
  return new Promise((resolve, reject) => {
    let text = '';
    const listen = (data: Buffer) => {
      text += data.toString();
      const found = pattern.exec(text)?.[1];
      if (found) resolve(found);
    };
    child.stdout?.on('data', listen);
    child.stderr?.on('data', listen);
    child.once('exit', () => reject(new Error(`It ended before it said ${pattern}:\n${text}`)));
  });
}
