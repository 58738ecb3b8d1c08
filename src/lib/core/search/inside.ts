/** Searching inside a result: what is in an application, in what opens a document, in a folder. */
import type { Registry } from '../actions/registry';
import { applicationTarget, type Target } from '../actions/target';
import { folderItems } from '../folders/folder';
import { placeMenuOf } from '../index/place-menu';
import type { Session } from '../session/session';
import { applicationOf } from '../slices/applications/selectors';
import type { AppDocument } from '../slices/documents/state';
import { shows } from '../slices/windows/selectors';
import {
  documentCandidate,
  otherTabs,
  tabCandidate,
  windowCandidate,
  type Candidate,
  type Subject,
} from './candidates';
import { Catalogue } from './catalogue';
import type { Found } from './matches';
import { search, type Searcher } from './search';

/** What is inside a result, in the order in which it is shown before anything is typed; nothing for a command. */
export function candidatesInside(session: Session, registry: Registry, subject: Subject): Candidate[] {
  if (subject.kind === 'command') return [];
  const folder = subject.kind === 'document' ? folderItems(session, subject.document) : null;
  if (folder) return folder.map((document) => documentOrWindow(session, document));
  return insideApplication(session, registry, applicationTarget(session, subject.application));
}

function insideApplication(session: Session, registry: Registry, target: Target): Candidate[] {
  const { windows, documents, own, acts } = placeMenuOf(session, registry, target, Infinity);
  const { name } = applicationOf(session, target.application);
  const commands = [...own, ...acts]
    .filter((invocation) => 'does' in registry.offer(session, invocation, target))
    .map((invocation): Candidate => {
      const { short, title, synonyms } = registry.words(invocation, session);
      const key = `command:${invocation.action}`;
      const subject: Subject = { kind: 'command', invocation, firm: false, target };
      return { key, learnedAs: key, subject, title: short, detail: name, also: [title, ...synonyms] };
    });
  return [
    ...windows.flatMap((window) => [
      windowCandidate(session, window),
      ...otherTabs(window).map((tab) => tabCandidate(session, window, tab)),
    ]),
    ...documents.map((document) => documentCandidate(session, document)),
    ...commands,
  ];
}

/** A document as the window that shows it, if one does: that is where choosing it goes. */
function documentOrWindow(session: Session, document: AppDocument): Candidate {
  const window = session.windows.find((one) => shows(one, document.id));
  return window ? windowCandidate(session, window) : documentCandidate(session, document);
}

/** All candidates in their order, as what is found before anything is typed. */
export const allInside = (candidates: readonly Candidate[]): Found[] =>
  candidates.map((candidate) => ({ candidate, kind: 'word', letters: [], lesson: null }));

/** Catalogues of what is inside a result, as long as somebody is in there. */
const catalogues = new WeakMap<readonly Candidate[], Catalogue>();

/** What letters find among some candidates; all of them, in their order, for none. */
export function searchInside(candidates: readonly Candidate[], letters: string, searcher: Searcher): Found[] {
  if (letters.trim() === '') return allInside(candidates);
  let catalogue = catalogues.get(candidates);
  if (!catalogue) {
    catalogue = new Catalogue();
    for (const [position, candidate] of candidates.entries()) catalogue.put(candidate, position);
    catalogues.set(candidates, catalogue);
  }
  return search(catalogue, letters, searcher);
}
