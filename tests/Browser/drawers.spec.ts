import { expect, test, type Page } from '@playwright/test';

async function openGears(page: Page): Promise<void> {
    await page.goto('/drawer');
    await page.getByRole('button', { name: 'Gears', exact: true }).click();
    await expect(page.getByRole('textbox', { name: 'How many of gear 1', exact: true })).toBeVisible();
}

test('two tabs at the same drawer of gears: what the second has not seen is not overwritten, and it says which counts', async ({ page, context }) => {
    const other = await context.newPage();
    const mine = page.getByRole('textbox', { name: 'How many of gear 1', exact: true });
    const theirs = other.getByRole('textbox', { name: 'How many of gear 1', exact: true });
    await openGears(page);
    await openGears(other);
    await mine.fill('41'); // begun before the other is kept
    await theirs.fill('52');
    await theirs.press('Enter');
    await expect(other.getByText(/changed elsewhere/)).toHaveCount(0);
    await expect.poll(async () => ((await (await page.request.get('/api/drawer/gears')).json()) as { gears: { count: number }[] }).gears[0]!.count).toBe(52);
    await mine.press('Enter');
    await expect(page.getByRole('alert')).toHaveText('This drawer was changed elsewhere in the meantime. Nothing of that was overwritten.');
    await page.reload();
    await page.getByRole('button', { name: 'Gears', exact: true }).click();
    await expect(mine).toHaveValue('41'); // what was typed outlives a reload
    await mine.press('Enter');
    await page.getByRole('button', { name: 'Put mine in its place' }).click();
    await expect(page.getByRole('alert')).toHaveCount(0);
    await theirs.fill('63');
    await theirs.press('Enter');
    await other.getByRole('button', { name: 'Show what is kept now' }).click();
    await expect(theirs).toHaveValue('41');
    await expect(other.getByRole('alert')).toHaveCount(0);
});

test('what is typed and added in one go is kept, both', async ({ page }) => {
    await openGears(page);
    const count = await page.getByRole('row').count();
    await page.getByRole('textbox', { name: 'How many of gear 1', exact: true }).fill('17');
    await page.getByRole('button', { name: 'Add a gear' }).click(); // leaves the field and adds a row: two saves, one after the other
    await page.getByRole('textbox', { name: `Teeth of gear ${count}`, exact: true }).fill('47');
    await page.getByRole('textbox', { name: `Teeth of gear ${count}`, exact: true }).press('Enter');
    await expect
        .poll(async () =>
            ((await (await page.request.get('/api/drawer/gears')).json()) as { gears: { count: number; teeth: number }[] }).gears.map((gear) => [
                gear.count,
                gear.teeth,
            ]),
        )
        .toContainEqual([1, 47]);
    await expect(page.getByRole('alert')).toHaveCount(0);
    await page.reload();
    await page.getByRole('button', { name: 'Gears', exact: true }).click();
    await expect(page.getByRole('textbox', { name: 'How many of gear 1', exact: true })).toHaveValue('17');
});

test('two tabs at the same drive: the second is told, and what it typed stays', async ({ page, context }) => {
    const other = await context.newPage();
    for (const tab of [page, other]) {
        await tab.goto('/drawer');
        await tab.getByRole('button', { name: 'Change G25-60', exact: true }).click();
    }
    const mass = (tab: Page) => tab.getByRole('dialog').getByRole('textbox', { name: 'Mass', exact: true });
    await mass(other).fill('123 g');
    await other.getByRole('button', { name: 'Put it in the drawer' }).click();
    await expect(other.getByRole('dialog')).toHaveCount(0);
    await mass(page).fill('234 g');
    await page.getByRole('button', { name: 'Put it in the drawer' }).click();
    await expect(page.getByRole('alert')).toHaveText('This drive was changed elsewhere in the meantime. Nothing of that was overwritten.');
    await expect(mass(page)).toHaveValue('234 g');
    await page.getByRole('button', { name: 'Put mine in its place' }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await other.getByRole('button', { name: 'Take G25-60 out', exact: true }).click();
    await other.getByRole('button', { name: 'Really take G25-60 out' }).click();
    await expect(other.getByRole('alert')).toContainText('changed elsewhere');
    await expect(other.getByRole('button', { name: 'G25-60', exact: true })).toBeVisible();
});
