/** The views of the programs, by the kind of document that they show. */
import DesktopEntry from './desktop-entry/View.svelte';
import Folder from './folder/View.svelte';
import Letter from './letter/View.svelte';
import PagePreview from './page/Preview.svelte';
import PageView from './page/View.svelte';
import Prose from './prose/View.svelte';
import RadioLog from './radio-log/View.svelte';
import Table from './table/View.svelte';
import TideConstants from './tide-constants/View.svelte';
import Unknown from './unknown/View.svelte';
import type { PreviewProps, ViewProps, Views } from './view';
import type { Component } from 'svelte';

const VIEWS: Readonly<Record<string, Views>> = {
  'tide-constants': { view: TideConstants },
  table: { view: Table },
  letter: { view: Letter, preview: Prose },
  prose: { view: Prose },
  page: { view: PageView, preview: PagePreview },
  folder: { view: Folder },
  'radio-log': { view: RadioLog },
  'desktop-entry': { view: DesktopEntry },
};

/** The view of a kind of document; of an unknown one, what it is and its text. */
export const viewOf = (kind: string): Component<ViewProps> => VIEWS[kind]?.view ?? Unknown;

/** The preview of a kind of document. */
export const previewOf = (kind: string): Component<PreviewProps> =>
  VIEWS[kind]?.preview ?? (viewOf(kind) as Component<PreviewProps>);
