/** Runs of presses (switching rule 14) on a host that is late: what is seen does not flicker, and no passing becomes a use. */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { decide } from '../../src/lib/core/host/decide';
import { press, type Pressed, type Run } from '../../src/lib/core/index/run';
import { idsOf } from '../../src/lib/core/model/order';
import type { Session } from '../../src/lib/core/session/session';
import { windowsOf } from '../../src/lib/core/slices/recency/selectors';
import { Scene, start, visible } from '../../testing/late-scene';
import { runs } from '../../testing/runs';
import { later, sessionOf } from '../../testing/sessions';

type Move = 'a' | 'b' | 'c' | 'pause' | 'go on' | 'hear';

const PRESSED: ReadonlySet<Move> = new Set<Move>(['a', 'b', 'c']);

/** What a press wishes, and the run that it leaves. */
const pressed = (session: Session, run: Run | null, application: string) =>
  press(
    run,
    application,
    windowsOf(session, application).map(({ id }) => id),
    session,
  );

it('a run of presses is seen as on a prompt host, however late this one is, and leaves the same orders', () => {
  const move = fc.constantFrom<Move>('a', 'a', 'b', 'c', 'pause', 'go on', 'hear');
  fc.assert(
    fc.property(fc.array(move, { minLength: 4, maxLength: 40 }), (moves) => {
      const scene = new Scene(['as-wished']);
      let prompt: Session = { ...start(), host: sessionOf('a: a1').host };
      let late: Run | null = null;
      let now: Run | null = null;
      for (const [n, one] of moves.entries()) {
        const before = visible(scene.seen);
        if (one === 'pause') late = now = null;
        else if (one === 'go on') scene.host.goOn(0);
        else if (one === 'hear') scene.hear();
        else {
          const there: Pressed = pressed(scene.seen, late, one);
          const here: Pressed = pressed(prompt, now, one);
          late = there.run;
          now = here.run;
          if (there.wish) scene.wish(there.wish);
          const decision = here.wish && decide(prompt, { ...here.wish, id: `p${n}`, at: later(n + 1) });
          if (decision?.ok) prompt = decision.session;
        }
        if (!PRESSED.has(one)) expect(visible(scene.seen)).toBe(before);
        expect(scene.seen.front).toBe(prompt.front);
        expect(idsOf(scene.seen.recent.windows)).toEqual(idsOf(prompt.recent.windows));
      }
      scene.end();
      expect(idsOf(scene.seen.recent.windows)).toEqual(idsOf(prompt.recent.windows));
      expect(scene.page.replica.pending).toEqual([]);
    }),
    { numRuns: runs(400) },
  );
});
