import type { Page } from '@playwright/test';
import { copyOf, expect, LAID_OUT, open, seesNothingWrong, test } from './support';

const VIEWS = [
    '',
    '/motions/drawbridge/task',
    '/motions/drawbridge/load',
    '/motions/drawbridge/drive',
    '/motions/drawbridge/train',
    '/motions/drawbridge/stops',
    '/motions/tide/load',
    '/motions/rower/load',
    '/motions/rower/drive',
    '/motions/ferry/load',
    '/motions/lantern/task',
    '/pictures',
    '/routines/harbour-show',
    '/log',
    '/settings',
    '/stage',
    '/wiring',
    '/program',
    '/plan',
    '/parts',
    '/tests',
    '/service',
    '/sheets',
];

/** Each page in both rooms and at the widths that the pages are made for. What hangs neither on its width nor on its colours is the same in all. */
async function seesNothingWrongAnywhere(page: Page, turn = 0) {
    const rooms = turn % 2 === 0 ? (['light', 'dark'] as const) : (['dark', 'light'] as const);
    for (const [i, width] of [1280, 1024, 800].entries()) {
        await page.emulateMedia({ colorScheme: rooms[i === 2 ? 1 : 0] });
        await page.setViewportSize({ width, height: 900 });
        await seesNothingWrong(page, [undefined, LAID_OUT, [...LAID_OUT, 'color-contrast']][i]);
    }
}

for (const half of [0, 1]) {
    test(`axe finds nothing on any screen in any room (${half + 1})`, async ({ page, request }) => {
        test.setTimeout(480_000);
        const id = await copyOf(request, 'heron-wharf');
        if (half === 0) {
            await open(page, '/');
            await expect(page.getByRole('heading', { name: 'Heron Wharf' }).first()).toBeVisible();
            await seesNothingWrongAnywhere(page);
        }
        for (const [i, view] of VIEWS.entries()) {
            if (i % 2 === half) {
                await open(page, `/builds/${id}${view}`);
                await seesNothingWrongAnywhere(page, Math.floor(i / 2));
            }
        }
    });
}

test('axe finds nothing on sheets, tries, errors and open editors', async ({ page, request }) => {
    test.setTimeout(480_000);
    const id = await copyOf(request, 'heron-wharf');
    await open(page, `/builds/${id}/motions/drawbridge/load`);
    await page.getByLabel('Mass of the arm').fill('nonsense');
    await page.getByLabel('Mass of the arm').press('Enter');
    await expect(page.getByRole('alert')).toBeVisible();
    await seesNothingWrongAnywhere(page);
    await open(page, `/builds/${id}/motions/drawbridge/drive`);
    await page.getByRole('button', { name: /^Try:/ }).first().click();
    await expect(page.getByRole('region', { name: 'Try' }).getByRole('table')).toBeVisible();
    await seesNothingWrongAnywhere(page);
    await page.getByRole('button', { name: 'Keys' }).click();
    await expect(page.getByRole('heading', { name: /^(Keys|Go to|What has to move)/ })).toBeVisible();
    await seesNothingWrongAnywhere(page);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Go to anything' }).click();
    await expect(page.getByRole('heading', { name: /^(Keys|Go to|What has to move)/ })).toBeVisible();
    await seesNothingWrongAnywhere(page);
    await page.goto(`/builds/${id}`);
    await page.getByRole('button', { name: 'Add a motion' }).click();
    await expect(page.getByRole('heading', { name: /^(Keys|Go to|What has to move)/ })).toBeVisible();
    await seesNothingWrongAnywhere(page);
    await open(page, `/builds/${id}/routines/harbour-show`);
    await page.getByRole('region', { name: 'Steps' }).getByRole('listitem').nth(1).getByRole('button').first().click();
    await page.getByText('Target time, sensors').click();
    await page.getByText(/What happened, in words/).click();
    await seesNothingWrongAnywhere(page);
});

test('axe finds nothing in the drawer, the calculators, the pictures and the ways to do it', async ({ page, request }) => {
    test.setTimeout(480_000);
    const id = await copyOf(request, 'heron-wharf');
    await open(page, '/drawer');
    await page.getByRole('button', { name: 'G16-50', exact: true }).click();
    await seesNothingWrong(page);
    await page.getByRole('button', { name: 'Add a drive' }).click();
    await page.getByText('Work out its ratings').click();
    await page.getByRole('button', { name: 'Put it in the drawer' }).click();
    await expect(page.getByText(/figures are not right yet/)).toBeVisible();
    await seesNothingWrong(page);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'From a table…' }).click();
    await page.getByLabel('Table of drives').setInputFiles({ name: 'bad.csv', mimeType: 'text/csv', buffer: Buffer.from('kind,code\nservo,X1\n') });
    await expect(page.getByText('Not understood, and left out')).toBeVisible();
    await page.getByText('What the columns mean').click();
    await seesNothingWrong(page);
    await open(page, '/drawer');
    await page.getByRole('button', { name: 'Gears' }).click();
    await expect(page.getByRole('textbox', { name: 'Teeth of gear 1', exact: true })).toBeVisible();
    await seesNothingWrong(page);
    for (const name of [
        'load.arm',
        'claims.check',
        'rolling.wheels',
        'load.measured',
        'train.search',
        'linkage.holes',
        'power.resistor',
        'power.ports',
        'power.battery',
    ]) {
        await open(page, `/calculators/${name}`);
        await page.getByRole('button', { name: 'Work it out' }).click();
        await seesNothingWrong(page);
    }
    await open(page, `/builds/${id}/motions/lantern/drive`);
    await page.getByRole('button', { name: 'Ways to do it' }).click();
    await expect(page.getByRole('heading', { name: 'Ways to do it, side by side' })).toBeVisible();
    await seesNothingWrong(page);
    await open(page, `/builds/${id}/pictures`);
    await page.getByLabel('Picture', { exact: true }).setInputFiles('docs/screenshots/shelf.png');
    await page.getByRole('button', { name: 'Mark the known length' }).click();
    await page.getByRole('button', { name: 'Add another line' }).click();
    await expect(page.getByLabel('Name of reading 1')).toBeVisible();
    await seesNothingWrong(page);
});
