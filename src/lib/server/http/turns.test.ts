import { describe, expect, it } from 'vitest';
import { Turns } from './turns';

const soon = () => new Promise((resolve) => setImmediate(resolve));

describe('turns', () => {
  it('lets a few of one key work at once, in the order in which they came, and others beside them', async () => {
    const turns = new Turns();
    let working = 0;
    let most = 0;
    const done: number[] = [];
    const crowd = Array.from({ length: 60 }, (_, n) =>
      turns.take('busy', async () => {
        working += 1;
        most = Math.max(most, working);
        await soon();
        working -= 1;
        done.push(n);
      }),
    );
    await turns.take('quiet', soon);
    expect(done.length).toBeLessThan(30);
    await Promise.all(crowd);
    expect(most).toBe(8);
    expect(done).toEqual(Array.from({ length: 60 }, (_, n) => n));
  });

  it('goes on after one that fails, and refuses more than may wait', async () => {
    const turns = new Turns();
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
});
