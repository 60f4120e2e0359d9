import { readFileSync } from 'node:fs';
import { copyOf, expect, isSaved, test } from './support';

const HEAD =
    'kind,code,mass_kg,rated_V,no_load_rpm,no_load_A,stall_Nm,stall_A,worm,length_mm,width_mm,height_mm,shaft,gear_material,back_drive_Nm,gearbox_limit_Nm,thermal';

function row(code: string, figures: Record<string, string> = {}): string {
    const of: Record<string, string> = {
        kind: 'dc_motor',
        code,
        mass_kg: '20 g',
        rated_V: '6',
        no_load_rpm: '40',
        no_load_A: '60 mA',
        stall_Nm: '0.2 kg cm',
        stall_A: '0.3',
        worm: 'no',
        length_mm: '30',
        width_mm: '12',
        height_mm: '10',
        shaft: '3 mm',
        gear_material: 'nylon',
        back_drive_Nm: '0.001',
        gearbox_limit_Nm: '0.1',
        thermal: 'micro',
        ...figures,
    };
    return HEAD.split(',')
        .map((column) => of[column])
        .join(',');
}

test('a drive is chosen from the ranked list, and tried before it is taken', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/drawbridge/drive`);
    const list = page.getByRole('region', { name: 'Drives in order' });
    // The first to come waits for the server to warm up.
    await expect(list.getByRole('heading')).toContainText(/^\d+ of \d+ carry it/, { timeout: 90_000 });
    await expect(list.getByText(/^What fails: \d+/)).toBeVisible();
    const first = list.getByRole('row').nth(1);
    await expect(first).toContainText(/Takes .* s, has .* in hand and survives a bump/);
    await page.getByRole('combobox', { name: /^First/ }).selectOption('lightest');
    await expect(first).toContainText('Weighs');
    await page.getByRole('combobox', { name: /^First/ }).selectOption('holds unpowered');
    await expect(first).toContainText('Unpowered');
    await page.getByRole('combobox', { name: /^Show/ }).selectOption('worm motors');
    await expect(list.getByRole('row', { name: /W40/ }).first()).toBeVisible();
    await expect(list.getByRole('row', { name: /G16/ })).toHaveCount(0);

    await expect(first).toContainText('Worm motor');
    const take = list.getByRole('button', { name: /^Take / }).first();
    const code = (await take.getAttribute('aria-label'))!.match(/^Take (\S+)/)![1]!;
    await take.click();
    const trying = page.getByRole('region', { name: 'Try' });
    await expect(trying.getByRole('row', { name: /Drawbridge, drive/ })).toContainText(/fails.*holds/);
    await page.getByRole('button', { name: /Drop/ }).click();
    await expect(page.getByRole('region', { name: /Chosen: W40-60/ })).toBeVisible();

    await take.click();
    await trying.getByRole('button', { name: /Keep/ }).click();
    await expect(page.getByRole('region', { name: `Chosen: ${code}` })).toBeVisible();
    await isSaved(page);
    await expect(page.getByRole('navigation', { name: 'Chain of Drawbridge' }).getByRole('link', { name: /Drive/ })).toContainText('holds');
    await page.reload();
    await expect(page.getByRole('region', { name: `Chosen: ${code}` })).toBeVisible();
});

test('every ratio is listed when it is asked for', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/drawbridge/drive`);
    const list = page.getByRole('region', { name: 'Drives in order' });
    await expect(list.getByRole('row').nth(1)).toBeVisible();
    const drives = await list.getByRole('row').count();
    await page.getByLabel('every ratio').check();
    await expect(async () => expect(await list.getByRole('row').count()).toBeGreaterThan(drives)).toPass();
});

test('two ways to do it are compared, and one is tried', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/drawbridge/drive`);
    await page.getByRole('button', { name: 'Ways to do it' }).click();
    const ways = page.getByRole('region', { name: 'Ways to do it, side by side' });
    const columns = ways.getByRole('columnheader');
    await expect(columns).toHaveCount(7);
    await page.getByLabel('compare Worm gear motor with two switches').check();
    await page.getByLabel('compare Stepper with a home switch').check();
    await expect(columns).toHaveCount(3);
    await expect(ways.getByRole('row', { name: /Power off/ })).toContainText('stays put');
    await expect(ways.getByRole('row', { name: /After a power cut/ })).toBeVisible();
    await ways.getByRole('button', { name: 'Try it: Worm gear motor with two switches' }).click();
    await expect(page.getByRole('region', { name: 'Try' }).getByRole('row', { name: /Drawbridge, drive/ })).toContainText(/fails.*holds/);
    await page.getByRole('button', { name: /Drop/ }).click();
    await ways.getByRole('button', { name: 'Show all six' }).click();
    await expect(columns).toHaveCount(7);
});

test('a drawer comes as a table, two bad rows are named, and the good ones go in', async ({ page }) => {
    await page.goto('/drawer');
    await page.getByRole('button', { name: 'From a table…' }).click();
    const table = [HEAD, row('Test-A'), row('Test-B', { stall_Nm: '3.5 kg' }), row('Test-C'), row('Test-D', { gear_material: 'cheese' })].join('\n');
    await page.getByLabel('Table of drives').setInputFiles({ name: 'mine.csv', mimeType: 'text/csv', buffer: Buffer.from(table) });
    const sheet = page.getByRole('dialog');
    await expect(sheet).toContainText('2 rows are right');
    const bad = sheet.getByRole('table', { name: 'Not understood, and left out' }).getByRole('row');
    await expect(bad).toHaveCount(3);
    await expect(bad.nth(1)).toContainText(/^3\s*stall_Nm.*3\.5 kg·cm/);
    await expect(bad.nth(2)).toContainText(/^5\s*gear_material/);
    await sheet.getByRole('button', { name: 'Put these 2 in the drawer' }).click();
    await expect(sheet).toContainText('2 drives are in the drawer now');
    await sheet.getByRole('button', { name: 'Done' }).click();
    await page.getByLabel('Find a drive').fill('test-');
    const drives = page.getByRole('list', { name: 'Drives' }).getByRole('listitem');
    await expect(drives).toHaveCount(2);
    await page.reload();
    await page.getByLabel('Find a drive').fill('test-');
    await page.getByRole('button', { name: 'Take Test-A out' }).click();
    await page.getByRole('button', { name: 'Really take Test-A out' }).click();
    await expect(drives).toHaveCount(1);
});

test('a drive is typed in with what was measured, and what is odd about its page is said', async ({ page }) => {
    await page.goto('/drawer');
    await page.getByRole('button', { name: 'Add a drive' }).click();
    const sheet = page.getByRole('dialog');
    await sheet.getByText('Work out its ratings from what I measured').click();
    const bench = sheet.locator('details');
    await bench.getByLabel('Speed without load').fill('60');
    await bench.getByLabel('Current without load').fill('100 mA');
    await bench.getByLabel('Mass it just holds level').fill('1.2 kg');
    await bench.getByLabel('On an arm of').fill('100 mm');
    await bench.getByLabel('Current then').fill('1.4');
    await bench.getByRole('button', { name: 'Work it out' }).click();
    await expect(bench.getByRole('list', { name: 'Working' }).getByRole('listitem').first()).toBeVisible();
    await expect(sheet.getByLabel('Torque when held', { exact: true })).toHaveValue('1.177 N·m');

    await sheet.getByLabel('Its name').fill('Bench-60');
    await sheet.getByLabel('What its seller says').fill('Torque 12 kg cm (2.1 N m), 60 rpm at 12 V.');
    await sheet.getByLabel('Mass', { exact: true }).fill('heavy');
    await sheet.getByRole('button', { name: 'Put it in the drawer' }).click();
    await expect(sheet.getByRole('alert').filter({ hasText: 'heavy' })).toBeVisible();
    await expect(sheet.getByLabel('Mass', { exact: true })).toHaveValue('heavy');
    for (const [label, text] of [
        ['Mass', '90 g'],
        ['Rated at', '12'],
        ['Length', '60'],
        ['Width', '25'],
        ['Height', '25'],
        ['Holds unpowered', '0.2'],
        ['Gears survive', '2'],
    ] as const) {
        await sheet.getByLabel(label, { exact: true }).fill(text);
    }
    await sheet.getByRole('button', { name: 'Put it in the drawer' }).click();
    await expect(sheet).toBeHidden();
    await page.getByLabel('Find a drive').fill('bench-60');
    const entry = page.getByRole('list', { name: 'Drives' }).getByRole('listitem');
    await expect(entry).toHaveCount(1);
    await expect(entry).toContainText('Odd:');
    await expect(entry).toContainText(/12 kg.cm/);
});

test('a part is sized off a picture and given to a motion', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/pictures`);
    await page
        .getByLabel('Picture', { exact: true })
        .setInputFiles({ name: 'bridge.png', mimeType: 'image/png', buffer: readFileSync('docs/screenshots/shelf.png') });
    await page.getByRole('button', { name: 'Mark the known length' }).click();
    const known = page.getByLabel('In reality it is');
    await known.fill('2.4 m');
    await known.press('Enter');
    await page.getByLabel('My model is').selectOption('1 : 12');
    await page.getByRole('button', { name: 'Add another line' }).click();
    // Both lines lie over the same part of the picture, so the reading is the known length, twelve times smaller.
    const reading = page.getByRole('region', { name: 'Readings' }).getByRole('listitem');
    await expect(reading).toContainText('200 mm');
    await expect(reading).toContainText('2400 mm in reality');

    const end = page.getByRole('button', { name: /Length 1.*second end/ });
    await end.focus();
    await page.keyboard.press('Shift+ArrowRight');
    await expect(reading).not.toContainText('200 mm');
    await page.keyboard.press('Shift+ArrowLeft');
    await expect(reading).toContainText('200 mm');

    await page.getByLabel('Name of reading 1').fill('Deck');
    await page.getByLabel('Name of reading 1').press('Enter');
    await reading.getByLabel('Use Deck as').selectOption({ label: 'Drawbridge: pivot to what it carries' });
    await reading.getByRole('button', { name: 'Use it' }).click();
    await expect(reading.getByText('given')).toBeVisible();
    await isSaved(page);
    await page.goto(`/builds/${id}/motions/drawbridge/load`);
    await expect(page.getByLabel('Pivot to what it carries')).toHaveValue('200');

    await page.goto(`/builds/${id}/pictures`);
    await page.getByLabel('Picture', { exact: true }).setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
    await expect(page.getByRole('alert')).toBeVisible();
});

test('a calculator answers, and says what it does not understand', async ({ page }) => {
    await page.goto('/calculators');
    await page.getByRole('link', { name: 'Drum with layers of cord' }).click();
    await page.getByRole('button', { name: 'Work it out' }).click();
    await expect(page.getByRole('alert').first()).toBeVisible();
    await page.getByRole('link', { name: 'Figures of a page' }).click();
    await expect(page.getByRole('heading', { name: 'Figures of a page' })).toBeVisible();
    await page.getByRole('main').getByRole('textbox').first().fill('Length 6 in (190 mm). Torque 10 kg cm, 0.98 N m.');
    await page.getByRole('button', { name: 'Work it out' }).click();
    await expect(page.getByRole('region', { name: 'Results' })).toContainText('6 in and 190 mm should be the same');
});

test('an example is opened from the shelf and moves', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: /Vent/ }).first().click();
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page
        .getByRole('navigation', { name: /Chain of/ })
        .first()
        .getByRole('link', { name: /Load/ })
        .click();
    const before = await page.getByRole('slider').getAttribute('aria-valuenow');
    await page.getByRole('button', { name: /Play/ }).click();
    await expect(page.getByRole('slider')).not.toHaveAttribute('aria-valuenow', before!);
});
