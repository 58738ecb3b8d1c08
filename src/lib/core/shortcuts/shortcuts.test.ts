/** Shortcuts in pencil and in ink (need N9). */
import { describe, expect, it } from 'vitest';
import { Person, personAt } from '../../../../testing/person';
import { sessionOf, withWindow } from '../../../../testing/sessions';
import type { Chord } from '../keys/chord';
import { find } from '../model/table';
import type { Session } from '../session/session';
import type { Aim, Shortcut } from '../slices/shortcuts/state';
import { windowOf } from '../slices/windows/selectors';
import { titlePattern } from './title-pattern';

const F8: Chord = { code: 'F8', shift: false, hold: false, modifiers: [] };
const HOLD_L: Chord = { code: 'KeyL', shift: false, hold: true, modifiers: [] };

const shortcutTo = (aim: Aim, more: Partial<Shortcut> = {}): Shortcut => ({
  id: 's1',
  chord: F8,
  aim,
  opens: true,
  further: 'next-window',
  ...more,
});
const having = (session: Session | string, ...shortcuts: Shortcut[]) => {
  const person = new Person(typeof session === 'string' ? sessionOf(session) : session);
  for (const shortcut of shortcuts) person.wish({ type: 'put-shortcut', shortcut });
  return person;
};
const f8 = (person: Person) => person.tap('F8', { key: 'F8', alt: false });

describe('a shortcut to one window, in pencil', () => {
  it.each([
    ['minimised', sessionOf('x: X | p: P1 P2-')],
    ['hidden', sessionOf('x: X | !p: P1 P2')],
    ['on another workspace', sessionOf('x: X | p: P1 P2~')],
  ])('brings it up when it is %s', (_name, session) => {
    const person = f8(having(session, shortcutTo({ window: 'P2' })));
    expect(person.session.front).toBe('P2');
    expect(person.windows).toMatch(/^P2 X/);
  });

  it('ends when the window is closed, or its application ends, and leaves the key to others', () => {
    const aims = [
      shortcutTo({ window: 'P1' }),
      shortcutTo({ window: 'Q1' }, { id: 's2', chord: HOLD_L }),
      shortcutTo({ application: 'q', title: null }, { id: 's3', chord: { ...F8, shift: true } }),
    ];
    const person = having('x: X | p: P1 | q: Q1', ...aims);
    person.wish({ type: 'close', window: 'P1' });
    expect(person.session.shortcuts.map(({ id }) => id)).toEqual(['s2', 's3']);
    expect(f8(person).session.front).toBe('X');
    person.wish({ type: 'quit', application: 'q' });
    expect(person.session.shortcuts.map(({ id }) => id)).toEqual(['s3']);
  });

  it('can be gone over in ink, and is the same shortcut then', () => {
    const person = having('x: X | p: P1 P2', shortcutTo({ window: 'P1' }));
    person.wish({ type: 'put-shortcut', shortcut: shortcutTo({ application: 'p', title: '^p1$' }) });
    expect(person.session.shortcuts).toHaveLength(1);
    person.wish({ type: 'close', window: 'P1' });
    expect(person.session.shortcuts).toHaveLength(1);
  });
});

describe('a shortcut in ink', () => {
  it('walks the windows of an application in a run of presses, as a place does', () => {
    const person = having('x: X | p: P Q R', shortcutTo({ application: 'p', title: null }));
    expect([1, 2, 3, 4].map(() => f8(person).session.front)).toEqual(['P', 'Q', 'R', 'P']);
    person.input({ type: 'time', timer: 'run' });
    expect(person.windows).toBe('P X Q R');
  });

  it('goes to the windows with such titles, also to those that come later', () => {
    const session = sessionOf('x: X | p: P1 P2 P3');
    const titled = ['Channel 12', 'Log', 'Channel 16'].reduce(
      (now, title, n) =>
        withWindow(now, `P${n + 1}`, { tabs: [{ id: `t-P${n + 1}`, title, document: `d-P${n + 1}` }] }),
      session,
    );
    const person = having(titled, shortcutTo({ application: 'p', title: 'channel 1[2-6]' }));
    expect([1, 2, 3].map(() => f8(person).session.front)).toEqual(['P1', 'P3', 'P1']);
    person.wish({ type: 'retitle-tab', window: 'P2', tab: 't-P2', title: 'Channel 13' });
    person.input({ type: 'time', timer: 'run' });
    expect([1, 2].map(() => f8(person).session.front)).toEqual(['P2', 'P3']);
  });

  it('survives the end of its application, and launches it, or says that it does not', () => {
    const person = having('x: X | p: P', shortcutTo({ application: 'p', title: null }));
    person.wish({ type: 'quit', application: 'p' });
    expect(find(f8(person).session.applications, 'p')?.running).toBe(true);
    person.wish({ type: 'quit', application: 'p' });
    person.wish({
      type: 'put-shortcut',
      shortcut: shortcutTo({ application: 'p', title: null }, { opens: false }),
    });
    f8(person);
    expect(find(person.session.applications, 'p')?.running).toBe(false);
    expect(person.notices).toEqual([{ type: 'nothing-to-go-to' }]);
  });

  it('pressed again goes back to where one was, there and back', () => {
    const person = having(
      'x: X | p: P Q',
      shortcutTo({ application: 'p', title: null }, { further: 'back' }),
    );
    expect([1, 2, 3, 4].map(() => f8(person).session.front)).toEqual(['P', 'X', 'P', 'X']);
  });

  it('pressed again hides its application, or minimises the one window that is meant', () => {
    const whole = having('x: X | p: P Q', shortcutTo({ application: 'p', title: null }, { further: 'hide' }));
    f8(f8(whole));
    expect(find(whole.session.applications, 'p')?.hidden).toBe(true);
    expect(f8(whole).session.front).toBe('P');
    const one = having('x: X | p: P Q', shortcutTo({ window: 'Q' }, { further: 'hide' }));
    f8(f8(one));
    expect(find(one.session.windows, 'Q')?.minimised).toBe(true);
    expect(find(one.session.applications, 'p')?.hidden).toBe(false);
  });

  it('pressed again shows the next tab of the window in front, and round; of a window with one it says so', () => {
    const person = having(
      'x: X | p: P',
      shortcutTo({ application: 'p', title: null }, { further: 'next-tab' }),
    );
    person
      .wish({ type: 'open-tab', window: 'P', document: 'd-p' })
      .wish({ type: 'go-to-tab', window: 'P', tab: 't-P', inFront: false });
    const shown = () =>
      windowOf(person.session, 'P').tabs.findIndex(
        ({ id }) => id === windowOf(person.session, 'P').activeTab,
      );
    expect([person.session.front, shown()]).toEqual(['P', 0]);
    f8(person);
    expect(shown()).toBe(1);
    f8(person);
    expect(shown()).toBe(0);
    const one = having('x: X | p: P', shortcutTo({ application: 'p', title: null }, { further: 'next-tab' }));
    expect(f8(f8(one)).notices).toEqual([{ type: 'only-window', application: 'p' }]);
  });

  it('with nothing to go back to says so', () => {
    const person = having('p: P Q', shortcutTo({ application: 'p', title: null }, { further: 'back' }));
    f8(person);
    expect(person.notices).toEqual([{ type: 'only-window', application: 'p' }]);
  });
});

describe('its key', () => {
  it('takes the place of what comes with Key Fold, and works while holding', () => {
    const person = having(
      'a: a1 | b: b1 | c: c1',
      shortcutTo({ window: 'c1' }, { chord: { ...HOLD_L, code: 'KeyG' } }),
    );
    person.hold().tap('KeyG').letGo();
    expect(person.session.front).toBe('c1');
    expect(person.session.putAways).toEqual([]);
  });

  it('while the switcher is open goes to the row, and then to the next leaf', () => {
    const person = having(
      'a: a1 | b: b1 | c: c1 c2',
      shortcutTo({ application: 'c', title: null }, { chord: HOLD_L }),
    );
    person.step('older-application').tap('KeyL').tap('KeyL');
    expect([person.row, person.leaf]).toEqual(['c', 'c2']);
  });

  it('is not given to two shortcuts, whoever is second', () => {
    const person = having(
      'a: a1 | b: b1',
      shortcutTo({ window: 'a1' }),
      shortcutTo({ window: 'b1' }, { id: 's2' }),
    );
    expect(person.notices).toEqual([{ type: 'chord-taken' }]);
    expect(person.session.shortcuts.map(({ id }) => id)).toEqual(['s1']);
  });

  it('works with other modifiers, and only with those', () => {
    const chord: Chord = { code: 'KeyL', shift: true, hold: false, modifiers: ['Control'] };
    const person = having('a: a1 | b: b1', shortcutTo({ window: 'b1' }, { chord }));
    const press = (more: object) => person.tap('KeyL', { key: 'l', alt: false, ...more });
    for (const more of [{ control: true }, { shift: true }, { control: true, shift: true, meta: true }])
      expect(press(more).session.front).toBe('a1');
    expect(press({ control: true, shift: true }).session.front).toBe('b1');
  });

  it('goes on with its run though its modifiers are pressed again', () => {
    const chord: Chord = { code: 'KeyL', shift: false, hold: false, modifiers: ['Control'] };
    const person = having('x: X | p: P Q R', shortcutTo({ application: 'p', title: null }, { chord }));
    const press = () => {
      person.key({ code: 'ControlLeft', key: 'Control', alt: false, control: true });
      person.tap('KeyL', { key: 'l', alt: false, control: true });
      return person.key({ code: 'ControlLeft', key: 'Control', alt: false, phase: 'up' }).session.front;
    };
    expect([press(), press(), press()]).toEqual(['P', 'Q', 'R']);
  });
});

describe('keys of actions', () => {
  const key = (action: string, chord: Chord | null) =>
    ({ type: 'set-key', key: { action, argument: null, chord } }) as const;

  it('can be chosen; the key it had does nothing then, and one that is taken over is lost to the other', () => {
    const person = personAt('a: a1 | b: b1').wish(key('minimise', HOLD_L));
    person.hold().tap('KeyZ');
    expect(find(person.session.windows, 'a1')?.minimised).toBe(false);
    person.tap('KeyL');
    expect(find(person.session.windows, 'a1')?.minimised).toBe(true);
    person
      .wish(key('minimise', { ...HOLD_L, code: 'KeyX' }))
      .hold()
      .tap('KeyX')
      .letGo();
    expect(find(person.session.windows, 'b1')?.minimised).toBe(true);
    expect(find(person.session.applications, 'b')?.hidden).toBe(false);
  });

  it('can be taken away, undone one by one, and all put back to the block', () => {
    const person = personAt('a: a1 | b: b1')
      .wish(key('sweep', null))
      .wish(key('search', HOLD_L))
      .wish(key('sweep', F8));
    const codes = () =>
      person.session.ownKeys.map(({ action, chord }) => `${action} ${chord?.code ?? 'none'}`).join();
    expect(codes()).toBe('sweep F8,search KeyL');
    person.wish({ type: 'put-keys-back', entry: null });
    expect(codes()).toBe('sweep none,search KeyL');
    person.wish({ type: 'reset-keys' });
    expect(codes()).toBe('');
    expect(person.press('sweep').session.front).toBeNull();
    person.wish({ type: 'put-keys-back', entry: null });
    expect(codes()).toBe('sweep none,search KeyL');
  });

  it('are not those of a shortcut', () => {
    const person = having('a: a1', shortcutTo({ window: 'a1' })).wish(key('sweep', F8));
    expect(person.notices).toEqual([{ type: 'chord-taken' }]);
  });
});

describe('undoing', () => {
  it('brings back what was changed and removed, but no shortcut to a window that has closed, and none twice', () => {
    const person = having('a: a1 | b: b1', shortcutTo({ window: 'b1' }));
    person.wish({ type: 'put-shortcut', shortcut: shortcutTo({ window: 'a1' }) });
    person.wish({ type: 'remove-shortcut', shortcut: 's1' });
    person.wish({ type: 'put-keys-back', entry: null });
    expect(person.session.shortcuts).toEqual([shortcutTo({ window: 'a1' })]);
    person.wish({ type: 'remove-shortcut', shortcut: 's1' });
    person.wish({ type: 'put-shortcut', shortcut: shortcutTo({ window: 'b1' }, { id: 's2' }) });
    const removal = person.session.keysBefore.at(-2)?.id ?? '';
    person.wish({ type: 'put-keys-back', entry: removal });
    expect(person.session.shortcuts.map(({ id }) => id)).toEqual(['s2']);
  });

  it('refuses what there is not', () => {
    const person = personAt('a: a1');
    const put = (aim: Aim) => () => person.wish({ type: 'put-shortcut', shortcut: shortcutTo(aim) });
    expect(put({ window: 'nothing' })).toThrow(/no window 'nothing'/);
    expect(put({ application: 'nobody', title: null })).toThrow(/no application 'nobody'/);
    expect(put({ application: 'a', title: 'x'.repeat(201) })).toThrow(/longer than 200/);
  });
});

describe('a pattern', () => {
  const matches = (pattern: string, title: string) => {
    const read = titlePattern(pattern);
    return 'matches' in read ? read.matches(title) : read.problem;
  };

  it('is found anywhere in a title, capital or small', () => {
    expect(matches('sill', 'Lock Sill')).toBe(true);
    expect(matches('^sill', 'Lock Sill')).toBe(false);
    expect(matches('notice \\d+', 'Notice 14 draft')).toBe(true);
  });

  it.each(['(', '[a', '*', '(?=a)', '(a)\\1', '   ', 'a{1001}'])('%s is none, and it says so', (pattern) => {
    expect(matches(pattern, 'a')).toMatch(/^(This is no expression|Type a part)/);
  });

  /** Patterns that keep an engine that tries one way after the other busy for longer than anybody lives. */
  it.each(['(a+)+$', '^(a|a)*$', '(.*a){20}$', '^(([a-z])+.)+[A-Z]([a-z])+$'])(
    '%s takes no time',
    (pattern) => {
      expect(matches(pattern, `${'a'.repeat(190)}!`)).toBe(false);
    },
  );
});
