// Takes the pictures of the main views from the demo data, at 1280 × 800.
//   node bin/support/screenshots.mjs [ADDRESS] [FOLDER] [NAME…]     a server must be running at ADDRESS
import { chromium } from '@playwright/test';
import { BROWSER } from './browser.mjs';

const [address = 'http://127.0.0.1:8000', folder = 'docs/screenshots', ...only] = process.argv.slice(2);
const browser = await chromium.launch(BROWSER);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('console', (message) => message.type() === 'error' && console.error('console:', message.text()));
page.on('pageerror', (error) => console.error('page:', error.message));

const shelf = await (await fetch(`${address}/api/builds`)).json();
const build = (name) => `${address}/builds/${shelf.find((each) => each.name === name && each.is_demo).id}`;
const heron = build('Heron Wharf');

/** A copy of Heron Wharf on which all was mended that can be: its show runs. It is thrown away again at the end. */
let mended = null;
async function mendedWharf() {
    if (mended !== null) return mended;
    const copy = await (await page.request.post(`${heron.replace('/builds/', '/api/builds/')}/copy`, { data: {} })).json();
    await page.request.post(`${address}/api/builds/${copy.id}/edits`, {
        data: { version: copy.version, changes: [{ path: 'name', value: 'Heron Wharf, mended' }] },
    });
    mended = `${address}/builds/${copy.id}`;
    await page.goto(mended);
    await page.getByRole('button', { name: 'Mend all' }).click({ timeout: 120000 });
    const plan = page.getByRole('region', { name: 'Mend all' });
    await plan.getByText(/Then the whole build holds|Here it ends/).waitFor({ timeout: 180000 });
    await plan.getByRole('button', { name: /^Keep/ }).click();
    await plan.waitFor({ state: 'hidden' });
    return mended;
}

const views = {
    shelf: [`${address}/`],
    chains: [heron, () => page.getByRole('button', { name: /^Try:/ }).waitFor()],
    program: [
        `${heron}/program`,
        async () => {
            await page.getByRole('button', { name: /^Prove it/ }).click();
            await page.getByRole('heading', { name: 'Proven', exact: true }).waitFor({ timeout: 300000 });
        },
    ],
    wiring: [`${heron}/wiring`, () => page.getByRole('region', { name: 'Wiring sheet' }).waitFor()],
    load: [`${heron}/motions/drawbridge/load`],
    drive: [
        `${heron}/motions/drawbridge/drive`,
        async () => {
            await page
                .getByRole('button', { name: /^Try: Take/ })
                .first()
                .waitFor();
            await page.getByText(/carry it/).waitFor();
        },
    ],
    train: [`${heron}/motions/drawbridge/train`],
    stops: [
        `${heron}/motions/drawbridge/stops`,
        () =>
            page
                .getByRole('button', { name: /^Try: / })
                .first()
                .waitFor(),
    ],
    stage: [
        `${build('Bale Loft')}/stage`,
        async () => {
            await page.getByLabel('Play').selectOption('fetch');
            await page.getByRole('slider', { name: 'Time' }).fill('13.2');
            await page.getByRole('heading', { level: 1, name: /touches Stack/ }).waitFor({ timeout: 60000 });
            await page.getByText(/It stands/).waitFor();
        },
    ],
    compare: [
        `${heron}/compare`,
        async () => {
            await page.goto(`${heron}/compare?with=${(await mendedWharf()).split('/').pop()}`);
            await page.getByRole('heading', { level: 1, name: /differ in/ }).waitFor();
        },
    ],
    trainer: [
        `${address}/trainer`,
        async () => {
            await page.getByLabel('Take it from').selectOption({ label: 'Heron Wharf' });
            await page.getByRole('button', { name: 'Hide a fault' }).click();
            await page
                .getByRole('button', { name: /^Time / })
                .first()
                .click();
            await page.getByRole('list', { name: 'What was measured' }).getByRole('listitem').waitFor();
        },
    ],
    drawer: [
        `${address}/drawer`,
        async () => {
            await page.getByLabel('Find a drive').fill('W');
            await page.getByRole('button', { name: 'W40-260', exact: true }).click();
        },
    ],
    calculators: [
        `${address}/calculators/load.arm`,
        async () => {
            for (const [label, text] of [
                ['Mass', '500 g'],
                ['Balance point', '160 mm'],
                ['From', '0'],
                ['To', '80'],
                ['Move', '4 s'],
            ])
                await page.getByLabel(label, { exact: true }).fill(text);
            await page.getByRole('button', { name: 'Work it out' }).click();
            await page.getByRole('region', { name: 'How it changes' }).waitFor();
            await page.evaluate(() => window.scrollBy(0, 260));
        },
    ],
    routine: [
        heron,
        async () => {
            await page.goto(`${await mendedWharf()}/routines/harbour-show`);
            const lanes = page.getByRole('img', { name: /^Lanes of the run/ });
            await lanes.waitFor();
            await lanes.evaluate((each) => window.scrollBy(0, each.getBoundingClientRect().bottom - window.innerHeight + 90));
            const box = await lanes.boundingBox();
            await page.mouse.click(box.x + box.width * 0.55, box.y + 60);
        },
    ],
    plan: [`${heron}/plan`, () => page.getByRole('img', { name: /^Bars of/ }).waitFor()],
    sheets: [
        `${heron}/sheets`,
        async () => {
            await page.getByRole('region', { name: 'Cautions' }).waitFor();
            await page.getByRole('region', { name: 'Drawbridge' }).evaluate((sheet) => sheet.scrollIntoView({ block: 'start' }));
        },
    ],
    rig: [
        heron,
        async () => {
            await page.goto(`${await mendedWharf()}/rig`);
            await page.getByLabel('Begins with').selectOption({ label: 'A visitor breaks the beam' });
            await page
                .getByRole('timer')
                .filter({ hasText: /^1[1-9]\./ })
                .waitFor({ timeout: 40000 });
            await page.getByRole('button', { name: /^Pause/ }).click();
        },
    ],
    'what-if': [
        heron,
        async () => {
            await page.goto(`${await mendedWharf()}/routines/harbour-show`);
            const whatIf = page.getByRole('region', { name: 'What if' });
            await whatIf.getByRole('button', { name: 'Every fault at every step' }).click();
            await whatIf.getByRole('button', { name: 'Every fault at every step', disabled: false }).waitFor(); // the study that is shown is this one
            await whatIf.getByText(/^(\d+) of \1/).waitFor({ timeout: 60000 });
            await whatIf.evaluate((region) => window.scrollBy(0, region.getBoundingClientRect().top - 60));
        },
    ],
    log: [`${heron}/log`],
};
for (const [name, [url, then]] of Object.entries(views)) {
    if (only.length > 0 && !only.includes(name)) continue;
    await page.goto(url);
    await page.waitForLoadState('networkidle', { timeout: 10000 }).catch(() => undefined); // a rig never rests, nor does what is rehearsed for long
    await then?.();
    await page.getByText(/being tried on the whole build/).waitFor({ state: 'hidden', timeout: 60000 }); // as it stays
    await page.screenshot({ path: `${folder}/${name}.png` });
    console.log(`${folder}/${name}.png`);
}
if (mended !== null) await page.request.delete(mended.replace('/builds/', '/api/builds/'), { data: {} });
await browser.close();
