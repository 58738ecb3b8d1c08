import type { Component } from 'svelte';
import type { Picture } from '../core/capture/picture';
import type { Carried } from '../core/carrying/carried';
import type { ApplicationId, DocumentId, WindowId } from '../core/model/ids';
import type { AppDocument } from '../core/slices/documents/state';

/** What a program in a window may ask of the desk. */
export interface StandInActions {
  readonly keepDraft: (document: DocumentId, text: string) => void;
  readonly save: (document: DocumentId) => void;
  /** Writes and saves at once what needs no draft. */
  readonly write: (document: DocumentId, text: string) => void;
  /** Says something that the person should read. */
  readonly say: (text: string) => void;
  /** Calls `flush` before anything is done, so that nothing typed is missed; the returned function ends that. */
  readonly beforeActing: (flush: () => void) => () => void;
  /** Where the document is that holds the frame of a web page. */
  readonly frameOf: (document: DocumentId) => string;
  /** Whether the browser window of a page is open. */
  readonly isPageOpen: (window: WindowId) => boolean;
  /** Opens the browser window of a page, or brings it forward; false if the browser does not let it. */
  readonly showPage: (window: WindowId) => boolean;
  /** What is in a folder, with what opens it in words. */
  readonly itemsOf: (folder: DocumentId) => readonly { id: DocumentId; title: string; application: string }[];
  readonly renameDocument: (document: DocumentId, title: string) => void;
  /** Takes something up: whoever uses the page chooses which program opens it. */
  readonly carry: (what: Carried) => void;
  /** The same with a file of theirs. */
  readonly carryFile: (file: File) => void;
  /** Lets go of what is carried. */
  readonly letGo: () => void;
  /** Where the file of a picture is. */
  readonly pictureAt: (digest: string) => string;
  /** Marks a picture once more, as a new one. */
  readonly markPicture: (picture: Picture, title: string) => void;
  /** Goes to a document. */
  readonly openDocument: (document: DocumentId) => void;
  /** From now on the page opens in a browser window of its own. */
  readonly openInBrowser: (application: ApplicationId) => void;
  /** From now on the application of a window does not answer. */
  readonly stopAnswering: (window: WindowId) => void;
  /** Opens so many more windows of the application of a window, behind it. */
  readonly openMore: (window: WindowId, count: number) => void;
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
  /** Whether it is what the keys go to. */
  readonly active: boolean;
}

/** Where the view of each kind is to be had. */
export interface Views {
  readonly view: Component<ViewProps>;
  /** Where it is only looked at, small; absent where that is the view itself, which then asks nothing of the desk. */
  readonly preview?: Component<PreviewProps>;
  /** What stands in its window until that first comes to the front, for a view that is costly to build. */
  readonly resting?: Component<PreviewProps>;
}
