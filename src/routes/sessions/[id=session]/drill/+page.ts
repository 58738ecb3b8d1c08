import type { PageLoad } from './$types';

export { ssr } from '../+page';

/** The keys to practise with; null while the session is locked, and then what is shown instead. */
export const load: PageLoad = async ({ data }) => ({
  ...data,
  LockedPage: data.own === null ? (await import('$lib/ui/lock/LockedPage.svelte')).default : null,
});
