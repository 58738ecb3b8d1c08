import { describe, expect, it } from 'vitest';
import { sessionOf, withWindow } from '../../../../testing/sessions';
import { Person } from '../../../../testing/person';
import type { Session } from '../../core/session/session';
import { SurfaceWindows } from './surface-windows';

const SURFACE = { width: 1280, height: 770 };

/** Windows in a cascade, each a little to the right of the one before, so that all of them show. */
function spread(session: Session): Session {
  const windows = session.windows.map((window, n) => ({
    ...window,
    geometry: { ...window.geometry, x: 40 * n },
    on: SURFACE,
  }));
  return { ...session, windows };
}

const shown = (surface: SurfaceWindows, session: Session) =>
  Object.fromEntries(
    surface.of(session, SURFACE).sheets.map(({ window, showing }) => [window.id, showing] as const),
  );

describe('the windows of the surface', () => {
  it('keep their content when they are covered or put away, until they end', () => {
    const surface = new SurfaceWindows();
    const person = new Person(sessionOf('a: a1 | b: b1 | c: c1'));
    expect(shown(surface, person.session)).toEqual({ a1: 'exposed' });
    expect(surface.of(person.session, SURFACE).covered.map(({ name }) => name)).toEqual(['c1 — C', 'b1 — B']);
    person.flip();
    expect(shown(surface, person.session)).toEqual({ a1: 'covered', b1: 'exposed' });
    person.wish({ type: 'minimise', window: 'a1' });
    expect(shown(surface, person.session)).toEqual({ a1: 'away', b1: 'exposed' });
    person.wish({ type: 'close', window: 'a1' });
    expect(shown(surface, person.session)).toEqual({ b1: 'exposed' });
  });

  it('keep the content of those alone that were exposed last', () => {
    const surface = new SurfaceWindows();
    const names = Array.from({ length: 60 }, (_, n) => `a${n}`);
    const person = new Person(sessionOf(`a: ${names.join(' ')}`));
    for (const window of names) {
      person.wish({ type: 'bring-to-front', window, raiseAll: false });
      surface.of(person.session, SURFACE);
    }
    const kept = surface.of(person.session, SURFACE).sheets.map(({ window }) => window.id);
    expect(kept).toEqual(names.slice(-40));
  });

  /** Windows side by side, each 64 px wide, of which so many whole cells of 16 by 16 px show. */
  const sideBySide = (cells: readonly number[]): Session => {
    const session = sessionOf(`a: ${cells.map((_, n) => `a${n}`).join(' ')}`);
    const windows = session.windows.map((window, n) => ({
      ...window,
      geometry: { x: 64 * n, y: 0, width: 64, height: 4 * (cells[n] ?? 0) },
      on: SURFACE,
    }));
    return { ...session, windows };
  };
  const paintedOf = (session: Session) =>
    new SurfaceWindows()
      .of(session, SURFACE)
      .sheets.filter(({ frameOnly }) => !frameOnly)
      .map(({ window }) => window.id);

  it('are painted with their content where most of them shows, and the front one in any case', () => {
    const cells = Array.from({ length: 20 }, (_, n) => 24 + 4 * n);
    const most = Array.from({ length: 11 }, (_, n) => `a${n + 9}`);
    expect(paintedOf(sideBySide(cells))).toEqual(['a0', ...most]);
  });

  it('are frames where hardly anything of them shows', () => {
    expect(paintedOf(sideBySide([4, 20, 24, 8]))).toEqual(['a0', 'a2']);
  });

  it('are touched only where something changed', () => {
    const surface = new SurfaceWindows();
    const person = new Person(spread(sessionOf('a: a1 | b: b1 | c: c1')));
    const before = surface.of(person.session, SURFACE).sheets;
    const after = surface.of(person.flip().session, SURFACE).sheets;
    expect(after.filter((sheet) => !before.includes(sheet)).map(({ window }) => window.id)).toEqual([
      'a1',
      'b1',
    ]);
    expect(after.find(({ window }) => window.id === 'c1')).toBe(
      before.find(({ window }) => window.id === 'c1'),
    );
  });

  it('give the front window its content however little of it there is to show', () => {
    expect(paintedOf(sideBySide([1, 30]))).toEqual(['a0', 'a1']);
  });

  it('lie wholly in sight on a surface of any size, and as they lay where they were placed', () => {
    const far = { x: 5_000, y: 700, width: 900, height: 600 };
    const session = withWindow(sessionOf('a: a1'), 'a1', { geometry: far });
    const boxOn = (width: number, height: number) =>
      new SurfaceWindows().of(session, { width, height }).sheets[0]?.box;
    expect(boxOn(1156, 770)).toEqual({ x: 256, y: 170, width: 900, height: 600 });
    expect(boxOn(390, 814)).toEqual({ x: 0, y: 214, width: 390, height: 600 });
  });

  it('that are moved cover nothing on the way, and are told by that alone', () => {
    const surface = new SurfaceWindows();
    const session = sessionOf('a: a1 | b: b1');
    const showing = (lifted: string | null) =>
      Object.fromEntries(
        surface.of(session, SURFACE, lifted).sheets.map(({ window, showing }) => [window.id, showing]),
      );
    expect(showing(null)).toEqual({ a1: 'exposed' });
    expect(showing('a1')).toEqual({ a1: 'exposed', b1: 'exposed' });
    expect(surface.of(session, SURFACE, 'a1').sheets.map(({ lifted }) => lifted)).toEqual([true, false]);
    expect(showing(null)).toEqual({ a1: 'exposed', b1: 'covered' });
  });
});
