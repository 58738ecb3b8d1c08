/** A browser as people have it: in a window on a display, with no driver between it and the keyboard. */
export interface RealBrowser {
  /** What it calls itself, with its version. */
  readonly version: string;
  /** The page that it started with. */
  readonly first: RealPage;
  /** A page in a window of its own. */
  openWindow(): Promise<RealPage>;
}

export interface RealPage {
  goto(url: string): Promise<void>;
  /** Runs a function in the page and answers with what it answers; both ways as JSON. */
  evaluate<A, R>(run: (argument: A) => R | Promise<R>, argument: A): Promise<R>;
  close(): Promise<void>;
}

/** A page that is none, but has the keyboard: on `about:blank` the browser's address line would keep it. */
export const EMPTY_PAGE = 'data:text/html,<title>Empty</title>';

/** The source of a call, for a page to run. */
export const callOf = <A, R>(run: (argument: A) => R | Promise<R>, argument: A): string =>
  `(async () => JSON.stringify((await (${String(run)})(${JSON.stringify(argument) ?? ''})) ?? null))()`;
