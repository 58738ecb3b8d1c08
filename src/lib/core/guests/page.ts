/** Page applications: a web page as an application. The text of its home document is a manifest of its own. */
import { LONGEST_TEXT } from '../model/limits';
import { webAddress } from './web-address';
import { isWithin, webManifest } from './web-manifest';

/** How a page is shown: in a frame of its window, or in a browser window of its own where the page permits no frames. */
export const OPENINGS = ['frame', 'browser-window'] as const;
/** One of the two. */
export type Opening = (typeof OPENINGS)[number];

/** A page as it is shown. */
export interface Page {
  readonly address: URL;
  /** What of the web the frame may show: addresses that begin with this one. */
  readonly scope: URL;
  readonly opening: Opening;
  /** Its own picture as a `data:` address; null where its monogram stands for it. */
  readonly picture: string | null;
}

/** A page, or what is wrong with the text that should be one. */
export type PageRead = { readonly page: Page } | { readonly problem: string };

const read = new Map<string, PageRead>();
/** Texts whose pages are remembered; a picture is looked up wherever its application is drawn. */
const MOST_READ = 200;

/** The page that a text describes. */
export function pageFrom(text: string): PageRead {
  let page = read.get(text);
  if (!page) {
    if (read.size >= MOST_READ) read.clear();
    read.set(text, (page = readPage(text)));
  }
  return page;
}

function readPage(text: string): PageRead {
  const answer = webManifest(text, null);
  if ('problem' in answer) return answer;
  const { startUrl, scope, display, picture } = answer.manifest;
  const opening = display === 'browser' ? 'browser-window' : 'frame';
  return { page: { address: startUrl, scope, opening, picture } };
}

/** What a person says of a page. */
export interface PageWanted {
  readonly name: string;
  readonly address: string;
  /** Empty: the folder of the address. */
  readonly scope: string;
  readonly opening: Opening;
  readonly picture: string | null;
}

/** What is wrong with what a person says of a page, by field. Empty if nothing is. */
export function pageProblems({
  name,
  address,
  scope,
  picture,
}: PageWanted): Partial<Record<keyof PageWanted, string>> {
  const read = webAddress(address);
  const within = 'url' in read && scope !== '' ? webAddress(scope, read.url) : null;
  const outside = within && 'url' in within && 'url' in read && !isWithin(read.url, within.url);
  return {
    ...(name.trim() === '' && { name: 'Type a name for it.' }),
    ...('problem' in read && { address: read.problem }),
    ...(within && 'problem' in within && { scope: within.problem }),
    ...(outside && { scope: 'The page itself is not among the addresses that begin like this.' }),
    ...(picture &&
      picture.length > LONGEST_TEXT - 10_000 && { picture: 'The picture is too large: take a smaller one.' }),
  };
}

/** The text of a page's home document. It is a manifest, so that others can read it too. */
export function pageText(wanted: PageWanted): string {
  const { name, address, scope, opening, picture } = wanted;
  const start = new URL(address.trim());
  return JSON.stringify({
    name: name.trim(),
    start_url: start.href,
    ...(scope !== '' && { scope: new URL(scope, start).href }),
    display: displayOf(opening),
    ...(picture !== null && { icons: [{ src: picture }] }),
  });
}

/** The text of a page with another way to be shown. */
export const withOpening = (text: string, opening: Opening): string =>
  JSON.stringify({ ...(JSON.parse(text) as object), display: displayOf(opening) });

const displayOf = (opening: Opening) => (opening === 'frame' ? 'minimal-ui' : 'browser');

/**
 * Whether a page permits that it is shown in a frame of another page, by its headers: the frame-ancestors of its content
 * policy (W3C, "Content Security Policy Level 3", 6.4.2), or else X-Frame-Options (RFC 7034, 2.1).
 * @param header looks up a header of the page's answer by its name
 * @param ancestor the origin that the frame would be in
 */
export function permitsFrames(
  header: (name: string) => string | null,
  address: URL,
  ancestor: string,
): boolean {
  const policies = (header('content-security-policy') ?? '').split(',');
  const lists = policies.flatMap((policy) => {
    const directives = policy.split(';').map((directive) => directive.trim().split(/\s+/));
    return directives
      .filter(([name]) => name?.toLowerCase() === 'frame-ancestors')
      .map(([, ...sources]) => sources);
  });
  if (lists.length > 0)
    return lists.every((sources) =>
      sources.some((source) => allows(source.toLowerCase(), address, ancestor)),
    );
  const options = (header('x-frame-options') ?? '').toLowerCase().trim();
  return options === '' || (options === 'sameorigin' && address.origin === ancestor);
}

/** Whether a source of a policy allows an origin. What names no whole origin is taken for a refusal. */
function allows(source: string, address: URL, ancestor: string): boolean {
  if (source === '*') return true;
  if (source === "'self'") return address.origin === ancestor;
  const of = new URL(ancestor);
  if (source === of.protocol) return true;
  return URL.canParse(source) && new URL(source).origin === ancestor;
}
