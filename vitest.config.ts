import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const alias = {
  '@': fileURLToPath(new URL('./src', import.meta.url)),
  // In the application this package keeps modules out of browsers; here there is no browser to keep them from.
  'server-only': fileURLToPath(new URL('./node_modules/server-only/empty.js', import.meta.url)),
  '@demo': fileURLToPath(new URL('./demo', import.meta.url)),
};

const FAULTS = 'tests/database/faults/*.db.test.ts';

/** Tests that have a real database, one after the other. */
const database = (name: string, files: { readonly include?: string[]; readonly exclude?: string[] }) => ({
  resolve: { alias },
  test: {
    name,
    include: ['{src,demo,tests}/**/*.db.test.ts'],
    ...files,
    fileParallelism: false,
    // As with the others: loading took as long as the tests themselves.
    isolate: false,
    testTimeout: 600_000,
    hookTimeout: 900_000,
  },
});

export default defineConfig({
  resolve: { alias },
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          include: ['{src,demo,tests}/**/*.test.ts'],
          exclude: ['**/*.db.test.ts', '**/node_modules/**'],
          setupFiles: ['tests/random-cases.ts'],
          // Files share what is loaded: with a process for each, loading took three quarters of the time. So a test that
          // changes what outlives it (a setting, a clock) puts it back.
          isolate: false,
          // These end what hangs; they measure nothing, and a busy machine may be ten times slower.
          testTimeout: 600_000,
          hookTimeout: 900_000,
        },
      },
      database('database', { exclude: [FAULTS, '**/node_modules/**'] }),
      // They wait for processes that die and start more than they reckon, so they have a database and a turn of their own.
      database('faults', { include: [FAULTS] }),
    ],
  },
});
