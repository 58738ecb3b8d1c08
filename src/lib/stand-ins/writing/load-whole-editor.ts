/** The whole editor is larger than the rest of the page, so its code comes after that. */
import type { WholeEditor } from './whole-editor';

type WholeEditorClass = typeof WholeEditor;

let there: WholeEditorClass | null = null;

/** The editor; null until it has come. */
export const wholeEditor = (): WholeEditorClass | null => there;

/** Has it come; null if it cannot. */
export async function loadWholeEditor(): Promise<WholeEditorClass | null> {
  const code = await import('./whole-editor').catch(() => null);
  if (code) there = code.WholeEditor;
  return there;
}
