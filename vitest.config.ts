import { defineConfig } from 'vitest/config';

export default defineConfig({
    test: { include: ['resources/js/**/*.test.ts', 'tests/Front/*.test.tsx'], environment: 'jsdom', globalSetup: 'tests/Front/given.ts', testTimeout: 30_000 },
});
