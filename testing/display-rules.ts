/** Switching rules that a display can show, as one table: the simulated host and a display are held to it. */
import { idsOf } from '../src/lib/core/model/order';
import type { Session } from '../src/lib/core/session/session';
import type { Person } from './person';

/** What of a session anybody before a display can see, and the order of recent use. */
export interface SeenDesk {
  readonly front: string | null;
  /** Bottom first. */
  readonly stacking: string;
  readonly minimised: string;
  readonly hidden: string;
  /** What is not on the first workspace. */
  readonly elsewhere: string;
  /** So many from the first. */
  readonly workspace: number;
  readonly windows: string;
  readonly recent: string;
}

export const seenDesk = (session: Session): SeenDesk => {
  const [first] = session.workspaces;
  const of = (ids: readonly { readonly id: string }[]) =>
    ids
      .map(({ id }) => id)
      .sort()
      .join(' ');
  return {
    front: session.front,
    stacking: session.stacking.join(' '),
    minimised: of(session.windows.filter(({ minimised }) => minimised)),
    hidden: of(session.applications.filter(({ hidden }) => hidden)),
    elsewhere: of(session.windows.filter(({ workspace }) => workspace !== first?.id)),
    workspace: session.workspaces.findIndex(({ id }) => id === session.workspace),
    windows: of(session.windows),
    recent: idsOf(session.recent.windows).join(' '),
  };
};

export interface DisplayRule {
  readonly rule: string;
  /** As of `sessionOf`: all windows shown. */
  readonly desk: string;
  readonly does: (person: Person) => unknown;
  readonly then: Partial<SeenDesk>;
}

export const DISPLAY_RULES: readonly DisplayRule[] = [
  {
    rule: 'rule 2: only coming to the front moves anything, and twice is back',
    desk: 'a: a1 a2 | b: b1 | c: c1',
    does: (person) => person.flip().flip().flip(),
    then: { front: 'b1', recent: 'b1 a1 a2 c1', stacking: 'c1 a2 a1 b1' },
  },
  {
    rule: 'rule 4: when the front window goes away, the most recent one that can be seen is next',
    desk: 'a: a1 | b: b1 | c: c1',
    does: (person) => person.flip().act('minimise').release(),
    then: { front: 'a1', minimised: 'b1' },
  },
  {
    rule: 'rule 4: also of another application’s, when it is closed',
    desk: 'a: a1 a2 | b: b1',
    does: (person) => {
      person.wish({ type: 'bring-to-front', window: 'b1', raiseAll: false });
      person.wish({ type: 'bring-to-front', window: 'a2', raiseAll: false });
      person.act('close').letGo();
    },
    then: { front: 'b1', windows: 'a1 b1' },
  },
  {
    rule: 'rule 8: Escape leaves without choosing; what was put away stays away',
    desk: 'a: a1 | b: b1 | c: c1',
    does: (person) => person.step('older-application').act('minimise').escape().letGo(),
    then: { front: 'a1', minimised: 'b1', recent: 'a1 b1 c1' },
  },
  {
    rule: 'rule 9: a chosen leaf is restored and comes to the front',
    desk: 'a: a1 a2 | b: b1',
    does: (person) => {
      person.wish({ type: 'minimise', window: 'a2' });
      person.step('next-window').release();
    },
    then: { front: 'a2', minimised: '' },
  },
  {
    rule: 'rule 9: its workspace is entered',
    desk: 'a: a1 | b: b1 b2',
    does: (person) => {
      person.act('carry-to-next-workspace').letGo();
      person.wish({ type: 'bring-to-front', window: 'a1', raiseAll: false });
    },
    then: { front: 'a1', workspace: 1, elsewhere: 'a1' },
  },
  {
    rule: 'rule 9: its application is shown',
    desk: 'a: a1 | b: b1 b2',
    does: (person) => {
      person.wish({ type: 'hide', application: 'b' });
      person.wish({ type: 'bring-to-front', window: 'b2', raiseAll: false });
    },
    then: { front: 'b2', hidden: '', minimised: '' },
  },
  {
    rule: 'rule 10: with Shift at the release all of the application’s come up, keeping their order',
    desk: 'a: a1 | b: b1 | c: c1 c2 | d: d1',
    does: (person) => person.step('older-application', 'older-application').release({ shift: true }),
    then: { front: 'c1', stacking: 'd1 b1 a1 c2 c1' },
  },
  {
    rule: 'rule 10: a row stands for its most recent window that is not minimised',
    desk: 'a: a1 | b: b1 b2',
    does: (person) => {
      person.wish({ type: 'minimise', window: 'b1' });
      person.flip();
    },
    then: { front: 'b2', minimised: 'b1' },
  },
  {
    rule: 'rule 11: hide is a toggle and keeps what was minimised',
    desk: 'a: a1 | b: b1 b2 b3',
    does: (person) => {
      person.wish({ type: 'minimise', window: 'b2' });
      person.step('older-application').act('hide-or-show');
    },
    then: { front: 'a1', hidden: 'b', minimised: 'b2' },
  },
  {
    rule: 'rule 11: and back, exactly',
    desk: 'a: a1 | b: b1 b2 b3',
    does: (person) => {
      person.wish({ type: 'minimise', window: 'b2' });
      person.step('older-application').act('hide-or-show').act('hide-or-show').escape().letGo();
    },
    then: { front: 'a1', hidden: '', minimised: 'b2', stacking: 'b3 b2 b1 a1', recent: 'a1 b1 b2 b3' },
  },
  {
    rule: 'rule 11: several in a row',
    desk: 'a: a1 a2 | b: b1 | c: c1 | d: d1',
    does: (person) =>
      person
        .step('older-application')
        .act('quit')
        .act('hide-or-show')
        .step('older-application')
        .act('minimise'),
    then: { front: 'a1', windows: 'a1 a2 c1 d1', hidden: 'c', minimised: 'd1' },
  },
  {
    rule: 'rule 13: one step of windows flips between the two most recent',
    desk: 'a: a1 a2 a3 | b: b1',
    does: (person) => person.flip('next-window').flip('next-window').flip('next-window'),
    then: { front: 'a2', recent: 'a2 a1 a3 b1' },
  },
  {
    rule: 'rule 16: put back restores exactly what a sweep changed',
    desk: 'a: a1 a2 | b: b1',
    does: (person) => {
      person.wish({ type: 'minimise', window: 'a2' });
      person.act('sweep').letGo();
      person.act('put-back').letGo();
    },
    then: { front: 'a1', minimised: 'a2', stacking: 'b1 a2 a1' },
  },
  {
    rule: 'rule 16: and what one program alone hid',
    desk: 'a: a1 a2 | b: b1 b2 | c: c1',
    does: (person) => {
      person.wish({ type: 'solo', application: 'b' });
      person.act('put-back').letGo();
    },
    then: { front: 'a1', hidden: '', stacking: 'c1 b2 b1 a2 a1' },
  },
  {
    rule: 'rule 17: a second sweep straight after the first puts back',
    desk: 'a: a1 | b: b1 | c: c1',
    does: (person) => {
      person.act('sweep').letGo();
      person.act('sweep').letGo();
    },
    then: { front: 'a1', minimised: '', stacking: 'c1 b1 a1' },
  },
  {
    rule: 'a sweep leaves nothing in front',
    desk: 'a: a1 | b: b1',
    does: (person) => person.act('sweep').letGo(),
    then: { front: null, minimised: 'a1 b1' },
  },
  {
    rule: 'workspaces: back where it was carried from, the most recent window is in front',
    desk: 'a: a1 | b: b1 | c: c1',
    does: (person) => {
      person.wish({ type: 'bring-to-front', window: 'b1', raiseAll: false });
      person.act('carry-to-next-workspace').letGo();
      person.act('previous-workspace').letGo();
    },
    then: { front: 'a1', workspace: 0, elsewhere: 'b1' },
  },
  {
    rule: 'all windows of a program are minimised and restored together',
    desk: 'a: a1 a2 | b: b1',
    does: (person) => {
      person.wish({ type: 'minimise-all', application: 'a' });
      person.wish({ type: 'restore-all', application: 'a' });
    },
    then: { front: 'b1', minimised: '' },
  },
];
