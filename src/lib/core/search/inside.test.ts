/** Searching inside a result, by the keys (need N9). */
import { describe, expect, it } from 'vitest';
import { Person } from '../../../../testing/person';
import { sessionOf } from '../../../../testing/sessions';
import type { Caret } from '../keys/key-input';
import type { Session } from '../session/session';
import { folderItems, folderOf } from '../folders/folder';

/** A desk with a folder in which one document is open and one is not. */
function desk(): Session {
  const session = sessionOf('a: a1 a2 | b: b1 | c: c1');
  const model = session.documents.find(({ id }) => id === 'd-c');
  if (!model) throw new Error('There is no home of c.');
  const papers = {
    ...model,
    id: 'papers',
    title: 'Papers',
    application: 'c',
    kind: 'folder',
    text: 'd-b1\n d-x \n\ngone',
  };
  const other = { ...model, id: 'd-x', title: 'Xebec', application: 'b' };
  return { ...session, documents: [...session.documents, papers, other] };
}
const at = (person: Person, key: string, caret: Caret) => person.tap(key, { key, caret });
const within = (person: Person) =>
  (person.switcher?.search?.within ?? []).map(({ candidate }) => candidate.title);
const searching = (letters: string, session = desk()) =>
  new Person(session).act('search').letGo().type(letters);
const into = (person: Person) => at(person, 'ArrowRight', 'end');
/** Into a result by its title. */
const intoResult = (person: Person, title: string) =>
  into(person.input({ type: 'point-result', index: person.found.indexOf(title) }));
const out = (person: Person) => at(person, 'ArrowLeft', 'both');

describe('inside an application', () => {
  it('are its windows, its documents that are not open, and what can be done to it', () => {
    const person = intoResult(searching('a'), 'A');
    expect(within(person)).toEqual(['A']);
    expect(person.found).toEqual(['a1', 'a2', 'a', 'new window', 'solo', 'hide', 'quit']);
    expect(person.switcher?.search).toMatchObject({ letters: '', highlighted: 0 });
  });

  it('letters search there and nowhere else, and erased they give everything back', () => {
    const person = intoResult(searching('a'), 'A');
    expect(person.type('b1').found).toEqual([]);
    expect(person.type('a2').found).toEqual(['a2']);
    expect(person.type('').found).toHaveLength(7);
    expect(within(person)).toEqual(['A']);
  });

  it('what is chosen is done to it, not to what is in front, and nothing is learned of the letters', () => {
    const person = into(searching('b'));
    person.type('hide').tap('Enter');
    expect(person.session.applications.find(({ id }) => id === 'b')?.hidden).toBe(true);
    expect(person.session.front).toBe('a1');
    expect(person.session.learned).toEqual([]);
    const other = into(searching('a')).type('a2').tap('Enter');
    expect(other.session.front).toBe('a2');
  });
});

describe('inside others', () => {
  it('a window and a document lead to what opens them; from there it goes on', () => {
    expect(within(into(searching('b1')))).toEqual(['b1']);
    const person = into(searching('xebec'));
    expect(person.found.slice(0, 2)).toEqual(['b1', 'b']);
    expect(within(into(person))).toEqual(['Xebec', 'b1']);
  });

  it('a folder leads to what is in it: windows where it is open, documents where it is not', () => {
    const person = into(searching('papers'));
    expect(person.found).toEqual(['b1', 'Xebec']);
    person.type('xeb').tap('Enter');
    const front = person.session.windows.find(({ id }) => id === person.session.front);
    expect(front?.tabs[0]?.document).toBe('d-x');
    expect(folderOf(desk(), 'd-x')?.id).toBe('papers');
    expect(folderOf(desk(), 'd-a')).toBeNull();
    expect(folderItems(desk(), 'd-x')).toBeNull();
  });

  it('there is nothing in a command', () => {
    const person = into(searching('sweep'));
    expect(person.notices).toContainEqual({ type: 'nothing-inside' });
    expect(within(person)).toEqual([]);
  });
});

describe('the way out', () => {
  it('leads to what was found before, with its highlight', () => {
    const person = searching('a').step('older-application').letGo();
    const before = person.switcher?.search;
    out(into(person).type('x').type(''));
    expect(person.switcher?.search).toEqual(before);
    expect(out(person).switcher?.search).toEqual(before);
  });

  it('Backspace leads out of an empty line, level by level', () => {
    const person = into(into(searching('xebec')));
    expect(within(person)).toHaveLength(2);
    expect(within(at(person, 'Backspace', 'both'))).toHaveLength(1);
    expect(within(at(person, 'Backspace', 'both'))).toHaveLength(0);
    expect(person.found).toContain('Xebec');
  });

  it('what has ended meanwhile is not found any more', () => {
    const person = into(searching('b1'));
    person.wish({ type: 'close', window: 'b1' });
    expect(person.found).not.toContain('b1');
    expect(out(person).found).not.toContain('b1');
    expect(person.switcher?.search?.letters).toBe('b1');
  });
});

it('within the line, the arrows belong to the caret', () => {
  const person = searching('a');
  const search = person.switcher?.search;
  for (const [key, caret] of [
    ['ArrowRight', 'start'],
    ['ArrowLeft', 'end'],
  ] as const)
    at(person, key, caret);
  person.tap('ArrowRight', { key: 'ArrowRight' });
  expect(person.switcher?.search).toBe(search);
});
