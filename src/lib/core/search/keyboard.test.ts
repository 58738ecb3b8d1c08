import { describe, expect, it } from 'vitest';
import { LAYOUTS } from '../../keyboards/layouts';
import { neighboursOn } from './keyboard';

const around = (name: string, letter: string) => {
  const layout = LAYOUTS.find((one) => one.name === name);
  return [...(neighboursOn((code) => layout?.written[code] ?? null).get(letter) ?? '')].sort().join('');
};

// The rows of keys are those of xkb-data (see `src/lib/keyboards`); who is whose neighbour is read off a keyboard.
describe('the neighbours of a key', () => {
  it.each([
    ['us', 'g', 'bfhtvy'],
    ['us', 'a', 'qswz'],
    ['us', 'p', '0lo'],
    ['de', 'g', 'bfhtvz'],
    ['de', 'y', 'asx'],
    ['fr', 'q', 'aswz'],
    ['gr', 'γ', 'βητυφω'],
    ['ru', 'п', 'аеимнр'],
  ])('on %s, of %s', (layout, letter, neighbours) => expect(around(layout, letter)).toBe(neighbours));

  it('are told by the names of positions as long as nothing else is known', () => {
    expect([...(neighboursOn(() => null).get('g') ?? '')].sort().join('')).toBe('bfhtvy');
    const partly = neighboursOn((code) => (code === 'KeyY' ? 'z' : null));
    expect(partly.get('z')).toContain('t');
    expect(partly.get('z')).not.toContain('a');
  });
});
