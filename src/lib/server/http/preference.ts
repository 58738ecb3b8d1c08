/**
 * Whether a client wants no more than it does not know yet (RFC 7240, "Prefer: return=minimal").
 * @example prefersMinimal(new Headers({ prefer: 'respond-async, return=minimal' })) // true
 */
export const prefersMinimal = (headers: Headers): boolean =>
  (headers.get('prefer') ?? '')
    .split(',')
    .some((preference) => /^\s*return\s*=\s*"?minimal"?\s*(;|$)/i.test(preference));

/** Says that such a wish was heeded. */
export const MINIMAL_APPLIED = { 'preference-applied': 'return=minimal' } as const;
