import type { KeyInput } from '../src/lib/core/keys/key-input';

/** A key that goes down with no other; spread it, and say which. */
export const PLAIN_KEY: KeyInput = {
  phase: 'down',
  code: '',
  key: '',
  modifier: null,
  alt: false,
  control: false,
  meta: false,
  shift: false,
  altGraph: false,
  repeat: false,
  composing: false,
};
