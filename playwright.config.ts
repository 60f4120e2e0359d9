import { defineConfig } from '@playwright/test';

const port = Number(process.env.BROWSER_PORT ?? 8123);

export default defineConfig({
    testDir: 'tests/Browser',
    timeout: 90_000,
    expect: { timeout: 12_000 },
    workers: 2,
    fullyParallel: false,
    reporter: [['list']],
    use: {
        baseURL: `http://127.0.0.1:${port}`,
        viewport: { width: 1280, height: 800 },
        launchOptions: {
            executablePath: '/usr/bin/chromium',
            args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
        },
    },
    webServer: { command: `bin/support/test-server ${port}`, url: `http://127.0.0.1:${port}/`, timeout: 120_000, reuseExistingServer: false },
});
