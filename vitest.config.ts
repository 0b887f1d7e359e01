import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/**
 * Nothing here is measured by the clock: what a check may take is bounded by its work, and a machine that has other work
 * to do takes ten times as long. Only what hangs comes to this, in ms.
 */
const HANGS = 1_800_000;
/** An answer of a server or a page that does not come within this is not coming, in ms. */
const ANSWERS = 180_000;
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
          testTimeout: HANGS,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'database',
          include: ['{server,workers}/**/*.test.ts'],
          expect: { poll: { timeout: ANSWERS } },
          testTimeout: HANGS,
          hookTimeout: HANGS,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'browser',
          expect: { poll: { timeout: ANSWERS } },
          include: ['e2e/**/*.test.ts'],
          globalSetup: ['e2e/setup.ts'],
          testTimeout: HANGS,
          hookTimeout: HANGS,
        },
      },
    ],
  },
});
