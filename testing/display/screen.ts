/** What someone before a page of Key Fold sees of it, and what arrives there of his keys. */

/** A key event as the page got it. */
export interface Seen {
  readonly type: 'keydown' | 'keyup';
  readonly key: string;
  readonly code: string;
  /** Whether the page kept the browser from acting on it. */
  readonly prevented: boolean;
}

/** What is on the screen. */
export interface Screen {
  readonly switcher: boolean;
  /** The title of the highlighted window or result; empty without one. */
  readonly highlighted: string;
  readonly search: string;
  /** What the switcher says at its foot. */
  readonly legend: string;
  readonly foot: string;
  readonly status: string;
  /** Whether the settings, or another dialog that is not the switcher, are open and have the keys. */
  readonly settings: boolean;
  /** The text in the field that has the focus; null if it is none. */
  readonly typing: string | null;
  readonly hasFocus: boolean;
  readonly path: string;
}

/** Notes from now on which keys arrive, as `window.seen`. Runs in the page. */
export function noteKeys(): void {
  const seen: Seen[] = [];
  Object.assign(window, { seen });
  const note = (event: Event) => {
    const { type, key, code } = event as KeyboardEvent;
    // After everybody else: only then is it known whether the browser may act on it.
    setTimeout(() => seen.push({ type: type as Seen['type'], key, code, prevented: event.defaultPrevented }));
  };
  for (const type of ['keydown', 'keyup']) addEventListener(type, note, true);
}

/** What is on the screen. Runs in the page. */
export function lookAtScreen(): Screen {
  const text = (selector: string) => document.querySelector<HTMLElement>(selector)?.innerText ?? '';
  const dialog = document.querySelector('[role=dialog][aria-label=Switcher]');
  const focused = document.activeElement;
  const written = (element: Element | null) => {
    if (element instanceof HTMLTextAreaElement || element instanceof HTMLInputElement) return element.value;
    const edited = element instanceof HTMLElement && element.isContentEditable;
    return edited ? [...element.children].map((line) => line.textContent).join('\n') : null;
  };
  const shown = dialog !== null && getComputedStyle(dialog).visibility === 'visible';
  return {
    switcher: shown,
    highlighted:
      dialog?.querySelector<HTMLElement>('[aria-selected=true] b, [aria-selected=true] .truncate')
        ?.innerText ?? '',
    search: dialog?.querySelector('input')?.value ?? '',
    legend: shown ? text('[role=dialog] [data-says]') : '',
    foot: text('footer'),
    status: text('[role=status]'),
    settings: [...document.querySelectorAll('[role=dialog]')].some(
      (each) => each !== dialog && each.contains(document.activeElement),
    ),
    typing: written(focused),
    hasFocus: document.hasFocus(),
    path: location.pathname,
  };
}
