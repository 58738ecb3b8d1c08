/** Builds the server's worker threads and the agent, each into one file of its own. */
import { defineConfig } from 'vite';

export default defineConfig({
  oxc: { decorator: { legacy: true, emitDecoratorMetadata: true } },
  build: {
    ssr: true,
    outDir: 'build/workers',
    rolldownOptions: {
      input: {
        'import-session': 'src/workers/import-session.ts',
        agent: 'src/agent/main.ts',
        'browser-keeper': 'src/agent/browser/keeper.ts',
      },
    },
  },
});
