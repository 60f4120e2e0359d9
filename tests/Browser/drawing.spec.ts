import { copyOf, expect, isSaved, seesNothingWrong, test } from './support';

interface Stored {
    document: {
        motions: { id: string; mechanism: { mass_kg: number }; places: { at: number }[]; stops: { hard_high: number | null }; train: { driven: number }[] }[];
    };
}

test('sizes are changed on the drawing, marks are dragged along it, and what is folded up opens where it is wrong', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    const bridge = async () => ((await (await request.get(`/api/builds/${id}`)).json()) as Stored).document.motions.find((each) => each.id === 'drawbridge')!;
    const at = (station: string) => `/builds/${id}/motions/drawbridge/${station}`;

    // The mass beside the arm is the one in the list.
    await page.goto(at('load'));
    const drawn = page.getByLabel('On the drawing: mass', { exact: true });
    await drawn.fill('0.6 kg');
    await drawn.press('Enter');
    await expect(page.getByLabel('Mass of the arm')).toHaveValue(/^(0\.6|600)$/);
    await isSaved(page);
    expect((await bridge()).mechanism.mass_kg).toBeCloseTo(0.6, 9);
    await drawn.fill('heavy');
    await drawn.press('Enter');
    await expect(page.getByLabel('Mass of the arm')).toHaveValue('heavy'); // it is wrong in both, and stays in both
    await expect(drawn).toHaveAttribute('aria-invalid', 'true');
    await drawn.fill('500 g');
    await drawn.press('Enter');
    await isSaved(page);

    // The teeth of a wheel, on the wheel.
    await page.goto(at('train'));
    const teeth = page.getByLabel('On the drawing: driven of stage 1, teeth');
    await teeth.press('ArrowUp');
    await expect(page.getByLabel('Teeth of the driven wheel')).toHaveValue('31');
    await isSaved(page);
    expect((await bridge()).train[0]!.driven).toBe(31);

    // A place and a hard stop along the way of the arm.
    const drag = async (name: string, nth: number, by: number) => {
        const box = (await page
            .locator('circle', { has: page.locator('title', { hasText: name }) })
            .nth(nth)
            .boundingBox())!;
        const from = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
        await page.mouse.move(from.x, from.y);
        await page.mouse.down();
        await page.mouse.move(from.x + by, from.y, { steps: 4 });
        await page.mouse.up();
        await isSaved(page);
    };
    await page.goto(at('task'));
    await drag('Drag Up', 0, 40);
    const up = (await bridge()).places.map((place) => place.at);
    expect(Math.max(...up)).toBeLessThan(78);
    expect(Math.max(...up)).toBeGreaterThan(60);
    await page.goto(at('stops'));
    const before = (await bridge()).stops.hard_high!;
    await drag('Drag the hard stop', 1, -30);
    expect((await bridge()).stops.hard_high!).toBeGreaterThan(before + 2);

    // A fold says what is in it; it opens for what is wrong in it.
    await page.goto(at('train'));
    const plate = page.getByRole('region', { name: 'Its plate' });
    await expect(plate.getByText('holes every 5 mm')).toBeVisible();
    const grid = plate.getByLabel('Between holes');
    await expect(grid).toBeHidden();
    await plate.getByText('Its plate').click();
    await grid.fill('a few');
    await grid.press('Enter');
    await expect(plate.getByRole('alert')).toBeVisible();
    await page.reload();
    await expect(grid).toBeVisible();
    await expect(grid).toHaveValue('a few');
    await grid.fill('10 mm');
    await grid.press('Enter');
    await expect(plate.getByRole('alert')).toHaveCount(0);
    await expect(grid).toBeVisible(); // mended, it does not shut under one's hands

    // Nor where its name is changed in it.
    await page.getByText('In the way: the hinge bolt').click();
    await page.getByRole('textbox', { name: 'What it is' }).fill('a stud');
    await page.getByRole('textbox', { name: 'What it is' }).press('Enter');
    await expect(page.getByRole('region', { name: 'In the way: a stud' }).getByRole('textbox', { name: 'Its radius' })).toBeVisible();
    await isSaved(page);
    await seesNothingWrong(page);
});
