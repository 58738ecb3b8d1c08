import { describe, expect, it } from 'vitest';
import { Turns } from './turns';

const soon = () => new Promise((resolve) => setImmediate(resolve));

/** A crowd with one key: the most that were at work at once, and who was done in which order. */
function crowd(turns: Turns, count: number) {
  const seen = { most: 0, done: [] as number[], ended: Promise.resolve() as Promise<unknown> };
  let working = 0;
  seen.ended = Promise.all(
    Array.from({ length: count }, (_, n) =>
      turns.take('busy', async () => {
        working += 1;
        seen.most = Math.max(seen.most, working);
        await soon();
        working -= 1;
        seen.done.push(n);
      }),
    ),
  );
  return seen;
}

const inOrder = (count: number) => Array.from({ length: count }, (_, n) => n);

describe('turns', () => {
  it('lets few of a crowd work at once while others are about, in the order in which they came', async () => {
    const turns = new Turns(() => 0);
    await turns.take('quiet', soon);
    const busy = crowd(turns, 60);
    await turns.take('quiet', soon);
    expect(busy.done.length).toBeGreaterThan(0);
    expect(busy.done.length).toBeLessThan(30);
    // Whoever comes meanwhile stands in the same line.
    expect(await turns.take('busy', async () => busy.done.length)).toBeGreaterThan(50);
    await busy.ended;
    expect(busy.most).toBe(8);
    expect(busy.done).toEqual(inOrder(60));
  });

  it('gives a crowd more room while it is alone, and takes it back when somebody comes', async () => {
    let now = 0;
    const turns = new Turns(() => now);
    await turns.take('quiet', soon);
    now = 1_000;
    const alone = crowd(turns, 100);
    await soon();
    expect(alone.most).toBe(48);
    await turns.take('quiet', soon);
    await alone.ended;
    expect(alone.done).toEqual(inOrder(100));
    const beside = crowd(turns, 100);
    await beside.ended;
    expect(beside.most).toBe(8);
  });

  it('goes on after one that fails, and refuses more than may wait', async () => {
    const turns = new Turns(() => 0);
    await turns.take('quiet', soon);
    const results = await Promise.allSettled(
      Array.from({ length: 300 }, (_, n) =>
        turns.take('busy', async () => {
          await soon();
          if (n % 2) throw new Error('no');
        }),
      ),
    );
    expect(results.filter(({ status }) => status === 'fulfilled')).toHaveLength(132);
    const refused = results.filter(
      (result) => result.status === 'rejected' && String(result.reason).includes('Too many'),
    );
    expect(refused).toHaveLength(300 - 8 - 256);
    expect(await turns.take('busy', async () => 'free again')).toBe('free again');
  });

  it('strands nobody in line when the room shrinks', async () => {
    let now = 0;
    const turns = new Turns(() => now);
    const alone = crowd(turns, 200);
    for (let n = 0; n < 20; n += 1) {
      await turns.take(`other ${n}`, soon);
      now += n % 2 ? 5_000 : 10;
    }
    await alone.ended;
    expect(alone.done).toHaveLength(200);
  });
});
