import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vitest/config';

/** The server's input classes carry their rules as decorators. */
const decorators = { decorator: { legacy: true, emitDecoratorMetadata: true } };

export default defineConfig({
  plugins: [tailwindcss(), sveltekit()],
  oxc: decorators,
  build: { chunkSizeWarningLimit: 700 },
  test: {
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          environment: 'node',
          include: ['src/lib/{core,stand-ins,client,ui}/**/*.test.ts'],
        },
      },
      {
        extends: true,
        test: {
          name: 'server',
          environment: 'node',
          include: ['src/lib/server/**/*.test.ts'],
          globalSetup: 'tests/throwaway-cluster.ts',
        },
      },
      {
        extends: true,
        test: {
          name: 'browser',
          environment: 'node',
          include: ['e2e/**/*.test.ts'],
          globalSetup: ['tests/throwaway-cluster.ts', 'e2e/support/served-build.ts'],
          testTimeout: 60_000,
          hookTimeout: 60_000,
          maxWorkers: 1,
          fileParallelism: false,
        },
      },
    ],
  },
});
