import { untrack } from 'svelte';
import { scrollToSpan } from '../../core/layout/slice';

/**
 * How far a list is scrolled whose layout is reckoned, not measured: reading a position back from the browser makes
 * it lay the page out at once, in the middle of a step.
 */
export class ListScroll {
  /** In px from the top; follows the wheel and the scroll bar too. */
  top = $state(0);
  /** What the element was set to last, and whether the event that this causes is still to come. */
  #set = 0;
  #echo = false;

  /** Moves as little as it takes to bring the span from `top` to `bottom` px into a view of `viewHeight` px. */
  reveal(viewHeight: number, top: number, bottom: number): void {
    this.top = scrollToSpan(
      untrack(() => this.top),
      viewHeight,
      top,
      bottom,
    );
  }

  /** Keeps a scrolling element and this position the same; for `{@attach}`. */
  readonly keep = (element: HTMLElement): (() => void) => {
    const follow = () => {
      if (!this.#echo) this.#set = this.top = element.scrollTop;
      this.#echo = false;
    };
    element.addEventListener('scroll', follow);
    $effect(() => {
      if (this.top === this.#set) return;
      this.#set = this.top;
      this.#echo = true;
      element.scrollTop = this.top;
    });
    return () => element.removeEventListener('scroll', follow);
  };
}
