/**
 * Makes `src/lib/core/search/latin-letters.json` anew: how letters of the Latin, Greek and Cyrillic scripts are written
 * with plain Latin ones, by AnyAscii (npm: any-ascii, ISC licence). Its whole table is half a megabyte.
 */
import anyAscii from 'any-ascii';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/paths.mjs';

/** Unicode's blocks of the three scripts, without those that come apart into a letter and its marks. */
const BLOCKS: readonly (readonly [from: number, to: number])[] = [
  [0xdf, 0x24f],
  [0x370, 0x3ff],
  [0x400, 0x52f],
];

const bare = (letter: string) => letter.normalize('NFKD').replace(/\p{M}/gu, '');
const table: Record<string, string> = {};
for (const [from, to] of BLOCKS)
  for (let code = from; code <= to; code += 1) {
    const letter = String.fromCodePoint(code);
    if (!/^\p{Ll}$/u.test(letter)) continue;
    const latin = anyAscii(letter).replace(/[^a-z]/g, '');
    // A letter with marks is listed only where it is written otherwise than the letter alone, as й is.
    const alone = anyAscii(bare(letter)).replace(/[^a-z]/g, '');
    if (bare(letter) === letter || alone !== latin) table[letter] = latin;
  }
writeFileSync(join(ROOT, 'src/lib/core/search/latin-letters.json'), `${JSON.stringify(table)}\n`);
