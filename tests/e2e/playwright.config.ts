import { defineConfig } from '@playwright/test'
import { cookie } from './door.ts'

export default defineConfig({
  testDir: '.',
  timeout: 600_000,
  expect: { timeout: 60_000 },
  workers: 1,
  // A second try for what a busy machine upset; scripts/test.sh names every journey that needed it.
  retries: process.env['CI'] ? 1 : 0,
  reporter: [['list'], ['json', { outputFile: 'test-results/report.json' }]],
  use: {
    actionTimeout: 60_000,
    navigationTimeout: 60_000,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    storageState: { cookies: [cookie], origins: [] },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run', '--autoplay-policy=no-user-gesture-required'],
    },
  },
})
