import { v4 } from 'uuid';

/** A new id for a batch or a command. (The browser's own maker of UUIDs is there in secure contexts alone.) */
export const newId = (): string => v4();
