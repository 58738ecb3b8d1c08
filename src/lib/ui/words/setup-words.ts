/** The pieces of a set-up in words. */
import type { Registry } from '../../core/actions/registry';
import type { Item, SettingValue } from '../../core/setup/hand-over';
import type { SetupDocument } from '../../core/setup/setup-document';
import { nameOfThing } from '../../core/index/place-view';
import { pageFrom } from '../../core/guests/page';
import { find } from '../../core/model/table';
import type { Session } from '../../core/session/session';
import type { Thing } from '../../core/slices/places/state';
import { RIM_PARTS } from '../../core/slices/settings/state';
import { aimText } from '../../core/shortcuts/aim';
import type { Shortcut } from '../../core/slices/shortcuts/state';
import type { Around } from './sayings';
import { RIM_TEXTS, SETTINGS_TEXTS, SETUP_TEXTS } from './texts';

/** What a piece is called, what it becomes, and what there is to know of it. */
export interface ItemText {
  readonly what: string;
  readonly to: string;
  readonly note: string;
}

type Here = Pick<Around, 'session' | 'registry' | 'chordName'>;

/** A piece of a set-up in words. */
export function itemText(item: Item, document: SetupDocument, here: Here): ItemText {
  const { what, to, from } = piece(item, document, here);
  const { misfit, collides } = item;
  if (misfit?.because === 'not-here') return { what, to, note: SETUP_TEXTS.notHere(misfit.name) };
  if (misfit) return { what, to, note: SETUP_TEXTS.noSuchAction(misfit.action) };
  if (collides)
    return { what, to, note: SETUP_TEXTS.collides(here.registry.words(collides, here.session).title) };
  return { what, to, note: from === '' ? SETUP_TEXTS.isNew : SETUP_TEXTS.insteadOf(from) };
}

function piece(item: Item, document: SetupDocument, here: Here): { what: string; to: string; from: string } {
  const { session, registry, chordName } = here;
  switch (item.part) {
    case 'setting':
      return {
        what: SETTINGS_TEXTS.names[item.name] ?? item.name,
        to: settingText(item.to, registry, session),
        from: settingText(item.from, registry, session),
      };
    case 'application': {
      const read = item.to.kind === 'page' ? pageFrom(item.to.text) : null;
      return {
        what: item.to.name,
        to: read && 'page' in read ? read.page.address.href : '',
        from: item.from ? item.from.name : '',
      };
    }
    case 'place':
      return {
        what: item.digit,
        to:
          item.misfit?.because === 'not-here'
            ? item.misfit.name
            : item.to === null
              ? SETUP_TEXTS.empty
              : thingName(item.to, session, document),
        from: item.from === null ? '' : nameOfThing(session, item.from),
      };
    case 'shortcut':
      return {
        what: chordName(item.to.chord),
        to: item.misfit?.because === 'not-here' ? item.misfit.name : shortcutName(item.to, session, document),
        from: item.from ? `${chordName(item.from.chord)} → ${aimText(session, item.from.aim)}` : '',
      };
    case 'key':
      return {
        what: item.to.chord ? chordName(item.to.chord) : SETUP_TEXTS.noKey,
        to: item.misfit ? item.to.action : registry.words(item.to, session).title,
        from: item.from?.chord ? chordName(item.from.chord) : SETUP_TEXTS.block,
      };
  }
}

function settingText(value: SettingValue, registry: Registry, session: Session): string {
  if (typeof value === 'boolean') return value ? SETUP_TEXTS.hold : SETUP_TEXTS.tap;
  if (typeof value === 'string') return SETTINGS_TEXTS.options[value] ?? value;
  const parts = RIM_PARTS.flatMap((part) => {
    const action = value[part];
    if (action === undefined) return [];
    const title = registry.has(action) ? registry.words({ action, argument: null }, session).title : action;
    return [`${RIM_TEXTS.parts[part]}: ${title}`];
  });
  return parts.join(', ') || RIM_TEXTS.nothing;
}

/** What something is called here, or where it comes from. */
function thingName(thing: Thing, session: Session, { applications }: SetupDocument): string {
  const there =
    typeof thing === 'string' ? find(session.applications, thing) : find(session.documents, thing.document);
  if (there) return nameOfThing(session, thing);
  return applications.find(({ id }) => id === thing)?.name ?? '';
}

function shortcutName({ aim }: Shortcut, session: Session, document: SetupDocument): string {
  if ('window' in aim) return '';
  const name = thingName(aim.application, session, document);
  return aim.title === null ? name : `${name}: ${aim.title}`;
}
