import type { ArrivedKey, KeyInput } from '../src/lib/core/keys/key-input';

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

/** A key as a browser tells it. `+Meta AltLeft alt shift`: down or up, `key`, `code`, and the modifiers that the event says are on. */
export function arrived(line: string): ArrivedKey {
  const [key = '', code = '', ...on] = line.slice(1).split(' ');
  return {
    phase: line.startsWith('+') ? 'down' : 'up',
    key,
    code,
    alt: on.includes('alt'),
    control: on.includes('ctrl'),
    meta: on.includes('meta'),
    shift: on.includes('shift'),
    altGraph: on.includes('altgr'),
    repeat: false,
    composing: on.includes('comp'),
  };
}
