import { readFileSync } from 'node:fs';
import { expect, isSaved, seesNothingWrong, test } from './support';

test('what only a run shows is told, from where it comes about, and is gone when it is mended', async ({ page, request }) => {
    const document = JSON.parse(readFileSync('database/examples/casket-lid.brookstone.json', 'utf8')) as { routines: { id: string; steps: object[] }[] };
    const peep = document.routines.findIndex((each) => each.id === 'peep');
    document.routines[peep]!.steps.push({ do: 'wait', until: { sensor: 'lid-open' }, give_up_s: 2 }); // and it has just been shut
    const sent = await request.post('/api/builds/import', { headers: { 'Content-Type': 'application/json' }, data: JSON.stringify(document) });
    expect(sent.status()).toBe(201);
    const { id } = (await sent.json()) as { id: string };

    await page.goto(`/builds/${id}`);
    await expect(page.getByRole('heading', { level: 1 })).toContainText('gives up: it timed out waiting when Open and shut is run from power-on');
    await page.goto(`/builds/${id}/routines/peep`);
    await expect(page.getByText(/Rehearsed from \d+ starts/)).toContainText('with something wrong');
    await page.getByRole('button', { name: /from power-on with Lid at Open/ }).click();
    await expect(page.getByLabel('What happens')).toHaveValue(/rehearsal \d/);
    await expect(page.getByRole('region', { name: 'Result of the run' })).toContainText('Gives up');
    await expect(page.getByRole('region', { name: 'The machine at the cursor' })).toContainText('Lid');
    await seesNothingWrong(page);

    const steps = page.getByRole('region', { name: 'Steps' });
    await steps
        .getByRole('button', { name: /^Take step \d+ out/ })
        .last()
        .click();
    await isSaved(page);
    await expect(page.getByText('Nothing, from wherever it begins.')).toBeVisible();
    await expect(page.getByText(/Rehearsed from \d+ starts/)).not.toContainText('wrong');
});
