/** What can be done with a window, its tabs, its document and its application, as a menu shows it. */
import type { Session } from '../../session/session';
import { applicationOf } from '../../slices/applications/selectors';
import type { Invocation } from '../action';
import type { Target } from '../target';

/** The sections of the menu. */
export const MENU_SECTIONS = ['window', 'tabs', 'document', 'application'] as const;
/** One of them. */
export type MenuSection = (typeof MENU_SECTIONS)[number];

const ACTS: Readonly<Record<MenuSection, readonly string[]>> = {
  window: ['minimise', 'maximise', 'place-window', 'pair', 'close'],
  tabs: ['new-tab', 'close-tab', 'tear-off', 'join'],
  document: ['carry-document'],
  application: ['new-window', 'hide-or-show', 'solo', 'minimise-all', 'restore-all', 'close-all'],
};

/** The menu of a target, section by section; one of an application without windows has its own section alone. */
export function windowMenuOf(
  session: Session,
  target: Target,
): { readonly section: MenuSection; readonly acts: readonly Invocation[] }[] {
  const { answering } = applicationOf(session, target.application);
  return MENU_SECTIONS.filter((section) => section === 'application' || target.window !== null).map(
    (section) => {
      const ends = section === 'application' ? [answering ? 'quit' : 'end-now'] : [];
      return { section, acts: [...ACTS[section], ...ends].map((action) => ({ action, argument: null })) };
    },
  );
}
