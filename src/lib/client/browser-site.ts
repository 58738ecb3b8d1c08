import type { Site } from '../core/keys/reach';

/** In what kind of browser window the page is; null for one in which nothing was measured. */
export function browserSite(): Site | null {
  // In full screen the keys are locked to the page, as far as the browser can.
  const alone = matchMedia('(display-mode: standalone), (display-mode: fullscreen)').matches;
  const chromium = 'userAgentData' in navigator;
  if (chromium) return alone ? 'chromium-window' : 'chromium-tab';
  return navigator.userAgent.includes('Firefox/') ? 'firefox-tab' : null;
}
