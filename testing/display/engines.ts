/** The browsers there are to try. */
import { startChromium } from './chromium';
import type { Display } from './display';
import { startFirefox } from './firefox';
import type { RealBrowser } from './real-browser';

export const ENGINES = ['firefox', 'chromium'] as const;
export type Engine = (typeof ENGINES)[number];

export const startBrowser = (engine: Engine, display: Display): Promise<RealBrowser> =>
  ({ firefox: startFirefox, chromium: startChromium })[engine](display);
