import type { APIRequestContext, Page } from '@playwright/test';
import { copyOf, expect, isSaved, open, seesNothingWrong, test } from './support';

interface Stored {
    document: {
        motions: { id: string; mount: { on: string | null; x_m: number; z_m: number } | null; bodies: { x_m: number }[] }[];
        things: { x_m: number; z_m: number }[];
    };
    assessment: { stage: { findings: { code: string }[] } };
}

const stored = async (request: APIRequestContext, id: string) => (await (await request.get(`/api/builds/${id}`)).json()) as Stored;

const empty = async (request: APIRequestContext) => ((await (await request.post('/api/builds', { data: { name: 'Figure' } })).json()) as { id: string }).id;

const front = (page: Page) => page.getByRole('group', { name: 'From the front' });

/** Drags what is on the front mat by so many points. */
async function drag(page: Page, name: RegExp, dx: number, dy: number) {
    const handle = front(page).getByRole('button', { name });
    const box = (await handle.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + dx / 2, box.y + box.height / 2 + dy / 2);
    await page.mouse.move(box.x + box.width / 2 + dx, box.y + box.height / 2 + dy);
    await page.mouse.up();
}

test('a figure of three motions on one another is built from nothing by mouse', async ({ page, request }) => {
    const id = await empty(request);
    await open(page, `/builds/${id}/stage`);
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Nothing stands anywhere yet');
    await seesNothingWrong(page);
    for (const [name, on] of [
        ['Neck', ''],
        ['Head', ' on Neck'],
        ['Jaw', ' on Head'],
    ] as const) {
        await page.getByRole('button', { name: `Add a motion${on}`, exact: true }).click();
        await page.getByLabel('Its name').fill(name);
        await page.getByRole('button', { name: 'Add it' }).click();
        await expect(front(page).getByRole('button', { name: new RegExp(`^${name} stands here`) })).toBeVisible();
    }
    await isSaved(page);
    await expect.poll(async () => (await stored(request, id)).document.motions.map((motion) => motion.mount?.on)).toEqual([null, 'neck', 'head']);

    // Each carries what stands on it, and the neck is found to be asked most with the others somewhere else.
    await expect(page.getByText(/^Moves .* of its own and carries/).first()).toBeVisible();
    const before = (await stored(request, id)).document.motions[2]!;
    await drag(page, /^Part of Jaw/, 60, 0);
    await isSaved(page);
    await expect.poll(async () => (await stored(request, id)).document.motions[2]!.bodies[0]!.x_m).toBeGreaterThan(before.bodies[0]!.x_m + 0.01);
    await drag(page, /^Head stands here/, 0, -40);
    await isSaved(page);
    const after = await stored(request, id);
    expect(after.document.motions[1]!.mount!.z_m).toBeGreaterThan(0.1);
    expect(after.document.motions[2]!.mount!.z_m).toBe(0.1); // what stands on it went along
    await page.waitForFunction(() => document.getAnimations().every((each) => each.playState !== 'running'));
    await seesNothingWrong(page);
});

test('the same figure is built by keyboard alone', async ({ page, request }) => {
    const id = await empty(request);
    await open(page, `/builds/${id}/stage`);
    for (const [name, on] of [
        ['Neck', ''],
        ['Head', ' on Neck'],
        ['Jaw', ' on Head'],
    ] as const) {
        await page.getByRole('button', { name: `Add a motion${on}`, exact: true }).focus();
        await page.keyboard.press('Enter');
        await expect(page.getByLabel('Its name')).toBeFocused();
        await page.keyboard.type(name);
        await page.keyboard.press('Enter');
        await expect(front(page).getByRole('button', { name: new RegExp(`^${name} stands here`) })).toBeVisible();
    }
    await isSaved(page);
    await front(page)
        .getByRole('button', { name: /^Jaw stands here/ })
        .focus();
    for (let i = 0; i < 3; i++) {
        await page.keyboard.press('Shift+ArrowRight');
    }
    await page.keyboard.press('ArrowUp');
    await isSaved(page);
    await expect.poll(async () => (await stored(request, id)).document.motions[2]!.mount).toMatchObject({ on: 'head', x_m: 0.03, z_m: 0.101 });

    // Typed, in any unit; nonsense is told at its field and stays.
    const right = page.getByLabel('To the right');
    await right.fill('a mile');
    await right.press('Enter');
    await expect(page.getByRole('alert').first()).toContainText('a mile');
    await expect(right).toHaveValue('a mile');
    await right.fill('2 in');
    await right.press('Enter');
    await expect(page.getByText('= 50.8 mm')).toBeVisible();
    await page.getByLabel('Stands on').selectOption('neck');
    await isSaved(page);
    await expect.poll(async () => (await stored(request, id)).document.motions[2]!.mount).toMatchObject({ on: 'neck', x_m: 0.0508 });
    await page.getByRole('button', { name: 'Undo' }).focus();
    await page.keyboard.press('Enter');
    await expect.poll(async () => (await stored(request, id)).document.motions[2]!.mount?.on).toBe('head');
});

test('a thing put into the way by hand is found at once, and what is offered mends it', async ({ page, request }) => {
    const id = await empty(request);
    const lift = {
        id: 'lift',
        name: 'Lift',
        mechanism: { kind: 'hoist', mass_kg: 0.6, drum_radius_m: 0.01, friction_N: 0.2 },
        places: [
            { id: 'low', name: 'Low', at: 0 },
            { id: 'high', name: 'High', at: 0.1 },
        ],
        task: { from: 'low', to: 'high', move_s: 4 },
        mount: { z_m: 0.1 },
        bodies: [{ id: 'box', name: 'Box', length_m: 0.1 }],
    };
    await request.post(`/api/builds/${id}/edits`, {
        data: {
            version: 1,
            changes: [
                { path: 'motions.0', value: lift },
                { path: 'things.0', value: { id: 'shelf', name: 'Shelf', x_m: 0.25, z_m: 0.2, length_m: 0.1, height_m: 0.02 } },
            ],
        },
    });
    await open(page, `/builds/${id}/stage`);
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Nothing touches');
    await drag(page, /^Shelf,/, -300, 0);
    await expect(page.getByRole('heading', { level: 1 })).toContainText(/^Box of Lift touches Shelf with Lift at/);
    await isSaved(page);
    const offer = page.getByRole('button', { name: /^Try: Put Shelf \d+.mm to the/ }).first();
    await expect(offer).toBeVisible({ timeout: 30_000 });
    await seesNothingWrong(page);
    await offer.click();
    await page.getByRole('region', { name: 'Try' }).getByRole('button', { name: /Keep/ }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Nothing touches');
    await isSaved(page);
    expect((await stored(request, id)).assessment.stage.findings.map((finding) => finding.code)).not.toContain('stage.touches');
});

test('a routine plays with everything in its place, and the troll says what it touches', async ({ page, request }) => {
    const id = await copyOf(request, 'grumbling-troll');
    await open(page, `/builds/${id}/stage`);
    await page.getByLabel('Play').selectOption('grumble');
    const time = page.getByRole('slider', { name: 'Time' });
    await expect(time).toBeVisible();
    await time.fill('1');
    await expect(page.getByRole('slider', { name: /Neck/ })).not.toHaveValue('0');
    await page.getByRole('button', { name: 'Play', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Nose of Head touches Hand of Arm', { timeout: 30_000 });
});

test('what must meet is said, and brought into tolerance', async ({ page, request }) => {
    const id = await empty(request);
    const trolley = {
        id: 'trolley',
        name: 'Trolley',
        mechanism: { kind: 'slide', mass_kg: 0.5, pulley_radius_m: 0.01, friction_coefficient: 0.1 },
        places: [
            { id: 'in', name: 'In', at: 0 },
            { id: 'out', name: 'Out', at: 0.2 },
        ],
        task: { from: 'in', to: 'out', move_s: 2 },
        train: [{ type: 'spur', driver: 20, driven: 20, module_mm: 1, backlash_mm: 4 }],
        mount: { z_m: 0.3 },
        bodies: [{ id: 'hook', name: 'Hook', length_m: 0.05 }],
    };
    await request.post(`/api/builds/${id}/edits`, { data: { version: 1, changes: [{ path: 'motions.0', value: trolley }] } });
    await open(page, `/builds/${id}/stage`);
    await page.getByRole('button', { name: 'Add a meeting' }).click();
    const section = page.getByRole('region', { name: 'What must meet' });
    await section.getByText('Meeting 1', { exact: true }).click();
    await section.getByLabel('Name').fill('Hook on bale');
    await section.getByLabel('There, to the right').nth(1).fill('20 cm');
    await section.getByLabel('There, up').nth(1).fill('300 mm');
    await section.getByLabel('Forgives').fill('1.5 mm');
    await section.getByLabel('Forgives').press('Enter');
    await expect(section.getByText(/^Off by up to 2.mm, 2.mm as a rule; 1\.5.mm is forgiven\.$/)).toBeVisible();
    await expect(section.getByRole('cell', { name: 'The play of Trolley' })).toBeVisible();
    await isSaved(page);
    await expect(page.getByRole('heading', { level: 1 })).toContainText(/^Hook on bale is off by up to 2.mm/);
    const offer = page.getByRole('button', { name: /^Try: Take the play out of Trolley/ }).first();
    await expect(offer).toBeVisible({ timeout: 30_000 });
    await page.waitForFunction(() => document.getAnimations().every((each) => each.playState !== 'running'));
    await seesNothingWrong(page);
    await offer.click();
    await page.getByRole('region', { name: 'Try' }).getByRole('button', { name: /Keep/ }).click();
    await expect(section.getByText(/^Off by up to 0.mm/)).toBeVisible();
    await expect(section.getByText(/^holds$/i)).toBeVisible();
});
