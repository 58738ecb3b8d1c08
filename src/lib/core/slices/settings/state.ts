import type { ApplicationId } from '../../model/ids';

/** The hold keys that a document may name. */
export const HOLD_KEYS = ['Alt', 'Control', 'Meta'] as const;
/** The key kept down while stepping, by its modifier name, as it is stored. */
export type HoldKey = (typeof HOLD_KEYS)[number];

/** The hold keys that are offered. Control alone is none any more: it would take copy, paste and select all. */
export const USABLE_HOLD_KEYS = ['Alt', 'Meta'] as const satisfies readonly HoldKey[];
/** One of the hold keys that can be used. */
export type UsableHoldKey = (typeof USABLE_HOLD_KEYS)[number];

/** The hold key of a session: Alt where an earlier version stored one that cannot be used. */
export const holdKeyOf = ({ holdKey }: Settings): UsableHoldKey => (holdKey === 'Control' ? 'Alt' : holdKey);

/** Colours: as the system has them, or always those of one time of day. */
export const THEMES = ['system', 'day', 'night'] as const;
/** One of the themes. */
export type Theme = (typeof THEMES)[number];

/** The index is always there, or comes while it is walked and leaves afterwards. */
export const INDEX_STANCES = ['beside', 'away'] as const;
/** One of the two. */
export type IndexStance = (typeof INDEX_STANCES)[number];

/** Where the index is: beside the surface where nothing was chosen. */
export const indexStanceOf = ({ index }: Settings): IndexStance => index ?? 'beside';

/** Blocks of keys: for the left hand, mirrored for the right, and for an installed window, in which every key arrives. */
export const BLOCKS = ['left', 'right', 'window'] as const;
/** One of them. */
export type Block = (typeof BLOCKS)[number];

/** The block of keys: that for the left hand where nothing was chosen. */
export const blockOf = ({ block }: Settings): Block => block ?? 'left';

/** What the switcher shows when it is opened: everything that runs, or only what is on this workspace. */
export const SWITCHER_SCOPES = ['everything', 'here'] as const;
/** One of the two. */
export type SwitcherScope = (typeof SWITCHER_SCOPES)[number];

/** What the switcher shows: everything where nothing was chosen. */
export const switcherScopeOf = ({ switcherShows }: Settings): SwitcherScope => switcherShows ?? 'everything';

/** What a window does that is dragged to an edge of the surface: it lies there, or it fills that half. */
export const EDGES = ['lie', 'fill'] as const;
/** One of the two. */
export type Edges = (typeof EDGES)[number];

/** What it does: it lies there, unless someone asked for more. */
export const edgesOf = ({ edges }: Settings): Edges => edges ?? 'lie';

/** The parts of the surface's rim, row by row: its corners and edges. */
export const RIM_PARTS = [
  'topLeft',
  'top',
  'topRight',
  'left',
  'right',
  'bottomLeft',
  'bottom',
  'bottomRight',
] as const;
/** One of them. */
export type RimPart = (typeof RIM_PARTS)[number];
/** The actions, by id, that a pointer resting at a part of the rim does; nothing at the others. */
export type Rim = { readonly [Part in RimPart]?: string };

/** What the rim does, in the order of its parts: nothing, unless someone asked for something. */
export const rimOf = ({ rim = {} }: Settings): Rim =>
  Object.fromEntries(RIM_PARTS.flatMap((part) => (rim[part] === undefined ? [] : [[part, rim[part]]])));

/** Pictures of a display's windows: whether they are shown at all, and the programs of which there are none. */
export interface Pictures {
  readonly shown: boolean;
  readonly except: readonly ApplicationId[];
}

/** Those pictures: all are shown, unless someone asked for less. */
export const picturesOf = ({ pictures }: Settings): Pictures => pictures ?? { shown: true, except: [] };

/** Whether the agent of a display follows the tabs of browsers: it does not, unless someone asked for it. */
export const followsTabs = ({ browserTabs = false }: Settings): boolean => browserTabs;

/** Whether switches are recorded for the tally: they are, unless someone asked for less. */
export const keepsTally = ({ tally = true }: Settings): boolean => tally;

/** What a person has chosen. What came later than the first version may be absent. */
export interface Settings {
  readonly holdKey: HoldKey;
  /** False for people who cannot hold keys: the switcher then stays open and Enter commits. */
  readonly holding: boolean;
  readonly theme: Theme;
  readonly index?: IndexStance;
  readonly block?: Block;
  readonly switcherShows?: SwitcherScope;
  readonly edges?: Edges;
  readonly rim?: Rim;
  readonly pictures?: Pictures;
  readonly browserTabs?: boolean;
  readonly tally?: boolean;
}

/** Settings that go with a person to another desk. What an agent may see is about one display; nobody is recorded by another. */
export type PortableSettings = Omit<Settings, 'pictures' | 'browserTabs' | 'tally'>;

/** Those of some settings. */
export function portable({
  pictures: _seen,
  browserTabs: _followed,
  tally: _recorded,
  ...settings
}: Settings): PortableSettings {
  return settings;
}

/** The fields of this slice. */
export interface SettingsState {
  /** What the session is called. */
  readonly title: string;
  readonly settings: Settings;
}
