import type { Site } from '../core/keys/reach';

/** In what kind of browser window the page is; null for one in which nothing was measured. */
export function browserSite(): Site | null {
  const alone = matchMedia('(display-mode: standalone)').matches;
  const chromium = 'userAgentData' in navigator;
  if (chromium) return alone ? 'chromium-window' : 'chromium-tab';
  return navigator.userAgent.includes('Firefox/') ? 'firefox-tab' : null;
}
