/** Random wishes for property tests: seeds that become wishes about whatever a session has at the time. */
import { find, idsIn } from '../src/lib/core/model/table';
import fc from 'fast-check';
import type { Command, Wish, WishType } from '../src/lib/core/commands/commands';
import type { Session } from '../src/lib/core/session/session';
import { pictureText } from '../src/lib/core/capture/picture';
import { FOLDER } from '../src/lib/core/folders/folder';
import { PARTS } from '../src/lib/core/placing/parts';
import type { Chord } from '../src/lib/core/keys/chord';
import { FURTHER } from '../src/lib/core/slices/shortcuts/state';
import { DIGITS } from '../src/lib/core/slices/places/state';
import { sessionOf, later, withApplication, withWindow } from './sessions';

const TYPES: readonly WishType[] = [
  'bring-to-front',
  'switch-to-application',
  'open-window',
  'open-document',
  'open-document-with',
  'make-in-folder',
  'take-in-document',
  'keep-picture',
  'rename-document',
  'make-document',
  'minimise',
  'minimise-all',
  'restore-all',
  'hide',
  'show',
  'hide-or-show',
  'solo',
  'sweep',
  'sweep-or-put-back',
  'put-back',
  'close',
  'close-all',
  'quit',
  'end-now',
  'answer-closing',
  'reopen',
  'keep-draft',
  'save',
  'answer-draft',
  'place-window',
  'retitle-tab',
  'pair',
  'go-to-tab',
  'open-tab',
  'close-tab',
  'tear-off',
  'join',
  'carry-tab',
  'add-workspace',
  'rename-workspace',
  'remove-workspace',
  'enter-workspace',
  'carry-window',
  'carry-application',
  'stop-answering',
  'learn-choice',
  'forget-choices',
  'walk-to',
  'put-in-index',
  'take-from-index',
  'put-index-back',
  'put-shortcut',
  'remove-shortcut',
  'set-key',
  'reset-key',
  'reset-keys',
  'put-keys-back',
  'change-setup',
  'put-setup-back',
];

/** A session with something of everything: unsaved, minimised, hidden, elsewhere, with tabs, resident, without windows. */
export function busySession(): Session {
  const session = sessionOf('a: a1 a2* a3- | b: b1 | !c: c1- c2 | d: | e: e1~ e2*');
  const tabbed = withWindow(session, 'a2', {
    tabs: ['a2', 'a1', 'a3'].map((id) => ({ id: `t-${id}`, title: id, document: `d-${id}` })),
  });
  const resident = withApplication(tabbed, 'b', { resident: true });
  const papers = { id: 'd-papers', title: 'papers', application: 'd', kind: FOLDER, text: 'd-a1' };
  const filed = { ...resident, documents: [...resident.documents, papers] };
  return withApplication(filed, 'e', { quitsWithLastWindow: true });
}

export interface WishSeed {
  readonly type: WishType;
  readonly pick: number;
  readonly flag: boolean;
  readonly other: number;
}

/** Seeds of `least` to `most` wishes. */
export const wishSeeds = (least: number, most: number): fc.Arbitrary<WishSeed[]> =>
  fc.array(
    fc.record({ type: fc.constantFrom(...TYPES), pick: fc.nat(99), flag: fc.boolean(), other: fc.nat(2) }),
    { minLength: least, maxLength: most },
  );

/** One of eight combinations. */
const chordOf = (pick: number): Chord => ({
  code: `F${1 + (pick % 8)}`,
  shift: false,
  hold: true,
  modifiers: [],
});

const pageAt = (pick: number): string =>
  JSON.stringify({ name: `Page ${pick}`, start_url: `https://harbour.example/${pick}` });

/** The wish that a seed becomes in a session; null if the session has nothing for it. */
export function wishFrom({ type, pick, flag, other }: WishSeed, session: Session): Wish | null {
  const among = (ids: readonly string[]) => ids[pick % Math.max(1, ids.length)];
  const application = among(idsIn(session.applications)) ?? '';
  const window = among(idsIn(session.windows));
  const document = among(idsIn(session.documents)) ?? '';
  const workspace = idsIn(session.workspaces)[other % Math.max(1, session.workspaces.length)] ?? '';
  const tabs = window ? (find(session.windows, window)?.tabs ?? []) : [];
  const one = tabs[other % Math.max(1, tabs.length)]?.id;
  const tab = window && one ? { window, tab: one } : null;
  switch (type) {
    case 'sweep':
    case 'sweep-or-put-back':
      return { type };
    case 'put-back':
      return { type, entry: flag ? null : (among(idsIn(session.putAways)) ?? null) };
    case 'reopen':
      return { type, entry: flag ? null : (among(idsIn(session.ended)) ?? null) };
    case 'open-window':
      return { type, application, inFront: flag };
    case 'walk-to': {
      const passed = among(idsIn(session.windows).toReversed());
      const pass = passed
        ? { window: passed, at: later(other), after: window ?? null, minimised: pick > 50 }
        : null;
      return window ? { type, window, pass: flag ? pass : null } : null;
    }
    case 'put-in-index':
      return { type, thing: flag ? application : { document }, digit: DIGITS[pick % DIGITS.length] ?? '1' };
    case 'take-from-index':
      return { type, thing: flag ? application : { document } };
    case 'put-index-back':
      return { type, entry: flag ? null : (among(idsIn(session.placesBefore)) ?? null) };
    case 'put-shortcut': {
      const aim = flag && window ? { window } : { application, title: pick > 50 ? 'x' : null };
      const further = FURTHER[other] ?? 'back';
      return { type, shortcut: { id: `s${pick % 5}`, chord: chordOf(pick), aim, opens: flag, further } };
    }
    case 'remove-shortcut':
      return { type, shortcut: `s${pick % 5}` };
    case 'set-key':
      return { type, key: { action: `action ${other}`, argument: null, chord: flag ? chordOf(pick) : null } };
    case 'reset-key':
      return { type, action: `action ${other}`, argument: null };
    case 'reset-keys':
      return { type };
    case 'put-keys-back':
      return { type, entry: flag ? null : (among(idsIn(session.keysBefore)) ?? null) };
    case 'change-setup': {
      const id = `guest-${other}`;
      const guest = {
        id,
        name: `Page ${pick}`,
        monogram: 'Pa',
        hue: pick,
        home: id,
        kind: 'page',
        text: pageAt(pick),
      } as const;
      const goes = pick % 3 === 0 && find(session.applications, id) !== undefined;
      const shortcut = {
        id: `s${other}`,
        chord: chordOf(pick),
        aim: { application: id, title: null },
        opens: flag,
      } as const;
      return {
        type,
        setup: {
          settings: pick > 70 ? { ...session.settings, theme: flag ? 'day' : 'night' } : null,
          places: flag ? session.places.with(other, pick > 30 && !goes ? id : null) : null,
          shortcuts:
            pick > 50 && !goes ? [{ shortcut: `s${other}`, to: { ...shortcut, further: 'back' } }] : [],
          keys: [],
          guests: [{ application: id, to: goes ? null : guest }],
        },
      };
    }
    case 'put-setup-back':
      return { type, entry: flag ? null : (among(idsIn(session.setupsBefore)) ?? null) };
    case 'make-document':
      return { type, application, title: `made ${pick}`, text: '' };
    case 'open-document-with':
      return { type, document, application };
    case 'make-in-folder': {
      const folder = session.documents.find(({ kind }) => kind === FOLDER);
      return folder ? { type, folder: folder.id, application, title: `made ${pick}` } : null;
    }
    case 'keep-picture': {
      const folder = session.documents.find(({ kind }) => kind === FOLDER);
      const text = pictureText({ digest: `${pick % 10}`.repeat(64), width: 3, height: 2, bytes: 70 });
      return folder ? { type, folder: folder.id, title: `kept ${pick}`, text } : null;
    }
    case 'take-in-document':
      return { type, application, kind: flag ? 'letter' : 'table', title: `taken ${pick}`, text: 'a,b' };
    case 'rename-document':
      return { type, document, title: `renamed ${other}` };
    case 'open-document':
    case 'save':
      return { type, document };
    case 'keep-draft':
      return {
        type,
        document,
        text: flag ? `typed ${pick}` : (find(session.documents, document)?.text ?? ''),
      };
    case 'learn-choice':
      return { type, letters: `l${other}`, choice: `choice ${pick}` };
    case 'forget-choices':
      return { type, choice: flag ? null : `choice ${pick}` };
    case 'change-settings':
      return { type, settings: session.settings };
    case 'bring-to-front':
      return window ? { type, window, raiseAll: flag } : null;
    case 'answer-closing':
      return window
        ? { type, window, answer: (['save', 'drop', 'keep-open'] as const)[other] ?? 'save' }
        : null;
    case 'answer-draft':
      return window ? { type, window, answer: flag ? 'take-up' : 'drop' } : null;
    case 'place-window':
      return window
        ? {
            type,
            window,
            placement: {
              geometry: { x: pick, y: other, width: 200 + pick, height: 120 },
              ...(flag && { part: PARTS[pick % PARTS.length] ?? 'whole' }),
              ...(pick > 50 && { on: { width: 800 + pick, height: 600 } }),
            },
          }
        : null;
    case 'retitle-tab':
      return window
        ? { type, window, tab: find(session.windows, window)?.activeTab ?? '', title: `title ${pick}` }
        : null;
    case 'pair': {
      const right = among(idsIn(session.windows).toReversed());
      return window && right ? { type, left: window, right } : null;
    }
    case 'go-to-tab':
      return tab ? { type, ...tab, inFront: flag } : null;
    case 'close-tab':
    case 'tear-off':
      return tab ? { type, ...tab } : null;
    case 'carry-tab':
      return tab ? { type, ...tab, position: other } : null;
    case 'open-tab': {
      const owner = window && find(session.windows, window)?.application;
      const own = session.documents.filter((one) => one.application === owner).map(({ id }) => id);
      const shown = own[other % Math.max(1, own.length)];
      return window && shown ? { type, window, document: shown } : null;
    }
    case 'join': {
      const owner = window && find(session.windows, window)?.application;
      const others = session.windows.filter((one) => one.application === owner && one.id !== window);
      const into = others[other % Math.max(1, others.length)]?.id;
      return window && into ? { type, window, into } : null;
    }
    case 'add-workspace':
      return { type, name: `space ${pick}` };
    case 'rename-workspace':
      return { type, workspace, name: `called ${pick}` };
    case 'remove-workspace':
    case 'enter-workspace':
      return { type, workspace };
    case 'carry-window':
      return window ? { type, window, workspace } : null;
    case 'carry-application':
      return { type, application, workspace };
    case 'minimise':
    case 'close':
      return window ? { type, window } : null;
    default:
      return { type, application };
  }
}

/** The `n`th command of a run. */
export const commandFrom = (wish: Wish, n: number): Command => ({ ...wish, id: `c${n}`, at: later(n) });
