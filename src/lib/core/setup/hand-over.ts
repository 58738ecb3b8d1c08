/** What taking over somebody's set-up would change here, piece by piece, and the change that some of it makes. */
import type { Invocation } from '../actions/action';
import type { Registry } from '../actions/registry';
import { keyMapOf, same as sameInvocation, type KeyMap } from '../actions/views/key-map';
import { guestId } from '../guests/guest';
import { pageFrom } from '../guests/page';
import type { Chord } from '../keys/chord';
import type { ApplicationId } from '../model/ids';
import { find, has } from '../model/table';
import type { Session } from '../session/session';
import { sameThing, thingAt } from '../slices/places/selectors';
import { DIGITS, type Digit, type Thing } from '../slices/places/state';
import {
  blockOf,
  holdKeyOf,
  edgesOf,
  indexStanceOf,
  portable,
  rimOf,
  type PortableSettings,
  switcherScopeOf,
  type Settings,
} from '../slices/settings/state';
import { guestOf, guestsOf } from '../slices/setup/selectors';
import type { Guest, SetupChange } from '../slices/setup/state';
import { ownKeyOf, shortcutOf } from '../slices/shortcuts/selectors';
import type { OwnKey, Shortcut } from '../slices/shortcuts/state';
import type { Named, SetupDocument } from './setup-document';

/** What a setting is set to. */
export type SettingValue = Required<PortableSettings>[keyof PortableSettings];

/** What a piece is about: as it is here, and as it would be. */
export type Piece =
  | {
      readonly part: 'setting';
      readonly name: keyof Settings;
      readonly from: SettingValue;
      readonly to: SettingValue;
    }
  | { readonly part: 'application'; readonly from: Guest | null; readonly to: Guest }
  | { readonly part: 'place'; readonly digit: Digit; readonly from: Thing | null; readonly to: Thing | null }
  | { readonly part: 'shortcut'; readonly from: Shortcut | null; readonly to: Shortcut }
  | { readonly part: 'key'; readonly from: OwnKey | null; readonly to: OwnKey };

/** Why a piece cannot be taken over. */
export type Misfit =
  | { readonly because: 'not-here'; readonly name: string }
  | { readonly because: 'no-such-action'; readonly action: string };

/** One piece of a set-up. */
export type Item = Piece & {
  readonly id: string;
  readonly state: 'same' | 'new' | 'changes';
  readonly misfit: Misfit | null;
  /** What has its combination here, and would lose it. */
  readonly collides: Invocation | null;
  /** The application that has to come too; null if none has. */
  readonly needs: string | null;
};

/** Whether an item is taken unless somebody says otherwise: what takes nothing from anybody. */
export const isTakenAtFirst = (item: Item): boolean => isTakeable(item) && item.collides === null;

/** Whether an item can be taken at all. */
export const isTakeable = ({ state, misfit }: Item): boolean => state !== 'same' && misfit === null;

/** Everything in a set-up, compared with a session. */
export function itemsOf(session: Session, document: SetupDocument, registry: Registry): Item[] {
  const guests = guestsHere(session, document.applications);
  const here = new Here(session, document.names, guests);
  const keys = keyMapOf(registry, session);
  return [
    ...settingItems(session, document),
    ...[...guests.values()].map((guest) => applicationItem(session, guest)),
    ...DIGITS.map((digit, at) => placeItem(session, document.places[at] ?? null, digit, here)),
    ...document.shortcuts.map((shortcut) => shortcutItem(session, shortcut, here, keys)),
    ...document.keys.map((key) => keyItem(session, key, registry, keys)),
  ];
}

const PLAIN = { misfit: null, collides: null, needs: null } as const;

const stateOf = (from: object | null, to: object): Item['state'] =>
  from === null ? 'new' : JSON.stringify(from) === JSON.stringify(to) ? 'same' : 'changes';

function settingItems(session: Session, document: SetupDocument): Item[] {
  const [here, there] = [wholeSettings(session.settings), wholeSettings(document.settings)];
  return (Object.keys(there) as (keyof PortableSettings)[]).map((name): Item => {
    const [from, to] = [here[name], there[name]];
    return {
      ...PLAIN,
      part: 'setting',
      id: `setting ${name}`,
      name,
      from,
      to,
      state: stateOf({ from }, { from: to }),
    };
  });
}

/** Settings with what holds where nothing was chosen. */
const wholeSettings = (settings: Settings): Required<PortableSettings> => ({
  ...portable(settings),
  holdKey: holdKeyOf(settings),
  index: indexStanceOf(settings),
  block: blockOf(settings),
  switcherShows: switcherScopeOf(settings),
  edges: edgesOf(settings),
  rim: rimOf(settings),
});

/** What guests become here, by their ids in the document: those that are here already keep their ids. */
function guestsHere(session: Session, guests: readonly Guest[]): ReadonlyMap<ApplicationId, Guest> {
  const here = guestsOf(session);
  const taken = new Set<string>();
  const isTaken = (id: string) =>
    taken.has(id) || has(session.applications, id) || has(session.documents, id);
  return new Map(
    guests.map((guest): [ApplicationId, Guest] => {
      const known = here.find((one) => !taken.has(one.id) && isAlike(one, guest));
      const id = known?.id ?? guestId(guest.name, isTaken);
      taken.add(id);
      return [guest.id, { ...guest, id, home: known?.home ?? id }];
    }),
  );
}

/** Whether two guests are the same thing: one page by its address, or one program by its name. */
function isAlike(a: Guest, b: Guest): boolean {
  if (a.kind !== b.kind) return false;
  if (a.kind === 'desktop-entry') return a.name === b.name;
  const [one, other] = [pageFrom(a.text), pageFrom(b.text)];
  return 'page' in one && 'page' in other && one.page.address.href === other.page.address.href;
}

function applicationItem(session: Session, to: Guest): Item {
  const from = guestOf(session, to.id);
  const state = stateOf(from, to);
  return { ...PLAIN, part: 'application', id: `application ${to.id}`, from, to, state };
}

/** Finds here what a document names: by what it is called, else by its id, else among what comes with it. */
class Here {
  constructor(
    private readonly session: Session,
    private readonly names: readonly Named[],
    private readonly guests: ReadonlyMap<ApplicationId, Guest>,
  ) {}

  find(thing: Thing): { readonly thing: Thing; readonly needs: string | null } | null {
    if (typeof thing !== 'string') {
      const document = this.#among(this.session.documents, thing, thing.document, ({ title }) => title);
      return document && { thing: { document: document.id }, needs: null };
    }
    const guest = this.guests.get(thing);
    if (guest)
      return {
        thing: guest.id,
        needs: has(this.session.applications, guest.id) ? null : `application ${guest.id}`,
      };
    const application = this.#among(this.session.applications, thing, thing, ({ name }) => name);
    return application && { thing: application.id, needs: null };
  }

  nameOf(thing: Thing): string {
    const named = this.names.find((one) => sameThing(one.thing, thing));
    return named?.name ?? (typeof thing === 'string' ? thing : thing.document);
  }

  #among<T extends { readonly id: string }>(
    table: readonly T[],
    thing: Thing,
    id: string,
    nameOf: (one: T) => string,
  ): T | null {
    const name = this.nameOf(thing).toLowerCase();
    return table.find((one) => nameOf(one).toLowerCase() === name) ?? find(table, id) ?? null;
  }
}

function placeItem(session: Session, thing: Thing | null, digit: Digit, here: Here): Item {
  const from = thingAt(session, digit);
  const found = thing === null ? null : here.find(thing);
  const to = found?.thing ?? null;
  return {
    ...PLAIN,
    part: 'place',
    id: `place ${digit}`,
    digit,
    from,
    to,
    needs: found?.needs ?? null,
    misfit: thing !== null && !found ? { because: 'not-here', name: here.nameOf(thing) } : null,
    state: sameThing(from, to) && (thing === null || found) ? 'same' : from === null ? 'new' : 'changes',
  };
}

function shortcutItem(session: Session, shortcut: Shortcut, here: Here, keys: KeyMap): Item {
  const { aim, id } = shortcut;
  const found = 'application' in aim ? here.find(aim.application) : null;
  const application = typeof found?.thing === 'string' ? found.thing : null;
  const to: Shortcut =
    application !== null && 'application' in aim ? { ...shortcut, aim: { ...aim, application } } : shortcut;
  const from = shortcutOf(session, id) ?? null;
  return {
    ...PLAIN,
    part: 'shortcut',
    id: `shortcut ${id}`,
    from,
    to,
    needs: found?.needs ?? null,
    misfit:
      application === null
        ? { because: 'not-here', name: 'application' in aim ? here.nameOf(aim.application) : '' }
        : null,
    collides: other(keys, to.chord, { action: 'shortcut', argument: id }),
    state: stateOf(from, to),
  };
}

function keyItem(session: Session, to: OwnKey, registry: Registry, keys: KeyMap): Item {
  const { action, argument, chord } = to;
  const known =
    registry.actions.some(({ id }) => id === action) &&
    registry.action(action).arguments(session).includes(argument);
  const from = ownKeyOf(session, action, argument) ?? null;
  return {
    ...PLAIN,
    part: 'key',
    id: `key ${action} ${argument ?? ''}`,
    from,
    to,
    misfit: known ? null : { because: 'no-such-action', action },
    collides: known && chord ? other(keys, chord, { action, argument }) : null,
    state: stateOf(from, to),
  };
}

/** Who else has a combination here. */
function other(keys: KeyMap, chord: Chord, but: Invocation): Invocation | null {
  const bound = keys.at(chord.hold ? ['held'] : ['anywhere'], { ...chord, key: chord.code });
  return bound && !sameInvocation(bound.invocation, but) ? bound.invocation : null;
}

/**
 * The change that taking some items makes. A place whose application does not come too stays as it is; a shortcut whose
 * combination is taken over goes; what gets another place leaves the one it had.
 */
export function changeFrom(
  session: Session,
  items: readonly Item[],
  taken: ReadonlySet<string>,
): SetupChange {
  const isTaken = (id: string) => taken.has(id);
  const some = items.filter(
    (item) => isTakeable(item) && isTaken(item.id) && (item.needs === null || isTaken(item.needs)),
  );
  const losing = some.flatMap(({ collides }) =>
    collides?.action === 'shortcut' ? (collides.argument ?? []) : [],
  );
  const comes = new Set(some.flatMap((item) => (item.part === 'shortcut' ? [item.to.id] : [])));
  return {
    settings: settingsFrom(session, some),
    places: placesFrom(session, some),
    shortcuts: [
      ...[...new Set(losing)].filter((id) => !comes.has(id)).map((shortcut) => ({ shortcut, to: null })),
      ...some.flatMap((item) => (item.part === 'shortcut' ? [{ shortcut: item.to.id, to: item.to }] : [])),
    ],
    keys: some.flatMap((item) =>
      item.part === 'key' ? [{ action: item.to.action, argument: item.to.argument, to: item.to }] : [],
    ),
    guests: some.flatMap((item) =>
      item.part === 'application' ? [{ application: item.to.id, to: item.to }] : [],
    ),
  };
}

function settingsFrom({ settings }: Session, items: readonly Item[]): Settings | null {
  const changed = items.flatMap((item) => (item.part === 'setting' ? [[item.name, item.to]] : []));
  if (changed.length === 0) return null;
  return { ...settings, ...(Object.fromEntries(changed) as Partial<Settings>) };
}

function placesFrom({ places }: Session, items: readonly Item[]): SetupChange['places'] {
  const put = items.flatMap((item) => (item.part === 'place' ? [item] : []));
  if (put.length === 0) return null;
  return places.map((thing, at) => {
    const item = put.find(({ digit }) => digit === DIGITS[at]);
    if (item) return item.to;
    return put.some(({ to }) => to !== null && sameThing(to, thing)) ? null : thing;
  });
}
