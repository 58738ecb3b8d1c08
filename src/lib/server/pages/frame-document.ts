/**
 * The document that holds the frame of a page application. It stands between Key Fold's page and the foreign one, so that
 * the content policy of Key Fold's page admits nothing foreign, and that of this document exactly one page.
 */
import { createHash } from 'node:crypto';
import type { Page } from '../../core/guests/page';

/** What the foreign page may do; not: open windows, lead Key Fold's page elsewhere, point and capture. */
const SANDBOX = 'allow-scripts allow-same-origin allow-forms allow-modals allow-downloads';

const STYLE = 'html,body,iframe{display:block;width:100%;height:100%;margin:0;border:0;background:#fff}';
const STYLE_HASH = createHash('sha256').update(STYLE).digest('base64');

/** A document with its headers. */
export interface FrameDocument {
  readonly html: string;
  readonly headers: Readonly<Record<string, string>>;
}

/** The document for a page. `name` is what the frame is called. */
export function frameDocument(name: string, { address, scope }: Page): FrameDocument {
  return {
    html: [
      '<!doctype html><html lang="en"><meta charset="utf-8">',
      `<title>${inHtml(name)}</title><style>${STYLE}</style>`,
      `<iframe title="${inHtml(name)}" src="${inHtml(address.href)}" sandbox="${SANDBOX}" referrerpolicy="no-referrer"></iframe>`,
    ].join('\n'),
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'cache-control': 'no-store',
      'content-security-policy': [
        "default-src 'none'",
        `frame-src ${sourceFor(scope)}`,
        `style-src 'sha256-${STYLE_HASH}'`,
        "base-uri 'none'",
        "form-action 'none'",
        "frame-ancestors 'self'",
      ].join('; '),
      'x-frame-options': 'SAMEORIGIN',
    },
  };
}

/**
 * The source expression for addresses that begin with a scope (W3C, "Content Security Policy Level 3", 2.3.1): a path
 * that ends with a slash stands for all below it, so a scope that ends elsewhere is widened to its folder.
 */
function sourceFor(scope: URL): string {
  const { origin, pathname } = new URL('.', scope);
  return origin + pathname.replaceAll(';', '%3B').replaceAll(',', '%2C');
}

const ENTITIES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const inHtml = (text: string): string => text.replace(/[&<>"]/g, (one) => ENTITIES[one] ?? one);
