import { defineConfig } from '@playwright/test';

const port = Number(process.env.E2E_PORT ?? 4790);

export default defineConfig({
  testDir: 'e2e',
  timeout: 180_000,
  expect: { timeout: 20_000 },
  // Two cores: while one test waits for the page, another works. Each makes jobs of its own.
  workers: 2,
  retries: 0,
  forbidOnly: true,
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    // Moving dashes are painted by the processor here, again and again, while two tests share it.
    contextOptions: { reducedMotion: 'reduce' },
    // What a test answers in the place of the server would come from what is kept at hand; the test of that lets it be.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
        '--disable-quic',
      ],
    },
  },
  webServer: {
    command: 'node scripts/lib/serveForTests.mjs',
    url: `http://127.0.0.1:${port}/api/health`,
    env: { ...process.env, PORT: String(port) },
    gracefulShutdown: { signal: 'SIGTERM', timeout: 20_000 },
    timeout: 180_000,
  },
});
