import type { Component } from 'svelte';
import type { DocumentId } from '../core/model/ids';
import type { AppDocument } from '../core/slices/documents/state';

/** What a program in a window may ask of the desk. */
export interface StandInActions {
  readonly keepDraft: (document: DocumentId, text: string) => void;
  readonly save: (document: DocumentId) => void;
  /** Calls `flush` before anything is done, so that nothing typed is missed; the returned function ends that. */
  readonly beforeActing: (flush: () => void) => () => void;
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
