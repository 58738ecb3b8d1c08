/** What the index shows at each of its places. */
import type { ApplicationId } from '../model/ids';
import type { Session } from '../session/session';
import { applicationOf } from '../slices/applications/selectors';
import type { Application } from '../slices/applications/state';
import { documentOf } from '../slices/documents/selectors';
import { DIGITS, type Digit, type Thing } from '../slices/places/state';
import { activeTab, shows } from '../slices/windows/selectors';
import type { AppWindow } from '../slices/windows/state';

/** A place at which something stands. */
export interface PlaceView {
  readonly digit: Digit;
  readonly thing: Thing;
  readonly name: string;
  /** The application, or the one that the document opens with. */
  readonly application: Application;
  readonly inFront: boolean;
  /** For each of its windows, in the order in which they were opened, whether it is minimised. */
  readonly windows: readonly { readonly minimised: boolean }[];
}

/** What stands at each of the ten places; null where nothing does. */
export function placeViews(session: Session): readonly (PlaceView | null)[] {
  const byApplication = new Map<ApplicationId, AppWindow[]>();
  for (const window of session.windows) {
    const own = byApplication.get(window.application);
    if (own) own.push(window);
    else byApplication.set(window.application, [window]);
  }
  return session.places.map((thing, at) => {
    const digit = DIGITS[at];
    if (thing === null || digit === undefined) return null;
    const application = applicationOf(session, applicationOfThing(session, thing));
    const own = byApplication.get(application.id) ?? [];
    return {
      digit,
      thing,
      name: nameOfThing(session, thing),
      application,
      inFront: own.some((window) => window.id === session.front && showsThing(window, thing)),
      windows: typeof thing === 'string' ? own : own.filter((window) => shows(window, thing.document)),
    };
  });
}

/** What something in the index is called. */
export const nameOfThing = (session: Session, thing: Thing): string =>
  typeof thing === 'string' ? applicationOf(session, thing).name : documentOf(session, thing.document).title;

/** The application that something in the index is, or opens with. */
export const applicationOfThing = (session: Session, thing: Thing): ApplicationId =>
  typeof thing === 'string' ? thing : documentOf(session, thing.document).application;

const showsThing = (window: AppWindow, thing: Thing): boolean =>
  typeof thing === 'string' || activeTab(window).document === thing.document;
