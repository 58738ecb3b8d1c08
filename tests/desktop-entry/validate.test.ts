/** What is handed out as desktop entries passes Debian's desktop-file-validate. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, it } from 'vitest';
import { entryText } from '../../src/lib/core/guests/desktop-entry';

const folder = mkdtempSync(join(tmpdir(), 'key-fold-entries-'));
afterAll(() => rmSync(folder, { recursive: true }));

function complaints(text: string): string {
  const file = join(folder, 'entry.desktop');
  writeFileSync(file, text);
  const { status, stdout, stderr } = spawnSync('/usr/bin/desktop-file-validate', [file], {
    encoding: 'utf8',
  });
  return status === 0 && stdout === '' ? '' : `${status} ${stdout} ${stderr}`;
}

it.each(['Notice Board', 'Tide\\Gauge', 'Two\nlines', 'Hafenbüro „Ost“', '潮汐'])(
  'an entry for %j',
  (name) => {
    const wanted = {
      application: 'notices',
      name,
      monogram: 'No',
      hue: 35,
      url: 'https://board.example/?a=1;b=2',
    };
    expect(complaints(entryText(wanted))).toBe('');
  },
);

it('and it would complain', () => {
  expect(complaints('[Desktop Entry]\nType=Link\n')).toMatch(/required key "Name"/);
});
