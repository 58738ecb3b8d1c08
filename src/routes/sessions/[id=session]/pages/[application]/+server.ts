import { pageFrom } from '$lib/core/guests/page';
import { guestOf } from '$lib/core/slices/setup/selectors';
import { answering, Problem } from '$lib/server/http/problem';
import { frameDocument } from '$lib/server/pages/frame-document';
import { eventStore } from '$lib/server/runtime';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ params, url }) =>
  answering(async () => {
    const stored = await eventStore().load(params.id);
    const guest = stored && guestOf(stored.session, params.application);
    const read = guest?.kind === 'page' ? pageFrom(guest.text) : null;
    if (!guest || !read || 'problem' in read)
      throw new Problem('not-here', `There is no page application '${params.application}'.`);
    if (read.page.address.host === url.host)
      throw new Problem('not-here', 'Key Fold itself is not shown in a frame of its own.');
    const { html, headers } = frameDocument(guest.name, read.page);
    return new Response(html, { headers });
  });
