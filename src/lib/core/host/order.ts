import type { Command } from '../commands/commands';
import type { SessionEvent } from '../session/session';

/**
 * What a live host is asked for, free of everything that is Key Fold's own: a host knows no put-back stack, no places,
 * no order of recent use. `make`: bring this about; it is absolute, and may be true already. `ask`: what comes of it
 * only the host can tell.
 */
export type Order = { readonly make: SessionEvent } | { readonly ask: Command };
