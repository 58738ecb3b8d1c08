/** What follows from single wishes, where the rules say nothing more than that it is so: notices, refusals, and edges. */
import { describe, expect, it } from 'vitest';
import { later, sessionOf, withApplication, withWindow } from '../../../../testing/sessions';
import { decide } from '../host/decide';
import { LONGEST_LETTERS, LONGEST_TEXT, LONGEST_TITLE } from '../model/limits';
import { find } from '../model/table';
import { reduceAll, type Session, type SessionEvent } from '../session/session';
import type { Wish } from './commands';

const decided = (session: Session, wish: Wish, n = 1) =>
  decide(session, { ...wish, id: `c${n}`, at: later(n) });

let made = 99;
/** The session after some wishes, each of which must be possible. */
function after(session: Session, ...wishes: Wish[]): Session {
  return wishes.reduce((now, wish) => {
    made += 1;
    const decision = decided(now, wish, made);
    if (!decision.ok) throw new Error(decision.refusal.detail);
    return decision.session;
  }, session);
}

const eventsOf = (session: Session, wish: Wish): readonly SessionEvent[] => {
  const decision = decided(session, wish);
  return decision.ok ? decision.events : [];
};
const typesOf = (session: Session, wish: Wish) => eventsOf(session, wish).map(({ type }) => type);

const a = 'a';
const three = () => sessionOf('a: a1 a2 | b: b1 | c:');
// Made in each test, so that what makes them is tested by it too.
const stopped = () => withApplication(three(), a, { answering: false });
const resting = () => withApplication(three(), 'c', { running: false });
const asking = () => after(sessionOf('a: a1* | b: b1'), { type: 'close', window: 'a1' });
const quitting = () => after(sessionOf('a: a1* | b: b1'), { type: 'quit', application: a });
const minimised = () => sessionOf('a: a1-');

describe('a wish that changes nothing says why', () => {
  it.each<[string, () => Session, Wish, object]>([
    ['quit', resting, { type: 'quit', application: 'c' }, { type: 'not-running', application: 'c' }],
    ['end now', resting, { type: 'end-now', application: 'c' }, { type: 'not-running', application: 'c' }],
    [
      'close all',
      resting,
      { type: 'close-all', application: 'c' },
      { type: 'not-running', application: 'c' },
    ],
    [
      'close all',
      three,
      { type: 'close-all', application: 'c' },
      { type: 'nothing-to-close', application: 'c' },
    ],
    ['close', stopped, { type: 'close', window: 'a1' }, { type: 'does-not-answer', application: a }],
    ['quit', stopped, { type: 'quit', application: a }, { type: 'does-not-answer', application: a }],
    ['close', asking, { type: 'close', window: 'a1' }, { type: 'already-asking', application: a }],
    ['quit', quitting, { type: 'quit', application: a }, { type: 'already-asking', application: a }],
    ['reopen', three, { type: 'reopen', entry: null }, { type: 'nothing-to-reopen' }],
    ['minimise', minimised, { type: 'minimise', window: 'a1' }, { type: 'already-minimised' }],
    ['minimise all', minimised, { type: 'minimise-all', application: a }, { type: 'already-minimised' }],
    ['restore all', three, { type: 'restore-all', application: a }, { type: 'nothing-to-restore' }],
    ['hide', () => sessionOf('!a: a1'), { type: 'hide', application: a }, { type: 'nothing-to-put-away' }],
    ['hide', resting, { type: 'hide', application: 'c' }, { type: 'nothing-to-put-away' }],
    ['show', three, { type: 'show', application: a }, { type: 'not-hidden', application: a }],
    [
      'solo',
      () => sessionOf('a: a1 | !b: b1'),
      { type: 'solo', application: a },
      { type: 'nothing-to-put-away' },
    ],
    ['sweep', minimised, { type: 'sweep' }, { type: 'nothing-to-put-away' }],
    ['put back', three, { type: 'put-back', entry: null }, { type: 'nothing-to-put-back' }],
    ['put back', three, { type: 'put-back', entry: 'e' }, { type: 'nothing-to-put-back' }],
    [
      'settings',
      three,
      { type: 'change-settings', settings: sessionOf('a: a1').settings },
      { type: 'already-there' },
    ],
    ['forget', three, { type: 'forget-choices', choice: null }, { type: 'nothing-to-forget' }],
  ])('%s', (_, make, wish, notice) => {
    const session = make();
    expect(decided(session, wish)).toEqual({ ok: true, events: [], notices: [notice], session });
  });
});

describe('a wish is refused', () => {
  const tooLong = (letters: number) => 'x'.repeat(letters);
  const retitle = (title: string): Wish => ({ type: 'retitle-tab', window: 'a1', tab: 't-a1', title });
  const learn = (letters: string): Wish => ({ type: 'learn-choice', letters, choice: 'c' });

  it.each<[Wish, object]>([
    [
      { type: 'close', window: 'x' },
      { field: 'window', detail: "There is no window 'x'." },
    ],
    [
      { type: 'quit', application: 'x' },
      { field: 'application', detail: "There is no application 'x'." },
    ],
    [
      { type: 'save', document: 'x' },
      { field: 'document', detail: "There is no document 'x'." },
    ],
    [
      { type: 'retitle-tab', window: 'a1', tab: 't-a2', title: 'T' },
      { field: 'tab', detail: "Window 'a1' has no tab 't-a2'." },
    ],
    [
      retitle(tooLong(LONGEST_TITLE + 1)),
      { field: 'title', detail: 'The title is longer than 200 characters.' },
    ],
    [
      { type: 'keep-draft', document: 'd-a1', text: tooLong(LONGEST_TEXT + 1) },
      { field: 'text', detail: 'The text is longer than 50000 characters.' },
    ],
    [
      learn(tooLong(LONGEST_LETTERS + 1)),
      { field: 'letters', detail: 'The letters is longer than 100 characters.' },
    ],
  ])('that names what is not there, or is too long: %j', (wish, refusal) => {
    expect(decided(three(), wish)).toEqual({ ok: false, refusal });
  });

  it('and not before', () => {
    expect(decided(three(), retitle(tooLong(LONGEST_TITLE)))).toMatchObject({ ok: true });
    expect(decided(three(), learn(tooLong(LONGEST_LETTERS)))).toMatchObject({ ok: true });
  });

  it('never for a type that there is not: that is a mistake of the code', () => {
    const wish = { type: 'dance' } as unknown as Wish;
    expect(() => decided(three(), wish)).toThrow("There is no command 'dance'.");
  });
});

describe('what search remembers', () => {
  const learn = (letters: string, choice: string): Wish => ({ type: 'learn-choice', letters, choice });
  const taught = () => after(three(), learn('be', 'x'));

  it('is not learned twice by one command, but by another one, for other letters, and for another choice', () => {
    const learned = taught();
    const [{ at: learnedAt } = { at: '' }] = learned.learned;
    const again = (wish: Wish, at = learnedAt) => decide(learned, { ...wish, id: 'again', at });
    expect(again(learn('be', 'x'))).toMatchObject({ events: [] });
    for (const other of [learn('b', 'x'), learn('be', 'y')])
      expect(again(other)).toMatchObject({ events: [{ type: 'choice-learned' }] });
    expect(again(learn('be', 'x'), later(7))).toMatchObject({ events: [{ type: 'choice-learned' }] });
  });

  it('is forgotten for one choice or for all', () => {
    const learned = taught();
    expect(typesOf(learned, { type: 'forget-choices', choice: 'x' })).toEqual(['choices-forgotten']);
    expect(typesOf(learned, { type: 'forget-choices', choice: null })).toEqual(['choices-forgotten']);
    expect(typesOf(learned, { type: 'forget-choices', choice: 'y' })).toEqual([]);
  });
});

describe('a draft', () => {
  const keep = (text: string): Wish => ({ type: 'keep-draft', document: 'd-a1', text });

  it('is kept when the text is another one, and no draft any more when it is the saved one', () => {
    expect(typesOf(three(), keep('new'))).toEqual(['draft-kept']);
    expect(typesOf(three(), keep('a1'))).toEqual([]);
    const drafted = after(three(), keep('new'));
    expect(typesOf(drafted, keep('new'))).toEqual([]);
    expect(typesOf(drafted, keep('a1'))).toEqual(['draft-undone']);
  });

  it('that is offered waits for an answer, and is taken up or kept with what ended', () => {
    const left = after(sessionOf('a: a1* | b: b1'), { type: 'end-now', application: a });
    const offered = after(left, { type: 'switch-to-application', application: a });
    const window = offered.windows.find(({ application }) => application === a)?.id ?? '';
    expect(decided(offered, keep('more'))).toMatchObject({
      notices: [{ type: 'draft-waits', document: 'd-a1' }],
      events: [],
    });
    expect(typesOf(offered, { type: 'answer-draft', window, answer: 'take-up' })).toEqual(['offers-changed']);
    expect(typesOf(offered, { type: 'answer-draft', window, answer: 'drop' })).toEqual([
      'drafts-discarded',
      'offers-changed',
    ]);
    expect(typesOf(three(), { type: 'answer-draft', window: 'a1', answer: 'drop' })).toEqual([]);
  });
});

describe('windows and applications', () => {
  it('that are put away where nothing is in front of it are kept with what changed, and no more', () => {
    const { geometry } = find(three().windows, 'b1') ?? {};
    const entry = { id: 'e-c1', kind: 'minimise', subject: 'b1', windows: [{ window: 'b1', geometry }] };
    const unchanged = { applications: [], stacking: null, front: null };
    const away = { type: 'put-away', entry: { ...entry, ...unchanged } };
    expect(eventsOf(three(), { type: 'minimise', window: 'b1' }).at(-1)).toEqual(away);
  });

  it('say what they show now, once', () => {
    const retitle = (title: string): Wish => ({ type: 'retitle-tab', window: 'a1', tab: 't-a1', title });
    expect(typesOf(three(), retitle('other'))).toEqual(['tab-retitled']);
    expect(typesOf(three(), retitle('a1'))).toEqual([]);
  });

  it('stop answering once', () => {
    expect(typesOf(three(), { type: 'stop-answering', application: a })).toEqual([
      'application-stopped-answering',
    ]);
    expect(typesOf(stopped(), { type: 'stop-answering', application: a })).toEqual([]);
  });

  it('come forward on the tab that shows the document', () => {
    const tabs = [
      { id: 't1', title: 'one', document: 'd-a1' },
      { id: 't2', title: 'two', document: 'd-a2' },
    ];
    const tabbed = withWindow(three(), 'a1', { tabs, activeTab: 't1' });
    const open: Wish = { type: 'open-document', document: 'd-a2' };
    const shown = after(tabbed, { type: 'close', window: 'a2' });
    expect(eventsOf(shown, open)).toContainEqual({ type: 'tab-activated', window: 'a1', tab: 't2' });
    expect(typesOf(shown, { type: 'open-document', document: 'd-a1' })).toEqual([]);
  });

  it('open where they were, on the workspace that is seen if theirs is gone', () => {
    const closed = after(sessionOf('a: a1~ a2 | b: b1'), { type: 'close', window: 'a1' });
    const less = { ...closed, workspaces: closed.workspaces.filter(({ id }) => id === 'here') };
    const reopened = after(less, { type: 'reopen', entry: null });
    expect(find(reopened.windows, 'a1')).toMatchObject({ workspace: 'here' });
    expect(find(after(closed, { type: 'reopen', entry: null }).windows, 'a1')).toMatchObject({
      workspace: 'there',
    });
  });
});

describe('what older versions wished', () => {
  const toggle: Wish = { type: 'hide-or-show', application: a };
  const sweep: Wish = { type: 'sweep-or-put-back' };

  it('hides what is shown, puts back what that hid, and shows what was hidden by other means', () => {
    const hidden = after(three(), toggle);
    expect(find(hidden.applications, a)?.hidden).toBe(true);
    expect(typesOf(hidden, toggle)).toContain('put-back');
    expect(typesOf(sessionOf('!a: a1 | b: b1'), toggle)).toEqual(['applications-shown']);
    const sweptSince = after(hidden, { type: 'sweep' });
    expect(typesOf(sweptSince, toggle)).not.toContain('put-back');
  });

  it('sweeps, and puts back straight after', () => {
    const swept = after(three(), sweep);
    expect(swept.windows.every(({ minimised }) => minimised)).toBe(true);
    const back = eventsOf(swept, sweep);
    expect(reduceAll(swept, back).windows.some(({ minimised }) => minimised)).toBe(false);
    const shownSince = after(swept, { type: 'bring-to-front', window: 'b1', raiseAll: false });
    expect(typesOf(shownSince, sweep)).toContain('put-away');
  });
});
