/** What single events make of a session, and what selectors say of it, where no rule asks for it by name. */
import { describe, expect, it } from 'vitest';
import { later, sessionOf, withApplication, withWindow } from '../../../../testing/sessions';
import { toDocument } from '../formats/session-document';
import { STACK_DEPTH } from '../model/limits';
import { find } from '../model/table';
import { reduceAll, type Session, type SessionEvent } from '../session/session';
import { weightOf } from '../session/weight';
import { applicationOf } from './applications/selectors';
import { documentOf } from './documents/selectors';
import { draftOf, isUnsaved, shownText, windowsOffering } from './drafts/selectors';
import { raised } from './front/selectors';
import { activeTab, isAsking, windowOf } from './windows/selectors';
import { workspaceName } from './workspaces/selectors';

const desk = () => sessionOf('a: a1 a2* | b: b1');
const tabs = [
  { id: 't1', title: 'one', document: 'd-a1' },
  { id: 't2', title: 'two', document: 'd-a2' },
];
const closing = { goal: 'close', dropping: false } as const;
const quitting = { goal: 'quit', dropping: false } as const;
const after = (session: Session, ...events: SessionEvent[]) => reduceAll(session, events);
const ids = (list: readonly { id: string }[]) => list.map(({ id }) => id);

describe('an application', () => {
  it('is as new when it is launched, starts again, or has ended', () => {
    const worn = { hidden: true, quitting: true, answering: false };
    const used = () => withApplication(desk(), 'b', worn);
    const event = (type: 'application-launched' | 'application-restarted') =>
      after(used(), { type, application: 'b' });
    expect(applicationOf(event('application-launched'), 'b')).toMatchObject({
      running: true,
      hidden: false,
      answering: true,
    });
    expect(applicationOf(event('application-restarted'), 'b')).toMatchObject({
      hidden: true,
      quitting: false,
      answering: true,
    });
    const end = { type: 'application-ended', application: 'b', discarded: [], entry: 'e' } as const;
    expect(applicationOf(after(used(), end), 'b')).toMatchObject({
      running: false,
      hidden: false,
      quitting: false,
      answering: true,
    });
  });

  it('that starts again offers the drafts of its windows, and asks nothing more', () => {
    const asked = withWindow(desk(), 'a2', { asking: closing });
    const { windows } = after(asked, { type: 'application-restarted', application: 'a' });
    expect(find(windows, 'a2')).toMatchObject({ asking: null, offeringDraft: true });
    expect(find(windows, 'a1')).toMatchObject({ offeringDraft: false });
  });

  it('whose quit is cancelled takes back what the quit asked, and no other question', () => {
    const asked = withWindow(withWindow(desk(), 'a1', { asking: quitting }), 'a2', { asking: closing });
    const { windows } = after(asked, { type: 'quit-cancelled', application: 'a' });
    expect([find(windows, 'a1')?.asking, find(windows, 'a2')?.asking]).toEqual([null, closing]);
  });
});

describe('a window', () => {
  it('has its tabs changed one by one', () => {
    const tabbed = withWindow(desk(), 'a1', { tabs, activeTab: 't1' });
    const renamed = after(tabbed, { type: 'tab-retitled', window: 'a1', tab: 't2', title: 'new' });
    expect(windowOf(renamed, 'a1').tabs.map(({ title }) => title)).toEqual(['one', 'new']);
    expect(activeTab(windowOf(renamed, 'a1')).title).toBe('one');
    const gone = after(renamed, { type: 'tab-activated', window: 'a1', tab: 't2' });
    expect(activeTab(windowOf(gone, 'a1')).title).toBe('new');
    expect(() => activeTab({ ...windowOf(gone, 'a1'), activeTab: 'x' })).toThrow(
      "Window 'a1' has no tab 'x'.",
    );
  });

  it('asks until it is answered, and is told to drop by one answer alone', () => {
    const asked = after(desk(), { type: 'closing-asked', windows: ['a2'], goal: 'quit' });
    expect(isAsking(windowOf(asked, 'a2'))).toBe(true);
    const settled = (answer: 'drop' | 'keep-open') =>
      windowOf(after(asked, { type: 'closing-settled', window: 'a2', answer }), 'a2');
    expect(settled('drop').asking).toEqual({ goal: 'quit', dropping: true });
    expect(isAsking(settled('drop'))).toBe(false);
    expect(settled('keep-open').asking).toBeNull();
  });

  it('shows its draft, but what was saved while the draft is merely offered', () => {
    expect(shownText(desk(), windowOf(desk(), 'a2'))).toBe('a2, edited');
    expect(shownText(desk(), windowOf(desk(), 'a1'))).toBe('a1');
    expect(shownText(desk(), { ...windowOf(desk(), 'a2'), offeringDraft: true })).toBe('a2');
  });

  it('offers the draft of any document that it shows', () => {
    const offering = withWindow(desk(), 'a1', { tabs, activeTab: 't1', offeringDraft: true });
    expect(ids(windowsOffering(offering, ['d-a2', 'd-b1']))).toEqual(['a1']);
    expect(windowsOffering(offering, ['d-b1'])).toEqual([]);
    expect(isUnsaved(offering, windowOf(offering, 'a1'))).toBe(false);
    expect(isUnsaved(offering, windowOf(offering, 'a2'))).toBe(true);
  });
});

describe('what is kept to be brought back', () => {
  const close = (window: string): SessionEvent => ({
    type: 'windows-closed',
    windows: [window],
    discarded: [],
    entry: `e-${window}`,
  });

  it('is named: another than the newest leaves the list alone', () => {
    const closed = after(desk(), close('a1'), close('b1'));
    expect(ids(after(closed, { type: 'ended-reopened', entry: 'e-a1' }).ended)).toEqual(['e-b1']);
    expect(ids(after(closed, { type: 'ended-reopened', entry: null }).ended)).toEqual(['e-a1']);
    expect(ids(after(closed, { type: 'ended-reopened', entry: 'x' }).ended)).toEqual(['e-a1', 'e-b1']);
  });

  it('comes back with its drafts, but for those that a newer one waits for', () => {
    const discarded = { type: 'windows-closed', windows: ['a2'], discarded: ['d-a2'], entry: 'e' } as const;
    const typed: SessionEvent = { type: 'draft-kept', document: 'd-a2', text: 'newer', at: later(1) };
    const back: SessionEvent = { type: 'ended-reopened', entry: 'e' };
    expect(after(desk(), discarded, back)).toMatchObject({
      ended: [],
      drafts: [{ id: 'd-a2', text: 'a2, edited' }],
    });
    const waiting = {
      kind: 'draft',
      windows: [],
      discarded: [{ document: 'd-a2', draft: { text: 'a2, edited' } }],
    };
    expect(after(desk(), discarded, typed, back)).toMatchObject({
      ended: [waiting],
      drafts: [{ text: 'newer' }],
    });
  });

  it('is so much and no more, the oldest going first', () => {
    const many = Array.from({ length: STACK_DEPTH + 2 }, (_, n) => `${n}`);
    const entry = {
      kind: 'hide',
      subject: '',
      windows: [],
      applications: [],
      stacking: null,
      front: null,
    } as const;
    const away = after(
      desk(),
      ...many.map((id): SessionEvent => ({ type: 'put-away', entry: { ...entry, id } })),
    );
    expect(ids(away.putAways)).toEqual(many.slice(2));
    expect(ids(after(away, { type: 'put-back-levels', levels: 3 }).putAways)).toEqual(many.slice(2, -3));
    const crowd = sessionOf(`a: ${many.map((n) => `a${n}`).join(' ')}`);
    const ended = after(crowd, ...many.map((n) => close(`a${n}`)));
    expect(ids(ended.ended)).toEqual(many.slice(2).map((n) => `e-a${n}`));
  });
});

describe('the pile', () => {
  it('has some raised above all others in the order they had, and stays the same one if it is so already', () => {
    const pile = ['a', 'b', 'c', 'd'];
    expect(raised(pile, ['a', 'c'])).toEqual(['b', 'd', 'a', 'c']);
    expect(raised(pile, ['c'])).toEqual(['a', 'b', 'd', 'c']);
    expect(raised(pile, [])).toBe(pile);
    expect(raised(pile, ['d'])).toBe(pile);
    expect(raised(pile, ['d', 'b'])).toEqual(['a', 'c', 'b', 'd']);
  });
});

it('settings are changed as a whole', () => {
  const settings = { holdKey: 'Meta', holding: false, theme: 'night' } as const;
  expect(after(desk(), { type: 'settings-changed', settings }).settings).toEqual(settings);
});

it('what is not there is told by its kind and name', () => {
  expect(() => windowOf(desk(), 'x')).toThrow("no window 'x'");
  expect(() => applicationOf(desk(), 'x')).toThrow("no application 'x'");
  expect(() => documentOf(desk(), 'x')).toThrow("no document 'x'");
  expect(() => draftOf(desk(), 'd-b1')).toThrow("Document 'd-b1' has no draft.");
  expect(() => after(desk(), { type: 'windows-minimised', windows: ['x'] })).toThrow("no window 'x'");
  expect([workspaceName(desk(), 'there'), workspaceName(desk(), 'x')]).toEqual(['There', '']);
});

describe('the weight of a session', () => {
  const bytes = (session: Session) => new TextEncoder().encode(JSON.stringify(toDocument(session))).length;
  /** Everything in the state that takes most room, so that what its document has is what it weighs. */
  const heaviest = (line: string): Session => {
    const session = sessionOf(line);
    const flags = {
      running: false,
      hidden: false,
      answering: false,
      quitting: false,
      silentSince: later(0),
    };
    const state = { minimised: false, seen: false, offeringDraft: false };
    const largest = { on: { width: 20_000, height: 20_000 }, part: 'right-two-thirds' } as const;
    const geometry = { x: -20_000, y: -20_000, width: 20_000, height: 20_000 };
    return {
      ...session,
      applications: session.applications.map((one) => ({ ...one, ...flags })),
      windows: session.windows.map((one) => ({
        ...one,
        ...state,
        ...largest,
        geometry,
        asking: { ...closing, tab: one.activeTab },
      })),
    };
  };

  it.each([
    ['an application', 'a: a1 | b:', 'a: a1'],
    ['a window', 'a: a1 a2', 'a: a1'],
    ['a draft', 'a: a1* a2*', 'a: a1* a2'],
    ['a longer name', 'a: a1 | baker:', 'a: a1 | b:'],
  ])('grows by %s as its document does', (_, more, less) => {
    const [heavy, light] = [heaviest(more), heaviest(less)];
    expect(weightOf(heavy) - weightOf(light)).toBe(bytes(heavy) - bytes(light));
    expect(weightOf(heavy)).toBeGreaterThan(bytes(heavy));
  });
});
