import { setTimeout as pause } from 'node:timers/promises';
import { toDocument, type SessionDocument } from '../../src/lib/core/formats/session-document';
import type { Session } from '../../src/lib/core/session/session';
import { createSession, storedSession } from '../browser';
import { sessionOf } from '../sessions';
import type { Keyboard } from './keyboard';
import type { RealPage } from './real-browser';
import { lookAtScreen, noteKeys, type Screen, type Seen } from './screen';

/** Between two looks at what is waited for, and the longest wait, in ms. */
const LOOK_MS = 50;
const GIVE_UP_MS = 60_000;

/** One page on one session, in a window that may have the keyboard. */
export class Sitting {
  constructor(
    readonly page: RealPage,
    readonly url: string,
    readonly session: string,
  ) {}

  /** Goes to a new session. */
  static async begin(page: RealPage, url: string, desk: string | SessionDocument): Promise<Sitting> {
    const document = typeof desk === 'string' ? toDocument(sessionOf(desk)) : desk;
    const sitting = new Sitting(page, url, await createSession(document, url));
    await sitting.goTo(`/sessions/${sitting.session}`);
    return sitting;
  }

  async goTo(path: string): Promise<void> {
    await this.page.goto(this.url + path);
    await this.ready();
  }

  /** Waits until the desk is there and has the keyboard, and notes from then on what keys arrive. */
  async ready(): Promise<void> {
    await until(() => this.page.evaluate(() => document.querySelector('[data-unsent] main') !== null, null));
    await this.page.evaluate(noteKeys, null);
  }

  /** Waits until keys reach the page: browsers drop those that come before it was painted or right after it came back. */
  async reached(keyboard: Keyboard): Promise<void> {
    const before = (await this.seen()).length;
    await until(async () => {
      await keyboard.tap('ControlLeft');
      return (await this.seen()).length > before;
    });
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
    await until(async () => {
      const last = (await this.seen()).at(-1);
      return last?.type === type && last.code === code;
    });
  }

  /** The session as it is stored, once everything is. */
  async stored(): Promise<Session> {
    await until(() => this.page.evaluate(() => document.querySelector('[data-unsent="0"]') !== null, null));
    return (await storedSession(this.session, this.url)).session;
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
    await until(async () => (await this.screen()).highlighted === title);
  }

  async switcherGone(): Promise<void> {
    await until(async () => !(await this.screen()).switcher);
  }
}

/** @throws Error that shows what was waited for, if it does not come. */
async function until(holds: () => Promise<boolean>): Promise<void> {
  const last = performance.now() + GIVE_UP_MS;
  while (!(await holds())) {
    if (performance.now() > last) throw new Error(`This was waited for in vain: ${String(holds)}`);
    await pause(LOOK_MS);
  }
}
