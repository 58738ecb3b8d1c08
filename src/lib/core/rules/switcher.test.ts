/** Switching rules 5 to 10, common practice unless marked own, and the worked examples that need only the switcher. */
import { find } from '../model/table';
import { describe, expect, it } from 'vitest';
import { personAt } from '../../../../testing/person';

describe('rule 5: opening freezes both orders', () => {
  it('nothing re-sorts while it is open, whatever comes to the front', () => {
    const person = personAt('a: a1 | b: b1 | c: c1').step('older-application');
    person.wish({ type: 'bring-to-front', window: 'c1', raiseAll: false });
    expect(person.applications).toBe('c a b');
    expect(person.rows).toBe('a b c');
    expect(person.row).toBe('b');
  });

  it('what ends disappears and the highlight goes to the row that took its place', () => {
    const person = personAt('a: a1 | b: b1 | c: c1').step('older-application').act('quit');
    expect(person.rows).toBe('a c');
    expect(person.row).toBe('c');
  });

  it('the last row if it was last', () => {
    const person = personAt('a: a1 | b: b1 | c: c1').step('newer-application').act('quit');
    expect(person.rows).toBe('a b');
    expect(person.row).toBe('b');
  });

  it('a row above that ends does not move the highlight to another application', () => {
    const person = personAt('a: a1 | b: b1 | c: c1').step('newer-application');
    person.wish({ type: 'quit', application: 'a' });
    expect(person.row).toBe('c');
  });

  it('a leaf chosen by hand that ends hands over to the leaf that took its place', () => {
    const person = personAt('a: a1 a2 a3 | b: b1').step('next-window').act('close');
    expect(person.leaves).toBe('a1 a3');
    expect(person.leaf).toBe('a3');
  });

  it('what starts is added at the end', () => {
    const person = personAt('a: a1 | b: b1 | c: c1');
    person.wish({ type: 'quit', application: 'c' }).step('older-application');
    person.wish({ type: 'open-document', document: 'd-c' });
    expect(person.rows).toBe('a b c');
    expect(person.row).toBe('b');
  });
});

describe('rule 6: where the highlight is at opening', () => {
  it('by older application: the second row when something is in front', () => {
    expect(personAt('a: a1 | b: b1').step('older-application').row).toBe('b');
  });

  it('by older application: the first row when nothing is', () => {
    expect(personAt('a: a1- | b: b1-').step('older-application').row).toBe('a');
  });

  it('by older application with one application: that one', () => {
    expect(personAt('a: a1').step('older-application').row).toBe('a');
  });

  it('by newer application: the last row', () => {
    expect(personAt('a: a1 | b: b1 | c: c1').step('newer-application').row).toBe('c');
  });

  it('by next window: the second leaf of the front application', () => {
    const person = personAt('a: a1 a2 a3 | b: b1').step('next-window');
    expect([person.row, person.leaf]).toEqual(['a', 'a2']);
  });

  it('by previous window: its last leaf', () => {
    expect(personAt('a: a1 a2 a3 | b: b1').step('previous-window').leaf).toBe('a3');
  });

  it('by next window when nothing is in front: the first leaf of the first row', () => {
    expect(personAt('a: a1- a2- | b: b1-').step('next-window').leaf).toBe('a1');
  });

  it('with nothing running there is no row, and letting go does nothing', () => {
    const person = personAt('a: a1').wish({ type: 'quit', application: 'a' }).step('older-application');
    expect(person.rows).toBe('');
    person.step('older-application', 'next-window').release();
    expect(person.switcher).toBeNull();
  });
});

describe('rule 7: the ends', () => {
  it('a fresh press wraps', () => {
    const person = personAt('a: a1 | b: b1 | c: c1').step('older-application', 'older-application');
    expect(person.row).toBe('c');
    expect(person.step('older-application').row).toBe('a');
    expect(person.step('newer-application').row).toBe('c');
  });

  it('a held key stops', () => {
    const person = personAt('a: a1 | b: b1 | c: c1').step('older-application').repeat('older-application', 9);
    expect(person.row).toBe('c');
    expect(person.repeat('newer-application', 9).row).toBe('a');
  });

  it('leaves do the same', () => {
    const person = personAt('a: a1 a2 a3').step('next-window').repeat('next-window', 9);
    expect(person.leaf).toBe('a3');
    expect(person.step('next-window').leaf).toBe('a1');
    expect(person.repeat('previous-window', 9).leaf).toBe('a1');
  });
});

describe('rule 8: letting go, and ways out', () => {
  it('letting go commits', () => {
    const person = personAt('a: a1 | b: b1').flip();
    expect(person.session.front).toBe('b1');
    expect(person.switcher).toBeNull();
  });

  it('Escape closes without choosing; what was put away stays so', () => {
    const person = personAt('a: a1 | b: b1 | c: c1').step('older-application').act('minimise').escape();
    expect(person.session.front).toBe('a1');
    expect(find(person.session.windows, 'b1')?.minimised).toBe(true);
    expect(person.windows).toBe('a1 b1 c1');
  });

  it('a release that was not seen commits nothing: it stays open, and Enter or Escape decides', () => {
    const person = personAt('a: a1 | b: b1')
      .step('older-application')
      .input({ type: 'blur' })
      .input({ type: 'pointer', did: 'move', holdKeyDown: false });
    expect(person.row).toBe('b');
    expect(person.session.front).toBe('a1');
    expect(person.switcher?.mode).toBe('staying');
    expect(person.release().session.front).toBe('b1');
  });
});

describe('rule 9: committing on a leaf', () => {
  it('shows its application, restores it and goes to its workspace', () => {
    const person = personAt('a: a1 | !b: b1-~ b2').step('older-application', 'next-window');
    expect(person.leaf).toBe('b1');
    person.release();
    expect(person.session.front).toBe('b1');
    expect(find(person.session.applications, 'b')?.hidden).toBe(false);
    expect(find(person.session.windows, 'b1')?.minimised).toBe(false);
    expect(person.session.workspace).toBe('there');
  });
});

describe('rule 10: committing on a row', () => {
  it('takes the most recent window that is not minimised', () => {
    expect(personAt('a: a1 | b: b1- b2 b3').flip().session.front).toBe('b2');
  });

  it('restores the most recent one if all are minimised (own: no second key)', () => {
    const person = personAt('a: a1 | b: b1- b2-').flip();
    expect(person.session.front).toBe('b1');
    expect(find(person.session.windows, 'b2')?.minimised).toBe(true);
  });

  it('opens a window if it has none', () => {
    const person = personAt('a: a1 | b: ').flip();
    expect(person.session.front).toBe('w-c1');
    expect(find(person.session.windows, 'w-c1')?.application).toBe('b');
  });

  it('raises only that window', () => {
    const person = personAt('a: a1 | b: b1 b2 | c: c1').flip();
    expect(person.stacking).toBe('c1 b2 a1 b1');
  });

  it('with Shift at the release raises all of the application, keeping their order', () => {
    const person = personAt('a: a1 | b: b1 b2 b3 | c: c1').step('older-application').release({ shift: true });
    expect(person.stacking).toBe('c1 a1 b3 b2 b1');
    expect(person.session.front).toBe('b1');
  });

  it('what is highlighted is what comes, also after closing its best window', () => {
    const person = personAt('a: a1 | b: b1 b2').step('older-application').act('close');
    expect(person.leaf).toBe('b2');
    expect(person.release().session.front).toBe('b2');
  });
});

describe('worked examples', () => {
  const start = () => personAt('a: a1 a2 | b: b1 | c: c1-');

  it('step, release → b1; applications B A C; step, release → A again', () => {
    const person = start().flip();
    expect(person.session.front).toBe('b1');
    expect(person.applications).toBe('b a c');
    expect(person.flip().session.front).toBe('a1');
  });

  it('step, step, release → c1 restored; applications C A B', () => {
    const person = start().step('older-application', 'older-application').release();
    expect(person.session.front).toBe('c1');
    expect(find(person.session.windows, 'c1')?.minimised).toBe(false);
    expect(person.applications).toBe('c a b');
  });

  it('hold, step (B), quit, release → B gone; the highlight was on C, so c1 restored and in front', () => {
    const person = start().step('older-application').act('quit').release();
    expect(find(person.session.applications, 'b')?.running).toBe(false);
    expect(person.session.front).toBe('c1');
  });

  it('hold, step back (wraps to C), release → c1 restored', () => {
    expect(start().step('newer-application').release().session.front).toBe('c1');
  });

  it('window step, release → a2; again → a1', () => {
    const person = start().flip('next-window');
    expect(person.session.front).toBe('a2');
    expect(person.flip('next-window').session.front).toBe('a1');
  });

  it('hide A → b1, so applications B A C; the switcher opens on A, marked hidden; release → A shown, a1 in front', () => {
    const person = start().act('hide-or-show');
    expect(person.session.front).toBe('b1');
    expect(person.applications).toBe('b a c');
    person.step('older-application');
    expect(person.row).toBe('a');
    expect(find(person.session.applications, 'a')?.hidden).toBe(true);
    person.release();
    expect(find(person.session.applications, 'a')?.hidden).toBe(false);
    expect(person.session.front).toBe('a1');
  });

  it('sweep → nothing in front; the switcher opens on the first row; release → that window restored', () => {
    const person = start().act('sweep');
    expect(person.session.front).toBeNull();
    person.step('older-application');
    expect(person.row).toBe('a');
    person.release();
    expect(person.session.front).toBe('a1');
    expect(find(person.session.windows, 'a1')?.minimised).toBe(false);
  });
});
