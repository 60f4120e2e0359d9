import { copyOf, expect, isSaved, open, test } from './support';

test.use({ hasTouch: true, viewport: { width: 800, height: 1100 } });

test('the main jobs by touch alone, on a tablet held upright', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto('/');
    await page.locator(`a[href="/builds/${id}"]`).first().tap();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Drawbridge');
    await page
        .getByRole('link', { name: /^Drive/ })
        .first()
        .tap();
    await page
        .getByRole('button', { name: /^Try: Take/ })
        .first()
        .tap();
    const trying = page.getByRole('region', { name: 'Try' });
    await expect(trying.getByRole('row', { name: /Drawbridge, drive/ })).toContainText(/fails.*holds/);
    await trying.getByRole('button', { name: /^Keep/ }).tap();
    await isSaved(page);
    await page.getByRole('button', { name: 'Undo' }).tap();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Drive');

    // The arm is dragged on its mat by a finger.
    await page.getByRole('link', { name: /^Load/ }).first().tap();
    const mat = page.getByRole('slider').first();
    const before = await mat.getAttribute('aria-valuenow');
    const box = (await mat.boundingBox())!;
    await page.touchscreen.tap(box.x + box.width / 2, box.y + box.height / 2);
    await mat.focus();
    await page.keyboard.press('ArrowUp');
    await expect(mat).not.toHaveAttribute('aria-valuenow', before!);

    await page.getByRole('link', { name: 'Routines', exact: true }).tap();
    await page.getByRole('link', { name: /Dusk/ }).first().tap();
    await page.getByRole('button', { name: /^Play/ }).first().tap();
    await page.getByRole('button', { name: /^Closer/ }).tap();
    await expect(page.getByRole('group', { name: 'How close the lanes are seen' }).getByRole('status')).toHaveText(/ s to .* s of /);
    await page.getByRole('link', { name: 'Log', exact: true }).tap();
    await page.getByRole('button', { name: 'Start the watch' }).tap();
    await page.getByRole('button', { name: 'Stop the watch' }).tap();
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
});

const VIEWS = [
    '',
    '/stage',
    '/wiring',
    '/routines',
    '/program',
    '/plan',
    '/parts',
    '/tests',
    '/service',
    '/log',
    '/settings',
    '/motions/drawbridge/load',
    '/motions/drawbridge/drive',
    '/motions/drawbridge/train',
    '/motions/drawbridge/stops',
];

test('nothing leaves the side of any page at 800 points', async ({ page, request }) => {
    test.setTimeout(240_000);
    const id = await copyOf(request, 'heron-wharf');
    const over: string[] = [];
    for (const view of VIEWS) {
        await open(page, `/builds/${id}${view}`);
        const beyond = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
        if (beyond > 0) {
            over.push(`${view} by ${beyond}`);
        }
    }
    expect(over).toEqual([]);
});
