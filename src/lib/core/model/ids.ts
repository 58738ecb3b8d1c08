/** The words that everything else is named with. */
export type ApplicationId = string;
/** Names a window, e.g. `w-timber-quay`. */
export type WindowId = string;
/** Names a tab; unlike within its window. */
export type TabId = string;
/** Names a document. */
export type DocumentId = string;
/** Names a workspace. */
export type WorkspaceId = string;
/** An instant as an ISO 8601 string in UTC with milliseconds, e.g. `2026-11-24T06:12:00.000Z`. */
export type Instant = string;
