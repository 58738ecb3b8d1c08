import type { ParamMatcher } from '@sveltejs/kit';
import { ID_PATTERN } from '$lib/core/formats/session-document';

/** A session's id. */
export const match: ParamMatcher = (id) => ID_PATTERN.test(id);
