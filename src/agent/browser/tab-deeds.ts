/** What orders about tabs mean to a browser. */
import type { Command, WishType } from '../../lib/core/commands/commands';
import { aStepAside } from '../../lib/core/layout/cascade';
import type { ApplicationId, WindowId } from '../../lib/core/model/ids';
import type { SessionEvent } from '../../lib/core/session/session';
import { BROWSERS } from '../panel';
import { CannotBe, type Deed, type DeedMaker } from '../x11/deed';
import { ManagerMessages } from '../x11/manager-messages';
import type { XWindow } from '../x11/read-window';
import type { XDisplay } from '../x11/x-display';
import type { Browsers, FoundTab } from './browsers';

/** What can be wished where tabs are known. */
export const TAB_WISHES = [
  'go-to-tab',
  'carry-tab',
  'open-tab',
  'close-tab',
  'tear-off',
  'join',
  'reopen',
] as const satisfies readonly WishType[];

/** Makes deeds of orders about tabs that are known; of all others none. */
export class TabDeeds implements DeedMaker {
  readonly #messages: ManagerMessages;

  constructor(
    readonly display: XDisplay,
    readonly browsers: Browsers,
    /** Starts a browser so that it can be spoken with. */
    readonly launch: (application: ApplicationId) => Promise<void>,
  ) {
    this.#messages = new ManagerMessages(display.connection);
  }

  making(event: SessionEvent): Deed | null {
    switch (event.type) {
      case 'tab-activated':
        return this.#showing(event.window, event.tab);
      case 'tab-carried':
        return this.#carrying(event.window, event.tab, event.at);
      default:
        return null;
    }
  }

  asking(command: Command): Deed | null {
    switch (command.type) {
      case 'close-tab':
        return this.#closing(command.tab);
      case 'open-tab':
        return this.#opening(command.window);
      case 'tear-off':
        return this.#tearingOff(command.window, command.tab);
      case 'join':
        return this.#joining(command.window, command.into);
      case 'reopen':
        return this.#once(() => this.browsers.reopen(command.entry));
      case 'switch-to-application':
      case 'open-window':
        return this.#launching(command.application);
      default:
        return null;
    }
  }

  #showing(window: WindowId, id: string): Deed {
    return {
      send: async () => {
        const { browser, tab } = this.#tab(id);
        await browser.do('show', tab.id);
      },
      done: () => this.#tabsOf(window)?.shown === id || !this.browsers.tab(id),
      otherwise: 'The browser did not show that tab.',
    };
  }

  #carrying(window: WindowId, id: string, at: number): Deed {
    return {
      send: async () => {
        const { browser, tab } = this.#tab(id);
        await browser.do('carry', tab.id, at);
      },
      done: () => this.#tabsOf(window)?.list[at]?.id === id || !this.browsers.tab(id),
      // Pinned tabs stay together.
      otherwise: null,
    };
  }

  /** A close is a wish: the page may ask first. The last tab takes its window along. */
  #closing(id: string): Deed | null {
    const found = this.browsers.tab(id);
    if (!found) return null;
    return {
      send: () => found.browser.close(found.tab),
      done: () => !this.browsers.tab(id),
      otherwise: `“${found.tab.title}” is still open: it may be asking something.`,
    };
  }

  #opening(id: WindowId): Deed {
    return this.#once(async () => {
      const window = this.#window(id);
      const found = this.browsers.windowOf(window);
      if (!found) throw new CannotBe('The tabs of that window are not known.');
      await found.browser.do('open', found.window);
      await this.#bringForward(window);
    });
  }

  #tearingOff(id: WindowId, tabId: string): Deed {
    return this.#once(async () => {
      const { browser, tab } = this.#tab(tabId);
      const { x, y, width, height } = aStepAside(this.#window(id).geometry);
      await browser.do('tearOff', tab.id, { left: x, top: y, width, height });
    });
  }

  #joining(from: WindowId, into: WindowId): Deed {
    return this.#once(async () => {
      const target = this.#window(into);
      const found = this.browsers.windowOf(target);
      const { list = [], shown = '' } = this.#tabsOf(from) ?? {};
      if (!found || list.length === 0) throw new CannotBe('The tabs of that window are not known.');
      const tabs = list.map(({ id }) => this.#tab(id));
      if (tabs.some(({ browser }) => browser !== found.browser))
        throw new CannotBe('The two windows are of different browsers.');
      await found.browser.do(
        'join',
        tabs.map(({ tab }) => tab.id),
        found.window,
        this.#tab(shown).tab.id,
      );
      await this.#bringForward(target);
    });
  }

  #launching(application: string): Deed | null {
    if (!this.browsers.wanted || !this.display.programs.runs(application, BROWSERS)) return null;
    return this.#once(() => this.launch(application));
  }

  #bringForward({ xid }: XWindow): Promise<void> {
    return this.#messages.activate(xid, this.display.active);
  }

  /** What is over once the browser has answered; what comes of it is told like anything else. */
  #once(send: () => Promise<void>): Deed {
    return { send, done: () => true, otherwise: null };
  }

  #tabsOf(window: WindowId) {
    const found = this.display.find(window);
    return found && this.display.tabsOf(found.xid);
  }

  #tab(id: string): FoundTab {
    const found = this.browsers.tab(id);
    if (!found) throw new CannotBe('That tab is no longer there.');
    return found;
  }

  #window(id: WindowId): XWindow {
    const window = this.display.find(id);
    if (!window) throw new CannotBe('That window is no longer there.');
    return window;
  }
}
