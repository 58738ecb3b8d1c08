import { describe, expect, it } from 'vitest';
import { PLAIN_KEY } from '../../../../testing/keys';
import type { KeyInput } from './key-input';
import {
  hearLayout,
  knownFrom,
  labelOf,
  learnKey,
  NOTHING_KNOWN,
  type KnownKeys,
  type Written,
} from './labels';
import { seatOf, WRITING_KEYS } from './writing-keys';

/** Types keys given as `KeyA=q KeyW=z`. */
const typing = (known: KnownKeys, keys: string, more: Partial<KeyInput> = {}): KnownKeys =>
  keys.split(' ').reduce((soFar, each) => {
    const [code = '', key = ''] = each.split('=');
    return learnKey(soFar, { ...PLAIN_KEY, code, key, ...more });
  }, known);

const US: Written = { KeyA: 'a', KeyS: 's', KeyQ: 'q', KeyZ: 'z' };
const labels = (known: KnownKeys, ...codes: string[]) => codes.map((code) => labelOf(known, code)).join(' ');

describe('the label of a key', () => {
  it('is unknown as long as nobody says it', () => {
    expect(labelOf(NOTHING_KNOWN, 'KeyS')).toBeNull();
    expect(labelOf(NOTHING_KNOWN, 'Slash')).toBeNull();
  });

  it('is the same everywhere for digits and for keys that do not write', () => {
    expect(labels(typing(NOTHING_KNOWN, 'Digit1=&'), 'Digit1', 'Space', 'F4')).toBe('1 Space F4');
  });

  it('is what was typed, as a capital where there is one', () => {
    expect(labels(typing(NOTHING_KNOWN, 'KeyA=q KeyQ=A Minus=ß'), 'KeyA', 'KeyQ', 'Minus')).toBe('Q A ß');
  });

  it('is the same with Caps Lock', () => {
    const known = typing(NOTHING_KNOWN, 'KeyA=q KeyS=s');
    expect(typing(known, 'KeyA=Q KeyS=S')).toBe(known);
  });

  it('is what the browser says, until what is typed proves it wrong', () => {
    const told = hearLayout(NOTHING_KNOWN, US);
    expect(labels(told, 'KeyA', 'KeyS')).toBe('A S');
    expect(labels(typing(told, 'KeyS=s'), 'KeyA', 'KeyS')).toBe('A S');
    expect(labels(typing(told, 'KeyS=ы'), 'KeyA', 'KeyS')).toBe(' Ы');
  });

  it('is that of the layout that was chosen before all else', () => {
    const written = { KeyA: 'q', KeyQ: 'a' };
    const known = {
      ...typing(hearLayout(NOTHING_KNOWN, US), 'KeyA=a'),
      chosen: { name: 'fr', title: 'French', written },
    };
    expect(labels(known, 'KeyA', 'KeyQ')).toBe('Q A');
    expect(labelOf(known, 'KeyS')).toBeNull();
  });
});

describe('what is not a letter of the key itself', () => {
  it.each<[string, string, Partial<KeyInput>]>([
    ['with Shift', 'KeyA=A', { shift: true }],
    ['with Alt', 'KeyA=a', { alt: true }],
    ['with Control', 'KeyA=a', { control: true }],
    ['with AltGraph', 'KeyA=æ', { altGraph: true }],
    ['coming up', 'KeyA=a', { phase: 'up' }],
    ['while composing', 'KeyA=a', { composing: true }],
    ['of a dead key', 'Equal=Dead', {}],
    ['of a key that does not write', 'Numpad1=1', {}],
  ])('%s teaches nothing', (_, keys, more) => {
    expect(typing(NOTHING_KNOWN, keys, more)).toBe(NOTHING_KNOWN);
  });
});

describe('when the layout changes', () => {
  it('what another layout wrote is forgotten for the time being, and known again on the way back', () => {
    const latin = typing(NOTHING_KNOWN, 'KeyA=a KeyS=s');
    const cyrillic = typing(latin, 'KeyD=в KeyS=ы');
    expect(labels(cyrillic, 'KeyA', 'KeyS', 'KeyD')).toBe(' Ы В');
    expect(labels(typing(cyrillic, 'KeyA=a'), 'KeyA', 'KeyS', 'KeyD')).toBe('A S ');
  });

  it('a letter at another key, or another letter at a key, shows it', () => {
    const us = typing(NOTHING_KNOWN, 'KeyA=a KeyS=s KeyW=w');
    expect(labels(typing(us, 'KeyQ=a'), 'KeyA', 'KeyQ', 'KeyS')).toBe(' A ');
    expect(labels(typing(us, 'KeyW=z'), 'KeyA', 'KeyW')).toBe(' Z');
  });

  it('what the browser says anew counts more than what was typed before', () => {
    const us = typing(hearLayout(NOTHING_KNOWN, US), 'KeyA=a KeyQ=q');
    const french = hearLayout(us, { KeyA: 'q', KeyQ: 'a' });
    expect(labels(french, 'KeyA', 'KeyQ')).toBe('Q A');
    expect(hearLayout(french, { KeyQ: 'a', KeyA: 'q' })).toBe(french);
    expect(labels(hearLayout(french, US), 'KeyA', 'KeyQ')).toBe('A Q');
  });

  it('no more than four layouts are remembered', () => {
    const many = ['а', 'б', 'в', 'г', 'д', 'е'].reduce(
      (known, letter) => typing(known, `KeyA=${letter}`),
      NOTHING_KNOWN,
    );
    expect(many.typed.map(({ KeyA }) => KeyA)).toEqual(['е', 'д', 'г', 'в']);
  });
});

describe('what an earlier page stored', () => {
  it('is known again', () => {
    const known = typing(NOTHING_KNOWN, 'KeyA=q KeyS=ы');
    const chosen = { name: 'fr', title: 'French', written: { KeyA: 'q' } };
    expect(knownFrom(JSON.stringify({ ...known, chosen }))).toEqual({ ...known, chosen });
  });

  it.each(['', 'null', '[]', '{"typed":{}}', '{"typed":[null,7,{"KeyA":1}],"chosen":{"name":"fr"}}'])(
    'is nothing where it makes no sense: %s',
    (json) => expect(knownFrom(json)).toEqual(NOTHING_KNOWN),
  );
});

describe('where the keys are', () => {
  it('is told by row and column', () => {
    expect(seatOf('KeyQ')).toEqual({ row: 'top', column: 0 });
    expect(seatOf('KeyS')).toEqual({ row: 'home', column: 1 });
    expect(seatOf('KeyZ')).toEqual({ row: 'bottom', column: 0 });
    expect(seatOf('Digit1')).toEqual({ row: 'digits', column: 0 });
    expect(seatOf('Space')).toBeNull();
    expect(new Set(WRITING_KEYS.map((code) => JSON.stringify(seatOf(code)))).size).toBe(48);
  });
});
