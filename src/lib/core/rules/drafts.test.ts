/** Unsaved text is never lost: what was left behind is offered, what was discarded comes back. */
import { find } from '../model/table';
import { describe, expect, it } from 'vitest';
import { personAt } from '../../../../testing/person';

describe('drafts that were left behind', () => {
  const left = () => personAt('a: a1 | b: b1*').wish({ type: 'end-now', application: 'b' });

  it.each([
    ['launching', { type: 'switch-to-application', application: 'b' }],
    ['opening a window', { type: 'open-window', application: 'b', inFront: true }],
    ['opening the document', { type: 'open-document', document: 'd-b1' }],
    ['reopening', { type: 'reopen', entry: null }],
  ] as const)('are offered by %s', (_, wish) => {
    const person = left().wish(wish);
    expect(find(person.session.windows, person.session.front ?? '')).toMatchObject({ offeringDraft: true });
  });

  it('are not touched by what is typed or saved while they are offered', () => {
    const person = left().wish({ type: 'open-document', document: 'd-b1' });
    for (const text of ['b1, other', 'b1']) {
      person.wish({ type: 'keep-draft', document: 'd-b1', text });
      expect(person.notices).toEqual([{ type: 'draft-waits', document: 'd-b1' }]);
      expect(find(person.session.drafts, 'd-b1')?.text).toBe('b1, edited');
    }
    person.wish({ type: 'save', document: 'd-b1' });
    expect(find(person.session.documents, 'd-b1')?.text).toBe('b1');
    person.wish({ type: 'answer-draft', window: person.session.front ?? '', answer: 'take-up' });
    person.wish({ type: 'keep-draft', document: 'd-b1', text: 'b1, more' });
    expect(find(person.session.drafts, 'd-b1')?.text).toBe('b1, more');
  });

  it('are one offer in all windows that make it', () => {
    const person = left().wish({ type: 'open-document', document: 'd-b1' });
    person.wish({ type: 'reopen', entry: null });
    const offering = () => person.session.windows.filter((window) => window.offeringDraft);
    expect(offering()).toHaveLength(2);
    person.wish({ type: 'answer-draft', window: offering()[0]?.id ?? '', answer: 'take-up' });
    expect(offering()).toEqual([]);
  });
});

describe('what was discarded', () => {
  it('comes back with the window that it was discarded with, as an offer', () => {
    const person = personAt('a: a1* | b: b1').act('close');
    person.wish({ type: 'answer-closing', window: 'a1', answer: 'drop' });
    expect(person.session.drafts).toEqual([]);
    person.act('reopen');
    expect(find(person.session.windows, 'a1')).toMatchObject({ offeringDraft: true, asking: null });
    expect(find(person.session.drafts, 'd-a1')?.text).toBe('a1, edited');
  });

  it('comes back with the application that quit', () => {
    const person = personAt('a: a1* a2* | b: b1').act('quit');
    person.wish({ type: 'answer-closing', window: 'a1', answer: 'drop' });
    person.wish({ type: 'answer-closing', window: 'a2', answer: 'save' });
    expect(find(person.session.applications, 'a')?.running).toBe(false);
    person.act('reopen');
    expect(find(person.session.drafts, 'd-a1')?.text).toBe('a1, edited');
    expect(find(person.session.windows, 'a1')?.offeringDraft).toBe(true);
    expect(find(person.session.windows, 'a2')?.offeringDraft).toBe(false);
  });

  it('comes back after an offer was turned down, though its window is open', () => {
    const person = personAt('a: a1 | b: b1*').wish({ type: 'end-now', application: 'b' });
    person.wish({ type: 'open-document', document: 'd-b1' });
    const window = person.session.front ?? '';
    person.wish({ type: 'answer-draft', window, answer: 'drop' });
    expect(person.session.drafts).toEqual([]);
    person.act('reopen');
    expect(find(person.session.drafts, 'd-b1')?.text).toBe('b1, edited');
    expect(find(person.session.windows, window)?.offeringDraft).toBe(true);
  });

  it('waits while there is a newer draft, which is not lost either', () => {
    const person = personAt('a: a1* | b: b1').act('close');
    person.wish({ type: 'answer-closing', window: 'a1', answer: 'drop' });
    person.wish({ type: 'open-document', document: 'd-a1' });
    person.wish({ type: 'keep-draft', document: 'd-a1', text: 'newer' }).act('reopen');
    expect(find(person.session.windows, 'a1')).toBeDefined();
    expect(find(person.session.drafts, 'd-a1')?.text).toBe('newer');
    person.act('reopen');
    expect(person.notices).toEqual([{ type: 'newer-draft', document: 'd-a1' }]);
    person.wish({ type: 'save', document: 'd-a1' }).act('reopen');
    expect(find(person.session.drafts, 'd-a1')?.text).toBe('a1, edited');
  });
});
