/** What a doc comment gives as an example is so: `@example call // value`. */
import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { sessionOf } from '../testing/sessions';

const modules = import.meta.glob<Readonly<Record<string, unknown>>>([
  '../src/lib/{core,server/http,ui/words}/**/*.ts',
  '!**/*.test.ts',
]);

const EXAMPLE = /@example\s([\s\S]*?)\s\/\/ (.*?)(?:\*\/|\n)/g;

const examples = Object.entries(modules).flatMap(([file, load]) =>
  [...readFileSync(new URL(file, import.meta.url), 'utf8').matchAll(EXAMPLE)].map(
    ([, call = '', value = '']) => [call.replace(/^ \* /gm, '').trim(), value.trim(), load] as const,
  ),
);

/** What an expression gives, with some names for it to use. */
const evaluated = (expression: string, names: Readonly<Record<string, unknown>>): unknown =>
  // eslint-disable-next-line @typescript-eslint/no-implied-eval -- it is our own text
  new Function(...Object.keys(names), `return (${expression});`)(...Object.values(names));

it.each(examples)('%s is %s', async (call, value, load) => {
  expect(evaluated(call, { ...(await load()), sessionOf })).toEqual(evaluated(value, {}));
});

it('there are some', () => expect(examples.length).toBeGreaterThan(25));
