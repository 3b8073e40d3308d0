import { defineConfig } from '@playwright/test'

export default defineConfig({
  globalSetup: './build.ts',
  testDir: 'journeys',
  outputDir: 'test-results',
  // Limits are generous: a slow machine is no fault of the product, and nothing waits for them but what is broken.
  timeout: 180_000,
  expect: { timeout: 20_000 },
  // A journey a file at a time; two, as CI has two cores. Each worker has a lab of its own.
  workers: 2,
  fullyParallel: false,
  reporter: [['list'], ...(process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['json'] as ['json']] : [])],
  use: {
    actionTimeout: 30_000,
    // What a journey sees comes from the server; the one without it allows them.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/Vienna',
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      // Every real browser keeps pages to come back to; Playwright would switch that off.
      ignoreDefaultArgs: ['--disable-back-forward-cache'],
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
