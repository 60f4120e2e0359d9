import { copyOf, expect, isSaved, test } from './support';

test('what is not understood is said at the field, kept, and the last good result marked', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/drawbridge/load`);
    const friction = page.getByLabel('Friction at the pivot');
    const chain = page.getByRole('navigation', { name: 'Chain of Drawbridge' });
    for (const [typed, says] of [
        ['3.5 kg', 'Understood would be 3.5 kg·cm'],
        ['1e9', 'Must be a number from 0 N·m to 1000 N·m'],
        ['NaN', 'is not a number'],
        ['-1', 'Must be a number from 0 N·m'],
        ['It was a dark and stormy night. '.repeat(200), 'too long for one number'],
    ] as const) {
        await friction.fill(typed);
        await friction.press('Enter');
        await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible();
        await expect(friction).toHaveAttribute('aria-invalid', 'true');
        await expect(chain).toContainText('1.62 N·m');
        await expect(page.getByText('From the last good figures')).toBeVisible();
    }
    await friction.fill('3.5 kg');
    await friction.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: '3.5 kg·cm' })).toBeVisible();
    await page.reload();
    await expect(friction).toHaveValue('3.5 kg');
    await expect(page.getByRole('alert').filter({ hasText: '3.5 kg·cm' })).toBeVisible();
    await friction.fill('3.5 kg cm');
    await friction.press('Enter');
    await expect(page.getByText('From the last good figures')).toBeHidden();
    await expect(page.getByText('= 0.3432 N·m')).toBeVisible();
});

test('a name cannot be nothing or a novel', async ({ page, request }) => {
    const id = await copyOf(request, 'moth-lantern');
    await page.goto(`/builds/${id}`);
    const name = page.getByLabel('Name of the build');
    await name.fill('x'.repeat(200));
    await name.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: 'at most 80 characters' })).toBeVisible();
    await expect(name).toHaveValue('x'.repeat(200));
    await name.fill('Night moth');
    await name.press('Enter');
    await isSaved(page);
    await expect(page.getByRole('alert')).toHaveCount(0);
});

test('a file that is no build is refused with the place', async ({ page }) => {
    await page.goto('/');
    const file = page.getByLabel('Build file');
    await file.setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"brookstone-build","version":7,"name":"x"}') });
    await expect(page.getByRole('alert')).toContainText('version: Must be 1, but is 7.');
    await file.setInputFiles({ name: 'y.json', mimeType: 'application/json', buffer: Buffer.from('not json') });
    await expect(page.getByRole('alert')).toContainText('This is not JSON');
    await file.setInputFiles({ name: 'z.json', mimeType: 'application/json', buffer: Buffer.alloc(8 * 1024 * 1024, ' ') });
    await expect(page.getByRole('alert')).toContainText('too large');
});

test('the log refuses what is no time', async ({ page, request }) => {
    const id = await copyOf(request, 'moth-lantern');
    await page.goto(`/builds/${id}/log`);
    for (const [typed, says] of [
        ['soon', 'is not a number'],
        ['3 mm', 'mm is a length'],
        ['0', 'over 0 s'],
        ['', 'Nothing is measured'],
    ] as const) {
        await page.getByLabel('Measured time').fill(typed);
        await page.getByRole('button', { name: 'Write it down' }).click();
        await expect(page.getByRole('alert')).toContainText(says);
        await expect(page.getByLabel('Measured time')).toHaveValue(typed);
    }
});

test('two windows: the later save does not overwrite the other', async ({ browser, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    const address = `/builds/${id}/motions/drawbridge/load`;
    const [first, second] = [await (await browser.newContext()).newPage(), await (await browser.newContext()).newPage()];
    await first.goto(address);
    await second.goto(address);
    await expect(second.getByLabel('Mass of the arm')).toHaveValue('500');

    await first.getByLabel('Mass of the arm').fill('700');
    await first.getByLabel('Mass of the arm').press('Enter');
    await isSaved(first);

    await second.getByLabel('Mass of what it carries').fill('100');
    await second.getByLabel('Mass of what it carries').press('Enter');
    await expect(second.getByRole('alert')).toContainText('changed elsewhere');
    await expect(second.getByText('Not saved')).toBeVisible();
    await second.getByRole('button', { name: 'Put mine on top' }).click();
    await isSaved(second);
    await expect(second.getByLabel('Mass of the arm')).toHaveValue('700');
    await expect(second.getByLabel('Mass of what it carries')).toHaveValue('100');
});

test('a lost connection loses nothing', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/drawbridge/load`);
    const mass = page.getByLabel('Mass of the arm');
    await expect(mass).toHaveValue('500');
    await page.route('**/edits', (route) => route.abort());
    await mass.fill('444');
    await mass.press('Enter');
    await expect(page.getByRole('alert')).toContainText('kept here and saved as soon as it can be');
    await page.unroute('**/edits');
    await isSaved(page);
    await page.reload();
    await expect(mass).toHaveValue('444');
});

test('what does not exist says so', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto('/builds/nothing');
    await expect(page.getByRole('heading')).toHaveText('There is no such build.');
    await page.goto(`/builds/${id}/motions/moon/task`);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('There is no such motion in this build.');
    await page.goto(`/builds/${id}/motions/tide/magic`);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('There is no such station.');
    await page.goto(`/builds/${id}/routines/moon`);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('There is no such routine in this build.');
    await page.goto('/somewhere');
    await expect(page.getByRole('heading')).toHaveText('There is no such page.');
});

test('on a slow machine, what is typed right after a click is typed on the page that was asked for', async ({ page, request }) => {
    await page.goto(`/builds/${await copyOf(request, 'quarry-tram')}/routines`);
    await page.getByRole('button', { name: 'New routine' }).click();
    await expect(page.getByRole('link', { name: 'Routine 3' })).toBeVisible();
    await (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate: 12 });
    await page.getByRole('link', { name: 'Routine 3' }).click();
    await page.getByRole('combobox', { name: 'Add a step', exact: true }).fill('go', { timeout: 60_000 });
    await expect(page.getByLabel('Name of the routine')).toHaveValue('Routine 3');
    await expect(page.getByRole('combobox', { name: 'Add a step', exact: true })).toHaveValue('go');
    await expect(page.getByRole('option', { name: 'Go to a place' })).toBeVisible();
});

test('a press counts though the page moves under the pointer, and is taken back by moving away', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/drawbridge/train`);
    const put = page.getByRole('button', { name: 'Put a nut or a post on the plate' });
    const nut = page.getByRole('region', { name: 'In the way: a nut' });
    const press = async () => {
        await put.scrollIntoViewIfNeeded();
        const box = (await put.boundingBox())!;
        await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
        await page.mouse.down();
        return box;
    };
    const from = await press();
    await page.mouse.move(from.x, from.y - 200, { steps: 4 });
    await page.mouse.up();
    await expect(nut).toHaveCount(0);
    await press();
    await put.evaluate((button) => (button.parentElement!.style.paddingTop = '90px'));
    expect((await put.boundingBox())!.y).not.toBeCloseTo(from.y, -1);
    await page.mouse.up();
    await expect(nut).toHaveCount(1);
    await isSaved(page);
});
