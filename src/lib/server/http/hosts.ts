/** Which names the server answers to, and whether it can be reached from elsewhere. */
import { hostname, networkInterfaces } from 'node:os';

const LOOPBACK_NAMES: ReadonlySet<string> = new Set(['localhost', '127.0.0.1', '[::1]']);
const EVERYWHERE: ReadonlySet<string> = new Set(['0.0.0.0', '::', '[::]', '']);

/**
 * The name in a Host header or an origin, without its port, in lower case.
 * @example nameOf('Harbour.test:4321') // 'harbour.test'
 */
export const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/** Whether a Host header names loopback. */
export const namesLoopback = (host: string): boolean => LOOPBACK_NAMES.has(nameOf(host));

/**
 * Whether an address (of a peer, or to listen on) is loopback.
 * @example isLoopback('::ffff:127.0.0.1') // true
 */
export const isLoopback = (address: string): boolean =>
  address === 'localhost' ||
  address === '::1' ||
  address === '[::1]' ||
  /^(::ffff:)?127(\.\d{1,3}){3}$/.test(address);

/**
 * The names in a comma-separated list, as KEY_FOLD_HOSTS has them.
 * @example namesIn('Harbour.test, office ') // ['harbour.test', 'office']
 */
export const namesIn = (list: string): string[] =>
  list
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter(Boolean);

/** Where the server listens, and which names beyond loopback it answers to. */
export class Hosts {
  /** Whether only this machine can reach the server. */
  readonly onLoopback: boolean;
  readonly #listed: ReadonlySet<string>;

  /**
   * @param listening the address it listens on, as HOST has it
   * @param listed further names, as KEY_FOLD_HOSTS has them
   */
  constructor(
    readonly listening: string,
    listed: string,
  ) {
    this.onLoopback = isLoopback(listening);
    this.#listed = new Set([...namesIn(listed), ...(this.onLoopback ? [] : [hostname().toLowerCase()])]);
  }

  /** Whether the server answers to a Host header beyond loopback: a name that is listed, or an address of its own. */
  answersTo(host: string): boolean {
    const name = nameOf(host);
    return this.#listed.has(name) || (!this.onLoopback && this.addresses().includes(name));
  }

  /** The addresses beyond loopback that the server can be reached at, as they stand in a URL. */
  addresses(): string[] {
    if (this.onLoopback) return [];
    if (!EVERYWHERE.has(this.listening)) return [inUrl(this.listening)];
    return Object.values(networkInterfaces())
      .flatMap((addresses) => addresses ?? [])
      .filter(({ internal, scopeid }) => !internal && !scopeid)
      .map(({ address }) => inUrl(address));
  }
}

const inUrl = (address: string): string =>
  address.includes(':') && !address.startsWith('[') ? `[${address.toLowerCase()}]` : address.toLowerCase();
