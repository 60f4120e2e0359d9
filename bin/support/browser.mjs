// How Chromium is started by what looks at the pages: no sandbox is needed for our own, and nothing is fetched from outside.
export const BROWSER = {
    executablePath: '/usr/bin/chromium',
    args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
    ],
};
