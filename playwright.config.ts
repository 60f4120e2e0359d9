import { defineConfig } from '@playwright/test';
import { FOR_TESTS } from './bin/support/browser.mjs';

const port = Number(process.env.BROWSER_PORT ?? 8123);

export default defineConfig({
    testDir: 'tests/Browser',
    // How long is given up after, not how long anything takes: on a busy machine everything takes several times as long.
    timeout: 240_000,
    expect: { timeout: 40_000 },
    workers: 2,
    fullyParallel: false,
    reporter: [['list']],
    use: {
        baseURL: `http://127.0.0.1:${port}`,
        viewport: { width: 1280, height: 800 },
        launchOptions: FOR_TESTS,
    },
    webServer: { command: `bin/support/test-server ${port}`, url: `http://127.0.0.1:${port}/`, timeout: 120_000, reuseExistingServer: false },
});
