/**
 * `npm run screenshots:display`: takes docs/screenshots/display.png, of a display of its own with programs of Debian's
 * packages xterm and x11-apps.
 */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { PNG } from 'pngjs';
import { AgentProcess } from '../testing/display/agent-process';
import { Display } from '../testing/display/display';
import { startServer } from '../testing/server';
import { ensureBuild } from './lib/build.mjs';
import { throwawayCluster } from './lib/cluster.mjs';

const FILE = 'docs/screenshots/display.png';
/** What takes its time to be drawn: programs, and then the switcher with its pictures. In ms. */
const DRAWN_MS = 2_000;

const TEXTS: readonly (readonly [title: string, place: string, text: string])[] = [
  [
    'Berths, November',
    '58x16+30+40',
    'North quay\n 1  Alcyon   until 29\n 2  free\n 3  Merrow   until 2 Dec\n\nSouth quay\n 4  Tern     until 30\n',
  ],
  [
    'Radio log',
    '60x10+600+60',
    '06:10  Alcyon   asks for a pilot\n06:25  Tern     on station\n06:41  Merrow   clear of the bar\n',
  ],
  ['Tide tables', '50x14+500+420', 'High water  04:12  3.9 m\nLow water   10:31  0.8 m\n'],
];

await ensureBuild();
const secrets = mkdtempSync(join(tmpdir(), 'key-fold-secrets-'));
const cluster = await throwawayCluster();
const server = await startServer(cluster.url, undefined, { KEY_FOLD_DISPLAY_SECRETS: secrets });
const display = await Display.open({ width: 1280, height: 800 });
const { client, root } = display.connection;
client.ChangeWindowAttributes(root, { backgroundPixel: 0x5b7280 });
client.ClearArea(root, 0, 0, 0, 0, 0);
display.run('xclock', ['-geometry', '180x180+1070+30']);
display.run('xcalc', ['-geometry', '220x300+60+440']);
for (const [title, place, text] of TEXTS)
  display.run(
    'xterm',
    [
      '-T',
      title,
      '-geometry',
      place,
      '-fa',
      'Monospace',
      '-fs',
      '10',
      '-e',
      'sh',
      '-c',
      `printf '${text}'; exec cat`,
    ],
    { LC_ALL: 'C.UTF-8' },
  );
const agent = AgentProcess.start(server.url, display.name, secrets, {
  KEY_FOLD_DISPLAY_NAME: 'Harbour office',
});
try {
  await agent.says(/Meta with \d+ keys is Key Fold’s/);
  await pause(DRAWN_MS);
  await display.keyboard.chord('MetaLeft', 'KeyS');
  await pause(DRAWN_MS);
  await display.keyboard.down('MetaLeft');
  await display.keyboard.tap('KeyS');
  await pause(DRAWN_MS);
  await take();
  await display.keyboard.tap('Escape');
  await display.keyboard.up('MetaLeft');
} finally {
  agent.kill();
  await display.close();
  await server.kill();
  await cluster.stop();
  rmSync(secrets, { recursive: true, force: true, maxRetries: 20, retryDelay: 100 });
}

async function take(): Promise<void> {
  const { width, height } = display.connection.screen;
  const pixels = await display.connection.pixels(0, 0, width, height);
  const png = new PNG({ width, height });
  for (let at = 0; at < pixels.length; at += 4)
    png.data.set([pixels[at + 2] ?? 0, pixels[at + 1] ?? 0, pixels[at] ?? 0, 0xff], at);
  writeFileSync(FILE, PNG.sync.write(png, { colorType: 2 }));
  console.log(FILE);
}
