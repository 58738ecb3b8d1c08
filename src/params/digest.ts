import { DIGEST_PATTERN } from '$lib/core/capture/picture';

/** The name of a picture in the store. */
export const match = (param: string): boolean => DIGEST_PATTERN.test(param);
