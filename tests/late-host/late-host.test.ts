/** A page, a server and a host that is anything but prompt. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { idsOf } from '../../src/lib/core/model/order';
import { lastOf } from '../../src/lib/core/protocol/report';
import { receive } from '../../src/lib/core/replica/replica';
import { newestPutAway } from '../../src/lib/core/slices/put-away/selectors';
import type { Manner } from '../../testing/late-host';
import { runs } from '../../testing/runs';
import { manner, moves, play } from '../../testing/late-moves';
import { hostTruth, Scene, visible } from '../../testing/late-scene';

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

  it('what lay over an entry when it was put back is gone with it, though it looks away again on the way', () => {
    const scene = new Scene(['as-wished']);
    scene.wish({ type: 'hide', application: 'b' });
    scene.wish({ type: 'solo', application: 'b' });
    scene.wish({ type: 'solo', application: 'a' });
    scene.wish({ type: 'switch-to-application', application: 'b' });
    scene.wish({ type: 'put-back', entry: newestPutAway(scene.seen)?.id ?? null });
    const before = visible(scene.seen);
    for (let n = 0; n < 3; n += 1) scene.host.goOn(0);
    scene.hear();
    expect(visible(scene.seen)).toBe(before);
    scene.end();
    expect(visible(scene.seen)).toBe(before);
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
    scene.wish({ type: 'place-window', window: 'a3', placement: { geometry } });
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
