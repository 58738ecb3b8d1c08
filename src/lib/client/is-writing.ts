/** Whether one writes in an element: a field, a text area, or what is edited in place. */
export const isWriting = (element: Element | null): boolean =>
  element instanceof HTMLElement &&
  (element.isContentEditable ||
    element instanceof HTMLTextAreaElement ||
    element instanceof HTMLInputElement);
