/**
 * The tests that mutants have to get past, without a browser: `MUTATE=core` those of the core, `MUTATE=server` those of
 * the server, on a database of their own.
 */
import { defineConfig } from 'vitest/config';
import { BaseSequencer } from 'vitest/node';
import { decorators } from './vite.config';

const ofServer = process.env['MUTATE'] === 'server';

/** A mutant is done with at the first test that fails: those that take long come last. */
class QuickestFirst extends BaseSequencer {
  override async sort(...files: Parameters<BaseSequencer['sort']>) {
    const longestFirst = await super.sort(...files);
    return longestFirst.reverse();
  }
}

export default defineConfig({
  oxc: decorators,
  test: {
    environment: 'node',
    include: ofServer
      ? ['src/lib/server/**/*.test.ts']
      : ['src/lib/{core,stand-ins,ui/words}/**/*.test.ts', 'tests/late-host/*.test.ts'],
    // Other packages are measured in the one, and how good a search is on the whole in the other: seconds a mutant.
    exclude: ['src/lib/core/search/outside.test.ts', 'src/lib/core/search/quality.test.ts'],
    // What is looked for at length once is looked for a little with each mutant.
    env: { RUNS: '0.1', DEPTH: '4' },
    globalSetup: ofServer ? 'tests/throwaway-cluster.ts' : [],
    sequence: { sequencer: QuickestFirst },
    // What hangs because of a mutant must not cost a minute; without one the longest takes a second.
    testTimeout: 6_000,
    // Nothing that one file leaves behind matters to another, and each mutant is quicker so.
    isolate: false,
  },
});
