import { json } from '@sveltejs/kit';
import { TO_AGENT_SCHEMA } from '$lib/core/display/agent-schema';

export const GET = () => json(TO_AGENT_SCHEMA, { headers: { 'content-type': 'application/schema+json' } });
