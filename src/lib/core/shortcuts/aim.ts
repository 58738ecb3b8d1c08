/** What a shortcut goes to. */
import type { ApplicationId } from '../model/ids';
import { find } from '../model/table';
import type { Session } from '../session/session';
import { applicationOf } from '../slices/applications/selectors';
import { windowsOf } from '../slices/recency/selectors';
import type { Aim } from '../slices/shortcuts/state';
import { titleOf, windowOf } from '../slices/windows/selectors';
import type { AppWindow } from '../slices/windows/state';

/** Tells whether titles match a pattern; null as long as that cannot be told. */
export type TitleMatching = (pattern: string) => ((title: string) => boolean) | null;

/** The windows that a shortcut goes to, most recently used first. */
export function windowsAimedAt(session: Session, aim: Aim, matching: TitleMatching): AppWindow[] {
  if ('window' in aim) {
    const window = find(session.windows, aim.window);
    return window ? [window] : [];
  }
  const windows = windowsOf(session, aim.application);
  if (aim.title === null) return windows;
  const matches = matching(aim.title);
  return matches ? windows.filter((window) => matches(titleOf(window))) : [];
}

/** The application that a shortcut goes to, or that its window is of. */
export const applicationAimedAt = (session: Session, aim: Aim): ApplicationId =>
  'window' in aim ? windowOf(session, aim.window).application : aim.application;

/** What a shortcut goes to, in words. */
export function aimText(session: Session, aim: Aim): string {
  if ('window' in aim) return titleOf(windowOf(session, aim.window));
  const { name } = applicationOf(session, aim.application);
  return aim.title === null ? name : `${name}: ${aim.title}`;
}
