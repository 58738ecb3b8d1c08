import { expect, it } from 'vitest';
import { NO_RECORD } from '../../core/drill/record';
import { memoryStorage } from '../page-storage';
import { keepDrill, keptDrill } from './drill-keeper';

const STORED_AS = 'key-fold/drill';

it('keeps how the drill went, and says where there is no room for it', () => {
  const storage = memoryStorage();
  expect(keptDrill(storage)).toEqual(NO_RECORD);
  const record = {
    rounds: [{ at: 1, holding: true, tasks: 3, missed: 1, median: 2.5 }],
    skills: { flip: { tries: 3, missed: 1, times: [2, 3] } },
    schedules: {},
  };
  expect(keepDrill(storage, record)).toBe(true);
  expect(keptDrill(storage)).toEqual(record);
  const full = {
    setItem: () => {
      throw new Error('full');
    },
  };
  expect(keepDrill(full, record)).toBe(false);
});

it('begins anew where what was kept makes no sense', () => {
  for (const text of ['{', 'null', '7', '{"rounds":7}', '{"rounds":[],"skills":null}']) {
    const storage = memoryStorage();
    storage.setItem(STORED_AS, text);
    expect(keptDrill(storage)).toEqual(NO_RECORD);
  }
});
