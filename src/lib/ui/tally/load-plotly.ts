/** Plotly, when a figure is first drawn: it is as large as everything else together. */
import './plotly.css';

import type * as Plotly from 'plotly.js-basic-dist-min';

let loading: Promise<typeof Plotly> | null = null;

/**
 * Loads it. It would write its rules into the page, which the policy forbids; it leaves that where an element of this name
 * and class says that they are there already.
 */
export function loadPlotly(): Promise<typeof Plotly> {
  loading ??= start();
  return loading;
}

let before: Promise<unknown> = Promise.resolve();

/** Does pieces of work one after the other, and lets the page hear keys between them. */
export function inTurn(work: () => Promise<unknown>): void {
  before = before
    .then(() => new Promise((resolve) => setTimeout(resolve)))
    .then(work)
    .catch((error: unknown) => console.error('A figure was not drawn:', error));
}

async function start(): Promise<typeof Plotly> {
  const sign = document.createElement('template');
  sign.id = 'plotly.js-style-global';
  sign.className = 'no-inline-styles';
  document.head.append(sign);
  return (await import('plotly.js-basic-dist-min')).default;
}
