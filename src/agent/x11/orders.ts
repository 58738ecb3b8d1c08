/** Carries out orders on a display, in their order. */
import type { Order } from '../../lib/core/host/order';
import type { WindowId } from '../../lib/core/model/ids';
import type { SessionEvent } from '../../lib/core/session/session';
import { raised } from '../../lib/core/slices/front/selectors';
import type { Settlement } from '../../lib/core/slices/under-way/state';
import type { Deed } from './deed';
import { SEEN_MS, type Deeds } from './deeds';
import { orderOf, workspaceId } from './telling';
import type { XDisplay } from './x-display';

/** So long, in ms, it may take until what was ordered can be seen; the server waits no longer than a second. */
const PATIENCE_MS = 850;
/** A deed that is done once it was seen to be: what comes later may undo it. */
class Seen {
  #seen = false;

  constructor(readonly deed: Deed) {}

  send(): Promise<void> {
    return this.deed.send();
  }

  seen(): boolean {
    return (this.#seen ||= this.deed.done());
  }

  get otherwise(): string | null {
    return this.deed.otherwise;
  }
}

/** Carries out orders on a display. */
export class Orders {
  #turn: Promise<void> = Promise.resolve();
  #moving = 0;
  #current: string | null = null;
  /** Batches that have not ended: what was only asked for may still come. */
  readonly #open = new Set<string>();

  constructor(
    readonly display: XDisplay,
    readonly deeds: Deeds,
  ) {}

  /** The batch that what happens now is most likely the doing of; null if none is under way. */
  get cause(): string | null {
    const [oldest = null] = this.#open;
    return this.#current ?? oldest;
  }

  /** Whether windows come forward on the way to something else: what is in front meanwhile is not said. */
  get moving(): boolean {
    return this.#moving > 0;
  }

  /**
   * Carries out the orders of a batch after those of earlier ones; resolves once what they mean can be seen, or not in time.
   *
   * One thing after the other, and each is seen before the next is sent: what has to be sent follows from how things are,
   * and no manager says when it has done something. What is only asked for keeps nothing waiting.
   */
  async carryOut(batch: string, orders: readonly Order[]): Promise<Settlement> {
    const began = performance.now();
    const travels =
      orders.length > 1 || orders.some((order) => 'make' in order && order.make.type !== 'window-fronted');
    const deeds: Seen[] = [];
    const turn = this.#turn.then(async () => {
      if (travels) this.#moving += 1;
      this.#current = batch;
      try {
        for (const order of this.#withOrder(orders)) {
          const deed = new Seen(
            'make' in order ? this.deeds.making(order.make) : this.deeds.asking(order.ask),
          );
          deeds.push(deed);
          await deed.send();
          if ('ask' in order) continue;
          await this.display.caughtUp(SEEN_MS);
          await this.display.until(() => deed.seen(), SEEN_MS);
        }
      } finally {
        this.#current = null;
        if (travels) this.#moving -= 1;
      }
    });
    this.#turn = turn.catch(() => undefined);
    this.#open.add(batch);
    try {
      await turn;
      const left = Math.max(0, PATIENCE_MS - (performance.now() - began));
      await this.display.until(() => deeds.every((deed) => deed.seen()), left);
      const failed = deeds.find((deed) => deed.otherwise !== null && !deed.seen());
      return failed ? { kind: 'refused', detail: failed.otherwise ?? '' } : { kind: 'done' };
    } catch (error) {
      return { kind: 'refused', detail: error instanceof Error ? error.message : 'The display would not.' };
    } finally {
      this.#open.delete(batch);
    }
  }

  /**
   * What is restored comes forward on the way, and when something goes away a manager brings forward what it thinks right.
   * Unless it is said how all lies afterwards, it lies as it did; and if windows were restored and nothing else is to be in
   * front, what is there now is.
   */
  #withOrder(orders: readonly Order[]): readonly Order[] {
    const makes = orders.flatMap((order) => ('make' in order ? [order.make] : []));
    const has = (...types: SessionEvent['type'][]) => makes.some(({ type }) => types.includes(type));
    const restores = has('windows-restored', 'applications-shown');
    if (!restores && !has('windows-minimised', 'applications-hidden', 'windows-carried', 'workspace-entered'))
      return orders;
    const { front, stacking = [] } = orderOf(this.display);
    const fronted = makes.flatMap((make) => (make.type === 'window-fronted' ? [make.window] : []));
    const stays = front && !makes.some((make) => this.#takesAway(make, front)) ? front : null;
    const ahead = fronted.at(-1) ?? stays;
    const fronting: readonly Order[] =
      restores && !has('window-fronted') && ahead !== null
        ? [{ make: { type: 'window-fronted', window: ahead, at: '' } }]
        : [];
    // What was restored may lie on another workspace, which is shown with it.
    const back: readonly Order[] =
      restores && !has('workspace-entered')
        ? [{ make: { type: 'workspace-entered', workspace: workspaceId(this.display.desktop) } }]
        : [];
    const coming = ahead === null || fronted.length > 0 ? fronted : [ahead];
    const said = makes.findLast((make) => make.type === 'windows-restacked')?.stacking;
    const pile = coming.reduce((under, id) => raised(under, [id]), said ?? stacking);
    // Said before anything was restored, it does not hold any more.
    const restacking: readonly Order[] =
      (said && !restores) || !this.display.restacks
        ? []
        : [{ make: { type: 'windows-restacked', stacking: pile } }];
    const last = orders.findLastIndex((order) => 'make' in order && order.make.type === 'window-fronted');
    const split = last < 0 ? orders.length : last;
    return [...orders.slice(0, split), ...back, ...orders.slice(split), ...fronting, ...restacking];
  }

  /** Whether an event puts a window out of sight. */
  #takesAway(event: SessionEvent, id: WindowId): boolean {
    if (event.type === 'windows-minimised') return event.windows.includes(id);
    const window = this.display.find(id);
    return (
      event.type === 'applications-hidden' &&
      window !== undefined &&
      event.applications.includes(this.display.programs.applicationOf(window).id)
    );
  }
}
