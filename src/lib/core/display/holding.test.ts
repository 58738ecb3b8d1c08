import { expect, it } from 'vitest';
import { REGISTRY } from '../../../../testing/person';
import { sessionOf } from '../../../../testing/sessions';
import { keyMapOf } from '../actions/views/key-map';
import type { HoldKey } from '../slices/settings/state';
import { endsHold, holdKeyUp, holdWanted } from './holding';

const wantedWith = (holdKey: HoldKey) => {
  const session = sessionOf('a: a1 | b: b1');
  const there = {
    ...session,
    settings: { ...session.settings, holdKey },
    places: session.places.map(() => null),
  };
  return holdWanted(keyMapOf(REGISTRY, there), there);
};

it('with Meta everything is taken that means something while the hold key is down, with Alt what comes and goes', () => {
  const [meta, alt] = [wantedWith('Meta'), wantedWith('Alt')];
  expect(meta.positions).toEqual(expect.arrayContaining(['KeyS', 'KeyQ', 'KeyZ', 'KeyV']));
  expect(alt.positions).toEqual(expect.arrayContaining(['KeyS', 'KeyQ', 'KeyW']));
  expect(alt.positions).not.toContain('KeyV');
});

it('an empty place does nothing, so its key is left to the programs', () => {
  expect(wantedWith('Meta').positions).not.toContain('Digit3');
});

it('text may follow what opens search, survey or a list; not what switches', () => {
  for (const holdKey of ['Meta', 'Alt'] as const) {
    const { positions, writing } = wantedWith(holdKey);
    expect(writing).toEqual(expect.arrayContaining(['KeyQ', 'KeyW', 'KeyP']));
    expect(writing).not.toContain('KeyS');
    expect(positions).toEqual(expect.arrayContaining([...writing]));
  }
});

it('a hold ends with its key, and with no other', () => {
  const up = holdKeyUp('Alt', false);
  expect([up, holdKeyUp('Meta', true)].map(endsHold)).toEqual([true, true]);
  const others = [
    { phase: 'down' },
    { key: 's', code: 'KeyS' },
    { key: 'Shift', code: 'ShiftLeft' },
  ] as const;
  expect(others.map((other) => endsHold({ ...up, ...other }))).toEqual([false, false, false]);
});
