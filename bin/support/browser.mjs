import { existsSync } from 'node:fs';

const WHOLE = '/usr/bin/chromium';
const WITHOUT_WINDOWS = '/usr/bin/chromium-headless-shell';

// How Chromium is started by what looks at the pages: no sandbox is needed for our own, and nothing is fetched from outside.
const args = [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
];

const first = (...paths) => ({ executablePath: paths.find((path) => existsSync(path)) ?? paths[0], args });

/** What pictures are taken and times are measured in. */
export const BROWSER = first(WHOLE, WITHOUT_WINDOWS);

/** What the tests run in: the same without windows, which takes half as much computing. */
export const FOR_TESTS = first(WITHOUT_WINDOWS, WHOLE);
