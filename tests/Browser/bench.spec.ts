import { copyOf, expect, isSaved, test } from './support';

test('the mat answers to the pointer and the keys, and plays', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/drawbridge/load`);
    const mat = page.getByRole('slider', { name: 'Position of Drawbridge' });
    await expect(mat).toHaveAttribute('aria-valuenow', '0');
    const torque = page.getByText(/to hold, more than the drive has/);
    await expect(torque).toBeVisible();

    const box = (await mat.boundingBox())!;
    await page.mouse.move(box.x + box.width * 0.6, box.y + box.height * 0.6);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * 0.42, box.y + 20, { steps: 6 });
    await page.mouse.up();
    expect(Number(await mat.getAttribute('aria-valuenow'))).toBeGreaterThan(50);
    await expect(torque).toBeHidden();

    await mat.focus();
    const before = Number(await mat.getAttribute('aria-valuenow'));
    await page.keyboard.press('Shift+ArrowDown');
    expect(Number(await mat.getAttribute('aria-valuenow'))).toBeLessThan(before - 5);

    await page.goto(`/builds/${id}/motions/heron-neck/task`);
    await page.getByRole('button', { name: /Play/ }).click();
    await expect(page.getByRole('slider')).not.toHaveAttribute('aria-valuenow', '58');
});

test('keys go through the chain, the motions and the units', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/drawbridge/task`);
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Drawbridge · Task');
    await page.keyboard.press('3');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Drawbridge · Drive');
    await page.keyboard.press(']');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Tide · Drive');
    await page.keyboard.press('[');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Drawbridge · Drive');

    const chain = page.getByRole('navigation', { name: 'Chain of Drawbridge' });
    await expect(chain).toContainText('1.62 N·m');
    await page.keyboard.press('u');
    await expect(chain).toContainText('16.5 kg·cm');
    await page.keyboard.press('u');
    await expect(chain).toContainText('230 oz·in');

    await expect(page.getByRole('button', { name: /^Try: Take/ }).first()).toBeVisible(); // when it has been tried on the whole build
    await page.keyboard.press('t');
    await expect(page.getByRole('region', { name: 'Try' }).getByRole('table')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('region', { name: 'Try' })).toBeHidden();

    await page.keyboard.press('?');
    await expect(page.getByRole('heading', { name: 'Keys' })).toBeVisible();
    await page.keyboard.press('Escape');
    await page.keyboard.press('/');
    await page.keyboard.type('tide sto');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Tide · Stops');
});

test('undo and redo, with the keys too', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/drawbridge/load`);
    const mass = page.getByLabel('Mass of the arm');
    await mass.fill('600');
    await mass.press('Enter');
    await mass.blur();
    await isSaved(page);
    await expect(mass).toHaveValue('600');
    await page.keyboard.press('Control+z');
    await expect(mass).toHaveValue('500');
    await page.keyboard.press('Control+y');
    await expect(mass).toHaveValue('600');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(mass).toHaveValue('500');
});

test('arrow keys nudge a number, and its consequences follow', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/drawbridge/load`);
    const chain = page.getByRole('navigation', { name: 'Chain of Drawbridge' });
    await expect(chain).toContainText('1.62 N·m');
    const mass = page.getByLabel('Mass of the arm');
    await mass.focus();
    await page.keyboard.press('ArrowUp');
    await expect(mass).toHaveValue('510');
    await expect(chain).toContainText('1.64 N·m');
    await page.keyboard.press('Shift+ArrowUp');
    await expect(mass).toHaveValue('610');
});
