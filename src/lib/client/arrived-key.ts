import type { ArrivedKey, Caret } from '../core/keys/key-input';

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
    ...caretOf(event.target),
    ...(event.target instanceof Element && event.target.closest('footer') && { atFoot: true }),
  };
}

function caretOf(target: EventTarget | null): { readonly caret?: Caret } {
  if (!(target instanceof HTMLInputElement) || target.type !== 'text') return {};
  const { selectionStart: start, selectionEnd: end, value } = target;
  if (start !== end) return {};
  if (value === '') return { caret: 'both' };
  if (start === 0) return { caret: 'start' };
  return start === value.length ? { caret: 'end' } : {};
}
