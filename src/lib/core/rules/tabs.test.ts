/** Tabs: one level below windows. What closes comes back, what is torn off or joined loses nothing. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Person } from '../../../../testing/person';
import { runs } from '../../../../testing/runs';
import { sessionOf, withApplication, withWindow } from '../../../../testing/sessions';
import { wishFrom, wishSeeds } from '../../../../testing/wishes';
import { MOST_TABS } from '../model/limits';
import { find } from '../model/table';
import type { Session } from '../session/session';
import { isUnsaved } from '../slices/drafts/selectors';
import { activeTab, windowOf } from '../slices/windows/selectors';

const TABS = ['one', 'two', 'three'].map((title) => ({
  id: `t-${title}`,
  title,
  document: `d-a${title.length}`,
}));

/** Application a with a window of three tabs and one of one; the second tab of the first has unsaved work. */
const desk = (): Session => {
  const session = sessionOf('a: a1 a2 a3 a5 | b: b1');
  const tabs = TABS.map((tab, n) => ({ ...tab, document: ['d-a1', 'd-a3', 'd-a5'][n] ?? '' }));
  return withWindow(session, 'a1', { tabs, activeTab: 't-one' });
};
const at = (session = desk()) => new Person(session);
const titles = (person: Person, id = 'a1') =>
  windowOf(person.session, id)
    .tabs.map((tab) => (tab.id === windowOf(person.session, id).activeTab ? `[${tab.title}]` : tab.title))
    .join(' ');

describe('going from tab to tab', () => {
  it('goes round at both ends, and to a tab by its number; no order of recent use hears of it', () => {
    const person = at();
    const before = [person.windows, person.applications];
    expect(titles(person.press('next-tab'))).toBe('one [two] three');
    expect(titles(person.press('next-tab').press('next-tab'))).toBe('[one] two three');
    expect(titles(person.press('previous-tab'))).toBe('one two [three]');
    person.letGo().tap('Digit2', { control: true, alt: false });
    expect(titles(person)).toBe('one [two] three');
    person.tap('Digit4', { control: true, alt: false });
    expect(person.notices).toEqual([{ type: 'no-such-tab', count: 3 }]);
    expect([person.windows, person.applications]).toEqual(before);
    expect(person.switcher).toBeNull();
  });

  it('of a window that has one says so', () => {
    const person = at(sessionOf('a: a1'));
    expect(person.press('next-tab').notices).toEqual([{ type: 'only-tab' }]);
    expect(person.press('tear-off').notices).toEqual([{ type: 'only-tab' }]);
    expect(person.press('carry-tab-left').notices).toEqual([{ type: 'only-tab' }]);
  });

  it('acts on the highlighted leaf while the switcher is open, which stays where it is', () => {
    const person = at().step('older-application');
    person.step('newer-application').press('next-tab');
    expect(titles(person)).toBe('one [two] three');
    expect(person.row).toBe('a');
  });

  it('is found by search, and gone to in its window', () => {
    const person = at().flip();
    expect(person.session.front).toBe('b1');
    person.press('search').letGo().type('three');
    expect(person.found[0]).toBe('three');
    person.tap('Enter', { alt: false });
    expect(person.session.front).toBe('a1');
    expect(titles(person)).toBe('one two [three]');
  });
});

describe('carrying within the bar', () => {
  it('goes one on, and stays at the ends', () => {
    const person = at().press('carry-tab-right');
    expect(titles(person)).toBe('two [one] three');
    person.press('carry-tab-right').press('carry-tab-right');
    expect(titles(person)).toBe('two three [one]');
    expect(person.notices).toEqual([{ type: 'already-there' }]);
    expect(titles(person.press('carry-tab-left'))).toBe('two [one] three');
  });
});

describe('a new tab', () => {
  it('opens beside the one that is shown, on what the application opens first', () => {
    const person = at().press('new-tab');
    expect(titles(person)).toBe('one [a] two three');
    expect(activeTab(windowOf(person.session, 'a1')).document).toBe('d-a');
  });

  it('opens nothing that its application does not open, and no more than there can be', () => {
    const tables = desk().documents.map((one) => (one.id === 'd-b1' ? { ...one, kind: 'table' } : one));
    const shut = at({ ...desk(), documents: tables }).wish({
      type: 'open-tab',
      window: 'a1',
      document: 'd-b1',
    });
    expect(shut.notices).toEqual([{ type: 'cannot-open', application: 'a' }]);
    expect(windowOf(shut.session, 'a1').tabs.map((tab) => tab.document)).not.toContain('d-b1');
    const many = Array.from({ length: MOST_TABS - 1 }, (_, n) => ({
      id: `t-${n}`,
      title: 'x',
      document: 'd-a1',
    }));
    const person = at(withWindow(desk(), 'a1', { tabs: many, activeTab: 't-0' })).press('new-tab');
    expect(windowOf(person.session, 'a1').tabs).toHaveLength(MOST_TABS);
    expect(person.press('new-tab').notices).toEqual([{ type: 'too-many-tabs' }]);
  });

  it('takes up a draft that was left, instead of offering it beside other work', () => {
    const quit = at(sessionOf('a: a1* a2 | b: b1')).wish({ type: 'end-now', application: 'a' });
    quit.wish({ type: 'open-document', document: 'd-a2' });
    const window = quit.session.front ?? '';
    quit.wish({ type: 'open-tab', window, document: 'd-a1' });
    expect(windowOf(quit.session, window).offeringDraft).toBe(false);
    expect(isUnsaved(quit.session, windowOf(quit.session, window))).toBe(true);
  });
});

describe('closing a tab', () => {
  it('shows what took its place, and reopen gives it back where it was, shown', () => {
    const person = at().press('next-tab').press('close-tab');
    expect(titles(person)).toBe('one [three]');
    expect(titles(person.press('close-tab'))).toBe('[one]');
    expect(titles(person.press('reopen'))).toBe('one [three]');
    expect(titles(person.press('reopen'))).toBe('one [two] three');
  });

  it('of the last one closes the window', () => {
    const person = at(sessionOf('a: a1 | b: b1')).press('close-tab');
    expect(find(person.session.windows, 'a1')).toBeUndefined();
    expect(person.session.ended.at(-1)?.kind).toBe('window');
  });

  it('is reopened in a window of its own where its window has gone', () => {
    const person = at().press('close-tab').wish({ type: 'close', window: 'a1' });
    const [tab] = person.session.ended;
    person.wish({ type: 'reopen', entry: tab?.id ?? null });
    const window = windowOf(person.session, person.session.front ?? '');
    expect(window.tabs.map(({ title }) => title)).toEqual(['one']);
    expect(window.id).not.toBe('a1');
    person.wish({ type: 'reopen', entry: null });
    expect(titles(person)).toBe('[two] three');
  });

  it('does not ask about work that another of its tabs shows: that goes on there', () => {
    const person = at().wish({ type: 'keep-draft', document: 'd-a1', text: 'new work' });
    person.wish({ type: 'open-tab', window: 'a1', document: 'd-a1' });
    const { activeTab: opened } = windowOf(person.session, 'a1');
    expect(opened).not.toBe('t-one');
    person.wish({ type: 'close-tab', window: 'a1', tab: opened });
    expect(titles(person)).toBe('one [two] three');
    expect(isUnsaved(person.session, windowOf(person.session, 'a1'))).toBe(true);
    // The last one that shows it asks.
    person.wish({ type: 'close-tab', window: 'a1', tab: 't-one' });
    expect(windowOf(person.session, 'a1').asking).not.toBeNull();
  });

  it('asks about unsaved work of that tab alone; what is discarded comes back with it', () => {
    const unsaved = () =>
      at().wish({ type: 'keep-draft', document: 'd-a3', text: 'work' }).press('next-tab').press('close-tab');
    const asked = unsaved();
    expect(windowOf(asked.session, 'a1').asking).toEqual({ goal: 'tab', dropping: false, tab: 't-two' });
    expect(asked.press('close-tab').notices).toEqual([{ type: 'already-asking', application: 'a' }]);
    const answer = (answer: 'save' | 'drop' | 'keep-open') =>
      unsaved().wish({ type: 'answer-closing', window: 'a1', answer });
    expect(titles(answer('keep-open'))).toBe('one [two] three');
    expect(windowOf(answer('keep-open').session, 'a1').asking).toBeNull();
    const saved = answer('save');
    expect([titles(saved), saved.session.drafts]).toEqual(['one [three]', []]);
    const dropped = answer('drop');
    expect([titles(dropped), dropped.session.drafts]).toEqual(['one [three]', []]);
    dropped.press('reopen');
    expect(titles(dropped)).toBe('one [two] three');
    expect(dropped.session.drafts).toMatchObject([{ id: 'd-a3', text: 'work' }]);
  });

  it('takes the window along where the tab that was asked about is the only one, as a document may have it', () => {
    const session = withWindow(sessionOf('a: a1* | b: b1'), 'a1', {
      asking: { goal: 'tab', dropping: false, tab: 't-a1' },
    });
    const person = at(session).wish({ type: 'answer-closing', window: 'a1', answer: 'save' });
    expect([find(person.session.windows, 'a1'), person.session.front]).toEqual([undefined, 'b1']);
  });

  it('of what does not answer says so', () => {
    const person = at(withApplication(desk(), 'a', { answering: false })).press('close-tab');
    expect(person.notices).toEqual([{ type: 'does-not-answer', application: 'a' }]);
  });
});

describe('tearing off and joining', () => {
  it('a tab becomes a window in front, a step beside, and joins again with all it has', () => {
    const person = at().press('next-tab').press('tear-off');
    const torn = person.session.front ?? '';
    expect(windowOf(person.session, torn).tabs.map(({ title }) => title)).toEqual(['two']);
    expect(titles(person)).toBe('one [three]');
    expect(windowOf(person.session, torn).geometry).toMatchObject({ x: 44, y: 54 });
    person.press('join');
    expect(find(person.session.windows, torn)).toBeUndefined();
    expect(titles(person)).toBe('one three [two]');
    expect(person.session.front).toBe('a1');
    expect(person.windows.split(' ')).not.toContain(torn);
  });

  it('goes to the application\u2019s window that was used before it and can be seen, or says that there is none', () => {
    const person = at(sessionOf('a: a1 a2- a3 | b: b1')).press('join');
    expect(person.session.front).toBe('a3');
    expect(person.press('join').notices).toEqual([{ type: 'no-window-to-join', application: 'a' }]);
  });

  it('tabs of one id keep apart', () => {
    const session = withWindow(sessionOf('a: a1 a2'), 'a2', {
      tabs: [{ id: 't-a1', title: 'other', document: 'd-a2' }],
      activeTab: 't-a1',
    });
    const person = at(session).press('join');
    expect(windowOf(person.session, 'a2').tabs.map(({ id }) => id)).toEqual(['t-a1', 't-a1-2']);
    expect(titles(person, 'a2')).toBe('other [a1]');
  });

  it('waits for a question that is open, and for a draft that is offered', () => {
    const asking = at(sessionOf('a: a1* a2 | b: b1')).wish({ type: 'close', window: 'a1' }).press('join');
    expect(asking.notices).toEqual([{ type: 'already-asking', application: 'a' }]);
    const offering = at(withWindow(sessionOf('a: a1 a2* | b: b1'), 'a2', { offeringDraft: true })).press(
      'join',
    );
    expect(offering.notices).toEqual([{ type: 'draft-waits', document: 'd-a2' }]);
    expect(() => at().wish({ type: 'join', window: 'a1', into: 'b1' })).toThrow('cannot go');
    expect(() => at().wish({ type: 'tear-off', window: 'a1', tab: 't-none' })).toThrow('no tab');
  });

  it('a pencil shortcut to a window that joined ends with it', () => {
    const person = at(sessionOf('a: a1 a2')).wish({
      type: 'put-shortcut',
      shortcut: {
        id: 's',
        chord: { code: 'F9', shift: false, hold: true, modifiers: [] },
        aim: { window: 'a1' },
        opens: false,
        further: 'back',
      },
    });
    expect(person.press('join').session.shortcuts).toEqual([]);
  });
});

describe('whatever is done to tabs', () => {
  const KINDS = [
    'go-to-tab',
    'open-tab',
    'close-tab',
    'tear-off',
    'join',
    'carry-tab',
    'reopen',
    'retitle-tab',
    'keep-draft',
    'answer-closing',
  ];

  it('leaves a valid session, in which each document that was open is open or can be reopened, and no draft is lost', () => {
    fc.assert(
      fc.property(wishSeeds(1, 30), (seeds) => {
        const person = at();
        const drafts = new Set<string>();
        for (const seed of seeds) {
          const wish = wishFrom(seed, person.session);
          if (!wish || !KINDS.includes(wish.type)) continue;
          if (wish.type === 'answer-closing' && wish.answer === 'save') continue;
          // Every step of a person is checked for what is wrong with the session.
          person.wish(wish);
          for (const { id } of person.session.drafts) drafts.add(id);
          if (wish.type === 'keep-draft' && !find(person.session.drafts, wish.document))
            drafts.delete(wish.document);
          const { windows, ended } = person.session;
          const open = windows.flatMap(({ tabs }) => tabs.map(({ document }) => document));
          const kept = ended.flatMap((one) =>
            [...one.windows, ...(one.tab ? [one.tab.window] : [])].flatMap(({ tabs }) =>
              tabs.map(({ document }) => document),
            ),
          );
          for (const document of ['d-a1', 'd-a3', 'd-a5', 'd-a2', 'd-b1'])
            expect([...open, ...kept]).toContain(document);
          const discarded = ended.flatMap((one) => one.discarded.map(({ document }) => document));
          for (const id of drafts)
            expect([...person.session.drafts.map((draft) => draft.id), ...discarded]).toContain(id);
        }
      }),
      { numRuns: runs(300) },
    );
  });
});
