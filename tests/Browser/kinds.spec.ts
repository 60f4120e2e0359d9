import { copyOf, expect, isSaved, test } from './support';

const KINDS = [
    'Something that swings',
    'Something that turns about an upright axis',
    'Something that is lifted',
    'Something that slides',
    'Something that drives on wheels',
    'A slider on a crank',
    'A figure rocked by a crank',
    'Something moved through a rod',
    'A ball driven from inside',
    'A sprung lever, wound back and let go',
    'A conveyor or a feeder drum',
    'I measured its pull',
    'Something that balances on wheels',
];

test('every kind of motion can be added, drawn, moved and given a drive', async ({ page, request }) => {
    test.setTimeout(480_000);
    const id = await copyOf(request, 'moth-lantern');
    await page.goto(`/builds/${id}`);
    await page.getByRole('button', { name: 'Add a motion' }).click();
    await expect(page.getByRole('dialog').getByRole('radio')).toHaveCount(KINDS.length);
    await page.keyboard.press('Escape');
    for (const [i, kind] of KINDS.entries()) {
        await page.goto(`/builds/${id}`);
        await page.getByRole('button', { name: 'Add a motion' }).click();
        await page.getByLabel('Its name').fill(`Kind ${i + 1}`);
        await page.getByText(kind, { exact: true }).click();
        await page.getByRole('button', { name: 'Add it' }).click();
        await expect(page.getByRole('heading', { level: 1 })).toContainText(`Kind ${i + 1} · Task`);
        const chain = page.getByRole('navigation', { name: `Chain of Kind ${i + 1}` });
        await chain.getByRole('link', { name: /Load/ }).click();
        await expect(chain.getByRole('link', { name: /Load/ })).toContainText(/[0-9.]+ N·m/);
        await expect(page.getByText('How to measure this')).toBeVisible();
        const mat = page.getByRole('slider', { name: `Position of Kind ${i + 1}` });
        const before = await mat.getAttribute('aria-valuenow');
        await mat.focus();
        await page.keyboard.press('End');
        await expect(mat).not.toHaveAttribute('aria-valuenow', before!);
        await isSaved(page);
    }
    await page.goto(`/builds/${id}/motions/kind-7/drive`);
    await page
        .getByRole('region', { name: 'Drives in order' })
        .getByRole('button', { name: /^Take / })
        .first()
        .click();
    await expect(page.getByRole('region', { name: /Chosen:/ })).toBeVisible();
    await page.getByRole('button', { name: /Play/ }).click();
    await expect(page.getByRole('slider')).not.toHaveAttribute('aria-valuenow', '0');
});
