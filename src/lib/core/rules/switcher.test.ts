/** Switching rules 5 to 10, common practice unless marked own, and the worked examples that need only the switcher. */
import { find } from '../model/table';
import { describe, expect, it } from 'vitest';
import { workerAt } from '../../../../tests/desk';

describe('rule 5: opening freezes both orders', () => {
  it('nothing re-sorts while it is open, whatever comes to the front', () => {
    const worker = workerAt('a: a1 | b: b1 | c: c1').step('older-application');
    worker.wish({ type: 'bring-to-front', window: 'c1', raiseAll: false });
    expect(worker.applications).toBe('c a b');
    expect(worker.rows).toBe('a b c');
    expect(worker.row).toBe('b');
  });

  it('what ends disappears and the highlight goes to the row that took its place', () => {
    const worker = workerAt('a: a1 | b: b1 | c: c1').step('older-application').act('quit');
    expect(worker.rows).toBe('a c');
    expect(worker.row).toBe('c');
  });

  it('the last row if it was last', () => {
    const worker = workerAt('a: a1 | b: b1 | c: c1').step('newer-application').act('quit');
    expect(worker.rows).toBe('a b');
    expect(worker.row).toBe('b');
  });

  it('a row above that ends does not move the highlight to another application', () => {
    const worker = workerAt('a: a1 | b: b1 | c: c1').step('newer-application');
    worker.wish({ type: 'quit', application: 'a' });
    expect(worker.row).toBe('c');
  });

  it('a leaf chosen by hand that ends hands over to the leaf that took its place', () => {
    const worker = workerAt('a: a1 a2 a3 | b: b1').step('next-window').act('close');
    expect(worker.leaves).toBe('a1 a3');
    expect(worker.leaf).toBe('a3');
  });

  it('what starts is added at the end', () => {
    const worker = workerAt('a: a1 | b: b1 | c: c1');
    worker.wish({ type: 'quit', application: 'c' }).step('older-application');
    worker.wish({ type: 'open-document', document: 'd-c' });
    expect(worker.rows).toBe('a b c');
    expect(worker.row).toBe('b');
  });
});

describe('rule 6: where the highlight is at opening', () => {
  it('by older application: the second row when something is in front', () => {
    expect(workerAt('a: a1 | b: b1').step('older-application').row).toBe('b');
  });

  it('by older application: the first row when nothing is', () => {
    expect(workerAt('a: a1- | b: b1-').step('older-application').row).toBe('a');
  });

  it('by older application with one application: that one', () => {
    expect(workerAt('a: a1').step('older-application').row).toBe('a');
  });

  it('by newer application: the last row', () => {
    expect(workerAt('a: a1 | b: b1 | c: c1').step('newer-application').row).toBe('c');
  });

  it('by next window: the second leaf of the front application', () => {
    const worker = workerAt('a: a1 a2 a3 | b: b1').step('next-window');
    expect([worker.row, worker.leaf]).toEqual(['a', 'a2']);
  });

  it('by previous window: its last leaf', () => {
    expect(workerAt('a: a1 a2 a3 | b: b1').step('previous-window').leaf).toBe('a3');
  });

  it('by next window when nothing is in front: the first leaf of the first row', () => {
    expect(workerAt('a: a1- a2- | b: b1-').step('next-window').leaf).toBe('a1');
  });

  it('with nothing running there is no row, and letting go does nothing', () => {
    const worker = workerAt('a: a1').wish({ type: 'quit', application: 'a' }).step('older-application');
    expect(worker.rows).toBe('');
    worker.step('older-application', 'next-window').release();
    expect(worker.switcher).toBeNull();
  });
});

describe('rule 7: the ends', () => {
  it('a fresh press wraps', () => {
    const worker = workerAt('a: a1 | b: b1 | c: c1').step('older-application', 'older-application');
    expect(worker.row).toBe('c');
    expect(worker.step('older-application').row).toBe('a');
    expect(worker.step('newer-application').row).toBe('c');
  });

  it('a held key stops', () => {
    const worker = workerAt('a: a1 | b: b1 | c: c1').step('older-application').repeat('older-application', 9);
    expect(worker.row).toBe('c');
    expect(worker.repeat('newer-application', 9).row).toBe('a');
  });

  it('leaves do the same', () => {
    const worker = workerAt('a: a1 a2 a3').step('next-window').repeat('next-window', 9);
    expect(worker.leaf).toBe('a3');
    expect(worker.step('next-window').leaf).toBe('a1');
    expect(worker.repeat('previous-window', 9).leaf).toBe('a1');
  });
});

describe('rule 8: letting go, and ways out', () => {
  it('letting go commits', () => {
    const worker = workerAt('a: a1 | b: b1').flip();
    expect(worker.session.front).toBe('b1');
    expect(worker.switcher).toBeNull();
  });

  it('Escape closes without choosing; what was put away stays so', () => {
    const worker = workerAt('a: a1 | b: b1 | c: c1').step('older-application').act('minimise').escape();
    expect(worker.session.front).toBe('a1');
    expect(find(worker.session.windows, 'b1')?.minimised).toBe(true);
    expect(worker.windows).toBe('a1 b1 c1');
  });

  it('a release that was not seen commits nothing: it stays open, and Enter or Escape decides', () => {
    const worker = workerAt('a: a1 | b: b1').step('older-application').input({ type: 'stay' });
    expect(worker.row).toBe('b');
    expect(worker.session.front).toBe('a1');
    expect(worker.switcher?.mode).toBe('staying');
    expect(worker.release().session.front).toBe('b1');
  });
});

describe('rule 9: committing on a leaf', () => {
  it('shows its application, restores it and goes to its workspace', () => {
    const worker = workerAt('a: a1 | !b: b1-~ b2').step('older-application', 'next-window');
    expect(worker.leaf).toBe('b1');
    worker.release();
    expect(worker.session.front).toBe('b1');
    expect(find(worker.session.applications, 'b')?.hidden).toBe(false);
    expect(find(worker.session.windows, 'b1')?.minimised).toBe(false);
    expect(worker.session.workspace).toBe('there');
  });
});

describe('rule 10: committing on a row', () => {
  it('takes the most recent window that is not minimised', () => {
    expect(workerAt('a: a1 | b: b1- b2 b3').flip().session.front).toBe('b2');
  });

  it('restores the most recent one if all are minimised (own: no second key)', () => {
    const worker = workerAt('a: a1 | b: b1- b2-').flip();
    expect(worker.session.front).toBe('b1');
    expect(find(worker.session.windows, 'b2')?.minimised).toBe(true);
  });

  it('opens a window if it has none', () => {
    const worker = workerAt('a: a1 | b: ').flip();
    expect(worker.session.front).toBe('w-c1');
    expect(find(worker.session.windows, 'w-c1')?.application).toBe('b');
  });

  it('raises only that window', () => {
    const worker = workerAt('a: a1 | b: b1 b2 | c: c1').flip();
    expect(worker.stacking).toBe('c1 b2 a1 b1');
  });

  it('with Shift at the release raises all of the application, keeping their order', () => {
    const worker = workerAt('a: a1 | b: b1 b2 b3 | c: c1').step('older-application').release({ shift: true });
    expect(worker.stacking).toBe('c1 a1 b3 b2 b1');
    expect(worker.session.front).toBe('b1');
  });

  it('what is highlighted is what comes, also after closing its best window', () => {
    const worker = workerAt('a: a1 | b: b1 b2').step('older-application').act('close');
    expect(worker.leaf).toBe('b2');
    expect(worker.release().session.front).toBe('b2');
  });
});

describe('worked examples', () => {
  const start = () => workerAt('a: a1 a2 | b: b1 | c: c1-');

  it('step, release → b1; applications B A C; step, release → A again', () => {
    const worker = start().flip();
    expect(worker.session.front).toBe('b1');
    expect(worker.applications).toBe('b a c');
    expect(worker.flip().session.front).toBe('a1');
  });

  it('step, step, release → c1 restored; applications C A B', () => {
    const worker = start().step('older-application', 'older-application').release();
    expect(worker.session.front).toBe('c1');
    expect(find(worker.session.windows, 'c1')?.minimised).toBe(false);
    expect(worker.applications).toBe('c a b');
  });

  it('hold, step (B), quit, release → B gone; the highlight was on C, so c1 restored and in front', () => {
    const worker = start().step('older-application').act('quit').release();
    expect(find(worker.session.applications, 'b')?.running).toBe(false);
    expect(worker.session.front).toBe('c1');
  });

  it('hold, step back (wraps to C), release → c1 restored', () => {
    expect(start().step('newer-application').release().session.front).toBe('c1');
  });

  it('window step, release → a2; again → a1', () => {
    const worker = start().flip('next-window');
    expect(worker.session.front).toBe('a2');
    expect(worker.flip('next-window').session.front).toBe('a1');
  });

  it('hide A → b1, so applications B A C; the switcher opens on A, marked hidden; release → A shown, a1 in front', () => {
    const worker = start().act('hide-or-show');
    expect(worker.session.front).toBe('b1');
    expect(worker.applications).toBe('b a c');
    worker.step('older-application');
    expect(worker.row).toBe('a');
    expect(find(worker.session.applications, 'a')?.hidden).toBe(true);
    worker.release();
    expect(find(worker.session.applications, 'a')?.hidden).toBe(false);
    expect(worker.session.front).toBe('a1');
  });

  it('sweep → nothing in front; the switcher opens on the first row; release → that window restored', () => {
    const worker = start().act('sweep');
    expect(worker.session.front).toBeNull();
    worker.step('older-application');
    expect(worker.row).toBe('a');
    worker.release();
    expect(worker.session.front).toBe('a1');
    expect(find(worker.session.windows, 'a1')?.minimised).toBe(false);
  });
});
