/** `npm run icons`: draws the PNG icons from the SVG ones. */
import { readFileSync } from 'node:fs';
import { launchChromium } from '../testing/browser';

/** [drawing, file, side in pixels] */
const ICONS = [
  ['static/key-fold.svg', 'static/icons/key-fold-192.png', 192],
  ['static/key-fold.svg', 'static/icons/key-fold-512.png', 512],
  ['static/icons/maskable.svg', 'static/icons/maskable-512.png', 512],
  ['static/icons/maskable.svg', 'static/icons/touch-180.png', 180],
] as const;

const browser = await launchChromium();
for (const [drawing, path, side] of ICONS) {
  const page = await browser.newPage({ viewport: { width: side, height: side } });
  const svg = readFileSync(drawing, 'utf8').replace('<svg ', `<svg width="${side}" height="${side}" `);
  await page.setContent(`<style>body{margin:0}svg{display:block}</style>${svg}`);
  await page.screenshot({ path, omitBackground: true });
  await page.close();
}
await browser.close();
