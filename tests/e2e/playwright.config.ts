import { defineConfig } from '@playwright/test';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { launchOptions } from './browser.mjs';

// The config is read by every worker; only the first reading chooses.
process.env.E2E_DATA ??= mkdtempSync(join(tmpdir(), 'morning-round-e2e-'));
// Below the ports that connections begin from: one that is asked for before anybody listens could answer itself.
process.env.E2E_PORT ??= String(10000 + (process.pid % 20000));
const baseURL = `http://127.0.0.1:${process.env.E2E_PORT}`;

/** The application as ./start runs it, with demo data, on Wednesday 6 May 2026, in Debian's Chromium. */
export default defineConfig({
  testDir: '.',
  // Two cores are slow now and then: patience costs nothing where all goes well.
  timeout: 120_000,
  expect: { timeout: 15_000 },
  // Files of tests run beside one another. Whoever practises in one is a student of that test's own.
  workers: 2,
  forbidOnly: true,
  reporter: [['line'], ['json', { outputFile: '../../.build/e2e.json' }]],
  outputDir: '../../.build/e2e-results',
  use: {
    baseURL,
    viewport: { width: 1280, height: 800 },
    // Only what is about the application on the phone itself lets it settle there.
    serviceWorkers: 'block',
    locale: 'en-GB',
    contextOptions: { reducedMotion: 'reduce' },
    screenshot: 'only-on-failure',
    launchOptions,
  },
  webServer: {
    command: `../../start --port ${process.env.E2E_PORT} --data ${process.env.E2E_DATA} --today 2026-05-06`,
    url: `${baseURL}/health/ready`,
    timeout: 300_000,
    stdout: 'ignore',
    gracefulShutdown: { signal: 'SIGINT', timeout: 20_000 },
  },
});
