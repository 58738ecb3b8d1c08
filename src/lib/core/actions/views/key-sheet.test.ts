import { describe, expect, it } from 'vitest';
import { REGISTRY } from '../../../../../testing/person';
import { sessionOf } from '../../../../../testing/sessions';
import { seatOf } from '../../keys/writing-keys';
import type { Session } from '../../session/session';
import { keyMapOf } from './key-map';
import { keySheet, type SheetKey } from './key-sheet';

const SESSION = sessionOf('a: a1 | b: b1');
const sheetOf = (session: Session) => keySheet(REGISTRY, keyMapOf(REGISTRY, session), session);
const keyOn = (session: Session, code: string): SheetKey => {
  const sheet = sheetOf(session);
  const found = [...sheet.rows.flatMap(({ keys }) => keys), sheet.space, ...sheet.others].find(
    (key) => key.code === code,
  );
  if (!found) throw new Error(`${code} is not on the sheet.`);
  return found;
};
const SWEEP_ON_L = {
  action: 'sweep',
  argument: null,
  chord: { code: 'KeyL', shift: false, hold: true, modifiers: [] },
} as const;

describe('the key sheet', () => {
  it('says what a key does alone and with Shift, and what stands at a digit', () => {
    expect(keyOn(SESSION, 'KeyZ')).toMatchObject({
      plain: { short: 'minimise' },
      shifted: { short: 'minimise all' },
    });
    expect(keyOn(SESSION, 'Digit2')).toMatchObject({
      plain: { short: 'B' },
      shifted: { short: 'new window' },
    });
    expect(keyOn(SESSION, 'Space').plain?.short).toBe('glance');
  });

  it('tells keys apart that share a legend, and says once what Shift does not change', () => {
    expect([keyOn(SESSION, 'KeyA'), keyOn(SESSION, 'KeyS')].map(({ plain }) => plain?.short)).toEqual([
      'Newer application',
      'Older application',
    ]);
    expect(keyOn(SESSION, 'KeyS').shifted).toBeNull();
  });

  it('has the ten letters of each row where they lie, also those that are free', () => {
    // Beyond those stand only keys that do something.
    expect(sheetOf(SESSION).rows.map(({ keys }) => keys.length)).toEqual([11, 10, 10, 10]);
    for (const { row, keys } of sheetOf(SESSION).rows) {
      expect(keys.map(({ column }) => column).filter((column) => column >= 0)).toEqual([
        0, 1, 2, 3, 4, 5, 6, 7, 8, 9,
      ]);
      for (const { code, column } of keys) expect(seatOf(code)).toEqual({ row, column });
    }
    expect(keyOn(SESSION, 'KeyP')).toMatchObject({
      plain: { short: 'all workspaces' },
      shifted: { short: 'desks' },
    });
    expect(keyOn(SESSION, 'KeyE')).toMatchObject({ plain: null, shifted: { short: 'carry document' } });
  });

  it('follows what a person has chosen, and the block for the other hand', () => {
    const own = { ...SESSION, ownKeys: [SWEEP_ON_L] };
    expect(keyOn(own, 'KeyL').plain).toEqual({ short: 'sweep', own: true });
    expect(keyOn(own, 'KeyG').plain).toBeNull();
    expect(keyOn(SESSION, 'KeyG').plain).toEqual({ short: 'sweep', own: false });
    const right: Session = { ...SESSION, settings: { ...SESSION.settings, block: 'right' } };
    expect(keyOn(right, 'KeyH').plain?.short).toBe('sweep');
    const far = { ...SWEEP_ON_L, chord: { ...SWEEP_ON_L.chord, code: 'F9' } };
    const beyond = ({ ownKeys }: Pick<Session, 'ownKeys'>) =>
      sheetOf({ ...SESSION, ownKeys }).others.map(({ code, plain, shifted }) => [
        code,
        (plain ?? shifted)?.own,
      ]);
    expect(beyond({ ownKeys: [far] })).toEqual([
      ['F9', true],
      ['Backspace', false],
    ]);
    expect(beyond(SESSION)).toEqual([['Backspace', false]]);
    const shortcuts = [
      {
        id: 's1',
        chord: { ...SWEEP_ON_L.chord, code: 'BracketLeft' },
        aim: { application: 'b', title: null },
        opens: true,
        further: 'back',
      },
    ] as const;
    expect(keyOn({ ...SESSION, shortcuts }, 'BracketLeft').plain).toEqual({ short: 'Go to B', own: true });
  });

  it('has the keys that need no hold key, each action on one line', () => {
    const { elsewhere } = sheetOf(SESSION);
    expect(elsewhere.map(({ scope }) => scope)).toEqual([
      'anywhere',
      'list',
      'rows',
      'at-end',
      'at-start',
      'index',
      'placing',
      'survey',
      'survey-bare',
      'survey-held',
    ]);
    expect(elsewhere.flatMap(({ lines }) => lines.map(({ title }) => title))).toContain(
      'To the place with this digit',
    );
    for (const { lines } of elsewhere)
      expect(new Set(lines.map(({ title }) => title)).size).toBe(lines.length);
    const all = elsewhere.flatMap(({ lines }) => lines.flatMap(({ bounds }) => bounds));
    const expected = keyMapOf(REGISTRY, SESSION).bindings.filter(({ scope }) => scope !== 'held');
    expect(new Set(all)).toEqual(new Set(expected));
  });
});
