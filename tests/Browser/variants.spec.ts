import { copyOf, expect, isSaved, open, seesNothingWrong, test } from './support';

test('a wing is mirrored, and its routine with it', async ({ page, request }) => {
    const id = await copyOf(request, 'moth-lantern');
    await open(page, `/builds/${id}/motions/right-wing/task`);
    await page.getByRole('button', { name: 'Take it out…' }).click();
    await expect(page.getByRole('list', { name: 'What that changes' })).toContainText(/steps? goe?s? with it/);
    await page.getByRole('button', { name: 'Take it out', exact: true }).click();
    await isSaved(page);

    await open(page, `/builds/${id}/motions/left-wing/task`);
    await page.getByRole('button', { name: 'Mirror it…' }).click();
    const dialog = page.getByRole('dialog');
    const name = dialog.getByRole('textbox', { name: 'Name' });
    await expect(name).toHaveValue('Right wing');
    await expect(dialog.getByRole('list', { name: 'What that changes' })).toContainText('Its drive turns the other way.');
    await expect(dialog.getByRole('list', { name: 'What that changes' })).toContainText('Both move together in');
    await seesNothingWrong(page);
    await name.fill('');
    await expect(dialog.getByRole('alert')).toHaveText('Give it a name.');
    await dialog.getByRole('button', { name: 'Add it' }).click();
    await expect(name).toBeVisible(); // nothing was added
    await name.fill('Far wing');
    await dialog.getByRole('button', { name: 'Add it' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Far wing');
    await isSaved(page);

    const { document } = (await (await request.get(`/api/builds/${id}`)).json()) as {
        document: { motions: { id: string; drive: { reversed: boolean } }[]; routines: { steps: object[] }[] };
    };
    const [left, far] = ['left-wing', 'far-wing'].map((each) => document.motions.find((motion) => motion.id === each)!);
    expect(far!.drive.reversed).toBe(!left!.drive.reversed);
    expect(JSON.stringify(document.routines)).toContain('"motion":"far-wing"');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('link', { name: 'Far wing' })).toHaveCount(0);
});

test('a copy is changed and compared, and the build with what it was', async ({ page, request }) => {
    const id = await copyOf(request, 'quarry-tram');
    await open(page, `/builds/${id}`);
    await page.getByRole('button', { name: 'Copy this build' }).click();
    await expect(page.getByLabel('Name of the build')).toHaveValue('Copy of Quarry Tram');
    await page.getByLabel('Note, for the shelf').fill('With a heavier skip');
    await page.getByLabel('Note, for the shelf').press('Enter');
    await isSaved(page);
    await page.getByRole('link', { name: 'Skip', exact: true }).first().click();
    await page.getByRole('link', { name: /^Load/ }).first().click();
    await page.getByLabel(/^Mass/).first().fill('4 kg');
    await page.getByLabel(/^Mass/).first().press('Enter');
    await isSaved(page);
    await page.getByRole('link', { name: 'Chains', exact: true }).click();
    await page.getByRole('link', { name: 'Compare with another, or as it was' }).click();
    await page.getByLabel('Compare with').selectOption({ label: 'Quarry Tram' });
    await expect(page.getByRole('heading', { level: 1 })).toContainText(/Copy of Quarry Tram and Quarry Tram differ in \d+ things/, { timeout: 20_000 });
    const load = page.getByRole('row', { name: /^Load/ }).first();
    await expect(load).toContainText('N·m');
    await seesNothingWrong(page);
    await page
        .getByRole('button', { name: /the same$/ })
        .first()
        .click();
    await expect(page.getByRole('button', { name: 'only what differs' })).toBeVisible();
    await page.getByLabel('Compare with').selectOption({ index: 2 + (await page.locator('optgroup').first().locator('option').count()) - 1 });
    await expect(page.getByRole('columnheader', { name: /state \d/ })).toBeVisible({ timeout: 20_000 });
});

test('the shelf is searched and put in order', async ({ page, request }) => {
    await copyOf(request, 'signal-garden');
    await copyOf(request, 'star-dial');
    await open(page, '/');
    await page.getByLabel('Search the shelf').fill('barrier');
    await expect(page.getByRole('heading', { name: 'Signal Garden' }).first()).toBeVisible();
    await expect(page.getByRole('heading', { name: 'Star Dial' })).toHaveCount(0);
    await page.getByLabel('Search the shelf').fill('no such thing');
    await expect(page.getByText('Nothing on the shelf is called so.')).toBeVisible();
    await page.getByLabel('Search the shelf').fill('');
    await page.getByLabel('Order').selectOption('by name');
    const names = await page.getByRole('main').getByRole('heading', { level: 2 }).allTextContents();
    const own = names.slice(0, names.indexOf('The first time here?')).map((each) => each.replace(/demo$/, ''));
    expect(own).toEqual([...own].sort((a, b) => a.localeCompare(b)));
});

test('the room is dark or light as it was chosen, or as the system has it', async ({ page }) => {
    const ground = () => page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor);
    await page.emulateMedia({ colorScheme: 'light' });
    await open(page, '/');
    const light = await ground();
    await page.emulateMedia({ colorScheme: 'dark' });
    await expect.poll(ground).not.toBe(light);
    const dark = await ground();
    await page.getByRole('button', { name: /^Room: as the system has it/ }).click();
    await page.getByRole('button', { name: /^Room: dark/ }).click();
    await expect.poll(ground).toBe(light);
    await page.reload();
    await expect.poll(ground).toBe(light); // chosen, though the system is dark
    await page.emulateMedia({ media: 'print', colorScheme: 'dark' });
    await expect.poll(() => page.evaluate(() => getComputedStyle(document.body).color)).toBe('rgb(29, 39, 38)');
    await page.emulateMedia({ media: 'screen', colorScheme: 'dark' });
    await page.keyboard.press('n');
    await expect.poll(ground).toBe(dark);
});
