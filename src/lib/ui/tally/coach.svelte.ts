import type { Registry } from '../../core/actions/registry';
import type { WindowId } from '../../core/model/ids';
import type { Neighbours } from '../../core/search/keyboard';
import type { Session } from '../../core/session/session';
import type { TitleMatching } from '../../core/shortcuts/aim';
import type { Route } from '../../core/tally/cheapest-way';
import { afterSwitch } from '../../core/tally/coach';
import { BY_KEYS, type SwitchFacts } from '../../core/tally/way';
import { keepCoaching, keptCoaching } from '../../client/tally/coach-keeper';
import { pageStorage } from '../../client/page-storage';
import { keptOperators } from './own-operators';

/** A way that would have done, to the window that somebody went to. */
export interface Advice {
  readonly to: WindowId;
  readonly route: Route;
}

/** A switch, and what there was to go by. */
export interface Seen {
  /** The session before it. */
  readonly before: Session;
  readonly to: WindowId | null;
  readonly facts: SwitchFacts;
  readonly registry: Registry;
  readonly matching: TitleMatching;
  readonly neighbours: Neighbours;
}

/** Long after the switch is painted, and before the next one is likely, in ms. */
const LATER_MS = 400;
/** An advice is shown for so long, in ms. */
const SHOWN_MS = 15_000;

/** Looks at switches when the page has time, and now and then has an advice. */
export class Coach {
  advice = $state.raw<Advice | null>(null);
  on = $state(keptCoaching(pageStorage()).on);
  #next: ReturnType<typeof setTimeout> | undefined;
  #end: ReturnType<typeof setTimeout> | undefined;

  /** @param hear is told of each advice, to say it */
  constructor(readonly hear: (advice: Advice) => void) {}

  /** Somebody switched; what was advised before is over. */
  saw(seen: Seen): void {
    this.advice = null;
    clearTimeout(this.#next);
    if (!this.on || seen.to === null || !BY_KEYS.some((way) => way === seen.facts.way)) return;
    this.#next = setTimeout(() => void this.#look(seen), LATER_MS);
  }

  /** Listens to it, or no more. */
  turn(on: boolean): void {
    this.on = on;
    this.advice = null;
    keepCoaching(pageStorage(), { ...keptCoaching(pageStorage()), on });
  }

  /** Has nothing to say any more. */
  stop(): void {
    clearTimeout(this.#next);
    clearTimeout(this.#end);
  }

  async #look({ before, to, facts, registry, matching, neighbours }: Seen): Promise<void> {
    if (to === null) return;
    const [{ cheapestWay }, { catalogueOf }] = await Promise.all([
      import('../../core/tally/cheapest-way'),
      import('../../core/search/session-catalogue'),
    ]);
    const operators = keptOperators(pageStorage());
    const searcher = { learned: before.learned, neighbours, at: new Date().toISOString() };
    const search = { catalogue: catalogueOf(before, registry), searcher };
    const cheapest = cheapestWay(to, { session: before, matching, operators, search });
    const said = keptCoaching(pageStorage());
    const after = afterSwitch(said, { to, done: facts, cheapest }, operators, Date.now());
    if (after === said || !cheapest) return;
    keepCoaching(pageStorage(), { ...after, on: this.on });
    this.advice = { to, route: cheapest };
    this.hear(this.advice);
    clearTimeout(this.#end);
    this.#end = setTimeout(() => (this.advice = null), SHOWN_MS);
  }
}
