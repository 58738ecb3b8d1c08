/**
 * Lets the person choose a file of some types (`.csv`, `application/json`), by the browser's own dialog; null if they
 * choose none. Call it from a press, else the browser opens nothing.
 */
export const pickFile = (accept: string): Promise<File | null> =>
  new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.onchange = () => resolve(input.files?.[0] ?? null);
    input.oncancel = () => resolve(null);
    input.click();
  });
