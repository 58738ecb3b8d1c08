import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const list = createRequire(import.meta.url).resolve('an-array-of-english-words/index.json');
const WORDS: readonly string[] = JSON.parse(readFileSync(list, 'utf8'));

/** `count` words spread evenly over an open English word list (npm: an-array-of-english-words, MIT). */
export const words = (count: number): string[] =>
  Array.from({ length: count }, (_, n) => WORDS[Math.floor((n * WORDS.length) / count)] ?? '');
