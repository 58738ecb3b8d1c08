import type { ArrivedKey } from '../core/keys/key-input';

/** What a browser's key event says, in the core's terms. */
export function arrivedKey(event: KeyboardEvent): ArrivedKey {
  return {
    phase: event.type === 'keyup' ? 'up' : 'down',
    code: event.code,
    key: event.key,
    alt: event.altKey,
    control: event.ctrlKey,
    meta: event.metaKey,
    shift: event.shiftKey,
    altGraph: event.getModifierState('AltGraph'),
    repeat: event.repeat,
    composing: event.isComposing,
  };
}
