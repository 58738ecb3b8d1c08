/** Someone at a real keyboard, before a browser in a window on a display. */
import { afterAll, afterEach, beforeAll, expect, inject, onTestFinished } from 'vitest';
import { type SessionDocument, toDocument } from '../../src/lib/core/formats/session-document';
import type { Session } from '../../src/lib/core/session/session';
import { sessionOf } from '../../testing/sessions';
import { Display } from '../../testing/display/display';
import type { Keyboard } from '../../testing/display/keyboard';
import { startBrowser, type Engine } from '../../testing/display/engines';
import { type RealBrowser, type RealPage } from '../../testing/display/real-browser';
import { lookAtScreen, noteKeys, type Screen, type Seen } from '../../testing/display/screen';
import { createSession, storedSession } from './browser';

/** One page on one session, in a window that may have the keyboard. */
export class Sitting {
  constructor(
    readonly page: RealPage,
    readonly session: string,
  ) {}

  static async begin(page: RealPage, desk: string | SessionDocument): Promise<Sitting> {
    const sitting = new Sitting(
      page,
      await createSession(typeof desk === 'string' ? toDocument(sessionOf(desk)) : desk),
    );
    await sitting.goTo(`/sessions/${sitting.session}`);
    return sitting;
  }

  async goTo(path: string): Promise<void> {
    await this.page.goto(inject('baseUrl') + path);
    await this.ready();
  }

  /** Waits until the desk is there and has the keyboard, and notes from then on what keys arrive. */
  async ready(): Promise<void> {
    await expect
      .poll(() => this.page.evaluate(() => document.querySelector('[data-unsent] main') !== null, null))
      .toBe(true);
    await this.page.evaluate(noteKeys, null);
  }

  /** Waits until keys reach the page: browsers drop those that come before it was painted or right after it came back. */
  async reached(keyboard: Keyboard): Promise<void> {
    const before = (await this.seen()).length;
    await expect
      .poll(async () => {
        await keyboard.tap('ControlLeft');
        return (await this.seen()).length;
      })
      .toBeGreaterThan(before);
  }

  screen(): Promise<Screen> {
    return this.page.evaluate(lookAtScreen, null);
  }

  /** The keys that arrived since the page was loaded. */
  seen(): Promise<Seen[]> {
    return this.page.evaluate(() => (window as unknown as { seen: Seen[] }).seen, null);
  }

  /** Waits until an event of a key has been handled, as the last one. */
  async handled(type: Seen['type'], code: string): Promise<void> {
    await expect
      .poll(async () => {
        const last = (await this.seen()).at(-1);
        return `${last?.type} ${last?.code}`;
      })
      .toBe(`${type} ${code}`);
  }

  /** The session as it is stored, once everything is. */
  async stored(): Promise<Session> {
    await expect
      .poll(() => this.page.evaluate(() => document.querySelector('[data-unsent="0"]') !== null, null))
      .toBe(true);
    return (await storedSession(this.session)).session;
  }

  async front(): Promise<string | null> {
    return (await this.stored()).front;
  }

  /** The windows by recent use. */
  async order(): Promise<string[]> {
    return (await this.stored()).recent.windows.map(({ id }) => id);
  }

  /** Waits until the switcher is on the screen, with this highlighted. */
  async switcherOn(title: string): Promise<void> {
    await expect.poll(async () => (await this.screen()).highlighted).toBe(title);
  }

  async switcherGone(): Promise<void> {
    await expect.poll(async () => (await this.screen()).switcher).toBe(false);
  }
}

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
      const sitting = await Sitting.begin(browser.first, desk);
      await sitting.reached(display.keyboard);
      return sitting;
    },
    async sitAlso({ session }) {
      const page = await browser.openWindow();
      onTestFinished(() => page.close());
      const further = new Sitting(page, session);
      await further.goTo(`/sessions/${session}`);
      return further;
    },
  };
}
