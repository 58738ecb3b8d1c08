import { isLoopback, namesLoopback, type Hosts } from './hosts';
import { Problem } from './problem';

/**
 * Refuses requests that another site could have caused: a page elsewhere must not be able to drive this server,
 * neither directly (its `Origin` or `Sec-Fetch-Site` tells) nor through a name of its own that resolves to
 * an address of ours (then the `Host` is not ours). Loopback's names are only for those who come over loopback.
 * @param peer the address that the request comes from
 * @throws Problem `foreign-host`, `foreign-origin`
 */
export function guard(headers: Headers, peer: string, hosts: Hosts): void {
  const host = headers.get('host') ?? '';
  const ours = namesLoopback(host) ? isLoopback(peer) : hosts.answersTo(host);
  if (!ours) throw new Problem('foreign-host', `This server does not answer to the host '${host}'.`);
  const origin = headers.get('origin');
  const site = headers.get('sec-fetch-site');
  const foreignOrigin = origin !== null && originHost(origin) !== host.toLowerCase();
  const foreignSite = origin === null && (site === 'cross-site' || site === 'same-site');
  const navigation = headers.get('sec-fetch-mode') === 'navigate' && origin === null;
  if (foreignOrigin || (foreignSite && !navigation))
    throw new Problem('foreign-origin', 'Only pages of this server may use it.');
}

/** The same, where a request is refused without words. */
export function passes(headers: Headers, peer: string, hosts: Hosts): boolean {
  try {
    guard(headers, peer, hosts);
    return true;
  } catch {
    return false;
  }
}

function originHost(origin: string): string | null {
  return URL.canParse(origin) ? new URL(origin).host.toLowerCase() : null;
}

/**
 * Headers that every answer carries, unless it has its own. Browser windows that Key Fold opens for page applications stay
 * in its hands, so that it can bring them forward and close them.
 */
export const SECURITY_HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'cross-origin-opener-policy': 'same-origin-allow-popups',
  'cross-origin-resource-policy': 'same-origin',
  'x-frame-options': 'DENY',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
};
