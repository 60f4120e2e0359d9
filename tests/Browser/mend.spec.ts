import { readFileSync } from 'node:fs';
import type { APIRequestContext, Page } from '@playwright/test';
import { expect, isSaved, seesNothingWrong, test } from './support';

/** A copy of a demo build with three mistakes in it: a supply too weak, a switch beyond its stop, a step that gives up too soon. */
async function faulty(request: APIRequestContext): Promise<string> {
    const document = JSON.parse(readFileSync('database/demo/quarry-tram.brookstone.json', 'utf8')) as {
        supplies: { max_A: number }[];
        motions: { id: string; stops: { hard_high: number; switches: { at: number }[] } }[];
        routines: { steps: { give_up_s?: number }[] }[];
    };
    document.supplies[1]!.max_A = 1.2;
    document.routines[1]!.steps.find((step) => 'give_up_s' in step)!.give_up_s = 0.2;
    document.motions[0]!.stops.switches[1]!.at = document.motions[0]!.stops.hard_high + 20;
    const response = await request.post('/api/builds/import', { data: document });
    return ((await response.json()) as { id: string }).id;
}

const fails = (page: Page) => page.getByRole('heading', { level: 1 });

test('a build that fails in three ways is mended by one button, step by step', async ({ page, request }) => {
    await page.goto(`/builds/${await faulty(request)}`);
    await page.getByRole('button', { name: 'Mend all' }).click();
    const plan = page.getByRole('region', { name: 'Mend all' });
    await expect(plan.getByText('Then the whole build holds')).toBeVisible({ timeout: 90_000 });
    const steps = await plan.getByRole('listitem').count();
    expect(steps).toBeGreaterThanOrEqual(3);

    // One of them is dropped: something else takes its place, or is said to be left; it can be taken back.
    const first = (await plan.getByRole('listitem').first().textContent())!;
    await plan.getByRole('button', { name: 'Drop mend 1' }).click();
    await expect(plan.getByText(/Then the whole build holds|Here it ends/)).toBeVisible({ timeout: 90_000 });
    await expect(plan.getByRole('listitem').first()).not.toContainText(first);
    await plan.getByRole('button', { name: 'Take back the one that was dropped' }).click();
    await expect(plan.getByText('Then the whole build holds')).toBeVisible({ timeout: 90_000 });

    await plan.getByRole('button', { name: 'Look at the build with mend 1' }).click();
    await expect(page.getByRole('region', { name: 'Try' }).getByRole('table')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('region', { name: 'Try' })).toBeHidden();
    await seesNothingWrong(page);

    await plan.getByRole('button', { name: 'Keep them all' }).click();
    await expect(plan).toBeHidden();
    await isSaved(page);
    await expect(fails(page)).not.toContainText(/gives|trips|gives up/, { timeout: 90_000 });
    await expect(page.getByText('being rehearsed')).toBeHidden({ timeout: 90_000 });
    await expect(page.getByRole('button', { name: 'Mend all' })).toBeHidden(); // nothing fails or is tight

    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('button', { name: 'Mend all' })).toBeVisible(); // all of them are undone as one
});

test('the same is mended by hand, one after the other', async ({ page, request }) => {
    await page.goto(`/builds/${await faulty(request)}`);
    for (let mends = 0; mends < 8; mends++) {
        await expect(page.getByText(/being rehearsed/)).toBeHidden({ timeout: 90_000 });
        const offer = page.getByRole('region', { name: 'What gives first' }).getByRole('button', { name: /^Try:/ });
        await expect(offer.or(page.getByText('All that can be computed holds'))).toBeVisible({ timeout: 90_000 });
        if (!(await offer.isVisible())) {
            break;
        }
        const told = (await fails(page).textContent())!;
        await offer.click();
        await page.getByRole('region', { name: 'Try' }).getByRole('table').waitFor();
        await page.getByRole('button', { name: /^Keep/ }).click();
        await isSaved(page);
        await expect(fails(page)).not.toHaveText(told);
    }
    await expect(fails(page)).toContainText('All that can be computed holds');
});
