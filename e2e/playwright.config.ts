import { defineConfig } from '@playwright/test';
import { chromiumPath } from './chromium';

export default defineConfig({
  testDir: '.',
  globalSetup: './demos.ts',
  // pictures and measures are made by make screenshots and make bench
  testIgnore: [
    ...(process.env.SCREENSHOTS ? [] : ['screenshots.spec.ts']),
    ...(process.env.BENCH ? [] : ['speed.spec.ts', 'turning.spec.ts']),
  ],
  timeout: 150_000,
  expect: { timeout: 30_000 },
  retries: 1, // what passes at the second try is named flaky at the end of the log: a fault to be found, here or in the program
  workers: 3, // more than cores: pages wait for a quiet network now and then
  fullyParallel: false,
  reporter: [['line']],
  use: {
    serviceWorkers: 'block', // allowed where the network is cut: elsewhere each answer is the program's own
    locale: 'en-GB',
    timezoneId: 'Europe/Vienna',
    launchOptions: {
      executablePath: chromiumPath,
      args: [
        '--no-sandbox',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  projects: [
    { name: 'laptop', grepInvert: /@phone/, use: { viewport: { width: 1280, height: 800 } } },
    {
      name: 'phone',
      grepInvert: /@laptop/,
      use: { viewport: { width: 390, height: 844 }, hasTouch: true },
    },
  ],
});
