import type { TitleMatching } from '../core/shortcuts/aim';
import type { TitlePattern } from '../core/shortcuts/title-pattern';

/** Reads the patterns of shortcuts, with what is loaded for it once it is needed. */
export class TitlePatterns {
  #read: ((pattern: string) => TitlePattern) | null = null;
  readonly #known = new Map<string, TitlePattern>();

  /** Loads what reads patterns; where that fails it is tried again the next time. */
  async load(): Promise<void> {
    const loaded = await import('../core/shortcuts/title-pattern').catch(() => null);
    if (loaded) this.#read = loaded.titlePattern;
  }

  /** Tells whether titles match a pattern; null before it is loaded, and for what is no pattern. */
  readonly matching: TitleMatching = (pattern) => {
    let known = this.#known.get(pattern);
    if (!known && this.#read) this.#known.set(pattern, (known = this.#read(pattern)));
    return known && 'matches' in known ? known.matches : null;
  };
}
