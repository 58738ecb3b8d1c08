import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../../../../testing/runs';
import { toldWindow } from '../../../../testing/told';
import { MOST_TABS } from '../model/limits';
import { idsIn } from '../model/table';
import { problemsOf, reduceAll, type Session, type SessionEvent } from '../session/session';
import { activeTab, tabsByUse, windowOf } from '../slices/windows/selectors';
import { difference, type Standings } from './difference';
import { displaySession } from './display-session';
import type { Told, ToldTabs } from './told';

const AT = '2026-11-24T06:00:00.000Z';

/** Tabs as in a line like `a [b] c!`: the shown one in brackets, one that does not answer with an exclamation mark. */
function tabs(line: string, recent?: string): ToldTabs {
  const words = line.split(' ');
  const list = words.map((word) => {
    const title = word.replace(/[[\]!]/g, '');
    return { id: `t-${title}`, title, answering: !word.includes('!') };
  });
  const shown = words.findIndex((word) => word.startsWith('['));
  const ids = recent?.split(' ').map((title) => `t-${title}`) ?? idsIn(list);
  return { list, shown: list[shown]?.id ?? '', recent: ids };
}

class Browser {
  session: Session = reduceAll(displaySession('Quay', 'Meta', AT), [
    { type: 'host-came', host: { name: 'Quay', abilities: [], screen: { width: 1600, height: 1000 } } },
  ]);
  readonly standings: Standings = new Map();

  tell(told: Omit<Told, 'type' | 'cause'>): SessionEvent[] {
    const events = difference(this.session, { type: 'told', cause: null, ...told }, this.standings);
    this.session = reduceAll(this.session, events);
    expect(problemsOf(this.session)).toEqual([]);
    return events;
  }

  /** Tells of windows by their tabs; undefined: none are known. */
  show(windows: Readonly<Record<string, ToldTabs | undefined>>, gone: readonly string[] = []): string[] {
    const told = Object.entries(windows).map(([id, of]) =>
      toldWindow(id, { application: 'browser', title: `${id} of a browser`, ...(of && { tabs: of }) }),
    );
    const applications = [{ id: 'browser', name: 'Browser' }];
    return this.tell({ applications, windows: told, gone }).map(({ type }) => type);
  }

  bar(id: string): string {
    const window = windowOf(this.session, id);
    return window.tabs
      .map((tab) => (tab === activeTab(window) ? `[${tab.title}]` : tab.title) + (tab.hung ? '!' : ''))
      .join(' ');
  }

  used(id: string): string {
    return tabsByUse(windowOf(this.session, id))
      .map(({ title }) => title)
      .join(' ');
  }
}

/** A browser with one window. */
function browser(line = 'a [b] c'): Browser {
  const made = new Browser();
  made.show({ w: tabs(line) });
  return made;
}

describe('the tabs of a window, as they are told', () => {
  it('are there with it, in the order of the bar and in that of their use', () => {
    const at = new Browser();
    at.show({ w: tabs('a [b] c', 'b c a') });
    expect(at.bar('w')).toBe('a [b] c');
    expect(at.used('w')).toBe('b c a');
  });

  it('told once more change nothing', () => {
    expect(browser().show({ w: tabs('a [b] c') })).toEqual([]);
  });

  it.each([
    ['a [b] c d', ['tab-opened', 'tabs-used']],
    ['[a] b c', ['tab-activated']],
    ['a [b]', ['tab-closed', 'tabs-used']],
    ['[b] c a', ['tab-carried', 'tabs-used']],
    ['c a [b]', ['tab-carried', 'tabs-used']],
    ['a [b]! c', ['tab-hung']],
  ])('%s is told as what has happened', (line, events) => {
    const at = browser();
    expect(at.show({ w: tabs(line) })).toEqual(events);
    expect(at.bar('w')).toBe(line);
  });

  it('are retitled, and answer again', () => {
    const at = browser('a [b]! c');
    const { list, ...rest } = tabs('a [b] c');
    const named = { ...rest, list: list.map((tab) => ({ ...tab, title: `${tab.title}\n${tab.title}` })) };
    expect(at.show({ w: named })).toEqual(['tab-retitled', 'tab-retitled', 'tab-hung', 'tab-retitled']);
    expect(at.bar('w')).toBe('a a [b b] c c');
  });

  it('are one tab where they are not known, and nothing has closed when they become known or are not known any more', () => {
    const at = new Browser();
    at.show({ w: undefined });
    expect(at.bar('w')).toBe('[w of a browser]');
    at.show({ w: tabs('a [b]') });
    expect(at.bar('w')).toBe('a [b]');
    at.show({ w: undefined });
    expect(at.bar('w')).toBe('[w of a browser]');
    expect(windowOf(at.session, 'w')).not.toHaveProperty('recentTabs');
    expect(at.session.ended).toEqual([]);
  });

  it('that have no title have a name all the same', () => {
    const at = new Browser();
    at.show({ w: { list: [{ id: 't-x', title: '\u202e', answering: true }], shown: 't-x', recent: [] } });
    expect(at.bar('w')).toBe('[Untitled]');
  });

  it('of more than a session holds those are there that were used last', () => {
    const at = new Browser();
    const names = Array.from({ length: MOST_TABS + 20 }, (_, n) => `n${n}`);
    at.show({ w: tabs([...names, '[last]'].join(' '), names.toReversed().join(' ')) });
    const titles = windowOf(at.session, 'w').tabs.map(({ title }) => title);
    expect(titles).toHaveLength(MOST_TABS);
    expect(titles.at(-1)).toBe('last');
    expect(titles).toContain(`n${MOST_TABS + 19}`);
    expect(titles).not.toContain('n0');
  });
});

describe('what has closed', () => {
  const entries = (at: Browser) => at.session.ended.map(({ id, kind }) => `${kind} ${id}`);

  it('is kept under its own id, and leaves the list when it is back', () => {
    const at = browser();
    at.show({ w: tabs('a [b]') });
    expect(entries(at)).toEqual(['tab t-c']);
    const back = tabs('a b [d]');
    at.show({
      w: { ...back, list: back.list.map((tab) => (tab.id === 't-d' ? { ...tab, was: 't-c' } : tab)) },
    });
    expect(entries(at)).toEqual([]);
  });

  it('a window with known tabs is kept, one of which none were known is not', () => {
    const at = browser();
    at.show({ v: undefined, u: tabs('[x]') });
    at.show({}, ['v']);
    expect(entries(at)).toEqual([]);
    at.show({}, ['u']);
    expect(entries(at)).toEqual(['window u']);
  });

  it('a tab that goes to another window has not closed', () => {
    const at = browser();
    at.show({ v: tabs('[x]') });
    at.show({ w: tabs('a [b]'), v: tabs('x [c]') });
    expect([at.bar('w'), at.bar('v')]).toEqual(['a [b]', 'x [c]']);
    expect(entries(at)).toEqual([]);
  });

  it('nor has a window whose tabs went to another one, whichever is told first', () => {
    for (const late of [false, true]) {
      const at = browser();
      at.show({ v: tabs('[x]') });
      if (late) at.show({}, ['v']);
      at.show({ w: tabs('a b c [x]') });
      if (!late) at.show({}, ['v']);
      expect(at.bar('w')).toBe('a b c [x]');
      expect(entries(at)).toEqual([]);
    }
  });
});

it('whatever is told, also what is none of its own, the session keeps its rules', () => {
  const id = fc.constantFrom('t-a', 't-b', 't-c', 't-d');
  const told = fc.record({
    list: fc.array(fc.record({ id, title: fc.string(), answering: fc.boolean() }), { minLength: 1 }),
    shown: id,
    recent: fc.uniqueArray(id),
  });
  fc.assert(
    fc.property(fc.array(fc.tuple(told, told), { maxLength: 5 }), (pairs) => {
      const at = new Browser();
      // Telling looks whether the rules are kept.
      for (const [v, w] of pairs) at.show({ v, w });
    }),
    { numRuns: runs(300) },
  );
});

it('whatever is told, leads to what was told', () => {
  const bar = fc
    .uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e'), { minLength: 1 })
    .chain((titles) =>
      fc.nat(titles.length - 1).map((shown) => titles.map((t, n) => (n === shown ? `[${t}]` : t))),
    )
    .map((words) => words.join(' '));
  fc.assert(
    fc.property(fc.array(fc.option(bar), { maxLength: 6 }), (lines) => {
      const at = new Browser();
      for (const line of lines) {
        at.show({ w: line === null ? undefined : tabs(line) });
        if (at.bar('w') !== (line ?? '[w of a browser]')) return false;
      }
      return true;
    }),
    { numRuns: runs(300) },
  );
});
