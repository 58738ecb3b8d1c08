import { json } from '@sveltejs/kit';
import { AGENT_SCHEMA } from '$lib/core/display/agent-schema';

export const GET = () => json(AGENT_SCHEMA, { headers: { 'content-type': 'application/schema+json' } });
