import type { Component } from 'svelte';
import type { ApplicationId, DocumentId, WindowId } from '../core/model/ids';
import type { AppDocument } from '../core/slices/documents/state';

/** What a program in a window may ask of the desk. */
export interface StandInActions {
  readonly keepDraft: (document: DocumentId, text: string) => void;
  readonly save: (document: DocumentId) => void;
  /** Calls `flush` before anything is done, so that nothing typed is missed; the returned function ends that. */
  readonly beforeActing: (flush: () => void) => () => void;
  /** Where the document is that holds the frame of a web page. */
  readonly frameOf: (document: DocumentId) => string;
  /** Whether the browser window of a page is open. */
  readonly isPageOpen: (window: WindowId) => boolean;
  /** Opens the browser window of a page, or brings it forward; false if the browser does not let it. */
  readonly showPage: (window: WindowId) => boolean;
  /** From now on the page opens in a browser window of its own. */
  /** What is in a folder, with what opens it in words. */
  readonly itemsOf: (folder: DocumentId) => readonly { id: DocumentId; title: string; application: string }[];
  /** Goes to a document. */
  readonly openDocument: (document: DocumentId) => void;
  readonly openInBrowser: (application: ApplicationId) => void;
}

/** What a preview is given. */
export interface PreviewProps {
  readonly document: AppDocument;
  /** The text to show: the draft, or else what was saved. */
  readonly text: string;
  readonly day: Date;
}

/** What a view in a window is given. */
export interface ViewProps extends PreviewProps {
  /** The window that it is in. */
  readonly window: WindowId;
  readonly actions: StandInActions;
  /** True while a draft is offered: then nothing is written. */
  readonly waits: boolean;
}

/** Where the view of each kind is to be had. */
export interface Views {
  readonly view: Component<ViewProps>;
  /** Where it is only looked at, small; absent where that is the view itself, which then asks nothing of the desk. */
  readonly preview?: Component<PreviewProps>;
}
