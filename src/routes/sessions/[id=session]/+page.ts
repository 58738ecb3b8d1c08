import { fromColumns, type Json } from '$lib/core/formats/columns';
import type { Session } from '$lib/core/session/session';
import type { PageLoad } from './$types';

export const ssr = false;

export const load: PageLoad = ({ data: { id, stored } }) => ({
  id,
  stored: fromColumns(JSON.parse(stored) as Json) as unknown as { session: Session; seq: number },
});
