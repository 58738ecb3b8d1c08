/** Documents: which program opens them, what they are called, and how they are carried. */
import { describe, expect, it } from 'vitest';
import { Person } from '../../../../testing/person';
import { sessionOf, withApplication, withWindow } from '../../../../testing/sessions';
import { fileCarried, laidDown, takersOf } from '../carrying/carried';
import { FOLDER } from '../folders/folder';
import { LONGEST_TEXT } from '../model/limits';
import type { Session } from '../session/session';
import { canOpen, documentOf } from '../slices/documents/selectors';
import { activeTab, titleOf, windowOf } from '../slices/windows/selectors';

/** Letters in `a` and `b`, tables in `t`, a folder in `d` with the letter of a1 in it; `n` does not run. */
function office(): Session {
  const desk = sessionOf('a: a1* a2 | b: b1 | t: t1 | d: d1 | n:');
  const documents = desk.documents.map((document) => {
    if (document.application === 't') return { ...document, kind: 'table' };
    if (document.id === 'd-d1') return { ...document, kind: FOLDER, text: 'd-a1' };
    return document.application === 'n' ? { ...document, kind: 'note' } : document;
  });
  const applications = desk.recent.applications.filter(({ id }) => id !== 'n');
  const recent = { ...desk.recent, applications };
  return withApplication({ ...desk, documents, recent }, 'n', { running: false });
}

const papers = (session: Session) => documentOf(session, 'd-d1').text.split('\n');

describe('a program opens a document', () => {
  it('that is its own, that is of a kind it has, or of a kind that it says', () => {
    const session = withApplication(office(), 'n', { opens: ['table'] });
    const opens = (application: string, document: string) =>
      canOpen(session, application, documentOf(session, document));
    expect([opens('a', 'd-a1'), opens('b', 'd-a1'), opens('t', 'd-a1'), opens('n', 'd-a1')]).toEqual([
      true,
      true,
      false,
      false,
    ]);
    expect([opens('n', 'd-t1'), opens('a', 'd-t1')]).toEqual([true, false]);
  });

  it('in a window of its own beside the one where it is open, and both have the same draft', () => {
    const person = new Person(office()).wish({
      type: 'open-document-with',
      document: 'd-a1',
      application: 'b',
    });
    const front = windowOf(person.session, person.session.front ?? '');
    expect([front.application, activeTab(front).document]).toEqual(['b', 'd-a1']);
    // It is at work there, so it is not left behind when its own program ends.
    person.wish({ type: 'end-now', application: 'a' });
    expect(windowOf(person.session, front.id).offeringDraft).toBe(false);
    person
      .wish({ type: 'keep-draft', document: 'd-a1', text: 'more' })
      .wish({ type: 'save', document: 'd-a1' });
    expect(documentOf(person.session, 'd-a1').text).toBe('more');
  });

  it('by going to the window that has it already, and by being launched where it does not run', () => {
    const person = new Person(withApplication(office(), 'n', { opens: ['letter'] }));
    person.wish({ type: 'open-document-with', document: 'd-b1', application: 'n' });
    const first = person.session.front;
    expect(windowOf(person.session, first ?? '').application).toBe('n');
    person.wish({ type: 'bring-to-front', window: 't1', raiseAll: false });
    person.wish({ type: 'open-document-with', document: 'd-b1', application: 'n' });
    expect(person.session.front).toBe(first);
    // It belongs where it did: gone to by itself, its own program shows it.
    person.wish({ type: 'open-document', document: 'd-b1' });
    expect(person.session.front).toBe('b1');
  });

  it('and what it does not open it leaves, with a word', () => {
    const person = new Person(office());
    const before = person.session;
    const { notices } = person.wish({ type: 'open-document-with', document: 'd-a1', application: 't' });
    expect(notices).toEqual([{ type: 'cannot-open', application: 't' }]);
    expect(person.session.windows).toEqual(before.windows);
  });
});

describe('a document', () => {
  it('is called otherwise, and its tabs with it, but for one that says something of its own', () => {
    const desk = withWindow(office(), 'a2', {
      tabs: [
        { id: 't-a2', title: 'a1', document: 'd-a1' },
        { id: 't-own', title: '2 new', document: 'd-a1' },
      ],
      activeTab: 't-a2',
    });
    const person = new Person(desk).wish({ type: 'rename-document', document: 'd-a1', title: 'Towage' });
    expect(titleOf(windowOf(person.session, 'a1'))).toBe('Towage');
    expect(windowOf(person.session, 'a2').tabs.map(({ title }) => title)).toEqual(['Towage', '2 new']);
    expect(documentOf(person.session, 'd-a1').title).toBe('Towage');
  });

  it('is made in a folder by the program that is chosen, and stands at its end', () => {
    const person = new Person(office()).wish({
      type: 'make-in-folder',
      folder: 'd-d1',
      application: 't',
      title: 'Tugs',
    });
    const made = activeTab(windowOf(person.session, person.session.front ?? '')).document;
    expect(documentOf(person.session, made)).toMatchObject({
      application: 't',
      kind: 'table',
      title: 'Tugs',
    });
    expect(papers(person.session)).toEqual(['d-a1', made]);
    expect(() =>
      person.wish({ type: 'make-in-folder', folder: 'd-a1', application: 't', title: 'x' }),
    ).toThrow('no folder');
  });

  it('comes from a file, where its kind is opened', () => {
    const file = { type: 'take-in-document', kind: 'table', title: 'Tugs', text: 'Name\nAnvil' } as const;
    const person = new Person(office()).wish({ ...file, application: 't' });
    const front = windowOf(person.session, person.session.front ?? '');
    expect(documentOf(person.session, activeTab(front).document)).toMatchObject({ text: 'Name\nAnvil' });
    expect(person.wish({ ...file, application: 'a' }).notices).toEqual([
      { type: 'cannot-open', application: 'a' },
    ]);
  });
});

describe('what is carried', () => {
  it('has those that open it for takers', () => {
    const session = office();
    expect([...takersOf(session, { type: 'document', document: 'd-a1' })].sort()).toEqual(['a', 'b', 'd']);
    expect([...takersOf(session, { type: 'document', document: 'd-t1' })]).toEqual(['t']);
    const file = fileCarried('tugs.csv', 'Name\nAnvil');
    expect('not' in file ? [] : [...takersOf(session, file)]).toEqual(['t']);
    expect(takersOf(session, { type: 'new', folder: 'd-d1', title: 'x' }).has('n')).toBe(true);
  });

  it('is laid down on a program, or on one of its windows as a tab', () => {
    const carried = { type: 'document', document: 'd-a1' } as const;
    const target = { application: 'b', window: 'b1' };
    expect(laidDown(carried, target, false)).toMatchObject({ type: 'open-document-with', application: 'b' });
    expect(laidDown(carried, target, true)).toEqual({ type: 'open-tab', window: 'b1', document: 'd-a1' });
  });

  it('is a file of plain text, by how its name ends, as long as a document can be', () => {
    expect(fileCarried('Towing. Draft.TXT', 'a')).toEqual({
      type: 'file',
      title: 'Towing. Draft',
      kind: 'letter',
      text: 'a',
    });
    expect(fileCarried('picture.png', 'x')).toEqual({ not: 'kind' });
    expect(fileCarried('none', 'x')).toEqual({ not: 'kind' });
    expect(fileCarried('a.csv', 'x'.repeat(LONGEST_TEXT))).toMatchObject({ kind: 'table' });
    expect(fileCarried('a.csv', 'x'.repeat(LONGEST_TEXT + 1))).toEqual({ not: 'length' });
  });
});

describe('carrying', () => {
  const carrying = () => new Person(office()).press('carry-document').letGo();

  it('lets the switcher stay, and Enter lays down what was in front on the highlighted program', () => {
    const person = carrying();
    expect(person.state.carrying).toEqual({ type: 'document', document: 'd-a1' });
    expect(person.switcher?.mode).toBe('staying');
    person.tap('ArrowDown').tap('Enter');
    expect(person.state.carrying).toBeNull();
    expect(windowOf(person.session, person.session.front ?? '').application).toBe('b');
  });

  it('stays where the program does not open it, and Escape lets go of it', () => {
    const person = carrying().tap('ArrowDown').tap('ArrowDown').tap('Enter');
    expect(person.notices).toEqual([{ type: 'cannot-open', application: 't' }]);
    expect(person.state.switcher).not.toBeNull();
    person.tap('Escape');
    expect([person.state.carrying, person.session.front]).toEqual([null, 'a1']);
  });

  it('onto a window makes it a tab there', () => {
    const person = carrying().tap('ArrowDown').tap('ArrowRight').tap('Enter');
    expect(windowOf(person.session, 'b1').tabs.map(({ document }) => document)).toEqual(['d-b1', 'd-a1']);
  });

  it('ends when what is carried goes away meanwhile', () => {
    const person = carrying();
    const { session } = person;
    person.session = { ...session, documents: session.documents.filter(({ id }) => id !== 'd-a1') };
    person.input({ type: 'session-changed' });
    expect(person.state.carrying).toBeNull();
  });
});
