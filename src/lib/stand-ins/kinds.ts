/** How a stand-in shows a document. */
export const DOCUMENT_KINDS = ['tide-constants', 'table', 'letter', 'prose'] as const;
export type DocumentKind = (typeof DOCUMENT_KINDS)[number];
