import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** A thorough test tries five times as many made-up inputs. */
const timesAsLong = process.env['DIDAKTOR_TESTS'] === 'thorough' ? 10 : 1;
const alias = { '@': fileURLToPath(new URL('.', import.meta.url)).replace(/\/$/, '') };

export default defineConfig({
  resolve: { alias },
  test: {
    // One for each core: the tests' own process only waits for them.
    maxWorkers: 2,
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          include: ['{core,cli,ui,grammars,demo,print,scripts}/**/*.test.ts'],
          // Nothing of the core remembers anything, so that files may share what they import.
          isolate: false,
          testTimeout: 30_000 * timesAsLong,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'database',
          include: ['{server,workers}/**/*.test.ts'],
          testTimeout: 30_000,
          hookTimeout: 60_000,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'browser',
          // A page answers when it has been to the server.
          expect: { poll: { timeout: 20_000 } },
          include: ['e2e/**/*.test.ts'],
          globalSetup: ['e2e/setup.ts'],
          // On a machine that has other work to do, two browsers at once take three times as long.
          testTimeout: 300_000,
          hookTimeout: 300_000,
        },
      },
    ],
  },
});
