/** Workspaces: going, carrying along, adding, naming, removing; and what the switcher shows of them. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Person, personAt } from '../../../../testing/person';
import { runs } from '../../../../testing/runs';
import { sessionOf } from '../../../../testing/sessions';
import { busySession, wishFrom, wishSeeds } from '../../../../testing/wishes';
import { MOST_WORKSPACES } from '../model/limits';
import { idsIn } from '../model/table';
import type { Session } from '../session/session';
import { windowOf } from '../slices/windows/selectors';
import { windowsElsewhere } from '../switcher/switcher';

/** Three workspaces, the first of which is shown. */
const desk = (line: string): Session => {
  const session = sessionOf(line);
  return { ...session, workspaces: [...session.workspaces, { id: 'far', name: 'Far' }] };
};
const at = (line: string) => new Person(desk(line));
const names = (person: Person) => person.session.workspaces.map(({ name }) => name).join(' ');
const where = (person: Person, id: string) => windowOf(person.session, id).workspace;

describe('going to a workspace', () => {
  it('brings forward what was used there last, and what was here comes forward on the way back', () => {
    const person = at('a: a1 a2~ | b: b1');
    person.press('next-workspace');
    expect([person.session.workspace, person.session.front]).toEqual(['there', 'a2']);
    person.press('workspace-before');
    expect([person.session.workspace, person.session.front]).toEqual(['here', 'a1']);
  });

  it('goes round at both ends; where nothing is nothing comes forward', () => {
    const person = at('a: a1').press('previous-workspace');
    expect([person.session.workspace, person.session.front]).toEqual(['far', null]);
    expect(person.press('next-workspace').session.workspace).toBe('here');
    expect(personAt('a: a1').press('workspace-before').notices).toEqual([{ type: 'no-workspace-before' }]);
  });

  it('says so where there is one alone, and back goes to where one was, not to one that is gone', () => {
    const [only] = desk('a: a1').workspaces;
    const person = new Person({ ...desk('a: a1'), workspaces: only ? [only] : [] });
    expect(person.press('next-workspace').notices).toEqual([{ type: 'only-workspace' }]);
    expect(person.press('carry-to-next-workspace').notices).toEqual([{ type: 'only-workspace' }]);
    const back = at('a: a1').press('next-workspace').wish({ type: 'remove-workspace', workspace: 'here' });
    expect(back.press('workspace-before').notices).toEqual([{ type: 'no-workspace-before' }]);
  });

  it('happens by itself when a window elsewhere is chosen, and can be undone by going back', () => {
    const person = at('a: a1 | b: b1~').flip();
    expect([person.session.workspace, person.session.front]).toEqual(['there', 'b1']);
    expect(person.press('workspace-before').session.workspace).toBe('here');
  });
});

describe('carrying along', () => {
  it('takes the front window, in front', () => {
    const person = at('a: a1 a2 | b: b1').press('carry-to-next-workspace');
    expect([where(person, 'a1'), where(person, 'a2')]).toEqual(['there', 'here']);
    expect([person.session.workspace, person.session.front]).toEqual(['there', 'a1']);
    expect(where(person.press('carry-to-workspace-before'), 'a1')).toBe('here');
  });

  it('takes all windows of an application, from wherever they are', () => {
    const person = at('a: a1 a2~ a3- | b: b1').wish({
      type: 'carry-application',
      application: 'a',
      workspace: 'far',
    });
    expect(['a1', 'a2', 'a3', 'b1'].map((id) => where(person, id))).toEqual(['far', 'far', 'far', 'here']);
    expect([person.session.front, windowOf(person.session, 'a3').minimised]).toEqual(['a1', true]);
    person.wish({ type: 'carry-application', application: 'a', workspace: 'far' });
    expect(person.notices).toEqual([{ type: 'already-there' }]);
  });
});

describe('adding, naming and removing', () => {
  it('adds at the end, under a name that nobody has, up to as many as there can be', () => {
    const person = at('a: a1').wish({ type: 'add-workspace', name: 'Night' });
    expect([names(person), person.session.workspace]).toEqual(['Here There Far Night', 'here']);
    expect(person.wish({ type: 'add-workspace', name: ' night ' }).notices).toEqual([{ type: 'name-taken' }]);
    for (let n = 4; n < MOST_WORKSPACES; n += 1) person.wish({ type: 'add-workspace', name: `W${n}` });
    expect(person.notices).toEqual([]);
    expect(person.wish({ type: 'add-workspace', name: 'more' }).notices).toEqual([
      { type: 'too-many-workspaces' },
    ]);
  });

  it('gives another name, but none that another one has', () => {
    const person = at('a: a1').wish({ type: 'rename-workspace', workspace: 'there', name: 'Plans' });
    expect(names(person)).toBe('Here Plans Far');
    expect(person.wish({ type: 'rename-workspace', workspace: 'far', name: 'HERE' }).notices).toEqual([
      { type: 'name-taken' },
    ]);
    expect(person.wish({ type: 'rename-workspace', workspace: 'far', name: 'FAR' }).notices).toEqual([]);
  });

  it('moves the windows of one that is removed to its neighbour, and puts everything back', () => {
    const person = at('a: a1 a2~ | b: b1~ c1').press('next-workspace');
    const before = person.session;
    person.wish({ type: 'remove-workspace', workspace: 'there' });
    expect([names(person), person.session.workspace]).toEqual(['Here Far', 'far']);
    expect([where(person, 'a2'), where(person, 'b1'), where(person, 'a1')]).toEqual(['far', 'far', 'here']);
    expect(person.session.front).toBe(before.front);
    person.press('put-back');
    expect(person.session.windows).toEqual(before.windows);
    expect([names(person), person.session.workspace, person.session.front]).toEqual([
      'Here There Far',
      'there',
      before.front,
    ]);
    expect(person.press('put-back').notices).toEqual([{ type: 'nothing-to-put-back' }]);
  });

  it('leaves where it is what went elsewhere meanwhile, and never removes the only one', () => {
    const person = at('a: a1 a2~ | b: b1~').wish({ type: 'remove-workspace', workspace: 'there' });
    person.wish({ type: 'carry-window', window: 'b1', workspace: 'here' }).press('put-back');
    expect([where(person, 'a2'), where(person, 'b1')]).toEqual(['there', 'here']);
    person
      .wish({ type: 'remove-workspace', workspace: 'there' })
      .wish({ type: 'remove-workspace', workspace: 'far' });
    person.wish({ type: 'remove-workspace', workspace: 'here' });
    expect(person.notices).toEqual([{ type: 'only-workspace' }]);
    expect(person.session.windows).toHaveLength(3);
  });

  it('whatever is done, no window is lost, and each is on a workspace that there is', () => {
    const KINDS = [
      'add-workspace',
      'rename-workspace',
      'remove-workspace',
      'enter-workspace',
      'carry-window',
      'carry-application',
      'put-back',
      'minimise',
      'bring-to-front',
    ];
    fc.assert(
      fc.property(wishSeeds(1, 40), (seeds) => {
        const person = new Person(busySession());
        const all = idsIn(person.session.windows);
        for (const seed of seeds) {
          const wish = wishFrom(seed, person.session);
          if (wish && KINDS.includes(wish.type)) person.wish(wish);
          expect(idsIn(person.session.windows)).toEqual(all);
        }
      }),
      { numRuns: runs(200) },
    );
  });
});

describe('the switcher', () => {
  it('shows everything, or only what is here, by a setting and by one key; what has no window is here too', () => {
    const person = at('a: a1 a2~ | b: b1~ | c: | d: d1').step('older-application');
    expect(person.rows).toBe('a b c d');
    person.press('everything-or-here');
    expect(person.rows).toBe('a c d');
    expect(person.switcher && windowsElsewhere(person.switcher, person.session)).toEqual([
      { name: 'There', windows: 2 },
    ]);
    person.step('newer-application');
    expect([person.row, person.leaves]).toEqual(['a', 'a1']);
    person.press('everything-or-here');
    expect([person.row, person.leaves]).toEqual(['a', 'a1 a2']);
    const settings = { ...person.session.settings, switcherShows: 'here' as const };
    const other = new Person({ ...desk('a: a1 | b: b1~ | d: d1'), settings }).step('older-application');
    expect([other.rows, other.row]).toEqual(['a d', 'd']);
  });

  it('keeps its highlight and its order while it shows more or less', () => {
    const person = at('a: a1 | b: b1 b2~ | d: d1~ | e: e1').step('older-application', 'older-application');
    expect(person.row).toBe('d');
    expect(person.press('everything-or-here').row).toBe('e');
    person.wish({ type: 'carry-window', window: 'b2', workspace: 'here' });
    expect(person.rows).toBe('a b e');
    expect(person.press('everything-or-here').rows).toBe('a b d e');
  });

  it('opens by the same key, staying, and follows what ends', () => {
    const person = at('a: a1 | b: b1~ | d: d1').press('everything-or-here');
    expect([person.switcher?.mode, person.rows]).toEqual(['staying', 'a d']);
    expect(person.wish({ type: 'quit', application: 'd' }).rows).toBe('a');
  });
});
