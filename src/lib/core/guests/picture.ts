import { find } from '../model/table';
import type { Application } from '../slices/applications/state';
import type { DocumentsState } from '../slices/documents/state';
import { pageFrom } from './page';

/** An application's own picture, as a `data:` address; null where its monogram stands for it. */
export function pictureOf({ documents }: DocumentsState, { home }: Application): string | null {
  const document = find(documents, home);
  if (document?.kind !== 'page') return null;
  const read = pageFrom(document.text);
  return 'page' in read ? read.page.picture : null;
}
