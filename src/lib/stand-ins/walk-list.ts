/** Arrows go from the button of one line of a list to the next one's, as in lists everywhere (common practice). */
export function walkList(event: KeyboardEvent): void {
  const line = event.target instanceof Element ? event.target.closest('li') : null;
  const list = line?.parentElement;
  const to = {
    ArrowDown: line?.nextElementSibling,
    ArrowUp: line?.previousElementSibling,
    Home: list?.firstElementChild,
    End: list?.lastElementChild,
  }[event.key];
  const button = to?.querySelector('button');
  if (!button) return;
  event.preventDefault();
  button.focus();
}
