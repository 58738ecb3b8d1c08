import { FOLDER } from '../../core/folders/folder';
import type { Manifest } from '../manifest';

/** A folder: a line a document, by its id. */
export const folder: Manifest = { kind: FOLDER, name: 'Cabinet', problem: () => null, actions: [] };
