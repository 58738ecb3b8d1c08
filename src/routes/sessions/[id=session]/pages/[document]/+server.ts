import { pageFrom } from '$lib/core/guests/page';
import { find } from '$lib/core/model/table';
import { answering, Problem } from '$lib/server/http/problem';
import { frameDocument } from '$lib/server/pages/frame-document';
import { eventStore } from '$lib/server/runtime';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ params, url }) =>
  answering(async () => {
    const stored = await eventStore().load(params.id);
    const document = stored && find(stored.session.documents, params.document);
    const read = document?.kind === 'page' ? pageFrom(document.text) : null;
    if (!document || !read || 'problem' in read)
      throw new Problem('not-here', `There is no web page '${params.document}'.`);
    if (read.page.address.host === url.host)
      throw new Problem('not-here', 'Key Fold itself is not shown in a frame of its own.');
    const { html, headers } = frameDocument(document.title, read.page);
    return new Response(html, { headers });
  });
