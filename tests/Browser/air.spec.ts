import { readFileSync } from 'node:fs';
import { expect, isSaved, open, seesNothingWrong, test } from './support';

interface Stored {
    version: number;
    document: {
        tanks: { tank_l: number }[];
        motions: { drive: { motor: { kind: string; valve: string; flow_l_min: number } }; latch: { motion: string | null } | null }[];
    };
}

test('a lid is pushed by air: too small a tank is told and mended, the run shows its pressure, and a cylinder that ends too hard is throttled', async ({
    page,
    request,
}) => {
    test.setTimeout(180_000);
    const imported = await request.post('/api/builds/import', {
        headers: { 'Content-Type': 'application/json' },
        data: readFileSync('database/examples/crate-imp.brookstone.json'),
    });
    const { id } = (await imported.json()) as { id: string };
    const stored = async () => (await (await request.get(`/api/builds/${id}`)).json()) as Stored;
    const type = async (label: string, text: string) => {
        await page.getByLabel(label, { exact: true }).fill(text);
        await page.getByLabel(label, { exact: true }).press('Enter');
    };

    // A tank that is too small, by hand; the judge says so once it has rehearsed, and mends it.
    await open(page, `/builds/${id}/wiring`);
    await type('Compressor gives', '2 l/min');
    await type('Holds', '0.5 l');
    await isSaved(page);
    await open(page, `/builds/${id}/routines/burst`);
    await expect(page.getByText(/Tank falls to 5\.\d+ bar, under the 5\.5 bar at which its compressor starts/).first()).toBeVisible({ timeout: 60_000 });
    await page
        .getByRole('button', { name: /^Try: Take a tank of/ })
        .first()
        .click({ timeout: 60_000 });
    await page.getByRole('button', { name: /^Keep/ }).click();
    await isSaved(page);
    await expect.poll(async () => (await stored()).document.tanks[0]!.tank_l).toBeGreaterThan(0.5);
    await expect(page.getByText(/of air a run$/)).toBeVisible();
    await seesNothingWrong(page);

    // Nonsense stays at its field; a throttle that is opened too far is told, and closed again.
    await open(page, `/builds/${id}/motions/lid/drive`);
    await type('Throttled to', 'a gust');
    await expect(page.getByRole('alert').first()).toBeVisible();
    await expect(page.getByLabel('Throttled to', { exact: true })).toHaveValue('a gust');
    await type('Throttled to', '24 l/min');
    await expect(page.getByText(/It comes to its end with 0\.311 J, and the ends of the cylinder take up 0\.3 J/)).toBeVisible();
    await page.getByLabel('Told nothing, its valve').selectOption('vents');
    await isSaved(page);
    await expect.poll(async () => (await stored()).document.motions[0]!.drive.motor).toMatchObject({ valve: 'vents', flow_l_min: 24 });
    await seesNothingWrong(page);
});

test('a hammer is held by its latch until its trigger lets it go', async ({ page, request }) => {
    test.setTimeout(120_000);
    const document = JSON.parse(readFileSync('database/examples/bell-hammer.brookstone.json', 'utf8')) as { routines: { steps: unknown[] }[] };
    document.routines[1]!.steps.shift(); // it lets go what the latch holds: as long as a step does that, the latch stays
    const imported = await request.post('/api/builds/import', { data: document });
    const { id } = (await imported.json()) as { id: string };
    const latch = async () => ((await (await request.get(`/api/builds/${id}`)).json()) as Stored).document.motions[0]!.latch;

    await open(page, `/builds/${id}/motions/part/stops`);
    await page.getByRole('button', { name: 'Take the latch away' }).click();
    await expect.poll(latch).toBeNull();
    await page.getByRole('button', { name: 'Put a latch to it' }).click();
    await expect(page.getByLabel('Trigger stands at')).toHaveValue('pulled');
    await isSaved(page);
    await expect.poll(latch).toMatchObject({ motion: 'trigger', lets_go: 'pulled', place: 'end' });
    await seesNothingWrong(page);

    await page.goto(`/builds/${id}/rig`); // it is never at rest: open would wait for that
    await expect(page.getByText('Bell hammer is caught by its latch.')).toBeVisible({ timeout: 40_000 });
});
