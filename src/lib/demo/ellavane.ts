import { FORMAT, VERSION, type SessionDocument } from '../core/formats/session-document';
import type { Application } from '../core/slices/applications/state';
import type { AppDocument } from '../core/slices/documents/state';
import type { Geometry } from '../core/model/geometry';
import type { Tab, AppWindow } from '../core/slices/windows/state';
import { DOCUMENTS } from './documents';

const MINUTE_MS = 60_000;

const application = (
  id: string,
  name: string,
  monogram: string,
  hue: number,
  home: string,
  more: Partial<Application> = {},
): Application => ({
  id,
  name,
  monogram,
  hue,
  running: true,
  hidden: false,
  answering: true,
  resident: false,
  quitsWithLastWindow: false,
  quitting: false,
  home,
  ...more,
});

/** In order of recent use. */
const APPLICATIONS: readonly Application[] = [
  application('tides', 'Tides', 'Ti', 205, 'lock-sill'),
  application('berths', 'Berths', 'Be', 28, 'timber-quay'),
  application('pilot-log', 'Pilot Log', 'Pl', 265, 'log-today'),
  application('letters', 'Letters', 'Le', 345, 'letter-towage', {
    quitsWithLastWindow: true,
    opens: ['note', 'prose'],
  }),
  application('weather', 'Weather', 'We', 190, 'wind', { hidden: true }),
  application('radio', 'Radio', 'Ra', 95, 'channel-12', { resident: true }),
  application('roster', 'Roster', 'Ro', 230, 'week-48', { quitsWithLastWindow: true }),
  application('byelaws', 'Byelaws', 'By', 45, 'byelaws-towing'),
  application('sums', 'Sums', 'Su', 300, 'under-keel', { answering: false }),
  application('cabinet', 'Cabinet', 'Ca', 150, 'inbox'),
];

/** Programs that do not run yet. */
const NOT_RUNNING: readonly Application[] = [
  application('notes', 'Notes', 'Nt', 60, 'note-handover', {
    running: false,
    quitsWithLastWindow: true,
    opens: ['letter', 'prose'],
  }),
  application('workshop', 'Workshop', 'Wo', 0, 'bench', { running: false, quitsWithLastWindow: true }),
];

/** Where the demo's web pages are unless somebody says otherwise. */
const DEMO_PAGES = 'http://127.0.0.1:4871';

interface DemoPage {
  readonly id: string;
  readonly name: string;
  readonly monogram: string;
  readonly hue: number;
  readonly display: 'minimal-ui' | 'browser';
  readonly icons?: readonly { readonly src: string }[];
}

/** A pin on a board. */
const PIN =
  'data:image/svg+xml,' +
  encodeURIComponent(
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 32 32"><rect x="4" y="9" width="24" height="19" fill="#f3e7cf" stroke="#4a3418" stroke-width="2"/><path d="M9 16h14M9 21h9" stroke="#4a3418" stroke-width="2"/><circle cx="16" cy="8" r="4.5" fill="#b0452c" stroke="#4a3418" stroke-width="2"/></svg>',
  );

/** Web pages that were added as applications; they do not run yet. */
const PAGES: readonly DemoPage[] = [
  {
    id: 'notices',
    name: 'Notice Board',
    monogram: 'No',
    hue: 35,
    display: 'minimal-ui',
    icons: [{ src: PIN }],
  },
  { id: 'ferries', name: 'Ferry Times', monogram: 'Fe', hue: 170, display: 'browser' },
];

const pageApplication = ({ id, name, monogram, hue }: DemoPage): Application =>
  application(id, name, monogram, hue, id, { running: false, quitsWithLastWindow: true });

const pageDocument = ({ id, name, display, icons }: DemoPage, pages: string): AppDocument => ({
  id,
  title: name,
  application: id,
  kind: 'page',
  text: JSON.stringify({ name, start_url: `${pages}/${id}/`, scope: `${pages}/${id}/`, display, icons }),
});

/** [document ids of its tabs, minutes since use, x, y, width, height, what is special], most recent first. */
type Row = readonly [
  tabs: string,
  minutes: number,
  ...box: [number, number, number, number],
  more?: Partial<AppWindow>,
];

const WINDOWS: readonly Row[] = [
  ['lock-sill', 0, 300, 170, 640, 400],
  ['timber-quay', 2, 620, 30, 500, 250],
  ['log-today', 4, 40, 36, 540, 300],
  ['north-quay', 9, 680, 430, 460, 220],
  ['letter-towage', 12, 60, 370, 440, 320],
  ['north-gauge', 15, 700, 300, 440, 290],
  ['wind', 21, 740, 470, 400, 240],
  ['channel-12', 26, 130, 450, 520, 240],
  ['log-yesterday', 33, 90, 90, 520, 240],
  ['letter-notice-14', 38, 180, 300, 420, 280],
  ['week-48', 45, 540, 520, 460, 190],
  ['oil-jetty', 60, 660, 90, 460, 190],
  ['channel-16', 75, 240, 480, 480, 210, { minimised: true }],
  ['byelaws-towing byelaws-lights byelaws-dues', 90, 200, 80, 560, 360, { workspace: 'plans' }],
  ['under-keel', 110, 820, 60, 320, 260],
  ['evening-bulletin', 140, 420, 90, 420, 250],
  ['outer-buoy', 180, 480, 330, 440, 290],
  ['letter-dues', 200, 320, 350, 430, 270, { minimised: true }],
  ['inbox', 230, 380, 110, 500, 240, { minimised: true }],
  ['plans-2026', 300, 420, 150, 500, 240, { minimised: true }],
];

const TITLES = new Map(DOCUMENTS.map((document) => [document.id, document]));

function window([documents, , x, y, width, height, more]: Row): AppWindow {
  const tabs = documents.split(' ').map((document): Tab => {
    const title = TITLES.get(document)?.title ?? document;
    return { id: `t-${document}`, title, document };
  });
  const first = tabs[0]?.document ?? '';
  const geometry: Geometry = { x, y, width, height };
  return {
    id: `w-${first}`,
    application: TITLES.get(first)?.application ?? '',
    geometry,
    minimised: false,
    workspace: 'watch',
    tabs,
    activeTab: `t-${first}`,
    seen: true,
    asking: null,
    offeringDraft: false,
    ...more,
  };
}

/** The harbour office of Ellavane at work, as if it had been used until `now`. */
export function ellavane(now: Date, pages = DEMO_PAGES): SessionDocument {
  const ago = (minutes: number) => new Date(now.getTime() - minutes * MINUTE_MS).toISOString();
  const windows = WINDOWS.map(window);
  const stacking = windows.map(({ id }) => id).toReversed();
  const uses = windows.map(({ id }, index) => ({ id, at: ago(WINDOWS[index]?.[1] ?? 0) }));
  const lastUse = (application: string) =>
    uses.find((_, index) => windows[index]?.application === application)?.at ?? null;
  const towage = TITLES.get('letter-towage')?.text ?? '';
  return {
    format: FORMAT,
    version: VERSION,
    title: 'The harbour office of Ellavane',
    settings: { holdKey: 'Alt', holding: true, theme: 'system' },
    workspaces: [
      { id: 'watch', name: 'Watch' },
      { id: 'plans', name: 'Plans' },
      { id: 'papers', name: 'Papers' },
    ],
    workspace: 'watch',
    applications: [...APPLICATIONS, ...NOT_RUNNING, ...PAGES.map(pageApplication)],
    documents: [...DOCUMENTS, ...PAGES.map((page) => pageDocument(page, pages))],
    drafts: [
      {
        document: 'letter-towage',
        text: towage.replace('two tugs are booked', 'two tugs, Anvil and Bollard, are booked'),
        at: ago(12),
      },
    ],
    windows,
    recent: { applications: APPLICATIONS.map(({ id }) => ({ id, at: lastUse(id) })), windows: uses },
    stacking,
    front: stacking.at(-1) ?? null,
    places: [
      'tides',
      'berths',
      'pilot-log',
      'letters',
      'weather',
      'radio',
      'roster',
      'byelaws',
      'sums',
      'cabinet',
    ],
  };
}
