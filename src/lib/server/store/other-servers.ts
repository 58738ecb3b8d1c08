import { randomUUID } from 'node:crypto';
import pg from 'pg';

/** The channel on which servers of one database tell each other what they wrote (PostgreSQL, LISTEN and NOTIFY). */
const CHANNEL = 'key_fold';
/** Waits before a lost connection is tried again, in ms: the first, and the longest. */
const FIRST_WAIT_MS = 250;
const LONGEST_WAIT_MS = 5_000;

/** What is heard of other servers. */
export interface OtherServersListener {
  /** Another server wrote to a session, from the event with this number on. */
  wrote(session: string, first: number): void;
  /** Another server removed a session. */
  removed(session: string): void;
  /** A session may have been locked, or opened again. */
  lock(session: string): void;
  /** Something may have been missed: anything that is followed has to be looked at again. */
  missed(): void;
}

/**
 * The other servers on the same database. They say hello when they come, so that a server that is alone tells nobody
 * anything; whoever answers a hello tells from then on, and whoever was answered looks again at what it may have missed.
 */
export class OtherServers {
  /** What this server calls itself. */
  readonly id = randomUUID();
  readonly #known = new Set<string>();
  #client: pg.Client | null = null;
  #retry: ReturnType<typeof setTimeout> | undefined;
  #wait = FIRST_WAIT_MS;
  #closed = false;

  constructor(
    readonly url: string,
    readonly listener: OtherServersListener,
  ) {}

  /** Whether any other server has been heard of. */
  get any(): boolean {
    return this.#known.size > 0;
  }

  /** Starts listening, for as long as it takes. */
  async open(): Promise<void> {
    const client = new pg.Client({ connectionString: this.url, keepAlive: true });
    client.on('error', () => this.#lost(client));
    client.on('end', () => this.#lost(client));
    client.on('notification', ({ payload = '' }) => this.#hear(payload));
    this.#client = client;
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
      this.#wait = FIRST_WAIT_MS;
      await this.#say('hello');
      this.listener.missed();
    } catch {
      this.#lost(client);
    }
  }

  /** Stops listening. */
  async close(): Promise<void> {
    this.#closed = true;
    clearTimeout(this.#retry);
    await this.#client?.end().catch(() => undefined);
  }

  /** Tells the others that a session is gone. */
  async sayRemoved(session: string): Promise<void> {
    if (this.any) await this.#say(`removed ${session}`);
  }

  /** Tells the others to look at the lock of a session. */
  async sayLock(session: string): Promise<void> {
    if (this.any) await this.#say(`lock ${session}`);
  }

  async #say(what: string): Promise<void> {
    await this.#client?.query('select pg_notify($1, $2)', [CHANNEL, `${this.id} ${what}`]);
  }

  #hear(payload: string): void {
    const [server = '', what, session = '', first] = payload.split(' ');
    if (server === this.id) return;
    const isNew = !this.#known.has(server);
    this.#known.add(server);
    switch (what) {
      case 'hello':
        void this.#say('here').catch(() => undefined);
        return;
      case 'here':
        if (isNew) this.listener.missed();
        return;
      case 'wrote':
        return this.listener.wrote(session, Number(first));
      case 'lock':
        return this.listener.lock(session);
      case 'removed':
        return this.listener.removed(session);
    }
  }

  #lost(client: pg.Client): void {
    if (this.#closed || client !== this.#client) return;
    this.#client = null;
    client.end().catch(() => undefined);
    this.#retry = setTimeout(() => void this.open(), this.#wait);
    this.#retry.unref();
    this.#wait = Math.min(this.#wait * 2, LONGEST_WAIT_MS);
  }
}
