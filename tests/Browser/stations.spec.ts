import { copyOf, expect, isSaved, test } from './support';

test('a stage of gears is added, changed and taken out', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/tide/train`);
    const chain = page.getByRole('navigation', { name: 'Chain of Tide' });
    await expect(chain).toContainText('straight on the shaft');
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(chain).toContainText('3 : 1');
    await page.getByLabel('Teeth of the driven wheel').fill('24');
    await page.getByLabel('Teeth of the driven wheel').press('Enter');
    await expect(chain).toContainText('2 : 1');
    await expect(page.getByText('A gear of 12 teeth is undercut')).toBeVisible();
    await page.getByLabel('Teeth of the driven wheel').fill('24.5');
    await page.getByLabel('Teeth of the driven wheel').press('Enter');
    await expect(page.getByRole('alert')).toContainText('Must be a whole number');
    await page.getByLabel('One more stage').selectOption('worm');
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(chain).toContainText('60 : 1');
    await page.getByRole('button', { name: 'Take stage 1 out' }).click();
    await expect(chain).toContainText('30 : 1');
});

test('switches and stops are set, and the run-on follows', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/tide/stops`);
    await page.getByRole('button', { name: 'Put a switch at Low water' }).click();
    const added = page.getByRole('region', { name: 'Tide: Low water switch', exact: true });
    await expect(added.getByText('Runs on after it trips')).toBeVisible();
    await expect(added).toContainText('mm');
    await expect(page.getByRole('button', { name: 'Put a switch at Low water' })).toBeHidden();

    const high = page.getByLabel('Upper hard stop');
    await high.fill('121 mm');
    await high.press('Enter');
    await expect(page.getByText(/After Tide top switch trips it runs on/)).toBeVisible();
    await page.getByRole('button', { name: /Try: Set the hard stop back/ }).click();
    await page.getByRole('button', { name: /^Keep/ }).click();
    await expect(page.getByText(/After Tide top switch trips it runs on/)).toBeHidden();
    await high.fill('');
    await high.press('Enter');
    await isSaved(page);
    await expect(high).toHaveAttribute('placeholder', 'none');
    await expect(high).toHaveValue('');
});

test('the task changes what is asked, and the drive answers', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/tide/task`);
    await page.getByLabel('In no more than').fill('1500 ms');
    await page.getByLabel('In no more than').press('Enter');
    const chain = page.getByRole('navigation', { name: 'Chain of Tide' });
    await expect(chain.getByRole('link', { name: /Drive/ })).toContainText('fails');
    await page.keyboard.press('Tab');
    await chain.getByRole('link', { name: /Drive/ }).click();
    await expect(page.getByText(/To High water it takes .* longer than the 1.5 s asked for/)).toBeVisible();
    await page
        .getByRole('button', { name: /Try: Take/ })
        .first()
        .click();
    await expect(page.getByRole('region', { name: 'Try' }).getByRole('row', { name: /Tide, drive/ })).toContainText(/fails.*holds/);
});

test('a motion is taken out, and comes back by undo', async ({ page, request }) => {
    const id = await copyOf(request, 'moth-lantern');
    await page.goto(`/builds/${id}`);
    await page.getByRole('button', { name: 'Add a motion' }).click();
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(page.getByRole('alert')).toContainText('Give it a name');
    await page.getByLabel('Its name').fill('Lamp lift');
    await page.getByText('Something that is lifted').click();
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Lamp lift');
    await page.getByRole('button', { name: 'Take it out…' }).click();
    await page.getByRole('button', { name: 'Take it out', exact: true }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('All that can be computed holds');
    await expect(page.getByRole('link', { name: 'Lamp lift' })).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('link', { name: 'Lamp lift' })).toBeVisible();
});

test('a build goes to a file and comes back', async ({ page, request }) => {
    await copyOf(request, 'quarry-tram');
    await page.goto('/');
    const download = page.waitForEvent('download');
    await page.getByRole('listitem').filter({ hasText: 'Quarry Tram' }).first().getByRole('link', { name: 'Save as file' }).click();
    const file = await (await download).path();
    expect((await download).suggestedFilename()).toBe('quarry-tram.brookstone.json');
    await page.getByLabel('Build file').setInputFiles(file);
    await expect(page.getByLabel('Name of the build')).toHaveValue('Quarry Tram');
});

test('a build is thrown away only when that is meant', async ({ page }) => {
    await page.goto('/');
    await page.getByLabel('Name of a new build').fill('Rubbish');
    await page.getByRole('button', { name: 'Create it' }).click();
    await expect(page.getByText('A kitchen scale')).toBeVisible();
    await page.goto('/');
    const entry = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'Rubbish' }) });
    await entry.getByRole('button', { name: 'Throw away Rubbish' }).click();
    await expect(entry).toBeVisible();
    await entry.getByRole('button', { name: 'Really throw away' }).click();
    await expect(entry).toHaveCount(0);
});

test('nothing moves by itself where less motion is asked for', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await page.goto(`/builds/${id}/motions/tide/load`);
    await page.getByRole('button', { name: /Play/ }).click();
    await expect(page.getByRole('slider')).toHaveAttribute('aria-valuenow', '0.12');
    await expect(page.getByRole('button', { name: /Play/ })).toBeVisible();
});
