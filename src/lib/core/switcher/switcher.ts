/**
 * The switcher: a state machine over a frozen picture of both orders of recent use (switching rules 5 to 11).
 * It holds no timers and no session of its own; what it chooses comes out as a wish.
 */
import type { Invocation } from '../actions/action';
import { applicationTarget, type Target } from '../actions/target';
import type { Wish } from '../commands/commands';
import type { Step } from '../desk/order';
import type { ApplicationId, WindowId } from '../model/ids';
import { LONGEST_LETTERS } from '../model/limits';
import { idsOf } from '../model/order';
import { isThere, type Candidate, type Subject } from '../search/candidates';
import type { Found } from '../search/matches';
import { lettersOf } from '../search/search';
import type { Session } from '../session/session';
import { applicationOf } from '../slices/applications/selectors';
import { frontApplication } from '../slices/front/selectors';
import { windowsByApplication } from '../slices/recency/selectors';
import { switcherScopeOf, type SwitcherScope } from '../slices/settings/state';
import { isAsking, windowOf, windowToChoose } from '../slices/windows/selectors';

/** One application's row, with its windows as leaves in the order that was frozen at opening. */
export interface FoldRow {
  readonly application: ApplicationId;
  readonly leaves: readonly WindowId[];
}

/** The open switcher. A value: advancing gives a new one, or the same if nothing changed. */
export interface Switcher {
  /** Everything that runs, as it was frozen. */
  readonly all: readonly FoldRow[];
  /** What of it is shown: all, or what is on this workspace. */
  readonly rows: readonly FoldRow[];
  readonly shows: SwitcherScope;
  /** The index of the unfolded row; -1 only while there are no rows. */
  readonly row: number;
  /** The leaf chosen by hand in the unfolded row; null while the row speaks for its best window. */
  readonly leaf: WindowId | null;
  /** `holding`: the release of the hold key commits. `staying`: Enter commits. */
  readonly mode: 'holding' | 'staying';
  /** What was typed and what it finds; null while the search line is empty. The rows then step aside. */
  readonly search: SwitcherSearch | null;
  /** True right after the highlighted was put away, with no step since: then a commit chooses nothing (rule 11). */
  readonly putAway: boolean;
}

/** What stands in the search line, and what it finds. */
export interface SwitcherSearch {
  readonly letters: string;
  readonly results: readonly Found[];
  /** The index of the highlighted result; -1 while nothing is found. */
  readonly highlighted: number;
  /** The results that were gone into, the outermost first; none while everything is searched. */
  readonly within: readonly Level[];
}

/** A result that was gone into. */
export interface Level {
  readonly candidate: Candidate;
  /** What is inside it. */
  readonly inside: readonly Candidate[];
  /** What was found before, to go back to. */
  readonly from: Pick<SwitcherSearch, 'letters' | 'results' | 'highlighted'>;
}

/** What the switcher reacts to. */
export type SwitcherInput =
  | { readonly type: 'open'; readonly by: Step | null; readonly mode: 'holding' | 'staying' }
  /** Everything instead of what is here alone, or the other way round. */
  | { readonly type: 'everything-or-here' }
  | { readonly type: 'step'; readonly step: Step; readonly repeat: boolean }
  /** To the first or last row, or several rows on, stopping at the ends. */
  | { readonly type: 'jump'; readonly rows: number }
  /** To the first or last leaf of the unfolded row. */
  | { readonly type: 'jump-leaf'; readonly to: 'first' | 'last' }
  /** To an application's row, leaving search; being there already, to its next leaf. */
  | { readonly type: 'to-row'; readonly application: ApplicationId }
  | { readonly type: 'point'; readonly application: ApplicationId; readonly window: WindowId | null }
  /** What stands in the search line, and what it finds. */
  | { readonly type: 'type'; readonly letters: string; readonly results: readonly Found[] }
  | { readonly type: 'point-result'; readonly index: number }
  /** Into the highlighted result, to search there; `results`: all that is inside. */
  | { readonly type: 'into'; readonly inside: readonly Candidate[]; readonly results: readonly Found[] }
  /** Out of it again. */
  | { readonly type: 'out' }
  /** Asked for, or because the release of the hold key went unseen (rule 8). */
  | { readonly type: 'stay' }
  | { readonly type: 'session-changed' }
  /** Something was done to the highlight; `away`: so that letting go should bring nothing forward (rule 11). */
  | { readonly type: 'acted'; readonly away: boolean }
  /** A quit on a row that waits for an answer already goes to the next one that does not (rule 11). */
  | { readonly type: 'pass-on' }
  | { readonly type: 'commit'; readonly raiseAll: boolean }
  | { readonly type: 'cancel' };

/** What an input leads to. */
export interface Advance {
  /** The switcher afterwards; null when it is closed. */
  readonly switcher: Switcher | null;
  /** What a commit chose. */
  readonly choice: Choice | null;
}

/** What a commit chose. */
export interface Choice {
  /** What it asks of the session, or the action that it stands for. */
  readonly does: { readonly wish: Wish } | { readonly invocation: Invocation; readonly target?: Target };
  /** What search should remember, if it was found by letters. */
  readonly learn: { readonly letters: string; readonly choice: string } | null;
}

/** The switcher after `input`. Inputs that mean nothing in the present state leave it as it is. */
export function advance(switcher: Switcher | null, input: SwitcherInput, session: Session): Advance {
  if (input.type === 'open') return still(switcher ?? opened(session, input.by, input.mode));
  if (!switcher) return still(null);
  switch (input.type) {
    case 'type':
      return still(searching(switcher, input.letters, input.results));
    case 'point-result':
      return still(chooseAgain(atResult(switcher, input.index)));
    case 'into':
      return still(goneInto(switcher, input.inside, input.results));
    case 'out':
      return still(goneOut(switcher, session));
    case 'everything-or-here':
      return still(showing(switcher, switcher.shows === 'here' ? 'everything' : 'here', session));
    case 'stay':
      return still(switcher.mode === 'staying' ? switcher : { ...switcher, mode: 'staying' });
    case 'step':
      return still(chooseAgain(stepped(switcher, input.step, input.repeat, session)));
    case 'jump':
      return still(chooseAgain(jumped(switcher, input.rows)));
    case 'jump-leaf':
      return still(chooseAgain(atLeaf(switcher, input.to === 'first' ? 0 : Number.MAX_SAFE_INTEGER)));
    case 'to-row':
      return still(chooseAgain(toRow(switcher, input.application, session)));
    case 'point':
      return still(chooseAgain(pointed(switcher, input.application, input.window)));
    case 'session-changed':
      return still(following(switcher, session));
    case 'acted':
      return still({ ...switcher, putAway: input.away });
    case 'pass-on':
      return still(passedOn(switcher, session));
    case 'commit':
      return {
        switcher: null,
        choice: switcher.putAway ? null : chosen(switcher, input.raiseAll, session),
      };
    case 'cancel':
      return still(null);
  }
}

const still = (switcher: Switcher | null): Advance => ({ switcher, choice: null });

/** A step makes letting go choose again. */
const chooseAgain = (switcher: Switcher): Switcher =>
  switcher.putAway ? { ...switcher, putAway: false } : switcher;

function passedOn(switcher: Switcher, session: Session): Switcher {
  const waits = (row: FoldRow) =>
    applicationOf(session, row.application).quitting ||
    row.leaves.some((leaf) => isAsking(windowOf(session, leaf)));
  const row = unfoldedRow(switcher);
  if (switcher.search || !row || !waits(row)) return switcher;
  const next = switcher.rows.findIndex((other, index) => index > switcher.row && !waits(other));
  return next === -1 ? switcher : chooseAgain(atRow(switcher, next));
}

/** What a commit would do now, for the legend to say. */
export type CommitEffect =
  | { readonly type: 'nothing' }
  | { readonly type: 'window'; readonly window: WindowId }
  | { readonly type: 'application'; readonly application: ApplicationId }
  | { readonly type: 'found'; readonly found: Found };

/** What a commit would do at this moment. */
export function commitEffect(switcher: Switcher, session: Session): CommitEffect {
  if (switcher.putAway) return { type: 'nothing' };
  if (switcher.search) {
    const found = highlightedResult(switcher);
    return found ? { type: 'found', found } : { type: 'nothing' };
  }
  const row = unfoldedRow(switcher);
  if (!row) return { type: 'nothing' };
  const window = highlightedLeaf(switcher, session);
  return window === null ? { type: 'application', application: row.application } : { type: 'window', window };
}

/** The unfolded row; undefined while nothing runs. */
export const unfoldedRow = (switcher: Switcher): FoldRow | undefined => switcher.rows[switcher.row];

/** The highlighted leaf: the one chosen by hand, else the window that the row would bring forward (rule 10). */
export function highlightedLeaf(switcher: Switcher, session: Session): WindowId | null {
  if (switcher.leaf !== null) return switcher.leaf;
  const row = unfoldedRow(switcher);
  return row ? windowToChoose(session, row.leaves) : null;
}

/** Rule 6. */
function opened(session: Session, by: Step | null, mode: 'holding' | 'staying'): Switcher {
  const windows = windowsByApplication(session);
  const all = session.recent.applications.map(({ id: application }) => ({
    application,
    leaves: windows.get(application) ?? [],
  }));
  const shows = switcherScopeOf(session.settings);
  const rows = shownOf(all, shows, session);
  const somethingInFront = session.front !== null;
  const row = rows.length > 0 ? 0 : -1;
  const first: Switcher = { all, rows, shows, row, leaf: null, mode, search: null, putAway: false };
  switch (by) {
    case null:
      return first;
    case 'older-application':
      return somethingInFront ? atRow(first, clamp(1, rows.length)) : first;
    case 'newer-application':
      return atRow(first, rows.length - 1);
    case 'next-window':
    case 'previous-window': {
      const front = rows.findIndex((row) => row.application === frontApplication(session));
      if (front === -1) return atLeaf(first, 0);
      const leaf = by === 'next-window' ? 1 : Number.MAX_SAFE_INTEGER;
      return atLeaf(atRow(first, front), leaf);
    }
  }
}

/** The rows that are shown. What has no window anywhere is as much here as elsewhere. */
function shownOf(all: readonly FoldRow[], shows: SwitcherScope, session: Session): readonly FoldRow[] {
  if (shows === 'everything') return all;
  const isHere = (id: WindowId) => windowOf(session, id).workspace === session.workspace;
  return all.flatMap((row) => {
    const leaves = row.leaves.filter(isHere);
    if (leaves.length === row.leaves.length) return [row];
    return leaves.length > 0 ? [{ ...row, leaves }] : [];
  });
}

/** How many windows are on each of the other workspaces that have any, in the order of the workspaces. */
export const windowsElsewhere = (
  { all }: Switcher,
  session: Session,
): { readonly name: string; readonly windows: number }[] =>
  session.workspaces.flatMap(({ id, name }) => {
    if (id === session.workspace) return [];
    const there = all.flatMap(({ leaves }) =>
      leaves.filter((leaf) => windowOf(session, leaf).workspace === id),
    );
    return there.length > 0 ? [{ name, windows: there.length }] : [];
  });

/** The highlight stays on its row and its leaf, as far as those are shown. */
function showing(switcher: Switcher, shows: SwitcherScope, session: Session): Switcher {
  const rows = shownOf(switcher.all, shows, session);
  const now = unfoldedRow(switcher);
  const at = rows.findIndex(({ application }) => application === now?.application);
  const row = at >= 0 ? at : Math.min(Math.max(switcher.row, 0), rows.length - 1);
  const { leaf } = switcher;
  const stays = leaf !== null && rows[row]?.leaves.includes(leaf) === true;
  return { ...switcher, shows, rows, row, leaf: stays ? leaf : null, putAway: false };
}

/** Rule 7: a fresh press wraps at the ends, a repeat stops there. */
function stepped(switcher: Switcher, step: Step, repeat: boolean, session: Session): Switcher {
  const by = step === 'older-application' || step === 'next-window' ? 1 : -1;
  const { search } = switcher;
  if (search) return atResult(switcher, stepIndex(search.highlighted, by, search.results.length, repeat));
  if (step === 'older-application' || step === 'newer-application')
    return atRow(switcher, stepIndex(switcher.row, by, switcher.rows.length, repeat));
  const leaves = unfoldedRow(switcher)?.leaves ?? [];
  const highlighted = highlightedLeaf(switcher, session);
  if (highlighted === null) return switcher;
  return atLeaf(switcher, stepIndex(leaves.indexOf(highlighted), by, leaves.length, repeat));
}

function stepIndex(index: number, by: number, count: number, repeat: boolean): number {
  return repeat ? clamp(index + by, count) : (index + by + count) % count;
}

function jumped(switcher: Switcher, by: number): Switcher {
  const { search } = switcher;
  if (search) return atResult(switcher, clamp(search.highlighted + by, search.results.length));
  return atRow(switcher, clamp(switcher.row + by, switcher.rows.length));
}

const clamp = (index: number, count: number): number => Math.min(Math.max(index, 0), count - 1);

function atRow(switcher: Switcher, row: number): Switcher {
  return row === switcher.row || Number.isNaN(row) ? switcher : { ...switcher, row, leaf: null };
}

function atLeaf(switcher: Switcher, index: number): Switcher {
  const leaves = unfoldedRow(switcher)?.leaves ?? [];
  return { ...switcher, leaf: leaves[clamp(index, leaves.length)] ?? null };
}

function toRow(switcher: Switcher, application: ApplicationId, session: Session): Switcher {
  const row = switcher.rows.findIndex((one) => one.application === application);
  if (row === -1) return switcher;
  if (switcher.search || row !== switcher.row) return { ...atRow(switcher, row), search: null };
  return stepped(switcher, 'next-window', false, session);
}

function pointed(switcher: Switcher, application: ApplicationId, window: WindowId | null): Switcher {
  const row = switcher.rows.findIndex((candidate) => candidate.application === application);
  return row === -1 ? switcher : { ...atRow(switcher, row), leaf: window };
}

function searching(switcher: Switcher, letters: string, results: readonly Found[]): Switcher {
  const within = switcher.search?.within ?? [];
  const searches = letters.trim() !== '' || within.length > 0;
  const highlighted = results.length > 0 ? 0 : -1;
  const search = searches ? { letters, results, highlighted, within } : null;
  return { ...switcher, mode: 'staying', search, putAway: false };
}

/** The search line is empty in there, and everything inside stands below it. */
function goneInto(switcher: Switcher, inside: readonly Candidate[], results: readonly Found[]): Switcher {
  const { search } = switcher;
  const candidate = highlightedResult(switcher)?.candidate;
  if (!search || !candidate || inside.length === 0) return switcher;
  const { within, ...from } = search;
  const level: Level = { candidate, inside, from };
  return { ...switcher, search: { letters: '', results, highlighted: 0, within: [...within, level] } };
}

function goneOut(switcher: Switcher, session: Session): Switcher {
  const level = switcher.search?.within.at(-1);
  if (!switcher.search || !level) return switcher;
  const search = { ...level.from, within: switcher.search.within.slice(0, -1) };
  return { ...switcher, search: followingResults(search, session) };
}

function atResult(switcher: Switcher, highlighted: number): Switcher {
  const { search: now } = switcher;
  if (!now || Number.isNaN(highlighted) || highlighted === now.highlighted) return switcher;
  return { ...switcher, search: { ...now, highlighted } };
}

/** The highlighted result; undefined while not searching or finding nothing. */
export const highlightedResult = (switcher: Switcher): Found | undefined =>
  switcher.search?.results[switcher.search.highlighted];

/** Results stay where they are while things change; what ended disappears, and what was forgotten is not told any more. */
function followingResults(now: SwitcherSearch, session: Session): SwitcherSearch {
  const stays = (found: Found) => isThere(session, found.candidate);
  const kept = now.results.filter(stays).map((found) => followingLesson(found, session));
  const changed = kept.length < now.results.length || kept.some((found, n) => found !== now.results[n]);
  if (!changed) return now;
  const above = now.results.slice(0, Math.max(0, now.highlighted)).filter(stays);
  return { ...now, results: kept, highlighted: Math.min(above.length, kept.length - 1) };
}

/** What was forgotten is no reason any more; the result stays where it is all the same. */
function followingLesson(found: Found, { learned }: Session): Found {
  const known = !found.lesson || learned.some(({ choice }) => choice === found.candidate.learnedAs);
  return known ? found : { ...found, lesson: null };
}

/** Rule 5: what ended disappears, what started is added at the end, the highlight stays on its place. */
function following(switcher: Switcher, session: Session): Switcher {
  const windows = windowsByApplication(session);
  const kept = switcher.all.filter((row) => windows.has(row.application));
  const known = new Set(kept.map((row) => row.application));
  const started = idsOf(session.recent.applications).filter((application) => !known.has(application));
  const all = [
    ...kept.map((row) => withLeaves(row, windows.get(row.application) ?? [])),
    ...started.map((application) => ({ application, leaves: windows.get(application) ?? [] })),
  ];
  const rows = shownOf(all, switcher.shows, session);
  const listed = new Set(rows.map((row) => row.application));
  const unfolded = unfoldedRow(switcher);
  const survives = unfolded !== undefined && listed.has(unfolded.application);
  const above = switcher.rows
    .slice(0, Math.max(switcher.row, 0))
    .filter((row) => listed.has(row.application));
  const row = rows.length === 0 ? -1 : Math.min(above.length, rows.length - 1);
  const leaf = survives ? leafAfter(unfolded, rows[row], switcher.leaf) : null;
  const search = switcher.search && followingResults(switcher.search, session);
  return { ...switcher, all, rows, row, leaf, search };
}

function withLeaves(row: FoldRow, now: readonly WindowId[]): FoldRow {
  const present = new Set(now);
  const kept = row.leaves.filter((leaf) => present.has(leaf));
  const known = new Set(kept);
  const opened = now.filter((window) => !known.has(window));
  return opened.length === 0 && kept.length === row.leaves.length
    ? row
    : { ...row, leaves: [...kept, ...opened] };
}

/** A leaf chosen by hand that ended hands the highlight to the leaf that took its place. */
function leafAfter(before: FoldRow, after: FoldRow | undefined, leaf: WindowId | null): WindowId | null {
  if (leaf === null || !after || after.leaves.includes(leaf)) return leaf;
  const index = before.leaves
    .slice(0, before.leaves.indexOf(leaf))
    .filter((id) => after.leaves.includes(id)).length;
  return after.leaves[Math.min(index, after.leaves.length - 1)] ?? null;
}

/** What the highlight stands for; opening a window where the row has none. */
function chosen(switcher: Switcher, raiseAll: boolean, session: Session): Choice | null {
  if (switcher.search) return chosenResult(switcher.search, raiseAll);
  const row = unfoldedRow(switcher);
  if (!row) return null;
  const window = highlightedLeaf(switcher, session);
  const wish: Wish =
    window === null
      ? { type: 'switch-to-application', application: row.application }
      : { type: 'bring-to-front', window, raiseAll };
  return { does: { wish }, learn: null };
}

function chosenResult(
  { letters, results, highlighted, within }: SwitcherSearch,
  raiseAll: boolean,
): Choice | null {
  const candidate = results[highlighted]?.candidate;
  if (!candidate) return null;
  const learned = lettersOf(letters);
  return {
    does: choosing(candidate.subject, raiseAll),
    // What is too long to be remembered is chosen all the same; letters inside a result mean something there alone.
    learn:
      learned.length > LONGEST_LETTERS || within.length > 0
        ? null
        : { letters: learned, choice: candidate.learnedAs },
  };
}

function choosing(subject: Subject, raiseAll: boolean): Choice['does'] {
  switch (subject.kind) {
    case 'window':
      return { wish: { type: 'bring-to-front', window: subject.window, raiseAll } };
    case 'tab':
      return { wish: { type: 'go-to-tab', window: subject.window, tab: subject.tab, inFront: true } };
    case 'application':
      return { wish: { type: 'switch-to-application', application: subject.application } };
    case 'document':
      return { wish: { type: 'open-document', document: subject.document } };
    case 'command':
      return { invocation: subject.invocation, ...(subject.target && { target: subject.target }) };
  }
}

/** What the highlight of the open switcher stands for; null if there is none, or no window or application. */
export function targetOf(switcher: Switcher, session: Session): Target | null {
  if (!switcher.search) {
    const row = unfoldedRow(switcher);
    return row ? { application: row.application, window: highlightedLeaf(switcher, session) } : null;
  }
  const subject = highlightedResult(switcher)?.candidate.subject;
  if (subject?.kind === 'window' || subject?.kind === 'tab')
    return { application: subject.application, window: subject.window };
  return subject?.kind === 'application' ? applicationTarget(session, subject.application) : null;
}
