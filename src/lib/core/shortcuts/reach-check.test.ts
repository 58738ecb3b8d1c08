/** The reach check: every question can be answered by the keys it asks for. */
import { expect, it } from 'vitest';
import { PLAIN_KEY } from '../../../../testing/keys';
import { aroundOf } from '../../../../testing/person';
import { sessionOf } from '../../../../testing/sessions';
import { chordText } from '../keys/chord';
import { again, arrived, begunCheck, missed, missing, proposals, type ReachCheck } from './reach-check';
import { recordedFrom } from './recording';

const { keys } = aroundOf(sessionOf('a: a1 | b: b1'));
const askedIn = (check: ReachCheck) => check.asked[check.at];

/** The keys of the question go down, and what was recorded is told. */
function answered(check: ReachCheck): ReachCheck {
  const chord = askedIn(check)?.chord;
  if (!chord) throw new Error('The check is over');
  const { code, hold, modifiers, shift } = chord;
  const recorded = recordedFrom(
    {
      ...PLAIN_KEY,
      code,
      key: code,
      shift,
      alt: hold || modifiers.includes('Alt'),
      control: modifiers.includes('Control'),
    },
    'Alt',
  );
  return 'chord' in recorded ? arrived(check, recorded.chord) : check;
}

it('takes every combination in use for what it is, and is over then', () => {
  let check = begunCheck(keys);
  expect(check.asked.length).toBeGreaterThan(20);
  for (let n = 0; n < check.asked.length; n += 1) {
    expect(
      check.at,
      chordText(check.asked[n]?.chord ?? { code: '', shift: false, hold: false, modifiers: [] }),
    ).toBe(n);
    check = answered(check);
  }
  expect(askedIn(check)).toBeUndefined();
  expect(missing(check)).toEqual([]);
});

it('counts another combination than the one asked for, and does not ask for it again', () => {
  const check = begunCheck(keys);
  const third = check.asked[2]?.chord ?? expect.fail('There are three');
  const early = arrived(check, third);
  expect(early.at).toBe(0);
  expect(answered(answered(early)).at).toBe(3);
  expect(arrived(check, { ...third, code: 'Unknown' })).toEqual(check);
});

it('offers for what did not arrive something that nobody uses, each another one; going back takes it away', () => {
  const check = missed(missed(begunCheck(keys)));
  const offered = proposals(check, { keys, holdKey: 'Alt', programs: [], site: null, missed: new Set() });
  const used = new Set(check.asked.map(({ chord }) => chordText(chord)));
  const instead = offered.map((one) =>
    one.instead ? chordText(one.instead) : expect.fail('Nothing is free'),
  );
  expect(offered.map(({ chord }) => chord)).toEqual(check.asked.slice(0, 2).map(({ chord }) => chord));
  expect(new Set(instead).size).toBe(2);
  expect(instead.filter((one) => used.has(one))).toEqual([]);
  expect(missing(again(check))).toHaveLength(1);
  expect(again(check).at).toBe(1);
});
