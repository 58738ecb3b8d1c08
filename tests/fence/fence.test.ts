/** The fences between the layers fail where something is planted that they forbid. */
import { cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { cruise, type ICruiseResult, type IConfiguration } from 'dependency-cruiser';
import { ESLint } from 'eslint';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';

const config = createRequire(import.meta.url)('../../.dependency-cruiser.cjs') as IConfiguration;

/** Files of a small house, each of which breaks one rule. */
const PLANTED: Readonly<Record<string, readonly [file: string, text: string]>> = {
  'no-circles': ['src/lib/core/model/a.ts', `import type { B } from './b'; export type A = B;`],
  'core-is-pure': ['src/lib/core/search/a.ts', `export * from '../../server/a';`],
  'core-needs-no-platform': ['src/lib/core/host/a.ts', `export { setTimeout } from 'node:timers';`],
  'pages-know-no-server': ['src/lib/ui/a.ts', `export * from '../server/a';`],
  'server-knows-no-pages': ['src/lib/server/b.ts', `export * from '../ui/b';`],
  'product-knows-no-tests': ['src/lib/client/a.ts', `export * from '../../../testing/a';`],
  'no-test-runner-outside-tests': ['bench/a.ts', `export * from '../tests/a';`],
  'slice-insides': ['src/lib/core/slices/front/slice.ts', `export * from '../windows/slice';`],
  'slices-know-no-session': ['src/lib/core/slices/windows/state.ts', `export * from '../../session/a';`],
};

/** What the planted files import, which is all right by itself. */
const OTHERS: Readonly<Record<string, string>> = {
  'src/lib/core/model/b.ts': `import type { A } from './a'; export type B = A;`,
  'src/lib/core/session/a.ts': 'export const a = 1;',
  'src/lib/core/slices/windows/slice.ts': 'export const a = 1;',
  'src/lib/server/a.ts': 'export const a = 1;',
  'src/lib/ui/b.ts': 'export const a = 1;',
  'testing/a.ts': 'export const a = 1;',
  'tests/a.ts': `export { expect } from 'vitest';`,
};

describe('layers', () => {
  const house = mkdtempSync(join(tmpdir(), 'key-fold-house-'));
  afterAll(() => rmSync(house, { recursive: true, force: true }));

  beforeAll(() => {
    const files = [...Object.values(PLANTED), ...Object.entries(OTHERS)];
    for (const [file, text] of files) {
      mkdirSync(join(house, dirname(file)), { recursive: true });
      writeFileSync(join(house, file), text);
    }
    cpSync('tsconfig.json', join(house, 'tsconfig.json'));
    symlinkSync(join(process.cwd(), 'node_modules'), join(house, 'node_modules'));
  });

  it('find each of the violations that are planted, one for every rule, and no others', async () => {
    const { tsConfig: _tsConfig, ...options } = config.options ?? {};
    const { output } = await cruise(['src', 'bench', 'testing'], {
      ...options,
      baseDir: house,
      validate: true,
      ruleSet: { forbidden: config.forbidden ?? [] },
    });
    const { violations } = (output as ICruiseResult).summary;
    const found = violations.map(({ rule, from }) => `${rule.name} ${from}`);
    const planted = Object.entries(PLANTED).map(([rule, [file]]) => `${rule} ${file}`);
    expect(found.toSorted()).toEqual(expect.arrayContaining(planted.toSorted()));
    expect(new Set(violations.map(({ rule }) => rule.name))).toEqual(new Set(Object.keys(PLANTED)));
    expect((config.forbidden ?? []).map(({ name }) => name).toSorted()).toEqual(
      Object.keys(PLANTED).toSorted(),
    );
  });
});

describe('in the core', () => {
  const eslint = new ESLint();

  it.each([
    'setInterval(() => undefined, 10);',
    'export const id = crypto.randomUUID();',
    'export const n = Math.random();',
    'export const at = Date.now();',
    'export const at = new Date();',
    'export const at = globalThis.performance.now();',
    'export const { href } = location;',
    'export const home = process.env.HOME;',
    `export const later = () => import('./ids');`,
  ])('%s is an error', async (text) => {
    const [result] = await eslint.lintText(text, { filePath: 'src/lib/core/model/ids.ts' });
    expect(result?.messages.map(({ ruleId }) => ruleId)).toContainEqual(
      expect.stringMatching(/^no-restricted/),
    );
  });

  it.each([
    'export const id = 7;',
    'export function id(): number { return 7; }',
    'export interface Id { readonly id: number }',
    '/** An id. */\nexport class Id { /** An id. */ id = 7; is(id: number): boolean { return id === this.id; } }',
  ])('what others use and nobody explains is an error: %s', async (text) => {
    const [result] = await eslint.lintText(text, { filePath: 'src/lib/core/model/ids.ts' });
    expect(result?.messages.map(({ ruleId }) => ruleId)).toContain('jsdoc/require-jsdoc');
  });

  it('what only computes is none', async () => {
    const text = `/** An instant, and three. */\nexport const at = (day: string) => new Date(day).toISOString() + Math.max(1, 2);`;
    const [result] = await eslint.lintText(text, { filePath: 'src/lib/core/model/ids.ts' });
    expect(result?.messages).toEqual([]);
  });
});
