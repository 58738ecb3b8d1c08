/** The desk that the drill is done at: a desk of its own, as it was, in whatever order someone has used it since. */
import { isSeen, reduce, type Session } from '../session/session';
import { portable } from '../slices/settings/state';
import type { Task } from './task';

/** What of a person's own desk the practice desk takes over: their keys, and nothing else. */
export type OwnKeys = Pick<Session, 'settings' | 'ownKeys'>;

/** A practice desk with someone's own keys. Everything answers, and all of it can be seen. */
export function practiceDesk(desk: Session, { settings, ownKeys }: OwnKeys, holding: boolean): Session {
  const { theme: _theme, ...own } = portable(settings);
  return {
    ...desk,
    applications: desk.applications.map((application) => ({
      ...application,
      answering: true,
      hidden: false,
    })),
    windows: desk.windows.map((window) => ({
      ...window,
      minimised: false,
      asking: null,
      workspace: desk.workspace,
    })),
    settings: { ...own, theme: settings.theme, holding, switcherShows: 'everything' },
    ownKeys,
  };
}

/** The desk for a task: as it was at first, but for the order of recent use, and with what the task is about as it has to be. */
export function deskFor(desk: Session, used: Session, task: Task | null): Session {
  let session = desk;
  for (const { id, at } of used.recent.windows.toReversed())
    if (at !== null && isSeen(desk, id))
      session = reduce(session, { type: 'window-fronted', window: id, at });
  if (task?.kind !== 'end') return session;
  return {
    ...session,
    applications: session.applications.map((application) =>
      application.id === task.application ? { ...application, answering: false } : application,
    ),
  };
}
