/** A display with many windows, and one of which a title changes all the time. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Display } from '../../testing/display/display';
import { DisplayDesk } from '../../testing/display/display-desk';
import { seenDesk } from '../../testing/display-rules';
import { Person } from '../../testing/person';
import { titleOf, windowOf } from '../../src/lib/core/slices/windows/selectors';

const PROGRAMS = ['a', 'b', 'c', 'd'];
const EACH = 50;
const ids = (program: string) => Array.from({ length: EACH }, (_, n) => `${program}${n}`);

describe('200 windows', () => {
  let display: Display;
  let desk: DisplayDesk;
  beforeAll(async () => {
    display = await Display.open();
    desk = await DisplayDesk.of(
      display,
      PROGRAMS.map((program) => `${program}: ${ids(program).join(' ')}`).join(' | '),
    );
  });
  afterAll(async () => {
    await desk.close();
    await display.close();
  });

  it('are all there, in the order in which they were used', () => {
    expect(desk.session.windows).toHaveLength(PROGRAMS.length * EACH);
    expect(desk.session.recent.windows.map(({ id }) => id)).toEqual(PROGRAMS.flatMap(ids));
  });

  it('are hidden, shown and brought forward as on a simulated host', async () => {
    const person = new Person({ ...desk.session, host: { kind: 'simulated' } });
    person.wish({ type: 'bring-to-front', window: 'c7', raiseAll: false });
    person.wish({ type: 'hide', application: 'c' });
    person.wish({ type: 'minimise', window: 'a0' });
    person.wish({ type: 'show', application: 'c' });
    await desk.take(person.batches);
    expect(desk.settlements.filter(({ kind }) => kind !== 'done')).toEqual([]);
    expect(seenDesk(desk.session)).toEqual(seenDesk(person.session));
  });

  it('a title that changes 2,000 times in a row is told now and then, and at last as it is', async () => {
    const [client] = desk.clients;
    const xid = desk.reading.find('a1')?.xid ?? 0;
    const before = desk.log.seq;
    for (let n = 1; n <= 2_000; n += 1) await client?.connection.setText(xid, '_NET_WM_NAME', `${n} %`);
    await client?.connection.client.sync();
    await expect.poll(() => titleOf(windowOf(desk.session, 'a1'))).toBe('2000 %');
    // Every one of them would be 2,000.
    expect(desk.log.seq - before).toBeLessThan(400);
  });
});
