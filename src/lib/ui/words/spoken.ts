/** What stands side by side in boxes, as one name for those who hear it: its parts must not run into one word. */
export const spoken = (...parts: readonly (string | null | undefined | false)[]): string =>
  parts.filter(Boolean).join(', ');
