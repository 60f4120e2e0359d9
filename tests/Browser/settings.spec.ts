import { copyOf, expect, isSaved, seesNothingWrong, test } from './support';

test('settings are on a page: what they mean, what is usual, in any unit, and back to usual', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}`);
    await page.getByRole('link', { name: 'Settings' }).click();
    await expect(page.getByRole('heading', { name: 'Settings', level: 1 })).toBeVisible();
    await page.getByLabel('Clock of its timer').fill('32.768 kHz');
    await page.getByLabel('Clock of its timer').press('Enter');
    await isSaved(page);
    await page.getByLabel('A switch is believed after').fill('25 ms');
    await page.getByLabel('A switch is believed after').press('Enter');
    await expect(page.getByText('2 are not as usual: a switch is believed after; clock of its timer.')).toBeVisible();
    await page.getByLabel('Torque in hand, times the need').fill('0.5');
    await page.getByLabel('Torque in hand, times the need').press('Enter');
    await expect(page.getByText('Must be a number from 1 to 10, but is 0.5.')).toBeVisible();
    await expect(page.getByLabel('Torque in hand, times the need')).toHaveValue('0.5');
    await page.getByLabel('Torque in hand, times the need').fill('2');
    await page.getByLabel('Torque in hand, times the need').press('Enter');
    await isSaved(page);
    await page.reload();
    await expect(page.getByLabel('Clock of its timer')).toHaveValue('32.768');
    await expect(page.getByLabel('A switch is believed after')).toHaveValue('0.025');
    await page.getByRole('button', { name: 'Put all back to usual' }).click();
    await isSaved(page);
    await expect(page.getByText('not as usual')).toBeHidden();
    await expect(page.getByLabel('Torque in hand, times the need')).toHaveValue('1.5');
    await seesNothingWrong(page);
});
