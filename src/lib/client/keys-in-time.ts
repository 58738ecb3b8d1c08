import type { KeyTold } from '../core/display/holding';
import type { ArrivedKey } from '../core/keys/key-input';

/** So long, in ms, keys wait for this page to hear of what was in front when they were pressed. */
const WAIT_MS = 250;

/** What the page knows. */
export interface PageKnows {
  /** Whether this window is in front here, or something of this page's own is under way that may bring it there. */
  follows(front: string): boolean;
}

/**
 * Keys are about what the person saw. The agent hands them on at once, and what happens on the display comes on another way,
 * so a key that is pressed right after a window came up may be here before the news of it: then it waits for that, and all
 * that follow wait behind it.
 */
export class KeysInTime {
  readonly #waiting: KeyTold[] = [];
  #timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    readonly page: PageKnows,
    readonly press: (key: ArrivedKey) => void,
  ) {}

  /** Takes a key, now or once it is known what it is about. */
  hear(told: KeyTold): void {
    this.#waiting.push(told);
    this.look();
    if (this.#waiting.length > 0) this.#timer ??= setTimeout(() => this.#pressAll(), WAIT_MS);
  }

  /** The session has changed: what waited may be known now. */
  look(): void {
    const [first] = this.#waiting;
    if (first && (first.front === null || this.page.follows(first.front))) this.#pressAll();
  }

  #pressAll(): void {
    clearTimeout(this.#timer);
    this.#timer = undefined;
    for (const { key } of this.#waiting.splice(0)) this.press(key);
  }
}
