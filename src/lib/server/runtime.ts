/** What the running server is made of: its database, its store, who is let in, and the demo. */
import { doorTo } from '../core/display/door';
import { join } from 'node:path';
import { fromDocument } from '../core/formats/session-document';
import { ellavane } from '../demo/ellavane';
import { ellavaneHistory } from '../demo/history';
import { DEMO_ID } from '../demo/demo-id';
import { AccessKeys } from './access/access-keys';
import { Admission, ASKING_PAGE, askingPage } from './access/admission';
import { connect } from './database/connect';
import { migrate } from './database/migrate';
import { passes } from './http/guard';
import { Hosts } from './http/hosts';
import { Importer } from './import/importer';
import { keepSecret } from './access/secret';
import { Displays } from './displays/displays';
import { DisplayTokens } from './displays/display-tokens';
import { openOwnDisplay, OWN_DISPLAY } from './displays/own-display';
import { addSwitches } from './tally/switches';
import { EventStore } from './store/event-store';

/** How often the log is pruned, in ms. */
const PRUNING_MS = 24 * 3_600_000;

interface Runtime {
  readonly store: EventStore;
  readonly admission: Admission;
  readonly displays: Displays;
  readonly importer: Importer;
  readonly demoPages: string;
}

let runtime: Runtime | null = null;

/** What the server is told by its environment. */
export interface RuntimeSettings {
  readonly databaseUrl: string | undefined;
  /** Where the server listens (HOST and PORT), and what else it is called (KEY_FOLD_HOSTS). */
  readonly listening: string;
  readonly port: string;
  readonly hosts: string;
  /** The origin of the demo's web pages. */
  readonly demoPages: string;
  /** The folder of the built worker threads. */
  readonly workers: string;
  /** Where the secrets of this machine's own display are kept, for the owner of the server alone; null: it has no agent. */
  readonly displaySecrets: string | null;
}

/** Connects, migrates, and loads the demo unless it is there already. */
export async function startRuntime(settings: RuntimeSettings): Promise<void> {
  const { databaseUrl } = settings;
  if (!databaseUrl) throw new Error('DATABASE_URL is not set. Start Key Fold with `npm start`.');
  await migrate(databaseUrl);
  const database = connect(databaseUrl);
  const store = new EventStore(database);
  const hosts = new Hosts(settings.listening, settings.hosts);
  const keys = new AccessKeys(database);
  await store.hearOthers();
  await ensureDemo(store, settings.demoPages);
  if (!hosts.onLoopback || settings.hosts.trim() !== '') {
    const key = await keys.makeFirst();
    if (key) sayKey(key, hosts, settings.port);
  }
  const admission = new Admission(keys, hosts, (session) => displays.has(session));
  const displays: Displays = new Displays(
    store,
    new DisplayTokens(database),
    (headers, peer) => passes(headers, peer, hosts),
    (cookies) => admission.hasKey(cookies),
  );
  if (settings.displaySecrets !== null) {
    const key = await openOwnDisplay(settings.displaySecrets, displays.tokens, keys);
    const server = `http://${hosts.onLoopback ? settings.listening : 'localhost'}:${settings.port}`;
    const page = `${server}${askingPage(`/sessions/${OWN_DISPLAY}`)}#${key}`;
    await keepSecret(join(settings.displaySecrets, 'open.html'), doorTo(page));
    console.log(`Key Fold: your own windows, for you alone: open\n  ${page}`);
  }
  await displays.open();
  // What serves the build looks for it there.
  globalThis.keyFoldUpgrade = displays.upgrade;
  runtime = {
    store,
    displays,
    demoPages: settings.demoPages,
    admission,
    importer: new Importer(join(settings.workers, 'import-session.js')),
  };
  const prune = () =>
    void store.prune().catch((error: unknown) => console.error('The log was not pruned:', error));
  prune();
  setInterval(prune, PRUNING_MS).unref();
}

/** Loads the demo unless it is there already. `pages`: the origin of its web pages. */
export async function ensureDemo(store: EventStore, pages: string): Promise<void> {
  if ((await store.last(DEMO_ID)) !== null) return;
  const now = new Date();
  const document = ellavane(now, pages);
  // Another server may be faster: then the history is its own to write.
  if (await store.create(DEMO_ID, fromDocument(document)))
    await addSwitches(store.database, DEMO_ID, ellavaneHistory(document, now));
}

function sayKey(key: string, hosts: Hosts, port: string): void {
  const [address = 'localhost'] = hosts.addresses();
  console.log(
    `Key Fold: others need an access key. Open this link once in each browser; it is shown only now:\n` +
      `  http://${address}:${port}${ASKING_PAGE}#${key}`,
  );
}

function running(): Runtime {
  if (!runtime) throw new Error('The server has not started yet.');
  return runtime;
}

/** The event store of the running server. */
export const eventStore = (): EventStore => running().store;

/** The origin of the demo's web pages. */
export const demoPages = (): string => running().demoPages;

/** What checks documents that come in. */
export const importer = (): Importer => running().importer;

/** Who the running server lets in. */
export const admission = (): Admission => running().admission;

/** The displays that the running server knows. */
export const displays = (): Displays => running().displays;
