import { describe, expect, it } from 'vitest';
import { personAt, REGISTRY } from '../../../../testing/person';
import { NEWCOMER } from '../../../../testing/candidates';
import { sessionOf } from '../../../../testing/sessions';
import { ACTIONS } from '../actions/actions';
import { Registry } from '../actions/registry';
import type { Session } from '../session/session';
import { commandsOf, isThere, type Candidate } from './candidates';
import { search } from './search';
import { catalogueOf, prepareCatalogue } from './session-catalogue';

/** Everything there is, by what each is called. */
const all = (session: Session, registry = REGISTRY): Candidate[] => {
  const catalogue = catalogueOf(session, registry);
  const rows = Array.from({ length: catalogue.rows }, (_, row) => row);
  return rows.flatMap((row) => {
    const entry = catalogue.entryIn(row);
    return entry ? [entry.candidate] : [];
  });
};
const keysOf = (candidates: readonly Candidate[]) => candidates.map(({ key }) => key).sort();

describe('the catalogue of a session', () => {
  it('names each thing by what it is, and knows what is not there any more', () => {
    const { session } = personAt('a: a1 | b: b1').wish({ type: 'close', window: 'b1' });
    const things = all(session).filter(({ subject }) => subject.kind !== 'command');
    expect(things.map(({ key, learnedAs }) => [key, learnedAs]).sort()).toEqual([
      ['application:a', 'application:a'],
      ['application:b', 'application:b'],
      ['document:d-a', 'document:d-a'],
      ['document:d-b', 'document:d-b'],
      ['document:d-b1', 'document:d-b1'],
      ['window:a1', 'document:d-a1'],
    ]);
    expect(keysOf(all(session))).toContain('command:reopen');
    const gone = (later: Session) => keysOf(things.filter((thing) => !isThere(later, thing)));
    expect(gone(session)).toEqual([]);
    expect(gone({ ...session, documents: [], applications: [] })).toEqual(
      keysOf(things).filter((key) => key !== 'window:a1'),
    );
    expect(gone(personAt('a: | b: b1').session)).toEqual(['document:d-b1', 'window:a1']);
  });

  it('makes anew only what changed, in the same catalogue', () => {
    const person = personAt('a: a1 a2 | b: b1');
    const before = all(person.session);
    const catalogue = catalogueOf(person.session, REGISTRY);
    person.wish({ type: 'minimise', window: 'a2' });
    const now = all(person.session);
    expect(catalogueOf(person.session, REGISTRY)).toBe(catalogue);
    const made = now.filter((one) => !before.includes(one));
    expect(keysOf(made.filter(({ subject }) => subject.kind !== 'command'))).toEqual(['window:a2']);
    expect(made.find(({ key }) => key === 'window:a2')?.also).toEqual(['minimised']);
    // Another set of actions has its own.
    expect(catalogueOf(person.session, new Registry(ACTIONS))).not.toBe(catalogue);
  });

  it('finds after any change what one made anew finds', () => {
    const person = personAt('a: a1 a2- | !b: b1 | c: c1* c2');
    const titles = (registry: Registry, letters: string) =>
      search(catalogueOf(person.session, registry), letters, NEWCOMER).map(({ candidate }) => [
        candidate.title,
        candidate.also,
      ]);
    for (const change of [
      () => person.wish({ type: 'bring-to-front', window: 'a2', raiseAll: false }),
      () => person.wish({ type: 'hide', application: 'a' }),
      () => person.wish({ type: 'keep-draft', document: 'd-c2', text: 'more' }),
      () => person.wish({ type: 'close', window: 'a1' }),
      () => person.wish({ type: 'open-document', document: 'd-a1' }),
      () =>
        person.wish({ type: 'change-settings', settings: { ...person.session.settings, theme: 'night' } }),
      () => person.wish({ type: 'end-now', application: 'c' }),
      () => (person.session = sessionOf('a: a1 | d: d1')),
    ]) {
      change();
      for (const letters of ['a', 'c1', 'd', 'hid', 'unsav', 'min', 'colours', 'new'])
        expect(titles(REGISTRY, letters)).toEqual(titles(new Registry(ACTIONS), letters));
    }
  });

  it('can take in things ahead, without trying out what can be done; a search then goes through none of them', () => {
    const asked = { windows: 0, actions: 0 };
    class Watched extends Registry {
      override invocations() {
        asked.actions += 1;
        return [];
      }
    }
    const registry = new Watched(ACTIONS);
    const { session } = personAt('a: a1 a2 | b: b1');
    const order = session.recent.windows.slice();
    const windows = Object.assign(order, {
      map: (...by: Parameters<typeof order.map>) => {
        asked.windows += 1;
        return Array.prototype.map.apply(order, by);
      },
    });
    const now: Session = { ...session, recent: { ...session.recent, windows } };
    prepareCatalogue(now, registry);
    expect(asked).toEqual({ windows: 1, actions: 0 });
    expect(keysOf(all(now, registry))).toContain('window:a2');
    expect(asked).toEqual({ windows: 1, actions: 1 });
  });

  it('finds a window by its document and by how it stands, and each tab that it does not show', () => {
    const { session } = personAt('a: a1 a2 | b: b1*');
    const [window, ...others] = session.windows;
    if (!window) throw new Error('There are no windows.');
    const tabs = [...window.tabs, { id: 't-more', title: 'Dredging log', document: 'd-a2' }];
    const retitled = tabs.map((tab, n) => (n === 0 ? { ...tab, title: 'Draft' } : tab));
    const changed: Session = { ...session, windows: [{ ...window, tabs: retitled }, ...others] };
    const first = (letters: string) =>
      search(catalogueOf(changed, REGISTRY), letters, NEWCOMER)[0]?.candidate.key;
    expect(first('dredg')).toBe(`tab:${window.id}:t-more`);
    expect(first('a1')).toBe(`window:${window.id}`);
    expect(first('unsaved')).toBe('window:b1');
    expect(first('b unsav')).toBe('window:b1');
  });

  it('has what can be done now, by its other names too', () => {
    const night = commandsOf(sessionOf('a: a1'), REGISTRY).find(({ key }) => key === 'command:night');
    expect(night).toMatchObject({ title: 'Night colours', learnedAs: 'command:night' });
    expect(night?.also).toContain('dark');
  });
});
