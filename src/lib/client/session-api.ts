/** The server's addresses, each named once. */
export const SESSIONS = '/api/sessions';
/** Where the access key is shown; takes a POST. */
export const ACCESS = '/api/access';
/** The stream of what happens in several sessions. */
export const EVENTS = '/api/events';

/** One session: GET gives it, DELETE removes it. */
export const sessionAddress = (session: string): string => `${SESSIONS}/${session}`;
/** Where batches of commands for a session go. */
export const commandsAddress = (session: string): string => `${SESSIONS}/${session}/commands`;
/** Where pictures of a display's windows are asked for. */
export const picturesAddress = (session: string): string => `${sessionAddress(session)}/pictures`;
/** Where pictures of a session are kept; takes a POST. */
export const capturesAddress = (session: string): string => `${sessionAddress(session)}/captures`;
/** The file of a picture that is kept. */
export const pictureAddress = (session: string, digest: string): string =>
  `${capturesAddress(session)}/${digest}`;
/** Where a display is asked for a picture of its screen, or of a window; takes a POST. */
export const shotsAddress = (session: string): string => `${sessionAddress(session)}/shots`;
/** What the programs of a display use. */
export const processesAddress = (session: string): string => `${sessionAddress(session)}/processes`;
/** What is recorded of the switches of a session: GET gives it, DELETE forgets it. */
export const switchesAddress = (session: string, query: Readonly<Record<string, string>> = {}): string =>
  `${sessionAddress(session)}/switches?${new URLSearchParams(query).toString()}`;
/** The lock of a session: GET tells of it, PUT locks, POST opens, PATCH changes the passphrase. */
export const lockAddress = (session: string): string => `${sessionAddress(session)}/lock`;
/** The session as a session document. */
export const documentAddress = (session: string): string => `${SESSIONS}/${session}/document`;

/** Where a set-up document is checked; takes a POST. */
export const SETUPS = '/api/setups';
/** Where it is asked whether a page permits frames; takes a POST. */
export const FRAMES = '/api/frames';

/** The desks that the server tells of. */
export const DESKS = '/api/desks';

/** The line of Key Fold's own window on a display (WebSocket). */
export const PANEL = '/api/panel';

/** Pages. */
export const HOME_PAGE = '/';
/** The page that asks for the access key. */
export const ACCESS_PAGE = '/access';
/** A session's page. */
export const sessionPage = (session: string): string => `/sessions/${session}`;
/** Where to practise; with a skill to begin with. */
export const drillPage = (session: string, skill: string | null = null): string =>
  `${sessionPage(session)}/drill${skill === null ? '' : `?skill=${skill}`}`;
/** The document that holds the frame of a web page. */
export const framePage = (session: string, document: string): string =>
  `${sessionPage(session)}/pages/${document}`;
