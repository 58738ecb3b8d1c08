import type { Cookies } from '@sveltejs/kit';
import { namesLoopback, type Hosts } from '../http/hosts';
import { Problem, slowDown } from '../http/problem';
import type { AccessKeys } from './access-keys';
import { Attempts } from './attempts';

/** The cookie that carries the access key. */
const COOKIE = 'key-fold-access';
const YEAR_S = 365 * 86_400;

/** The page that asks for the key, and what it sends the key to: the only addresses that need none. */
export const ASKING_PAGE = '/access';
/** The same, to go on to a page of this server afterwards. */
export const askingPage = (to: string): string =>
  to.startsWith('/sessions/') ? `${ASKING_PAGE}?to=${encodeURIComponent(to)}` : ASKING_PAGE;
/** Where whoever has no key yet may show one. */
export const ASKING_ROUTE = '/api/access';

/** What of a request tells whether it may come in. */
interface Knock {
  readonly path: string;
  /** The sessions that it is about. */
  readonly sessions: readonly string[];
  readonly host: string;
  readonly cookies: Cookies;
}

/**
 * Who is let in. A server that only this machine reaches, under loopback's names, asks nobody; else everybody needs
 * the access key, those on this machine too: a proxy beside the server would make everybody look like one of them.
 */
export class Admission {
  readonly #attempts = new Attempts();

  constructor(
    readonly keys: AccessKeys,
    readonly hosts: Hosts,
    /** Whether a session needs the key in any case: other users of a machine reach its loopback, too. */
    readonly isGuarded: (session: string) => boolean = () => false,
  ) {}

  /** @throws Problem `key-needed` */
  async check({ path, sessions, host, cookies }: Knock): Promise<void> {
    const guarded = sessions.some(this.isGuarded);
    if (!guarded && this.hosts.onLoopback && namesLoopback(host)) return;
    if (path === ASKING_PAGE || path === ASKING_ROUTE) return;
    if (!(await this.keys.accepts(cookies.get(COOKIE))))
      throw new Problem('key-needed', `Open ${ASKING_PAGE} and enter the access key.`);
  }

  /** Whether a Cookie header has the key. */
  hasKey(header: string): Promise<boolean> {
    const pairs = header.split(';').map((pair) => pair.trim().split('='));
    return this.keys.accepts(pairs.find(([name]) => name === COOKIE)?.[1]);
  }

  /**
   * Lets a browser in that has the key: from then on its cookie proves it.
   * @throws Problem `wrong-key`; `slow-down` after several wrong ones.
   */
  async enter(key: string, peer: string, cookies: Cookies, secure: boolean): Promise<void> {
    const now = performance.now();
    const wait = this.#attempts.wait(peer, now);
    if (wait > 0) throw slowDown(wait);
    if (!(await this.keys.accepts(key))) {
      this.#attempts.failed(peer, now);
      throw new Problem('wrong-key', 'This is not the access key.', [
        { pointer: '#/key', detail: 'is wrong' },
      ]);
    }
    this.#attempts.succeeded(peer);
    cookies.set(COOKIE, key, { path: '/', httpOnly: true, sameSite: 'lax', secure, maxAge: YEAR_S });
  }
}
