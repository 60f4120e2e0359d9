import { copyOf, expect, isSaved, open, seesNothingWrong, test } from './support';

test('two equal motors carry what one could not, and a drive that stands alone is taken as one', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    interface Stored {
        document: { motions: { id: string; drive: { motors: number; motor: { code: string } } }[] };
    }
    const drive = async () =>
        ((await (await request.get(`/api/builds/${id}`)).json()) as Stored).document.motions.find((motion) => motion.id === 'drawbridge')!.drive;
    await open(page, `/builds/${id}/motions/drawbridge/drive`);
    await expect(page.getByText(/its drive stalls at 1\.18.N·m/).first()).toBeVisible();

    const count = page.getByLabel('How many of it');
    await count.fill('20');
    await count.press('Enter');
    await expect(page.getByText('Must be a whole number from 1 to 8, but is 20.')).toBeVisible();
    await count.fill('2');
    await count.press('Enter');
    await expect(page.getByRole('heading', { name: 'Chosen: 2 × W40-60' })).toBeVisible();
    await expect(page.getByText(/If one of the 2 fails, what is left has 72\.\d% of what is needed: it stalls\./).first()).toBeVisible();
    await isSaved(page);
    await page.waitForFunction(() => document.getAnimations().every((each) => each.playState !== 'running')); // what was before has faded
    await seesNothingWrong(page);

    // Two of each are ranked; a stepper has a driver of its own.
    const gear = page.getByRole('row').filter({ hasText: '2 × G25-60' });
    await expect(gear).toBeVisible();
    await page
        .getByRole('button', { name: /^Take P57-56 at/ })
        .first()
        .click();
    await page.getByRole('region', { name: 'Try' }).getByRole('button', { name: /Keep/ }).click();
    await isSaved(page);
    await expect.poll(drive).toMatchObject({ motors: 1, motor: { code: 'P57-56' } });
});
