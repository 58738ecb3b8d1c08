/**
 * Web Application Manifests (W3C, "Web Application Manifest"): what a page says of itself as an application. Members are
 * processed by the specification's steps; what it tells to ignore is ignored, what makes it useless here is said.
 */
import { webAddress } from './web-address';

/** Longer manifests are not read, in UTF-16 code units. */
export const LONGEST_MANIFEST = 200_000;

/** The display modes, each followed by what it falls back to (W3C, "Web Application Manifest", display member). */
export const DISPLAY_MODES = ['fullscreen', 'standalone', 'minimal-ui', 'browser'] as const;
/** One of them. */
export type DisplayMode = (typeof DISPLAY_MODES)[number];

/** What is used of a manifest. */
export interface WebManifest {
  readonly name: string;
  /** Shorter, for where there is little room; the name if there is none. */
  readonly shortName: string;
  readonly startUrl: URL;
  /** Addresses that begin with this one belong to the application. */
  readonly scope: URL;
  readonly display: DisplayMode;
  /** A CSS colour as it stands there; null if there is none. */
  readonly themeColour: string | null;
  /** The first icon that is in the manifest itself, as a `data:` address; null if there is none. */
  readonly picture: string | null;
}

type Members = Readonly<Record<string, unknown>>;

/**
 * Reads a manifest.
 * @param address where the page is, which relative addresses count from; null if that is not known
 */
export function webManifest(
  text: string,
  address: URL | null,
): { readonly manifest: WebManifest } | { readonly problem: string } {
  if (text.length > LONGEST_MANIFEST)
    return {
      problem: `A manifest of more than ${LONGEST_MANIFEST / 1_000} thousand characters is not read.`,
    };
  const members = membersOf(text);
  if (!members) return { problem: 'This is no web app manifest: it is not a JSON object.' };
  const start = startUrlOf(members, address);
  if ('problem' in start) return start;
  const startUrl = start.url;
  const name = textOf(members, 'name') ?? textOf(members, 'short_name');
  if (name === null) return { problem: 'The manifest has neither “name” nor “short_name”.' };
  return {
    manifest: {
      name,
      shortName: textOf(members, 'short_name') ?? name,
      startUrl,
      scope: scopeOf(members, startUrl, address),
      display: DISPLAY_MODES.find((mode) => mode === members['display']) ?? 'browser',
      themeColour: textOf(members, 'theme_color'),
      picture: pictureOf(members),
    },
  };
}

/** Whether an address is within a scope (W3C, "Web Application Manifest", "within scope"). */
export const isWithin = (target: URL, scope: URL): boolean =>
  target.origin === scope.origin && target.pathname.startsWith(scope.pathname);

function membersOf(text: string): Members | null {
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Members) : null;
  } catch {
    return null;
  }
}

function textOf(members: Members, name: string): string | null {
  const value = members[name];
  return typeof value === 'string' && value.trim() !== '' ? value.trim() : null;
}

/** The start URL; the page itself where it is missing, or of another origin than the page. */
function startUrlOf(members: Members, address: URL | null): ReturnType<typeof webAddress> {
  const text = textOf(members, 'start_url');
  if (text === null)
    return address
      ? { url: address }
      : { problem: 'The manifest has no “start_url”: type the address of the page first.' };
  const start = webAddress(text, address ?? undefined);
  if ('problem' in start)
    return URL.canParse(text)
      ? start
      : { problem: 'The addresses in the manifest are relative: type the address of the page first.' };
  return address && start.url.origin !== address.origin ? { url: address } : start;
}

/** The scope; the folder of the start URL where it is missing, cannot be read, or does not contain the start URL. */
function scopeOf(members: Members, startUrl: URL, address: URL | null): URL {
  const folder = new URL('.', startUrl);
  const text = textOf(members, 'scope');
  const base = (address ?? startUrl).href;
  if (text === null || !URL.canParse(text, base)) return folder;
  const scope = new URL(text, base);
  scope.search = '';
  scope.hash = '';
  return isWithin(startUrl, scope) ? scope : folder;
}

function pictureOf({ icons }: Members): string | null {
  if (!Array.isArray(icons)) return null;
  for (const icon of icons as unknown[]) {
    const src = (Object(icon) as Members)['src'];
    if (typeof src === 'string' && src.startsWith('data:image/')) return src;
  }
  return null;
}
