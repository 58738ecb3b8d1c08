import { idsOf } from '../../model/order';
import type { Session } from '../../session/session';
import { documentOf } from '../../slices/documents/selectors';
import { activeTab, windowOf } from '../../slices/windows/selectors';
import type { ApplicationId, WindowId } from '../../model/ids';
import { action, asksPage, not, type Action } from '../action';
import type { Target } from '../target';

/** The part of a program that concerns actions; the core does not know which programs there are. */
export interface Program {
  /** The kind of document that it shows. */
  readonly kind: string;
  readonly name: string;
  readonly actions: readonly {
    readonly id: string;
    readonly title: string;
    readonly synonyms: readonly string[];
    /** Whether it makes a document, for which no window has to be there. */
    readonly makes?: boolean;
  }[];
}

/** The actions that programs declare: found, bound and run like any other, without switching there. */
export const programActions = (programs: readonly Program[]): Action[] =>
  programs.flatMap(({ kind, name, actions }) =>
    actions.map(({ id, title, synonyms, makes = false }) =>
      action({
        id: `${kind}/${id}`,
        group: 'program',
        acts: 'nothing',
        words: { title: `${title} (${name})`, short: title.toLowerCase(), synonyms },
        offer(session, target) {
          const window = windowOfKind(session, kind, target);
          const application =
            window === null ? applicationOfKind(session, kind) : windowOf(session, window).application;
          if (application === null || (window === null && !makes)) return not({ type: 'no-window-here' });
          return asksPage({ type: 'run-program', kind, action: id, application, window });
        },
      }),
    ),
  );

/** The first application that opens with a document of a kind. */
const applicationOfKind = (session: Session, kind: string): ApplicationId | null =>
  session.applications.find(({ home }) => documentOf(session, home).kind === kind)?.id ?? null;

/** The window it is about: what is in front or highlighted if it shows that kind, else the most recent that does. */
function windowOfKind(session: Session, kind: string, target: Target | null): WindowId | null {
  const shows = (id: WindowId) =>
    documentOf(session, activeTab(windowOf(session, id)).document).kind === kind;
  if (target?.window && shows(target.window)) return target.window;
  return idsOf(session.recent.windows).find(shows) ?? null;
}
