import { describe, expect, it } from 'vitest';
import { LAYOUTS } from './layouts';

const row = (name: string, codes: string) =>
  codes
    .split(' ')
    .map((code) => LAYOUTS.find((layout) => layout.name === name)?.written[code])
    .join('');

const TOP = 'KeyQ KeyW KeyE KeyR KeyT KeyY KeyU KeyI KeyO KeyP';
const HOME = 'KeyA KeyS KeyD KeyF KeyG KeyH KeyJ KeyK KeyL';

describe('the layouts', () => {
  // National standards and their authors' own descriptions; the values from memory.
  it.each([
    ['us', 'qwertyuiop', 'asdfghjkl'],
    ['fr', 'azertyuiop', 'qsdfghjkl'],
    ['de', 'qwertzuiop', 'asdfghjkl'],
    ['ru', 'йцукенгшщз', 'фывапролд'],
    ['gr', ';ςερτυθιοπ', 'ασδφγηξκλ'],
    ['us(dvorak)', "',.pyfgcrl", 'aoeuidhtn'],
    ['us(colemak)', 'qwfpgjluy;', 'arstdhnei'],
  ])('%s', (name, top, home) => {
    expect(row(name, TOP)).toBe(top);
    expect(row(name, HOME)).toBe(home);
  });

  it('each has a name and a title of its own, and enough letters', () => {
    expect(new Set(LAYOUTS.map(({ name }) => name)).size).toBe(LAYOUTS.length);
    expect(new Set(LAYOUTS.map(({ title }) => title)).size).toBe(LAYOUTS.length);
    expect(LAYOUTS.length).toBeGreaterThan(250);
    for (const { written } of LAYOUTS) expect(Object.keys(written).length).toBeGreaterThanOrEqual(20);
  });
});
