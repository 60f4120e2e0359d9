import { expect, isSaved, open, seesNothingWrong, test } from './support';

test('the first hour, from an empty shelf: a head that turns is sized, driven, stopped, wired, scripted, run and printed', async ({ page }) => {
    test.setTimeout(90_000);
    await page.route('**/api/builds', (route) => (route.request().method() === 'GET' ? route.fulfill({ json: [] }) : route.continue()));
    await open(page, '/');
    await expect(page.getByText('The shelf is empty.')).toBeVisible();
    await page.getByRole('button', { name: 'Begin with it' }).click();
    await expect(page.getByRole('alert')).toContainText('Give it a name');
    await page.getByLabel('Or on my own thing').fill('A head that turns');
    await page.getByRole('button', { name: 'Begin with it' }).click();

    const walk = page.getByRole('complementary', { name: 'First walk' });
    await expect(walk).toContainText('What has to move?');
    await page.getByRole('button', { name: 'Add a motion' }).click();
    await page.getByLabel('Its name').fill('Head');
    await page.getByText('Something that turns about an upright axis').click();
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(walk).toContainText('1 of 9: Task.');
    await page.getByLabel('In no more than').fill('2 s');
    await page.getByLabel('In no more than').press('Enter');
    await isSaved(page);

    const on = async (title: string) => {
        await walk.getByRole('button', { name: `On to ${title}` }).click();
        await expect(walk).toContainText(`: ${title}.`);
    };
    await on('Load');
    const rub = walk.getByRole('button', { name: 'Task', exact: true });
    await rub.click();
    await expect(page).toHaveURL(/\/task$/);
    await on('Load');
    await on('Drive');
    await walk.getByRole('button', { name: 'margin' }).focus();
    await expect(page.getByRole('tooltip')).toContainText('What the drive has over what is needed');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('tooltip')).toHaveCount(0);
    await page
        .getByRole('button', { name: /^Take / })
        .first()
        .click();
    await isSaved(page);
    await on('Train');
    await on('Stops');
    await page.reload(); // and goes on where it was
    await expect(walk).toContainText('5 of 9: Stops.');
    await seesNothingWrong(page);
    await on('Wiring');
    await on('Routine');
    await page.getByRole('link', { name: 'Chains', exact: true }).click();
    await walk.getByRole('link', { name: 'Back to Routine' }).click();
    await page
        .getByRole('button', { name: /^(Write the first|New routine)/ })
        .first()
        .click();
    await expect(page.getByRole('region', { name: 'Steps' })).toBeVisible();
    await on('Proof');
    await on('Sheets');
    await expect(page.getByRole('button', { name: /Print/ })).toBeVisible();
    await walk.getByRole('button', { name: 'Done' }).click();
    await expect(walk).toHaveCount(0);
});

test('a walk on an example can be left at any step, and the words stand in a glossary', async ({ page }) => {
    await open(page, '/');
    await page.getByRole('button', { name: 'Walk through it' }).click();
    const walk = page.getByRole('complementary', { name: 'First walk' });
    await expect(walk).toContainText('1 of 9: Task.');
    await walk.getByRole('button', { name: 'Leave the walk' }).click();
    await expect(walk).toHaveCount(0);
    await open(page, '/glossary');
    await expect(page.getByRole('term').filter({ hasText: 'Stall torque' })).toBeVisible();
    await seesNothingWrong(page);
});
