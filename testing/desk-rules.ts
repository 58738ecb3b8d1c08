/** What holds at the desk whatever happens, for the exploration in `npm test` and the deeper one by `npm run explore`. */
import { idsOf } from '../src/lib/core/model/order';
import { has } from '../src/lib/core/model/table';
import { problemsOf } from '../src/lib/core/session/session';
import { highlightedLeaf } from '../src/lib/core/switcher/switcher';
import { sessionOf } from './sessions';
import { explore, type Explored, type Standing, type Visit } from './explore';

const orders = ({ session }: Standing) =>
  [session.recent.windows, session.recent.applications].map((order) => idsOf(order).join()).join(' ');
const isHeldOpen = ({ desk }: Standing) => desk.switcher?.mode === 'holding';
const waits = ({ desk }: Standing) => desk.switcher !== null && !desk.shown;
const timed = (visit: Visit, type: 'schedule' | 'cancel') =>
  visit.effects.some((effect) => effect.type === type && effect.timer === 'show');

/** Each rule tells whether it holds at a step. */
export const RULES: Readonly<Record<string, (visit: Visit) => boolean>> = {
  'the session is valid': ({ before, after }) =>
    after.session === before.session || problemsOf(after.session).length === 0,
  'what is highlighted exists': ({ after: { desk, session } }) => {
    const { switcher } = desk;
    if (!switcher) return true;
    const row = switcher.rows[switcher.row];
    if (!row) return switcher.rows.length === 0 && switcher.row === -1;
    const leaf = highlightedLeaf(switcher, session);
    const running = session.recent.applications.some(({ id }) => id === row.application);
    const { search } = switcher;
    const found = !search || search.highlighted < search.results.length;
    return running && found && (leaf === null || has(session.windows, leaf));
  },
  'nothing re-sorts while it is open': ({ before, after }) => {
    const [a, b] = [before.desk.switcher, after.desk.switcher];
    if (!a || !b) return true;
    const kept = a.rows.filter((row) => b.rows.some(({ application }) => application === row.application));
    return kept.every((row, n) => b.rows[n]?.application === row.application);
  },
  'a release chooses once or not at all, and closes what was held open': ({ name, before, after, wished }) =>
    name !== 'release' || (wished.length <= (isHeldOpen(before) ? 1 : 0) && !isHeldOpen(after)),
  'only a release, Enter or the next question brings something forward': ({ name, before, wished }) =>
    !before.desk.switcher ||
    ['release', 'Enter', 'T'].includes(name) ||
    wished.every(({ type }) => type !== 'bring-to-front' && type !== 'switch-to-application'),
  'Escape changes no order and wishes nothing, and closes what is open': ({ name, before, after, wished }) =>
    name !== 'Escape' ||
    (wished.length === 0 && orders(before) === orders(after) && after.desk.switcher === null),
  'stepping, typing and glancing change no session': ({ name, before, after }) =>
    !/^(S|S again|S up|A|F|ArrowDown|type .*|Space|Space up)$/.test(name) || after.session === before.session,
  'what is typed for the search line does nothing': ({ name, before, wished }) =>
    !before.desk.searching ||
    !before.desk.switcher ||
    !/^([ZXVRGTA]|Shift R)$/.test(name) ||
    wished.length === 0,
  'a release that was missed chooses nothing, and what was held open stays': ({ name, before, after }) =>
    !/missed/.test(name) ||
    (after.session === before.session &&
      !isHeldOpen(after) &&
      (!before.desk.switcher || !!after.desk.switcher)),
  'letting go right after putting away chooses nothing': ({ name, before, wished }) =>
    name !== 'release' || !before.desk.switcher?.putAway || wished.length === 0,
  'what is shown is open, and what stays open is shown': ({ after: { desk } }) =>
    desk.shown ? desk.switcher !== null : desk.switcher === null || desk.switcher.mode === 'holding',
  'what waits for its time does not wait for ever': (visit) =>
    waits(visit.after)
      ? timed(visit, 'schedule') || waits(visit.before)
      : !waits(visit.before) || timed(visit, 'cancel') || visit.name === 'time to show',
  'the switcher and the index are never both in the way': ({ after: { desk } }) =>
    desk.switcher === null || desk.walk === null,
  'where someone walks something stands': ({ after: { desk, session } }) =>
    desk.walk === null || desk.walk.at === -1 || (session.places[desk.walk.at] ?? null) !== null,
  'nothing changes the index': ({ before, after }) => after.session.places === before.session.places,
  'a run ends with everything but its own key and time that passes': ({ name, before, after }) =>
    before.desk.run === null ||
    after.desk.run === null ||
    ['1', 'hold', 'release', 'S up', 'S again', 'Space up'].includes(name) ||
    // What is typed comes by keys, which are told before.
    /elsewhere|pointer|time|type/.test(name),
  'nothing stays down that came up': ({ name, after }) =>
    name !== 'S up' || !after.desk.taken.includes('KeyS'),
  'without the hold key nothing is glanced at or explained': ({ name, after: { desk } }) =>
    !['release', 'focus lost'].includes(name) || (!desk.glancing && !desk.explained),
};

/**
 * Every sequence of happenings up to a depth, over three applications.
 * @throws Error that names a broken rule and a shortest way to break it.
 */
export const exploreWithRules = (depth: number): Explored =>
  explore(sessionOf('a: a1 a2 | b: b1* | c: c1-'), depth, (visit) => {
    for (const [rule, holds] of Object.entries(RULES))
      if (!holds(visit)) throw new Error(`${rule}: ${[...visit.path, visit.name].join(', ')}`);
  });
