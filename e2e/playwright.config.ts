import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { defineConfig } from '@playwright/test'

// The config is read again in each worker: port and folder are chosen once and passed on.
process.env.YENTRIK_E2E_PORT ??= String(20_000 + (process.pid % 20_000))
process.env.YENTRIK_E2E_FOLDER ??= mkdtempSync(join(tmpdir(), 'yentrik-e2e-'))
const port = Number(process.env.YENTRIK_E2E_PORT)
const url = `http://127.0.0.1:${port}`

export default defineConfig({
  testDir: 'journeys',
  outputDir: 'test-results',
  timeout: 120_000,
  expect: { timeout: 10_000 },
  workers: 1,
  fullyParallel: false,
  globalTeardown: './remove-folder.ts',
  reporter: [['list'], ...(process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['json'] as ['json']] : [])],
  use: {
    baseURL: url,
    actionTimeout: 15_000,
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/Vienna',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
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
  webServer: {
    command: 'node ../scripts/demo.mjs',
    url: `${url}/api/health`,
    env: {
      PORT: String(port),
      YENTRIK_DATA: join(process.env.YENTRIK_E2E_FOLDER, 'demo.sqlite'),
      YENTRIK_DEVICE_SPEED: '5',
      TZ: 'Europe/Vienna',
    },
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
  },
})
