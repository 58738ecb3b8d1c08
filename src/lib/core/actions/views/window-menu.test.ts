import { describe, expect, it } from 'vitest';
import { REGISTRY } from '../../../../../testing/person';
import { sessionOf, withApplication } from '../../../../../testing/sessions';
import { applicationTarget, windowTarget } from '../target';
import { windowMenuOf } from './window-menu';

describe('the menu of a window', () => {
  it('has actions that there are, each once, by section', () => {
    const session = sessionOf('a: a1 a2 | b:');
    const menu = windowMenuOf(session, windowTarget(session, 'a1'));
    expect(menu.map(({ section }) => section)).toEqual(['window', 'tabs', 'document', 'application']);
    const ids = menu.flatMap(({ acts }) => acts.map(({ action }) => action));
    expect(new Set(ids).size).toBe(ids.length);
    for (const id of ids) expect(REGISTRY.action(id).id).toBe(id);
  });

  it('of an application without windows is about that alone, and of one that hangs ends it', () => {
    const session = withApplication(sessionOf('a: a1 | b:'), 'a', { answering: false });
    expect(windowMenuOf(session, applicationTarget(session, 'b')).map(({ section }) => section)).toEqual([
      'application',
    ]);
    const hung = windowMenuOf(session, windowTarget(session, 'a1')).at(-1)?.acts ?? [];
    expect(hung.map(({ action }) => action).slice(-1)).toEqual(['end-now']);
  });
});
