/** Small sessions for tests and measurements. */
import { fromDocument, FORMAT, VERSION } from '../src/lib/core/formats/session-document';
import { patch } from '../src/lib/core/model/table';
import type { Session } from '../src/lib/core/session/session';
import type { Application } from '../src/lib/core/slices/applications/state';
import type { AppWindow } from '../src/lib/core/slices/windows/state';

export const START = '2026-11-24T06:00:00.000Z';

/** An instant some seconds after the start. */
export const later = (seconds: number): string => new Date(Date.parse(START) + seconds * 1000).toISOString();

/**
 * A session from a line such as `a: a1 a2 | b: b1 | c: c1-`: applications and their windows, both most recent
 * first; the first window that can be seen is in front. After a window, `-` means minimised, `~` on the other
 * workspace, `*` unsaved; before an application, `!` means hidden.
 */
export function sessionOf(line: string): Session {
  const applications: Application[] = [];
  const windows: AppWindow[] = [];
  const drafts: { document: string; text: string; at: string }[] = [];
  for (const part of line.split('|').map((piece) => piece.trim())) {
    const [head = '', tail = ''] = part.split(':');
    const id = head.replace('!', '').trim();
    applications.push(applicationNamed(id, { hidden: head.startsWith('!') }));
    for (const word of tail.trim().split(/\s+/).filter(Boolean)) {
      const name = word.replace(/[-~*]/g, '');
      windows.push(windowNamed(name, id, word));
      if (word.includes('*')) drafts.push({ document: `d-${name}`, text: `${name}, edited`, at: START });
    }
  }
  const order = windows.map(({ id }) => id);
  const front = windows.find(
    (window) =>
      !window.minimised &&
      window.workspace === 'here' &&
      !applications.find(({ id }) => id === window.application)?.hidden,
  );
  const homes = applications.map(({ id }) => documentNamed(id, id));
  return fromDocument({
    format: FORMAT,
    version: VERSION,
    title: 'Desk',
    settings: { holdKey: 'Alt', holding: true, theme: 'system' },
    workspaces: [
      { id: 'here', name: 'Here' },
      { id: 'there', name: 'There' },
    ],
    workspace: 'here',
    applications,
    documents: [...homes, ...windows.map((window) => documentNamed(window.id, window.application))],
    drafts,
    windows,
    recent: {
      applications: applications.map(({ id }) => ({ id, at: START })),
      windows: order.map((id) => ({ id, at: START })),
    },
    stacking: order.toReversed(),
    front: front?.id ?? null,
    places: Array.from({ length: 10 }, (_, index) => applications[index]?.id ?? null),
  });
}

const documentNamed = (name: string, application: string) => ({
  id: `d-${name}`,
  title: name,
  application,
  kind: 'letter',
  text: name,
});

const applicationNamed = (id: string, more: Partial<Application>): Application => ({
  id,
  name: id.toUpperCase(),
  monogram: id.slice(0, 1).toUpperCase().padEnd(2, 'x'),
  hue: 0,
  running: true,
  hidden: false,
  answering: true,
  resident: false,
  quitsWithLastWindow: false,
  quitting: false,
  home: `d-${id}`,
  ...more,
});

const windowNamed = (name: string, application: string, word: string): AppWindow => ({
  id: name,
  application,
  geometry: { x: 10, y: 20, width: 300, height: 200 },
  minimised: word.includes('-'),
  workspace: word.includes('~') ? 'there' : 'here',
  tabs: [{ id: `t-${name}`, title: name, document: `d-${name}` }],
  activeTab: `t-${name}`,
  seen: true,
  asking: null,
  offeringDraft: false,
});

/** Changes one application of a session, as an importer would. */
export const withApplication = (session: Session, id: string, change: Partial<Application>): Session => ({
  ...session,
  applications: patch(session.applications, [id], 'application', (one) => ({ ...one, ...change })),
});

/** Changes one window of a session. */
export const withWindow = (session: Session, id: string, change: Partial<AppWindow>): Session => ({
  ...session,
  windows: patch(session.windows, [id], 'window', (one) => ({ ...one, ...change })),
});
