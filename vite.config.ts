import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { narrowFonts } from './scripts/lib/narrow-fonts.mjs';
import { defineConfig } from 'vitest/config';

/** The server's input classes carry their rules as decorators. */
export const decorators = { decorator: { legacy: true, emitDecoratorMetadata: true } };

/** No test is about time on the clock: a machine that is busy with something else must not fail one. */
const PATIENCE = { testTimeout: 120_000, hookTimeout: 120_000, expect: { poll: { timeout: 60_000 } } };

/** No file leaves anything in the modules that it shares with the next one: loading them once takes a third of the time. */
const TOGETHER = { isolate: false };

/** Tests in a browser, one file after the other: what is pressed in one would be heard in another. */
const inBrowser = (name: string, include: string, exclude: readonly string[] = []) => ({
  extends: true as const,
  test: {
    name,
    environment: 'node' as const,
    include: [include],
    exclude: [...exclude],
    globalSetup: ['tests/throwaway-cluster.ts', 'e2e/support/served-build.ts'],
    ...PATIENCE,
    maxWorkers: 1,
    fileParallelism: false,
  },
});

export default defineConfig({
  plugins: [tailwindcss(), sveltekit(), narrowFonts()],
  oxc: decorators,
  build: { chunkSizeWarningLimit: 700 },
  test: {
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          environment: 'node',
          ...PATIENCE,
          ...TOGETHER,
          include: ['src/lib/{core,demo,keyboards,stand-ins,client,ui}/**/*.test.ts', 'tests/**/*.test.ts'],
        },
      },
      {
        extends: true,
        test: {
          name: 'server',
          environment: 'node',
          ...PATIENCE,
          ...TOGETHER,
          include: ['src/lib/server/**/*.test.ts'],
          globalSetup: 'tests/throwaway-cluster.ts',
        },
      },
      inBrowser('browser', 'e2e/**/*.test.ts', ['e2e/keyboard/**']),
      inBrowser('keyboard', 'e2e/keyboard/*.test.ts'),
    ],
  },
});
