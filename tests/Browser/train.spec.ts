import { copyOf, expect, isSaved, test } from './support';

test('a train is made for a ratio, and a shaft is dragged to where it meshes and to where it does not', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/lantern/train`);
    const making = page.getByRole('region', { name: 'Trains for a ratio' });
    await making.getByRole('textbox', { name: 'Ratio' }).fill('7');
    const rows = making.getByRole('row');
    await expect(rows.nth(1)).toContainText(/7[.\d]* : 1/, { timeout: 90_000 });
    const second = rows.nth(2).getByRole('button', { name: /^Take/ });
    const words = (await second.getAttribute('aria-label'))!.replace('Take ', '');
    await second.click();
    await page.getByRole('region', { name: 'Try' }).getByRole('button', { name: /Keep/ }).click();
    await isSaved(page);
    const teeth = [...words.matchAll(/\d+/g)].map((match) => match[0]);
    await expect(page.getByRole('textbox', { name: 'Teeth of the driving wheel' }).first()).toHaveValue(teeth[0]!);

    // Every pair meshes as it was laid out.
    const plan = page.getByRole('group', { name: 'Train of Lantern on its plate' });
    const shaft = plan.getByRole('button', { name: /^Shaft 2/ });
    await expect(shaft).toHaveAttribute('aria-label', /meshes/);
    const chain = page.getByRole('navigation', { name: 'Chain of Lantern' }).getByRole('link', { name: /Train/ });
    await expect(chain).toContainText('holds');

    // Dragged half a hole towards the drive it binds, and the train fails; back where it was it holds.
    const box = (await shaft.boundingBox())!;
    const drive = (await plan.getByRole('button', { name: /^Shaft 1/ }).boundingBox())!;
    const from = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    const towards = { x: from.x + (drive.x + drive.width / 2 - from.x) * 0.35, y: from.y + (drive.y + drive.height / 2 - from.y) * 0.35 };
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(towards.x, towards.y, { steps: 6 });
    await expect(page.getByText(/no mesh here|binds|meshes|loose/).first()).toBeVisible();
    await page.mouse.up();
    await expect(chain).toContainText('fails');
    await expect(page.getByRole('region', { name: 'What gives first' })).toContainText(/bind|in the way|too near/);
    await page.mouse.move(0, 0);
    const moved = (await shaft.boundingBox())!;
    await page.mouse.move(moved.x + moved.width / 2, moved.y + moved.height / 2);
    await page.mouse.down();
    await page.mouse.move(from.x, from.y, { steps: 6 });
    await page.mouse.up();
    await expect(chain).toContainText('holds');
    await isSaved(page);
});

test('a nut in the way is seen, and the train is laid out anew around it', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/drawbridge/train`);
    await page.getByText('In the way: the hinge bolt').click();
    await page.getByRole('button', { name: 'Take the hinge bolt away' }).click();
    await expect(page.getByRole('region', { name: 'In the way: the hinge bolt' })).toHaveCount(0); // what stood below it moves up
    await page.getByRole('button', { name: 'Put a nut or a post on the plate' }).click();
    const nut = page.getByRole('region', { name: 'In the way: a nut' });
    await nut.getByRole('textbox', { name: 'From the left', exact: true }).fill('42');
    await nut.getByRole('textbox', { name: 'From below', exact: true }).fill('36 mm');
    await nut.getByRole('textbox', { name: 'From below', exact: true }).press('Enter');
    await expect(page.getByText(/does not clear a nut/)).toBeVisible();
    await page.getByRole('button', { name: 'Lay it out anew', exact: true }).click();
    await page.getByRole('region', { name: 'Try' }).getByRole('button', { name: /Keep/ }).click();
    await expect(page.getByText(/does not clear a nut/)).toHaveCount(0);
    await isSaved(page);
});

test('the gears are saved as a drawing, and the keys move a shaft', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/drawbridge/train`);
    const loading = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Gears, DXF' }).click();
    const file = await loading;
    expect(file.suggestedFilename()).toBe('drawbridge-gears.dxf');
    const shaft = page.getByRole('button', { name: /^Shaft 2/ });
    await expect(shaft).toHaveAttribute('aria-label', /at 40 and 20 mm, meshes/);
    await shaft.press('ArrowRight');
    await expect(shaft).toHaveAttribute('aria-label', /at 45 and 20 mm, too far/);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(shaft).toHaveAttribute('aria-label', /at 40 and 20 mm, meshes/);
});

test('nonsense for a ratio is told, and the drawer of gears keeps what is typed', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/drawbridge/train`);
    const making = page.getByRole('region', { name: 'Trains for a ratio' });
    await making.getByRole('textbox', { name: 'Ratio' }).fill('many');
    await expect(making.getByRole('alert')).toContainText('Must be a number');
    await expect(making.getByRole('textbox', { name: 'Ratio' })).toHaveValue('many');

    await page.goto('/drawer');
    await page.getByRole('button', { name: 'Gears' }).click();
    const first = page.getByRole('textbox', { name: 'Teeth of gear 1', exact: true });
    await first.fill('3');
    await first.blur();
    await expect(page.getByText(/Must be .* from 6/)).toBeVisible();
    await page.reload();
    await page.getByRole('button', { name: 'Gears' }).click();
    await expect(first).toHaveValue('3');
    await first.fill('11');
    await first.blur();
    await expect(page.getByText(/Must be/)).toHaveCount(0);
    await page.reload();
    await page.getByRole('button', { name: 'Gears' }).click();
    await expect(first).toHaveValue('11');
});
