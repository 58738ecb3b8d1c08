/** The tests that mutants have to get past: those of the core, without a browser and without a database. */
import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    environment: 'node',
    include: ['src/lib/core/**/*.test.ts'],
    // What is explored there is worth a minute once, not a minute for each mutant.
    exclude: ['src/lib/core/desk/desk.test.ts', 'src/lib/core/search/outside.test.ts'],
  },
});
