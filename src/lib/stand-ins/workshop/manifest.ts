import type { Manifest } from '../manifest';

/** Plain text nobody reads: a program that can be told to misbehave, for practice and for tests. */
export const workshop: Manifest = { kind: 'workshop', name: 'Workshop', problem: () => null, actions: [] };
