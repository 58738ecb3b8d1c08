/** The words that everything else is named with. */
export type ApplicationId = string;
export type WindowId = string;
export type TabId = string;
export type DocumentId = string;
export type WorkspaceId = string;
/** An instant as an ISO 8601 string in UTC with milliseconds, e.g. `2026-11-24T06:12:00.000Z`. */
export type Instant = string;
