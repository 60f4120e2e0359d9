import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type APIRequestContext, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';

/** Every page of every test: what it logs as an error fails the test. */
export const test = base.extend({
    page: async ({ page }, run) => {
        const problems: string[] = [];
        page.on('pageerror', (error) => problems.push(error.message));
        page.on('console', (message) => message.type() === 'error' && !/status of (409|422|404)|ERR_/.test(message.text()) && problems.push(message.text()));
        await run(page);
        expect(problems).toEqual([]);
    },
});

export { expect };

/** A copy of a demo build, so that tests do not meet each other. */
export async function copyOf(request: APIRequestContext, demo: string): Promise<string> {
    const response = await request.post('/api/builds/import', {
        headers: { 'Content-Type': 'application/json' },
        data: readFileSync(`database/demo/${demo}.brookstone.json`),
    });
    return ((await response.json()) as { id: string }).id;
}

/** Opens a page and waits until it is drawn: a network at rest says nothing of a program that is still being read. */
export async function open(page: Page, path: string): Promise<void> {
    await page.goto(path, { waitUntil: 'networkidle' });
    await expect(page.locator('main').getByRole('heading', { level: 1 })).toBeVisible({ timeout: 60_000 });
}

/** What hangs on the width of a page alone; in another room its colours besides. */
export const LAID_OUT = ['target-size', 'scrollable-region-focusable', 'label', 'button-name', 'link-name'];

/** @param only rules that are asked for instead of all */
export async function seesNothingWrong(page: Page, only?: string[]): Promise<void> {
    // There are no frames: run in the page at once, without carrying what is right out and back in.
    const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
    const rules = only ? axe.withRules(only) : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']);
    const { violations } = await rules.analyze();
    expect(violations.map((each) => `${each.id}: ${each.nodes.map((node) => node.target.join(' ')).join(', ')}`)).toEqual([]);
}

export async function isSaved(page: Page): Promise<void> {
    await expect(page.getByText('Saved', { exact: true })).toBeVisible();
}
