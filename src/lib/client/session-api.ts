/** The server's addresses, each named once. */
export const SESSIONS = '/api/sessions';
export const ACCESS = '/api/access';
export const EVENTS = '/api/events';

export const sessionAddress = (session: string): string => `${SESSIONS}/${session}`;
export const commandsAddress = (session: string): string => `${SESSIONS}/${session}/commands`;
export const documentAddress = (session: string): string => `${SESSIONS}/${session}/document`;

/** Pages. */
export const HOME_PAGE = '/';
export const ACCESS_PAGE = '/access';
export const sessionPage = (session: string): string => `/sessions/${session}`;
