import { copyOf, expect, isSaved, open, seesNothingWrong, test } from './support';

test('a season of times is pasted: repeats say how much they scatter, one that lies far off is named, a bad row is told', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await open(page, `/builds/${id}/log`);
    const many = page.getByRole('region', { name: 'Many at once' });
    const times = [2.3, 2.32, 2.28, 2.31, 2.29, 2.3, 2.33, 2.27, 2.3, 2.31, 4.4];
    const rows = times.map((time, i) => `Drawbridge,Down,Up,${time} s,,2026-11-${String(i + 1).padStart(2, '0')}`);
    const season = Array.from(
        { length: 38 },
        (_, i) => `Tide,Low water,High water,${(8.2 + (i % 7) / 20).toFixed(2)} s,,2026-11-${String((i % 28) + 1).padStart(2, '0')}`,
    );
    await many
        .getByLabel('Measurements as a table')
        .fill(['motion,from,to,time,current,day', ...rows, 'Drawbridge,Down,Up,-1,,', 'Drawbridge,Down,Up,1.9,240 mA,', ...season].join('\n'));
    await expect(many).toContainText('Row 13, time: Must be a number');
    await expect(many).toContainText('50 measurements understood.');
    await seesNothingWrong(page);
    await many.getByRole('button', { name: 'Write all 50 down' }).click();
    await isSaved(page);
    const tell = page.getByRole('region', { name: 'What the times tell' });
    await expect(tell.getByRole('row').filter({ hasText: 'Drawbridge' })).toContainText(/scattering by/);
    await expect(page.getByRole('region', { name: 'Everything measured' })).toContainText('Far off all others: it does not count.');
    await page.getByRole('link', { name: 'Chains' }).click();
    await expect(page.getByRole('navigation', { name: 'Chain of Drawbridge' }).getByRole('link', { name: /Proof/ })).toContainText('2.3 smeasured');

    // What waits for the tide gives up too soon now.
    await expect(async () => {
        const { assessment } = (await (await request.get(`/api/builds/${id}/judgement`)).json()) as {
            assessment: { routines: { findings: { code: string; says: { text: string } }[] }[] };
        };
        const says = assessment.routines.flatMap((routine) => routine.findings).filter((finding) => finding.code === 'routine.give_up_short');
        expect(says.map((finding) => finding.says.text).join(' ')).toContain('but Tide can take 8.');
    }).toPass();

    // It comes out as it went in.
    const csv = await (await request.get(`/api/builds/${id}/log.csv`)).text();
    expect(csv).toContain('Drawbridge,Down,Up,4.4 s');
});

test('how it was measured is typed with it, and what is wrong is said at its field', async ({ page, request }) => {
    const id = await copyOf(request, 'moth-lantern');
    await open(page, `/builds/${id}/log`);
    const form = page.getByRole('form', { name: 'Write down a measurement' });
    await form.getByText(/^How it was/).click();
    await form.getByLabel('Measured time').fill('1.4 s');
    await form.getByLabel('The supply gave').fill('4 kg');
    await form.getByLabel('It was').selectOption('warm from running');
    await form.getByRole('button', { name: 'Write it down' }).click();
    await expect(form.getByRole('alert')).toContainText('kg is a mass');
    await expect(form.getByLabel('Measured time')).toHaveValue('1.4 s');
    await form.getByLabel('The supply gave').fill('4.8 V');
    await form.getByRole('button', { name: 'Write it down' }).click();
    await isSaved(page);
    await expect(page.getByRole('region', { name: 'Everything measured' }).getByRole('row').nth(1)).toContainText('on 4.8 V, warm');
    await seesNothingWrong(page);
});
