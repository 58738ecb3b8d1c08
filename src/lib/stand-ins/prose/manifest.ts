import type { Manifest } from '../manifest';

/** Plain text to read. */
export const prose: Manifest = { kind: 'prose', name: 'Text', problem: () => null, actions: [] };
