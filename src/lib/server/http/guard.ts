import { Problem } from './problem';

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Refuses requests that another site could have caused: a page elsewhere must not be able to drive this server,
 * neither directly (its `Origin` or `Sec-Fetch-Site` tells) nor through a name of its own that resolves to
 * loopback (then the `Host` is not ours).
 * @param allowedHosts further host names, without port, that the server answers to.
 * @throws Problem 421 for a foreign Host, 403 for a foreign Origin.
 */
export function guard(headers: Headers, allowedHosts: readonly string[]): void {
  const host = headers.get('host') ?? '';
  const name = host.replace(/:\d+$/, '').toLowerCase();
  if (![...LOOPBACK, ...allowedHosts].includes(name))
    throw new Problem(421, 'Foreign host', `This server does not answer to the host '${name}'.`);
  const origin = headers.get('origin');
  const site = headers.get('sec-fetch-site');
  const foreignOrigin = origin !== null && originHost(origin) !== host.toLowerCase();
  const foreignSite = origin === null && (site === 'cross-site' || site === 'same-site');
  const navigation = headers.get('sec-fetch-mode') === 'navigate' && origin === null;
  if (foreignOrigin || (foreignSite && !navigation))
    throw new Problem(403, 'Foreign origin', 'Only pages of this server may use it.');
}

function originHost(origin: string): string | null {
  return URL.canParse(origin) ? new URL(origin).host.toLowerCase() : null;
}

/** Headers that every answer carries. */
export const SECURITY_HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'x-frame-options': 'DENY',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
};
