import { holdKeyUp, type HoldWanted, type PanelStance, type ToPanel } from '../lib/core/display/holding';
import type { Panel } from './panel';
import { HoldKeyGrab } from './x11/hold-key';
import { frontOf } from './x11/telling';
import type { XDisplay } from './x11/x-display';

/** So long, in ms, a page may take to be in sight and to have the keyboard. */
const SEEN_MS = 600;

/**
 * Hands the keys of the hold key on to the page in Key Fold's own window, and does with that window what the page wants:
 * shows it, gives it the keyboard, puts it away.
 */
export class HeldKeys {
  readonly #grab: HoldKeyGrab;
  #wanted: HoldWanted | null = null;
  #stance: PanelStance = 'away';
  #turn: Promise<void> = Promise.resolve();
  #answered: (can: boolean) => void = () => undefined;
  /** How many keys were handed on. */
  #told = 0;

  constructor(
    readonly display: XDisplay,
    readonly panel: Panel,
    readonly say: (message: ToPanel) => void,
    /** Hears how many keys are Key Fold's while the hold key is down, and which are another program's. */
    readonly tell: (holdKey: string, had: number, taken: readonly string[]) => void,
  ) {
    this.#grab = new HoldKeyGrab(display.connection, {
      key: (key) => {
        this.#told += 1;
        say({ type: 'key', key, front: frontOf(display) });
      },
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
      if (!wanted) this.#grab.letGo();
      await this.#grab.want(wanted);
    });
  }

  /** Does with the window what its page wants, one thing after the other. */
  be(stance: PanelStance, wished: boolean): void {
    this.#stance = stance;
    // Whatever is waited for is about what was wanted before.
    this.#answered(false);
    if (stance === 'keys') this.#grab.keep();
    // A window that is only raised was wanted before what is written into was.
    else if (stance === 'away') this.#grab.keepNoMore();
    this.#next(async () => {
      // What was wanted meanwhile is all that counts.
      if (this.#stance !== stance) return;
      await this.panel.be(stance, wished);
      if (stance !== 'keys') return;
      await this.#handOver();
    });
  }

  /** The page says that its browser has given it the keyboard. */
  panelHasKeys(): void {
    this.#answered(true);
  }

  /** Whether the page says that it can take the keyboard, in time. */
  #pageCanTake(): Promise<boolean> {
    return new Promise((resolve) => {
      const timer = setTimeout(() => resolve(false), SEEN_MS);
      this.#answered = (can) => {
        clearTimeout(timer);
        resolve(can);
      };
      this.say({ type: 'giving' });
    });
  }

  /** The page says that what the end of a hold meant is done; its window may not have gone yet. */
  holdDone(): void {
    this.#next(() => this.#grab.land());
  }

  stop(): void {
    this.#grab.stop();
  }

  /**
   * From now on the window has the keyboard by itself. Its keys come to it only once it has the focus, so the keyboard is
   * kept until then; and it cannot know that the hold key came up just now.
   */
  async #handOver(): Promise<void> {
    // What was pressed while it was asked has to be there before what comes by itself.
    for (let told = -1; told !== this.#told;) {
      told = this.#told;
      if (!(await this.#pageCanTake())) break;
    }
    const { held } = this.#grab;
    const { holdKey } = this.#wanted ?? { holdKey: 'Meta' };
    this.#grab.letGo();
    if (held && !(await this.#grab.isDown()))
      this.say({ type: 'key', key: holdKeyUp(holdKey, false), front: null });
  }

  #next(does: () => Promise<void> | void): void {
    this.#turn = this.#turn.then(does).catch(() => undefined);
  }
}
