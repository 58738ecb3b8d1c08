import { describe, expect, it } from 'vitest';
import { sessionOf, withApplication, withWindow } from '../../../../testing/sessions';
import type { Session } from '../session/session';
import { windowsOf } from '../slices/recency/selectors';
import type { Application } from '../slices/applications/state';
import { standingOfApplication, standingOfLoneWindow, standingOfWindow } from './standing';
import { standingText } from './standing-text';

const quits = (dropping: boolean) => ({ asking: { goal: 'quit', dropping } }) as const;

describe('how an application stands', () => {
  const standing = (session: Session) =>
    standingOfApplication(
      session,
      'a',
      windowsOf(session, 'a').map(({ id }) => id),
    )
      .map(standingText)
      .join(', ');
  const is = (line: string, change: Partial<Application>) => withApplication(sessionOf(line), 'a', change);

  it.each<[string, () => Session]>([
    ['', () => sessionOf('a: a1 a2 | b: b1-')],
    ['no windows', () => sessionOf('a: | b: b1')],
    ['hidden', () => sessionOf('!a: a1')],
    ['not responding', () => is('a: a1', { answering: false })],
    ['quitting', () => is('a: a1', { quitting: true })],
    ['unsaved', () => sessionOf('a: a1* a2')],
    ['2 unsaved', () => sessionOf('a: a1* a2* a3')],
    ['1 minimised', () => sessionOf('a: a1- a2')],
    ['minimised', () => sessionOf('a: a1-')],
    ['both minimised', () => sessionOf('a: a1- a2-')],
    ['all 3 minimised', () => sessionOf('a: a1- a2- a3-')],
    ['on There', () => sessionOf('a: a1~ a2~')],
    ['some on There', () => sessionOf('a: a1~ a2')],
    [
      'on There and Upstairs',
      () => {
        const session = sessionOf('a: a1~ a2~ a3~');
        const workspaces = [...session.workspaces, { id: 'up', name: 'Upstairs' }];
        return withWindow({ ...session, workspaces }, 'a2', { workspace: 'up' });
      },
    ],
    ['needs an answer', () => withWindow(is('a: a1* a2', { quitting: true }), 'a1', quits(false))],
    [
      '2 need an answer',
      () => withWindow(withWindow(sessionOf('a: a1* a2*'), 'a1', quits(false)), 'a2', quits(false)),
    ],
    // What was told to drop neither asks nor is unsaved.
    ['quitting', () => withWindow(is('a: a1* a2', { quitting: true }), 'a1', quits(true))],
    [
      'not responding, hidden, unsaved, 1 minimised, some on There',
      () => is('!a: a1* a2- a3~', { answering: false }),
    ],
  ])('%s', (text, make) => expect(standing(make())).toBe(text));
});

describe('how a window stands', () => {
  const standing = (session: Session, of = standingOfWindow) =>
    of(session, 'a1').map(standingText).join(', ');

  it.each<[string, () => Session]>([
    ['', () => sessionOf('!a: a1')],
    ['unsaved', () => sessionOf('a: a1*')],
    ['minimised', () => sessionOf('a: a1-')],
    ['on There', () => sessionOf('a: a1~')],
    ['new', () => withWindow(sessionOf('a: a1'), 'a1', { seen: false })],
    ['needs an answer', () => withWindow(sessionOf('a: a1*'), 'a1', quits(false))],
    ['draft kept', () => withWindow(sessionOf('a: a1*'), 'a1', { offeringDraft: true })],
    ['unsaved, minimised, on There, new', () => withWindow(sessionOf('a: a1*-~'), 'a1', { seen: false })],
  ])('%s', (text, make) => expect(standing(make())).toBe(text));

  it('alone it says that it is hidden as well', () => {
    expect(standing(sessionOf('!a: a1-'), standingOfLoneWindow)).toBe('hidden, minimised');
    expect(standing(sessionOf('a: a1-'), standingOfLoneWindow)).toBe('minimised');
  });
});
