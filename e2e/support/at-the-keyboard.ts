/** Someone at a real keyboard, before a browser in a window on a display. */
import { afterAll, afterEach, beforeAll, inject, onTestFinished } from 'vitest';
import type { SessionDocument } from '../../src/lib/core/formats/session-document';
import { Display } from '../../testing/display/display';
import type { Keyboard } from '../../testing/display/keyboard';
import { startBrowser, type Engine } from '../../testing/display/engines';
import type { RealBrowser } from '../../testing/display/real-browser';
import { Sitting } from '../../testing/display/sitting';

export interface Seat {
  readonly display: Display;
  readonly keyboard: Keyboard;
  readonly browser: RealBrowser;
  /** Another program comes forward and takes the keyboard. Answers with the browser's window and the other one's. */
  elsewhere(): Promise<readonly [browser: number, other: number]>;
  /** A new session in the browser's first window. */
  sit(desk: string | SessionDocument): Promise<Sitting>;
  /** The same session in a further window, which comes forward and is closed at the end of the test. */
  sitAlso(sitting: Sitting): Promise<Sitting>;
}

/** Call once for each engine: a display, a keyboard and the browser, ready from the first test to the last. */
export function useSeat(engine: Engine): Seat {
  let display: Display;
  let browser: RealBrowser;
  beforeAll(async () => {
    display = await Display.open();
    browser = await startBrowser(engine, display);
  });
  afterEach(async () => {
    await display.keyboard.rest();
    display.keyboard.layout('us');
  });
  afterAll(async () => {
    await display.close();
  });
  return {
    get display() {
      return display;
    },
    get keyboard() {
      return display.keyboard;
    },
    get browser() {
      return browser;
    },
    async elsewhere() {
      const before = display.manager.windows.at(-1) ?? 0;
      return [before, await display.openWindow()] as const;
    },
    async sit(desk) {
      const sitting = await Sitting.begin(browser.first, inject('baseUrl'), desk);
      await sitting.reached(display.keyboard);
      return sitting;
    },
    async sitAlso({ session }) {
      const page = await browser.openWindow();
      onTestFinished(() => page.close());
      const further = new Sitting(page, inject('baseUrl'), session);
      await further.goTo(`/sessions/${session}`);
      return further;
    },
  };
}
