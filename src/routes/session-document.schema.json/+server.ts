import { json } from '@sveltejs/kit';
import schema from '$lib/core/formats/session-document.schema.json';

export const GET = () => json(schema, { headers: { 'content-type': 'application/schema+json' } });
