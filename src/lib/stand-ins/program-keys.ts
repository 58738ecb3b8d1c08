/** Keys that programs take while one of their windows is in front. */
import type { ProgramKey } from '../core/shortcuts/users';
import { MANIFESTS } from './manifests';

/** What text fields everywhere do with keys (common practice). */
const EDITING: Readonly<Record<string, string>> = {
  KeyA: 'selects all',
  KeyC: 'copies',
  KeyV: 'pastes',
  KeyX: 'cuts',
  KeyZ: 'undoes what was typed',
  KeyY: 'does it again',
};

const keyOf = (program: string, code: string, what: string): ProgramKey => ({
  program,
  chord: { code, shift: false, hold: false, modifiers: ['Control'] },
  what,
});

/** Every key that a program takes. */
export const PROGRAM_KEYS: readonly ProgramKey[] = MANIFESTS.flatMap(({ name, keys = [], writes }) => [
  ...keys.map(({ code, what }) => keyOf(name, code, what)),
  ...(writes ? Object.entries(EDITING).map(([code, what]) => keyOf(name, code, what)) : []),
]);
