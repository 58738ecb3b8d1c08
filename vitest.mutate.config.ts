/**
 * The tests that mutants have to get past, without a browser: `MUTATE=core` those of the core, `MUTATE=server` those of
 * the server, on a database of their own.
 */
import { defineConfig } from 'vitest/config';
import { decorators } from './vite.config';

const ofServer = process.env['MUTATE'] === 'server';

export default defineConfig({
  oxc: decorators,
  test: {
    environment: 'node',
    include: ofServer
      ? ['src/lib/server/**/*.test.ts']
      : ['src/lib/core/**/*.test.ts', 'src/lib/ui/words/*.test.ts', 'tests/{*,late-host/*}.test.ts'],
    // What is explored there is worth a minute once, not a minute for each mutant.
    exclude: ['src/lib/core/desk/explored.test.ts', 'src/lib/core/search/outside.test.ts'],
    env: { LATE_HOST_RUNS: '60', SCHEMA_DOCUMENTS: '300' },
    globalSetup: ofServer ? 'tests/throwaway-cluster.ts' : [],
    testTimeout: 60_000,
    // Nothing that one file leaves behind matters to another, and each mutant is quicker so.
    isolate: false,
  },
});
