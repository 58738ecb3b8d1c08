import { json } from '@sveltejs/kit';
import { SETUP_SCHEMA } from '$lib/core/setup/setup-schema';

export const GET = () => json(SETUP_SCHEMA, { headers: { 'content-type': 'application/schema+json' } });
