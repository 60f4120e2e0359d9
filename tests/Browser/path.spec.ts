import { copyOf, expect, isSaved, test } from './support';

test('a new user: the drawbridge fails, is mended, the show runs, a time is written down', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('listitem').filter({ hasText: 'Heron Wharf' }).filter({ hasText: 'demo' }).getByRole('link').first().click(); // not a copy that another test has changed

    // It says what gives first, and why.
    const top = page.getByRole('region', { name: 'What gives first' });
    await expect(top.getByRole('heading')).toContainText('Drawbridge: it needs');
    await expect(top.getByRole('heading')).toContainText('its drive stalls at');
    const chains = page.getByRole('main').getByRole('heading', { level: 2 });
    await expect(chains.first()).toHaveText('Drawbridge');

    // The shortest way to mend it shows before and after, and closes the chain when it is kept.
    await top.getByRole('button', { name: /Try: Take W40-400/ }).click();
    const trying = page.getByRole('region', { name: 'Try' });
    await expect(trying.getByRole('row', { name: /Drawbridge, drive/ })).toContainText(/fails.*holds/);
    await expect(trying).toContainText('The chain closes');
    await trying.getByRole('button', { name: /Keep/ }).click();
    await expect(trying).toBeHidden();
    await isSaved(page);
    await expect(top.getByRole('heading')).not.toContainText('Drawbridge: it needs');
    await expect(page.getByRole('navigation', { name: 'Chain of Drawbridge' }).getByText('fails')).toHaveCount(0);

    // The show runs when a visitor breaks the beam, and says when each thing moves and how long it takes.
    await page
        .getByRole('region', { name: 'Routines' })
        .getByRole('link', { name: /Harbour show/ })
        .click();
    const result = page.getByRole('region', { name: 'Result of the run' });
    await expect(result).toContainText(/Takes 1[0-9](\.\d)? s/);
    await expect(page.getByLabel('What happens')).toHaveValue('visitor');
    await expect(page.getByRole('listitem').filter({ hasText: 'Take Drawbridge to Up' })).toContainText(/\d s/);
    await page.getByText(/What happened, in words/).click();
    await expect(page.getByText('Visitor beam is broken.')).toBeVisible();
    await expect(page.getByText('Harbour show ends.')).toBeVisible();
    await page.getByRole('region', { name: 'Run', exact: true }).getByRole('button', { name: /Play/ }).click();
    await expect(page.getByRole('region', { name: 'Run', exact: true }).getByRole('button', { name: /Pause/ })).toBeVisible();

    // A measured time stands beside the computed one.
    await page.getByRole('link', { name: 'Log' }).click();
    await expect(page.getByLabel('Measured time')).toBeVisible();
    await page.getByRole('combobox', { name: 'Motion', exact: true }).selectOption('Drawbridge');
    await page.getByLabel('Measured time').fill('1,9 s');
    await page.getByLabel('Note').fill('With the painted deck.');
    await page.getByRole('button', { name: 'Write it down' }).click();
    const row = page.getByRole('row').filter({ hasText: 'With the painted deck.' });
    await expect(row).toContainText('1.9 s');
    await expect(row).toContainText('1.85 s');
    await isSaved(page);

    // It is all there after a reload.
    await page.reload();
    await expect(row).toContainText('1.85 s');
    await page.getByRole('link', { name: 'Chains' }).click();
    await expect(page.getByRole('navigation', { name: 'Chain of Drawbridge' }).getByText('holds')).toHaveCount(8);
});

test('a build from nothing, by hand', async ({ page }) => {
    await page.goto('/');
    await page.getByLabel('Name of a new build').fill('Owl clock');
    await page.getByRole('button', { name: 'Create it' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Nothing moves yet');

    await page.getByRole('button', { name: 'Add a motion' }).click();
    await page.getByLabel('Its name').fill('Wing');
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Wing');

    await page.keyboard.press('2');
    await page.getByLabel('Mass of the arm').fill('8 oz');
    await page.getByLabel('Pivot to its balance point').fill('3 1/2 in');
    await page.getByLabel('Pivot to its balance point').press('Enter');
    await expect(page.getByText('= 88.9 mm')).toBeVisible();
    await expect(page.getByText('= 226.8 g')).toBeVisible();

    await page.keyboard.press('Tab');
    await page.getByRole('link', { name: /Drive/ }).click();
    await page
        .getByRole('button', { name: /^Take / })
        .first()
        .click();
    await expect(page.getByRole('region', { name: /Chosen:/ })).toBeVisible();
    await expect(page.getByRole('navigation', { name: 'Chain of Wing' }).getByRole('link', { name: /Drive/ })).toContainText('holds');
    await expect(page.getByRole('heading', { name: /of [0-9]+ carry it/ })).toBeVisible();
});

test('a routine is written, run and mended', async ({ page, request }) => {
    const id = await copyOf(request, 'quarry-tram');
    await page.goto(`/builds/${id}/routines`);
    await page.getByRole('button', { name: 'New routine' }).click();
    await page.getByRole('link', { name: 'Routine 3' }).click();
    await page.getByRole('combobox', { name: 'Add a step', exact: true }).fill('go');
    await page.getByRole('option', { name: 'Go to a place' }).click();
    await page.getByRole('button', { name: 'Done with this step' }).click();
    await expect(page.getByRole('button', { name: 'Take Ramp winch to Tip platform; give up after 10 s.' })).toBeVisible();
    await expect(page.getByText('moves here before it has been homed')).toBeVisible();
    await page.getByRole('button', { name: /Try: Home Ramp winch/ }).click();
    await page.getByRole('button', { name: /Keep/ }).click();
    await expect(page.getByRole('button', { name: /^Home Ramp winch at 50% speed/ })).toBeVisible();
    await expect(page.getByText('moves here before it has been homed')).toBeHidden();
    await page.getByLabel('Another start').selectOption({ label: 'Whistle button is pressed' });
    await expect(page.getByRole('region', { name: 'Result of the run' })).toContainText('Takes');

    await page.getByRole('combobox', { name: 'Add a step', exact: true }).fill('wait');
    await page.getByRole('option', { name: 'Wait' }).click();
    await page.getByLabel('Time', { exact: true }).fill('2500 ms');
    await page.getByLabel('Time', { exact: true }).press('Enter');
    await page.getByRole('button', { name: 'Done with this step' }).click();
    await expect(page.getByRole('button', { name: 'Wait 2.5 s.', exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Move step 2 down' }).click();
    await expect(page.getByRole('listitem').filter({ hasText: /^3Wait/ })).toBeVisible();
    await page.getByRole('button', { name: 'Take step 3 out' }).click();
    await expect(page.getByRole('button', { name: 'Wait 2.5 s.', exact: true })).toBeHidden();
});
