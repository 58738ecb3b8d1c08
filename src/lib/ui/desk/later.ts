/** Long after the page is there, in ms, and before anybody has opened anything. */
const LATER_MS = 1_500;

/** Loads what need not come with the page; the returned function ends that. */
export function later(load: () => void): () => void {
  const timer = setTimeout(load, LATER_MS);
  return () => clearTimeout(timer);
}
