/** The views of the programs, by the kind of document that they show. */
import type { Component } from 'svelte';
import { OUTSIDE } from '../core/slices/host/events';
import DesktopEntry from './desktop-entry/View.svelte';
import Folder from './folder/View.svelte';
import Outside from './outside/View.svelte';
import PagePreview from './page/Preview.svelte';
import PageView from './page/View.svelte';
import PicturePreview from './picture/Preview.svelte';
import PictureView from './picture/View.svelte';
import ProseText from './prose/Text.svelte';
import Prose from './prose/View.svelte';
import RadioCalls from './radio-log/Calls.svelte';
import RadioLog from './radio-log/View.svelte';
import SumsPreview from './sums/Preview.svelte';
import Sums from './sums/View.svelte';
import TablePreview from './table/Preview.svelte';
import Table from './table/View.svelte';
import TideCurve from './tide-constants/Curve.svelte';
import Tide from './tide-constants/View.svelte';
import Unknown from './unknown/View.svelte';
import type { PreviewProps, ViewProps, Views } from './view';
import WindChart from './wind/Chart.svelte';
import Wind from './wind/View.svelte';
import Workshop from './workshop/View.svelte';
import Lines from './writing/Lines.svelte';
import { loadWholeEditor } from './writing/load-whole-editor';
import Writing from './writing/View.svelte';

/** A view that is costly, and what stands for it small and until it is needed. */
const costly = (view: Component<ViewProps>, small: Component<PreviewProps>): Views => ({
  view,
  preview: small,
  resting: small,
});

const VIEWS: Readonly<Record<string, Views>> = {
  'tide-constants': costly(Tide, TideCurve),
  table: costly(Table, TablePreview),
  letter: costly(Writing, Lines),
  note: costly(Writing, Lines),
  prose: costly(Prose, ProseText),
  sums: costly(Sums, SumsPreview),
  workshop: { view: Workshop },
  wind: costly(Wind, WindChart),
  page: { view: PageView, preview: PagePreview },
  folder: { view: Folder },
  picture: { view: PictureView, preview: PicturePreview },
  'radio-log': costly(RadioLog, RadioCalls),
  'desktop-entry': { view: DesktopEntry },
  [OUTSIDE]: { view: Outside },
};

/** The view of a kind of document; of an unknown one, what it is and its text. */
export const viewOf = (kind: string): Component<ViewProps> => VIEWS[kind]?.view ?? Unknown;

/** The preview of a kind of document. */
export const previewOf = (kind: string): Component<PreviewProps> =>
  VIEWS[kind]?.preview ?? (viewOf(kind) as Component<PreviewProps>);

/** What stands in a window until it first has the keys; undefined where that is the view itself. */
export const restingOf = (kind: string): Component<PreviewProps> | undefined => VIEWS[kind]?.resting;

/** Loads what of the views comes after the page, so that it is there before it is needed. */
export const loadLater = (): void => void loadWholeEditor();
