import { fromColumns, type Json } from '$lib/core/formats/columns';
import type { Session } from '$lib/core/session/session';
import type { PageLoad } from './$types';

export const ssr = false;

type Stored = { readonly session: Session; readonly seq: number };

const storedIn = (text: string): Stored => fromColumns(JSON.parse(text) as Json) as unknown as Stored;

/** The session as it is; null while it is locked, and then what is shown instead, which comes with no other page. */
export const load: PageLoad = async ({ data: { id, stored } }) =>
  stored === null
    ? { id, stored, LockedPage: (await import('$lib/ui/lock/LockedPage.svelte')).default }
    : { id, stored: storedIn(stored), LockedPage: null };
