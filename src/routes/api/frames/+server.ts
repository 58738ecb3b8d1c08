import { json } from '@sveltejs/kit';
import { answering } from '$lib/server/http/problem';
import { readJson } from '$lib/server/http/read-json';
import { frameAddressFrom } from '$lib/server/input/frame-input';
import { askForFrames } from '$lib/server/pages/frame-check';
import { admission } from '$lib/server/runtime';
import type { RequestHandler } from './$types';

const LONGEST_BODY = 16 * 1024;

export const POST: RequestHandler = ({ request }) =>
  answering(async () => {
    const address = frameAddressFrom(await readJson(request, LONGEST_BODY));
    // Where others are let in, nobody is to look around in this server's network by asking.
    const ours = request.headers.get('origin');
    const frames = admission().hosts.onLoopback && ours ? await askForFrames(address, ours) : 'unknown';
    return json({ frames });
  });
