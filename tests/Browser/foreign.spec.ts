import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, test } from '@playwright/test';

/** A page of somebody else, on another port of this machine: the nearest that a foreign page can come. */
let server: Server;
let foreign: string;

test.beforeAll(async () => {
    server = createServer((_, response) => response.setHeader('Content-Type', 'text/html').end('<!doctype html><title>Elsewhere</title><body></body>'));
    await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
    foreign = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
});

test.afterAll(() => server.close());

test('a page from elsewhere can neither read nor change anything', async ({ page, request, baseURL }) => {
    // what others do here meanwhile is left out: their copies of builds, what they add to a drawer
    interface Entry {
        id: string | number;
        name: string;
        is_demo: boolean;
    }
    const entries = async (path: string) => (await (await request.get(path)).json()) as Entry[];
    const shipped = (await entries('/api/builds')).filter((build) => build.is_demo).map((build) => build.id);
    const drive = String((await entries('/api/drawer'))[0]!.id);
    const stored = async () => {
        const builds = await entries('/api/builds');
        return {
            shipped: builds.filter(({ id }) => shipped.includes(id)).map(({ id, name }) => ({ id, name })),
            foreign: builds.filter(({ name }) => name === 'Foreign').length,
            drive: (await entries('/api/drawer')).find(({ id }) => String(id) === drive),
            hasGears: ((await (await request.get('/api/drawer/gears')).json()) as { gears: object[] }).gears.length > 0,
        };
    };
    const before = await stored();
    expect(before).toMatchObject({ foreign: 0, drive: { id: Number(drive) }, hasGears: true });
    await page.goto(foreign);
    const came = await page.evaluate(
        async ({ app, drive }) => {
            const tried: string[] = [];
            const send = async (what: string, path: string, with_: RequestInit) => {
                try {
                    const response = await fetch(app + path, with_);
                    tried.push(`${what}: ${response.type === 'opaque' ? 'sent' : await response.text()}`);
                } catch {
                    tried.push(`${what}: refused`);
                }
            };
            const plain = { 'Content-Type': 'text/plain; x=/json' };
            await send('reads', '/api/builds', {});
            await send('reads unseen', '/api/builds', { mode: 'no-cors' });
            await send('makes', '/api/builds', { method: 'POST', mode: 'no-cors', headers: plain, body: '{"name":"Foreign"}' });
            await send('makes as JSON', '/api/builds', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: '{"name":"Foreign"}' });
            await send('deletes', `/api/drawer/${drive}?_method=DELETE`, { method: 'POST', mode: 'no-cors', headers: plain, body: '{}' });
            await send('deletes by its body', `/api/drawer/${drive}`, { method: 'POST', mode: 'no-cors', headers: plain, body: '{"_method":"DELETE"}' });
            await send('overwrites', '/api/drawer/gears?_method=PUT', { method: 'POST', mode: 'no-cors', headers: plain, body: '{"gears":[]}' });
            const loads = (element: HTMLElement) =>
                new Promise<string>((done) => {
                    element.onload = () => done('loaded');
                    element.onerror = () => done('refused');
                    document.body.append(element);
                });
            tried.push(`as a picture: ${await loads(Object.assign(new Image(), { src: `${app}/api/builds` }))}`);
            tried.push(`as a script: ${await loads(Object.assign(document.createElement('script'), { src: `${app}/api/builds` }))}`);
            const form = Object.assign(document.createElement('form'), {
                action: `${app}/api/drawer/${drive}`,
                method: 'post',
                enctype: 'text/plain',
                target: 'within',
            });
            form.append(Object.assign(document.createElement('input'), { name: '{"_method":"DELETE","x":"', value: '"}' }));
            const within = Object.assign(document.createElement('iframe'), { name: 'within' });
            document.body.append(within, form);
            form.submit();
            await new Promise((done) => (within.onload = done));
            return tried;
        },
        { app: baseURL!, drive },
    );

    expect(came.filter((each) => each.includes('Heron') || each.includes('loaded'))).toEqual([]);
    expect(came).toContain('reads: refused');
    expect(came).toContain('makes as JSON: refused');
    expect(await stored()).toEqual(before);
});

test('no page shows it in a frame', async ({ page, baseURL }) => {
    await page.goto(foreign);
    const complaint = page.waitForEvent('console', (message) => message.text().includes('frame-ancestors'));
    await page.evaluate((app) => document.body.append(Object.assign(document.createElement('iframe'), { src: `${app}/` })), baseURL!);
    await complaint;
    expect(page.frames()[1]?.url()).not.toContain(baseURL!);
});
