/** The search line at the desk. */
import type { Instant } from '../model/ids';
import { allInside, candidatesInside, searchInside } from '../search/inside';
import { search } from '../search/search';
import { catalogueOf } from '../search/session-catalogue';
import { highlightedResult } from '../switcher/switcher';
import { surveyAgain } from './survey-mode';
import type { Turn } from './turn';

/** Takes what stands in a search line now: that of the survey while it is open, else that of the switcher. */
export function typed(turn: Turn, letters: string, at: Instant): void {
  const { survey } = turn.state;
  if (survey && !turn.state.switcher) {
    turn.to({ survey: { ...survey, letters } });
    return surveyAgain(turn);
  }
  const { learned } = turn.session;
  const { neighbours, registry } = turn.context;
  const searcher = { learned, neighbours, at };
  const level = turn.state.switcher?.search?.within.at(-1);
  const results = level
    ? searchInside(level.inside, letters, searcher)
    : search(catalogueOf(turn.session, registry), letters, searcher);
  turn.advance({ type: 'type', letters, results });
  turn.show();
}

/** Into the highlighted result: an application, what opens a document, a folder. */
export function intoResult(turn: Turn): void {
  const found = turn.state.switcher && highlightedResult(turn.state.switcher);
  if (!found) return;
  const inside = candidatesInside(turn.session, turn.context.registry, found.candidate.subject);
  if (inside.length === 0) return turn.notice({ type: 'nothing-inside' });
  turn.advance({ type: 'into', inside, results: allInside(inside) });
}

/** Forgets what was learned of the highlighted result. */
export function forgetResult(turn: Turn): void {
  const found = turn.state.switcher && highlightedResult(turn.state.switcher);
  if (!found?.lesson) return turn.say({ type: 'notice', notice: { type: 'nothing-to-forget' } });
  turn.submit({ wishes: [{ type: 'forget-choices', choice: found.candidate.learnedAs }] });
}
