/** The tests that mutants have to get past: those of the core, without a browser and without a database. */
import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    environment: 'node',
    include: ['src/lib/core/**/*.test.ts', 'src/lib/ui/words/*.test.ts', 'tests/late-host/*.test.ts'],
    env: { LATE_HOST_RUNS: '60' },
    // What is explored there is worth a minute once, not a minute for each mutant.
    exclude: ['src/lib/core/desk/explored.test.ts', 'src/lib/core/search/outside.test.ts'],
  },
});
