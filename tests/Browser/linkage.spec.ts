import { copyOf, expect, isSaved, seesNothingWrong, test } from './support';

test('the holes of a rod are picked from the table, and its linkage clears what stands on the plate', async ({ page, request }) => {
    const opened = (await (await request.post('/api/examples/owl-eyelid', { data: {} })).json()) as { id: string; document: { motions: { id: string }[] } };
    await page.goto(`/builds/${opened.id}/motions/${opened.document.motions[0]!.id}/train`);
    const holes = page.getByRole('region', { name: 'Which holes' });
    await holes.getByLabel('Wanted, end to end').fill('55');
    await expect(holes.getByRole('row').nth(1)).toContainText(/5[4-6][.\d]*°/);
    const best = holes.getByRole('button', { name: /^Take the holes/ }).first();
    const [arm] = (await best.getAttribute('aria-label'))!.replace('Take the holes ', '').split(' · ');
    await best.click();
    await isSaved(page);
    await page
        .getByRole('navigation', { name: /^Chain of/ })
        .getByRole('link', { name: /Load/ })
        .click();
    await expect(page.getByLabel('Servo’s shaft to its hole')).toHaveValue(arm!);
    await page.goBack();
    await holes.getByLabel('Holes of the arm').fill('8 ten');
    await expect(holes.getByRole('alert')).toBeVisible();
    await expect(holes.getByLabel('Holes of the arm')).toHaveValue('8 ten');

    // On a plate: a pair of gears, the linkage beside them, and a nut in its way.
    await page.getByRole('button', { name: 'Add it' }).click();
    await page.getByLabel('Teeth of the driving wheel').fill('16');
    await page.getByLabel('Teeth of the driven wheel').fill('16');
    await page.getByLabel('Teeth of the driven wheel').press('Enter');
    await page.getByRole('button', { name: 'Lay it out on a plate' }).click();
    await page.getByRole('button', { name: 'Put its linkage on the plate' }).click();
    const where = page.getByRole('region', { name: 'Its linkage on the plate' });
    const [x, y] = [
        Number(await where.getByLabel('Other pivot, from the left').inputValue()),
        Number(await where.getByLabel('Other pivot, from below').inputValue()),
    ];
    await page.getByRole('button', { name: 'Put a nut or a post on the plate' }).click();
    const nut = page.getByRole('region', { name: 'In the way: a nut' });
    for (const [label, text] of [
        ['From the left', String(x)],
        ['From below', String(y + 6)],
        ['On plane', '1'],
    ] as const) {
        await nut.getByLabel(label, { exact: true }).fill(text);
        await nut.getByLabel(label, { exact: true }).press('Enter');
    }
    const first = page.getByRole('region', { name: 'What gives first' });
    await expect(first).toContainText(/horn does not clear a nut/);
    await isSaved(page);
    await page.reload();
    await expect(first).toContainText(/horn does not clear a nut/);
    await seesNothingWrong(page);
    await first
        .getByRole('button', { name: /^Try: Run it on plane/ })
        .first()
        .click();
    await page.getByRole('region', { name: 'Try' }).getByRole('button', { name: /Keep/ }).click();
    await expect(first).not.toContainText(/does not clear a nut/);
});

test('a train is asked for by speed and torque, and a pawl takes the place of a belt', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/lantern/train`);
    const making = page.getByRole('region', { name: 'Trains for a ratio' });
    await making.getByLabel('For').selectOption('load');
    await making.getByRole('textbox', { name: 'Speed' }).fill('10');
    await making.getByRole('textbox', { name: 'Torque' }).fill('900');
    await expect(making.getByRole('alert')).toContainText('No ratio gives that with this drive');
    await making.getByRole('textbox', { name: 'Torque' }).fill('0.05');
    await expect(making).toContainText(/that asks for [\d.]+ : 1/);
    await expect(making.getByRole('row').nth(1)).toContainText(': 1', { timeout: 90_000 });

    await page.getByLabel('One more stage').selectOption('pawl');
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(page.getByRole('region', { name: 'What gives first' })).toContainText(/takes one turning along|lets by the very turning/);
});

test('the drawer of cords, belts and rods keeps what is typed and tells what a line lacks', async ({ page }) => {
    await page.goto('/drawer');
    await page.getByRole('button', { name: 'Cords, belts, rods' }).click();
    await expect(page.getByLabel('Name of line 1', { exact: true })).toBeVisible();
    const count = await page.getByRole('row').count();
    await page.getByRole('button', { name: 'Add a line' }).click();
    await page.getByLabel(`Name of line ${count}`, { exact: true }).fill('Waxed thread');
    await page.getByLabel(`Thick, or pitch, mm of line ${count}`, { exact: true }).fill('0,7');
    await page.getByLabel(`Breaks at, N of line ${count}`, { exact: true }).fill('lots');
    await page.getByLabel(`Breaks at, N of line ${count}`, { exact: true }).press('Enter');
    await expect(page.getByText(/^Must be/).first()).toBeVisible();
    await page.reload();
    await page.getByRole('button', { name: 'Cords, belts, rods' }).click();
    await expect(page.getByLabel(`Breaks at, N of line ${count}`, { exact: true })).toHaveValue('lots');
    await page.getByLabel(`Breaks at, N of line ${count}`, { exact: true }).fill('120');
    await page.getByLabel(`Breaks at, N of line ${count}`, { exact: true }).press('Enter');
    await expect(page.getByText(/^Must be/)).toHaveCount(0);
    await page.reload();
    await page.getByRole('button', { name: 'Cords, belts, rods' }).click();
    await expect(page.getByLabel(`Name of line ${count}`, { exact: true })).toHaveValue('Waxed thread');
    await seesNothingWrong(page);
});
