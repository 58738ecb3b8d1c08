/** A page, a server and a host that is anything but prompt. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Wish, WishType } from '../../src/lib/core/commands/commands';
import { idsOf } from '../../src/lib/core/model/order';
import { lastOf } from '../../src/lib/core/protocol/report';
import { receive } from '../../src/lib/core/replica/replica';
import type { Session, SessionEvent } from '../../src/lib/core/session/session';
import { newestPutAway } from '../../src/lib/core/slices/put-away/selectors';
import type { Manner } from '../../testing/late-host';
import { wishFrom, type WishSeed } from '../../testing/wishes';
import { runs } from '../../testing/runs';
import { hostTruth, Scene, visible } from '../../testing/late-scene';

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

type Move =
  | { do: 'wish'; seed: WishSeed; page: number }
  | { do: 'go-on' | 'hear'; pick: number; page: number }
  | { do: 'display'; event: { type: 'window-fronted' | 'windows-restored'; pick: number } }
  | { do: 'give-up' };

const pick = (most: number) => fc.nat(most);
const moves = (orderly: boolean): fc.Arbitrary<Move[]> => {
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
const manner = fc.constantFrom<Manner>('as-wished', 'half', 'unseen', 'refuses', 'never');

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

function play(
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

describe('pages and a late host', () => {
  it('end in the host’s truth, whatever it does', () => {
    fc.assert(
      fc.property(moves(false), fc.array(manner, { minLength: 1, maxLength: 8 }), (all, manners) => {
        const scene = new Scene(manners, 2);
        play(scene, all);
        scene.end();
        for (const { replica } of scene.pages) {
          expect(replica.pending).toEqual([]);
          expect(replica.early).toEqual([]);
          expect(replica.session).toEqual(scene.log.session);
        }
        expect(hostTruth(scene.log.session)).toEqual(hostTruth(scene.host.world));
      }),
      { numRuns: runs(600) },
    );
  });

  it('do not flicker: with a host that does what is wished, late and in pieces, hearing of it changes nothing', () => {
    fc.assert(
      fc.property(moves(true), (all) => {
        const scene = new Scene(['as-wished']);
        play(scene, all, ({ do: what }, before) => {
          if (what !== 'wish') expect(visible(scene.seen)).toBe(visible(before));
        });
        const last = visible(scene.seen);
        scene.end();
        expect(visible(scene.seen)).toBe(last);
        expect(scene.page.replica.pending).toEqual([]);
      }),
      { numRuns: runs(600) },
    );
  });

  it('lose no use: flips that the host carries out too quickly to be seen still count, in their order', () => {
    const windows = ['a1', 'a2', 'b1'];
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...windows), { minLength: 1, maxLength: 12 }),
        fc.infiniteStream(fc.boolean()),
        (picked, blinks) => {
          const flips = picked.filter((window, n) => window !== (picked[n - 1] ?? 'a1'));
          const unseen = [...blinks.take(flips.length)];
          const manners = flips.map((_, n): Manner =>
            n < flips.length - 1 && unseen[n] ? 'unseen' : 'as-wished',
          );
          const scene = new Scene(manners.length > 0 ? manners : ['as-wished']);
          for (const window of flips) scene.wish({ type: 'bring-to-front', window, raiseAll: false });
          scene.end();
          const used = [...new Set(flips.toReversed())];
          expect(idsOf(scene.seen.recent.windows).slice(0, used.length)).toEqual(used);
        },
      ),
      { numRuns: runs(600) },
    );
  });
});

describe('single cases', () => {
  const front = (window: string) => ({ type: 'bring-to-front', window, raiseAll: false }) as const;

  it('a refusal takes back what was shown, in one change', () => {
    const scene = new Scene(['refuses']);
    scene.wish(front('b1'));
    expect(scene.seen.front).toBe('b1');
    scene.end();
    expect(scene.seen.front).toBe('a1');
    expect(scene.reports.at(-1)?.settles).toEqual({ kind: 'refused', detail: 'It would not.' });
  });

  it('truth that came after a wish came true is not hidden by the wish', () => {
    const scene = new Scene(['as-wished']);
    scene.wish(front('b2'));
    scene.host.goOn(0);
    scene.host.goOn(0);
    scene.host.happen({ type: 'window-fronted', window: 'a2', at: '' });
    scene.hearAll();
    expect(scene.page.replica.pending).toHaveLength(1);
    expect(scene.seen.front).toBe('a2');
  });

  it('nor by one of two that came true out of their order', () => {
    const scene = new Scene(['never', 'as-wished']);
    const geometry = { x: 1, y: 2, width: 300, height: 200 };
    scene.wish({ type: 'place-window', window: 'a3', geometry });
    scene.wish(front('b1'));
    scene.host.goOn(0);
    scene.host.happen({ type: 'window-fronted', window: 'a2', at: '' });
    scene.hearAll();
    expect(scene.seen.front).toBe('a2');
  });

  it('a wish is not taken for true because one before it is about to bring the same', () => {
    const scene = new Scene(['as-wished']);
    scene.wish({ type: 'minimise', window: 'a1' });
    scene.wish(front('b1'));
    // What would have come forward is gone; now b1 would, before it is asked for.
    scene.host.happen({ type: 'windows-minimised', windows: ['a2'] });
    scene.hearAll();
    while (scene.host.jobs.length > 0) {
      scene.host.goOn(0);
      scene.hearAll();
      expect(scene.seen.front).toBe('b1');
    }
  });

  it('what a putting-away changed can be put back at once, and is not put back twice', () => {
    const scene = new Scene(['as-wished']);
    scene.wish({ type: 'minimise', window: 'a2' });
    scene.wish({ type: 'put-back', entry: 'e-x1' });
    expect(scene.log.session.putAways).toHaveLength(1);
    scene.end();
    expect(scene.seen.putAways).toEqual([]);
    scene.wish({ type: 'put-back', entry: 'e-x1' });
    expect(scene.page.replica.pending).toEqual([]);
  });

  it('a putting-back that is under way leaves alone what is put away after it', () => {
    const scene = new Scene(['as-wished']);
    scene.wish({ type: 'hide', application: 'a' });
    scene.wish({ type: 'put-back', entry: 'e-x1' });
    scene.wish({ type: 'minimise', window: 'a1' });
    scene.wish({ type: 'solo', application: 'b' });
    while (scene.host.jobs.length > 0) {
      scene.hearAll();
      expect(newestPutAway(scene.seen)?.id).toBe('e-x4');
      scene.host.goOn(0);
    }
  });

  it('a putting-back that has come true is only waited for', () => {
    const scene = new Scene(['as-wished']);
    scene.wish({ type: 'minimise', window: 'a1' });
    scene.host.finish();
    scene.wish({ type: 'put-back', entry: 'e-x1' });
    while ((scene.host.jobs[0]?.left?.length ?? 1) > 0) scene.host.goOn(0);
    scene.host.happen({ type: 'window-fronted', window: 'b1', at: '' });
    scene.hearAll();
    expect(scene.seen.front).toBe('b1');
    expect(scene.seen.putAways).toEqual([]);
    expect(scene.page.replica.confirmed.putAways).toHaveLength(1);
  });

  it('a settling that overtakes what it settles waits for it', () => {
    const scene = new Scene(['as-wished']);
    scene.wish(front('b2'));
    scene.host.finish();
    let replica = scene.page.replica;
    for (const report of scene.reports.toReversed()) {
      replica = receive(replica, report);
      expect(replica.session.front).toBe('b2');
    }
    expect(replica.pending).toEqual([]);
  });

  it('every report has a number of its own, that of an empty settlement too', () => {
    const scene = new Scene(['unseen', 'refuses', 'as-wished']);
    for (const window of ['b1', 'a2', 'b2']) scene.wish(front(window));
    scene.end();
    const numbers = scene.reports.map(lastOf);
    expect(numbers).toEqual([...new Set(numbers)].sort((a, b) => a - b));
    expect(scene.reports.every(({ events }) => events.length > 0)).toBe(true);
  });
});
