/** What can happen to pages, a server and a late host, in any order. */
import fc from 'fast-check';
import type { Wish, WishType } from '../src/lib/core/commands/commands';
import type { Session, SessionEvent } from '../src/lib/core/session/session';
import { newestPutAway } from '../src/lib/core/slices/put-away/selectors';
import type { Manner } from './late-host';
import type { Scene } from './late-scene';
import { wishFrom, type WishSeed } from './wishes';

/** Wishes of which a page foresees what they lead to. */
const FORESEEN: readonly WishType[] = [
  'bring-to-front',
  'switch-to-application',
  'minimise',
  'minimise-all',
  'restore-all',
  'hide',
  'show',
  'solo',
  'sweep',
  'put-back',
  'place-window',
];
const UNFORESEEN: readonly WishType[] = ['close', 'close-all', 'quit', 'open-window', 'end-now'];

const seedsOf = (types: readonly WishType[]): fc.Arbitrary<WishSeed> =>
  fc.record({ type: fc.constantFrom(...types), pick: fc.nat(99), flag: fc.boolean(), other: fc.nat(2) });

const atTheDisplay = fc.oneof(
  seedsOf(FORESEEN).map(({ pick }) => ({ type: 'window-fronted' as const, pick })),
  seedsOf(FORESEEN).map(({ pick }) => ({ type: 'windows-restored' as const, pick })),
);

/** What happens next: somebody wishes something, the host goes on, a page hears, the display changes, or the server gives up. */
export type Move =
  | { do: 'wish'; seed: WishSeed; page: number }
  | { do: 'go-on' | 'hear'; pick: number; page: number }
  | { do: 'display'; event: { type: 'window-fronted' | 'windows-restored'; pick: number } }
  | { do: 'give-up' };

const pick = (most: number) => fc.nat(most);
/** Orderly: everything comes in its order, and nothing happens but what is wished. */
export const moves = (orderly: boolean): fc.Arbitrary<Move[]> => {
  const seed = seedsOf(orderly ? FORESEEN : [...FORESEEN, ...UNFORESEEN]);
  const page = fc.nat(1);
  const wish = fc.record({ do: fc.constant('wish' as const), seed, page });
  const goOn = fc.record({ do: fc.constant('go-on' as const), pick: pick(orderly ? 0 : 5), page });
  const hear = fc.record({ do: fc.constant('hear' as const), pick: pick(orderly ? 0 : 2), page });
  const display = fc.record({ do: fc.constant('display' as const), event: atTheDisplay });
  const often = [wish, goOn, hear].map((arbitrary) => ({ weight: 3, arbitrary }));
  const seldom = [display, fc.record({ do: fc.constant('give-up' as const) })];
  return fc.array(
    fc.oneof(...often, ...(orderly ? [] : seldom.map((arbitrary) => ({ weight: 1, arbitrary })))),
    {
      minLength: 5,
      maxLength: 60,
    },
  );
};
/** How a host treats a batch. */
export const manner = fc.constantFrom<Manner>('as-wished', 'half', 'unseen', 'refuses', 'never');

function displayed(
  { type, pick: at }: { type: 'window-fronted' | 'windows-restored'; pick: number },
  world: Session,
) {
  const window = world.windows[at % Math.max(1, world.windows.length)]?.id ?? '';
  const event: SessionEvent =
    type === 'window-fronted' ? { type, window, at: '' } : { type, windows: [window] };
  return event;
}

/** Pages name what they put back: the newest would be another one after the next wish. */
function naming(wish: Wish, session: Session): Wish {
  if (wish.type !== 'put-back' || wish.entry !== null) return wish;
  return { type: 'put-back', entry: newestPutAway(session)?.id ?? null };
}

/** Lets all of it happen in a scene, one after the other; `after` hears of each with what the first page saw before. */
export function play(
  scene: Scene,
  all: readonly Move[],
  after: (move: Move, before: Session) => void = () => undefined,
) {
  for (const move of all) {
    const before = scene.seen;
    const page = scene.pages['page' in move ? move.page % scene.pages.length : 0] ?? scene.page;
    if (move.do === 'wish') {
      const wish = wishFrom(move.seed, page.replica.session);
      if (wish) scene.wish(naming(wish, page.replica.session), page);
    } else if (move.do === 'go-on') scene.host.goOn(move.pick);
    else if (move.do === 'hear') scene.hear(move.pick, page);
    else if (move.do === 'display') scene.host.happen(displayed(move.event, scene.host.world));
    else scene.giveUp();
    after(move, before);
  }
}
