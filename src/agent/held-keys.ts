import type { HoldWanted, PanelStance, ToPanel } from '../lib/core/display/holding';
import type { Panel } from './panel';
import { HoldKeyGrab, holdKeyUp } from './x11/hold-key';
import { frontOf } from './x11/telling';
import type { XDisplay } from './x11/x-display';

/**
 * Hands the keys of the hold key on to the page in Key Fold's own window, and does with that window what the page wants:
 * shows it, gives it the keyboard, puts it away.
 */
export class HeldKeys {
  readonly #grab: HoldKeyGrab;
  #wanted: HoldWanted | null = null;
  #stance: PanelStance = 'away';
  #turn: Promise<void> = Promise.resolve();

  constructor(
    readonly display: XDisplay,
    readonly panel: Panel,
    readonly say: (message: ToPanel) => void,
    /** Hears how many keys are Key Fold's while the hold key is down, and which are another program's. */
    readonly tell: (holdKey: string, had: number, taken: readonly string[]) => void,
  ) {
    this.#grab = new HoldKeyGrab(display.connection, {
      key: (key) => say({ type: 'key', key, front: frontOf(display) }),
      grabbed: (taken) => {
        if (!this.#wanted) return;
        const { holdKey, positions } = this.#wanted;
        say({ type: 'grabbed', holdKey, taken });
        tell(holdKey, positions.length - taken.length, taken);
      },
    });
  }

  /** Takes the keys that a page wants; null: there is no page to hear them any more. */
  want(wanted: HoldWanted | null): void {
    // Taking them anew would let go of them for a moment.
    if (JSON.stringify(wanted) === JSON.stringify(this.#wanted)) return;
    this.#wanted = wanted;
    this.#next(async () => {
      if (!wanted && this.#grab.held) this.#grab.letGo();
      await this.#grab.want(wanted);
    });
  }

  /** Does with the window what its page wants, one thing after the other. */
  be(stance: PanelStance): void {
    this.#stance = stance;
    this.#next(async () => {
      // What was wanted meanwhile is all that counts.
      if (this.#stance !== stance) return;
      await this.panel.be(stance);
      if (stance === 'keys') await this.#handOver();
    });
  }

  stop(): void {
    this.#grab.stop();
  }

  /**
   * From now on the window has the keyboard by itself. Its keys come to it only once it has the focus, so the keyboard is
   * kept until then; and it cannot know that the hold key came up before.
   */
  async #handOver(): Promise<void> {
    if (!this.#grab.held) return;
    const { holdKey } = this.#wanted ?? { holdKey: 'Meta' };
    this.#grab.letGo();
    if (!(await this.#grab.isDown())) this.say({ type: 'key', key: holdKeyUp(holdKey, false), front: null });
  }

  #next(does: () => Promise<void>): void {
    this.#turn = this.#turn.then(does).catch(() => undefined);
  }
}
