import { defineConfig } from 'vitest/config';

export default defineConfig({
    test: { include: ['tests/Front/**/*.test.{ts,tsx}'], environment: 'jsdom', globalSetup: 'tests/Front/given.ts', testTimeout: 30_000 },
});
