import { copyOf, expect, open, seesNothingWrong, test } from './support';

test('a hidden fault is found by measuring, and what was hard is remembered', async ({ page, request }) => {
    const id = await copyOf(request, 'quarry-tram');
    await page.addInitScript(() => {
        if (localStorage.getItem('brookstone-trainer') === null) {
            const solved = [{ kind: 'off', found: false, measured: 1, wrong: 0 }];
            localStorage.setItem('brookstone-trainer', JSON.stringify({ state: { solved }, version: 0 }));
        }
    });
    await open(page, '/trainer');
    await expect(page.getByRole('main')).toContainText('So far 0 of 1 found');
    await page.getByLabel('Take it from').selectOption(id);
    await page.getByRole('button', { name: 'Hide a fault' }).click();
    await expect(page.getByRole('heading', { name: /Quarry Tram: .* is run/ })).toBeVisible({ timeout: 20_000 });
    await seesNothingWrong(page);

    // A switch that never trips was hard: it is one of those again. Which one, the controller tells.
    const name = page.getByLabel('What is wrong');
    await name.selectOption({ label: 'Skip jams on its way: something is caught in it.' });
    await page.getByRole('button', { name: 'That is it' }).click();
    await expect(page.getByText('No, that is not it.')).toBeVisible();
    for (const button of await page.getByRole('button', { name: /^Press .* and see what the controller reads$/ }).all()) {
        await button.click();
    }
    const readings = page.getByRole('list', { name: 'What was measured' });
    const off = readings.getByRole('listitem').filter({ hasText: 'It reads off, pressed or not.' });
    await expect(off).toHaveCount(1);
    const which = (await off.textContent())!.match(/^Press (.*) and see/)![1]!;
    await name.selectOption({ label: `${which} never trips: its wire is off, or it is bent away.` });
    await page.getByRole('button', { name: 'That is it' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Found.' })).toContainText('What shows it:');
    await expect(page.getByRole('main')).toContainText('So far 1 of 2 found');
    await expect(page.getByRole('main')).toContainText('What was hard comes again.');
    await page.reload();
    await expect(page.getByRole('main')).toContainText('So far 1 of 2 found');
});
