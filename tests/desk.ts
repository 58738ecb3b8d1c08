/** Small desks for tests, and someone who works at one. */
import { patch } from '../src/lib/core/model/table';
import { fromDocument, FORMAT, VERSION } from '../src/lib/core/formats/session-document';
import type { Notice } from '../src/lib/core/host/notice';
import { simulatedHost } from '../src/lib/core/host/simulated-host';
import type { Action } from '../src/lib/core/keys/key-map';
import type { Command, Wish } from '../src/lib/core/commands/commands';
import type { SessionEvent } from '../src/lib/core/session/session';
import { idsOf } from '../src/lib/core/model/order';
import { problemsOf } from '../src/lib/core/session/session';
import type { Application } from '../src/lib/core/slices/applications/state';
import type { Session } from '../src/lib/core/session/session';
import type { AppWindow } from '../src/lib/core/slices/windows/state';
import {
  advance,
  highlightedLeaf,
  targetOf,
  unfoldedRow,
  type Step,
  type Switcher,
  type SwitcherInput,
} from '../src/lib/core/switcher/switcher';
import { wishFor } from '../src/lib/core/switcher/acting';

export const START = '2026-11-24T06:00:00.000Z';

/** An instant some seconds after the start. */
export const later = (seconds: number): string => new Date(Date.parse(START) + seconds * 1000).toISOString();

/**
 * A session from a line such as `a: a1 a2 | b: b1 | c: c1-`: applications and their windows, both most recent
 * first; the first window that can be seen is in front. After a window, `-` means minimised, `~` on the other
 * workspace, `*` unsaved; before an application, `!` means hidden.
 */
export function deskOf(line: string): Session {
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
  kind: 'letter' as const,
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

/** Someone at a desk, using the core as the page does. Every step must leave a valid session. */
export class Worker {
  switcher: Switcher | null = null;
  events: SessionEvent[] = [];
  notices: readonly Notice[] = [];
  #commands = 0;

  constructor(public session: Session) {}

  wish(wish: Wish): this {
    this.#commands += 1;
    const command: Command = { ...wish, id: `c${this.#commands}`, at: later(this.#commands) };
    const decision = simulatedHost.decide(this.session, command);
    if (!decision.ok) throw new Error(decision.refusal.detail);
    this.session = decision.session;
    this.notices = decision.notices;
    this.events.push(...decision.events);
    const problems = problemsOf(this.session);
    if (problems.length > 0) throw new Error(JSON.stringify(problems));
    return this.switcher ? this.input({ type: 'session-changed' }) : this;
  }

  input(input: SwitcherInput): this {
    const { switcher, choice } = advance(this.switcher, input, this.session);
    this.switcher = switcher;
    if (choice?.learn) this.wish({ type: 'learn-choice', ...choice.learn });
    return choice?.wish ? this.wish(choice.wish) : this;
  }

  step(...steps: Step[]): this {
    for (const step of steps)
      this.input(
        this.switcher ? { type: 'step', step, repeat: false } : { type: 'open', by: step, mode: 'holding' },
      );
    return this;
  }

  repeat(step: Step, times: number): this {
    for (let time = 0; time < times; time += 1) this.input({ type: 'step', step, repeat: true });
    return this;
  }

  act(action: Action): this {
    if (action === 'quit') this.input({ type: 'pass-on' });
    const wish = wishFor(this.session, action, targetOf(this.switcher, this.session));
    if (wish) this.wish(wish);
    return this.input({ type: 'acted', action });
  }

  release(options: { shift?: boolean } = {}): this {
    return this.input({ type: 'commit', raiseAll: options.shift ?? false });
  }

  /** Types into the search line. */
  type(letters: string): this {
    return this.input({ type: 'type', letters, at: later(this.#commands) });
  }

  /** What search found, best first, by title. */
  get found(): string[] {
    return (this.switcher?.search?.results ?? []).map(({ candidate }) => candidate.title);
  }

  escape(): this {
    return this.input({ type: 'cancel' });
  }

  /** Steps once and lets go. */
  flip(step: Step = 'older-application'): this {
    return this.step(step).release();
  }

  get rows(): string {
    return (this.switcher?.rows ?? []).map((row) => row.application).join(' ');
  }

  get row(): string | undefined {
    return this.switcher ? unfoldedRow(this.switcher)?.application : undefined;
  }

  get leaves(): string {
    return (this.switcher && unfoldedRow(this.switcher)?.leaves.join(' ')) ?? '';
  }

  get leaf(): string | null {
    return this.switcher && highlightedLeaf(this.switcher, this.session);
  }

  get applications(): string {
    return idsOf(this.session.recent.applications).join(' ');
  }

  get windows(): string {
    return idsOf(this.session.recent.windows).join(' ');
  }

  get stacking(): string {
    return this.session.stacking.join(' ');
  }
}

export const workerAt = (line: string): Worker => new Worker(deskOf(line));
