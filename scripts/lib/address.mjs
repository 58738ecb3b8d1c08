import { networkInterfaces } from 'node:os';

/**
 * The name or address under which a server that listens on `host` can be reached, as it stands in a URL.
 * @param {string} host
 */
export function reachableAt(host) {
  if (['127.0.0.1', 'localhost', '::1'].includes(host)) return 'localhost';
  if (!['0.0.0.0', '::'].includes(host)) return host.includes(':') ? `[${host}]` : host;
  const addresses = Object.values(networkInterfaces()).flatMap((list) => list ?? []);
  return addresses.find(({ internal, family }) => !internal && family === 'IPv4')?.address ?? 'localhost';
}
