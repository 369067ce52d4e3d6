import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './tests/chromium';

const VAR = process.env['IBIDEM_VAR'] ?? 'var/test';
const PORT = Number(process.env['IBIDEM_PORT'] ?? 4280);

export default defineConfig({
  testDir: 'tests/e2e',
  // These end what hangs; they measure nothing, and machines vary by a factor of three.
  timeout: 900_000,
  expect: { timeout: 180_000 },
  fullyParallel: false,
  workers: 1,
  reporter: [['list'], ['json', { outputFile: `${VAR}/browser.json` }]],
  outputDir: `${VAR}/browser`,
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 180_000,
    launchOptions: {
      executablePath: CHROMIUM,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: `root=. && . bin/surroundings.sh && need_bundle && run_module demo/run.ts`,
    url: `http://127.0.0.1:${PORT}/sign-in`,
    timeout: 900_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 10_000 },
  },
});
