/** Unsaved text is never lost: what was left behind is offered, what was discarded comes back. */
import { find } from '../model/table';
import { describe, expect, it } from 'vitest';
import { workerAt } from '../../../../tests/desk';

describe('drafts that were left behind', () => {
  const left = () => workerAt('a: a1 | b: b1*').wish({ type: 'end-now', application: 'b' });

  it.each([
    ['launching', { type: 'switch-to-application', application: 'b' }],
    ['opening a window', { type: 'open-window', application: 'b', inFront: true }],
    ['opening the document', { type: 'open-document', document: 'd-b1' }],
    ['reopening', { type: 'reopen', entry: null }],
  ] as const)('are offered by %s', (_, wish) => {
    const worker = left().wish(wish);
    expect(find(worker.session.windows, worker.session.front ?? '')).toMatchObject({ offeringDraft: true });
  });

  it('are not touched by what is typed or saved while they are offered', () => {
    const worker = left().wish({ type: 'open-document', document: 'd-b1' });
    for (const text of ['b1, other', 'b1']) {
      worker.wish({ type: 'keep-draft', document: 'd-b1', text });
      expect(worker.notices).toEqual([{ type: 'draft-waits', document: 'd-b1' }]);
      expect(find(worker.session.drafts, 'd-b1')?.text).toBe('b1, edited');
    }
    worker.wish({ type: 'save', document: 'd-b1' });
    expect(find(worker.session.documents, 'd-b1')?.text).toBe('b1');
    worker.wish({ type: 'answer-draft', window: worker.session.front ?? '', answer: 'take-up' });
    worker.wish({ type: 'keep-draft', document: 'd-b1', text: 'b1, more' });
    expect(find(worker.session.drafts, 'd-b1')?.text).toBe('b1, more');
  });

  it('are one offer in all windows that make it', () => {
    const worker = left().wish({ type: 'open-document', document: 'd-b1' });
    worker.wish({ type: 'reopen', entry: null });
    const offering = () => worker.session.windows.filter((window) => window.offeringDraft);
    expect(offering()).toHaveLength(2);
    worker.wish({ type: 'answer-draft', window: offering()[0]?.id ?? '', answer: 'take-up' });
    expect(offering()).toEqual([]);
  });
});

describe('what was discarded', () => {
  it('comes back with the window that it was discarded with, as an offer', () => {
    const worker = workerAt('a: a1* | b: b1').act('close');
    worker.wish({ type: 'answer-closing', window: 'a1', answer: 'drop' });
    expect(worker.session.drafts).toEqual([]);
    worker.act('reopen');
    expect(find(worker.session.windows, 'a1')).toMatchObject({ offeringDraft: true, asking: null });
    expect(find(worker.session.drafts, 'd-a1')?.text).toBe('a1, edited');
  });

  it('comes back with the application that quit', () => {
    const worker = workerAt('a: a1* a2* | b: b1').act('quit');
    worker.wish({ type: 'answer-closing', window: 'a1', answer: 'drop' });
    worker.wish({ type: 'answer-closing', window: 'a2', answer: 'save' });
    expect(find(worker.session.applications, 'a')?.running).toBe(false);
    worker.act('reopen');
    expect(find(worker.session.drafts, 'd-a1')?.text).toBe('a1, edited');
    expect(find(worker.session.windows, 'a1')?.offeringDraft).toBe(true);
    expect(find(worker.session.windows, 'a2')?.offeringDraft).toBe(false);
  });

  it('comes back after an offer was turned down, though its window is open', () => {
    const worker = workerAt('a: a1 | b: b1*').wish({ type: 'end-now', application: 'b' });
    worker.wish({ type: 'open-document', document: 'd-b1' });
    const window = worker.session.front ?? '';
    worker.wish({ type: 'answer-draft', window, answer: 'drop' });
    expect(worker.session.drafts).toEqual([]);
    worker.act('reopen');
    expect(find(worker.session.drafts, 'd-b1')?.text).toBe('b1, edited');
    expect(find(worker.session.windows, window)?.offeringDraft).toBe(true);
  });

  it('waits while there is a newer draft, which is not lost either', () => {
    const worker = workerAt('a: a1* | b: b1').act('close');
    worker.wish({ type: 'answer-closing', window: 'a1', answer: 'drop' });
    worker.wish({ type: 'open-document', document: 'd-a1' });
    worker.wish({ type: 'keep-draft', document: 'd-a1', text: 'newer' }).act('reopen');
    expect(find(worker.session.windows, 'a1')).toBeDefined();
    expect(find(worker.session.drafts, 'd-a1')?.text).toBe('newer');
    worker.act('reopen');
    expect(worker.notices).toEqual([{ type: 'newer-draft', document: 'd-a1' }]);
    worker.wish({ type: 'save', document: 'd-a1' }).act('reopen');
    expect(find(worker.session.drafts, 'd-a1')?.text).toBe('a1, edited');
  });
});
