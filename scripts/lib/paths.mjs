import { fileURLToPath } from 'node:url';
import { join } from 'node:path';

export const ROOT = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '');
export const BUILD = join(ROOT, 'build');
