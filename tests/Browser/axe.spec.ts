import { copyOf, expect, seesNothingWrong, test } from './support';

const VIEWS = ['', '/motions/drawbridge/task', '/motions/drawbridge/load', '/motions/drawbridge/drive', '/motions/drawbridge/train', '/motions/drawbridge/stops', '/motions/tide/load', '/routines/harbour-show', '/log'];

test('axe finds nothing on any screen', async ({ page, request }) => {
    test.setTimeout(300_000);
    const id = await copyOf(request, 'heron-wharf');
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Heron Wharf' }).first()).toBeVisible();
    await seesNothingWrong(page);
    for (const view of VIEWS) {
        await page.goto(`/builds/${id}${view}`, { waitUntil: 'networkidle' });
        await seesNothingWrong(page);
    }
});

test('axe finds nothing on sheets, tries, errors and open editors', async ({ page, request }) => {
    test.setTimeout(240_000);
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/drawbridge/load`, { waitUntil: 'networkidle' });
    await page.getByLabel('Mass of the arm').fill('nonsense');
    await page.getByLabel('Mass of the arm').press('Enter');
    await expect(page.getByRole('alert')).toBeVisible();
    await seesNothingWrong(page);
    await page.goto(`/builds/${id}/motions/drawbridge/drive`, { waitUntil: 'networkidle' });
    await page.getByRole('button', { name: /^Try:/ }).first().click();
    await expect(page.getByRole('region', { name: 'Try' }).getByRole('table')).toBeVisible();
    await seesNothingWrong(page);
    await page.getByRole('button', { name: 'Keys' }).click();
    await expect(page.getByRole('heading', { name: /^(Keys|Go to|What has to move)/ })).toBeVisible();
    await seesNothingWrong(page);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Go to anything' }).click();
    await expect(page.getByRole('heading', { name: /^(Keys|Go to|What has to move)/ })).toBeVisible();
    await seesNothingWrong(page);
    await page.goto(`/builds/${id}`);
    await page.getByRole('button', { name: 'Add a motion' }).click();
    await expect(page.getByRole('heading', { name: /^(Keys|Go to|What has to move)/ })).toBeVisible();
    await seesNothingWrong(page);
    await page.goto(`/builds/${id}/routines/harbour-show`, { waitUntil: 'networkidle' });
    await page.getByRole('button', { name: 'Change step 2' }).click();
    await page.getByText('Target time, sensors').click();
    await page.getByText(/What happened, in words/).click();
    await seesNothingWrong(page);
});
