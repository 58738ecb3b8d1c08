import { fromColumns, type Json } from '$lib/core/formats/columns';
import type { Session } from '$lib/core/session/session';
import type { PageLoad } from './$types';

export const ssr = false;

export const load: PageLoad = ({ data: { id, stored } }) => ({
  id,
  /** Null while it is locked. */
  stored: stored === null ? null : fromColumns(JSON.parse(stored) as Json),
});
