import { copyOf, expect, open, test } from './support';
import type { Page } from '@playwright/test';

/** What is pressed, typed into or opened on a page, but is never reached by the Tab key; and what only a mouse can press. */
async function outOfReach(page: Page): Promise<string[]> {
    const count = await page.evaluate(() => {
        const wanted = 'a[href], button, input, select, textarea, summary, [role="button"], [role="slider"], [role="tab"]';
        const isShown = (each: Element) => each.checkVisibility({ visibilityProperty: true }) && each.getClientRects().length > 0;
        const all = [...document.querySelectorAll(wanted)].filter(
            (each) =>
                isShown(each) &&
                !each.matches(':disabled') &&
                each.closest('[aria-hidden="true"], [inert]') === null &&
                // Of a group of which one is chosen only that one is reached by Tab, the others by arrow keys.
                !each.matches('input[type="radio"], [role="radio"], [tabindex="-1"]'),
        );
        (window as unknown as { left: Set<Element> }).left = new Set(all);
        document.addEventListener('focusin', (event) => (window as unknown as { left: Set<Element> }).left.delete(event.target as Element));
        (document.activeElement as HTMLElement | null)?.blur();
        return all.length + 3 * all.filter((each) => each.matches('input[type="date"]')).length; // day, month, year and calendar are a stop each
    });
    for (let i = 0; i < count + 20; i++) {
        await page.keyboard.press('Tab');
    }
    return page.evaluate(() => {
        const name = (each: Element) => `${each.tagName.toLowerCase()} ${each.getAttribute('aria-label') ?? each.textContent?.trim().slice(0, 40) ?? ''}`;
        const left = [...(window as unknown as { left: Set<Element> }).left].filter((each) => each.isConnected && each.checkVisibility()).map(name);
        const focusable = 'a[href], button, input, select, textarea, summary, label, [tabindex], [role="slider"]';
        const byMouse = [...document.querySelectorAll('main *')]
            .filter((each) => getComputedStyle(each).cursor === 'pointer' && each.closest(focusable) === null && each.getClientRects().length > 0)
            .map((each) => `only by mouse: ${name(each)}`);
        return [...left, ...new Set(byMouse)];
    });
}

test('everything on every page is reached by the keyboard', async ({ page, request }) => {
    test.setTimeout(400_000);
    const id = await copyOf(request, 'heron-wharf');
    const build = `/builds/${id}`;
    const pages = [
        '/',
        '/drawer',
        '/calculators/load.arm',
        '/trainer',
        '/glossary',
        build,
        ...['task', 'load', 'drive', 'train', 'stops'].map((station) => `${build}/motions/drawbridge/${station}`),
        ...['stage', 'wiring', 'routines/harbour-show', 'program', 'plan', 'parts', 'tests', 'service', 'log', 'pictures', 'settings', 'compare'].map(
            (each) => `${build}/${each}`,
        ),
    ];
    const found: Record<string, string[]> = {};
    for (const path of pages) {
        await open(page, path);
        await expect(page.getByText(/being tried on the whole build/)).toBeHidden({ timeout: 40_000 });
        const out = await outOfReach(page);
        if (out.length > 0) {
            found[path.replace(id, 'ID')] = out.slice(0, 8);
        }
    }
    expect(found).toEqual({});
});

test('where the keyboard is, is seen', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    for (const path of [`/builds/${id}/motions/drawbridge/train`, `/builds/${id}/wiring`, '/calculators/load.arm']) {
        await open(page, path);
        for (let i = 0; i < 40; i++) {
            await page.keyboard.press('Tab');
            const seen = await page.evaluate(() => {
                const at = document.activeElement!;
                const [own, around] = [getComputedStyle(at), getComputedStyle(at.parentElement!)];
                const before = around.borderColor;
                (at as HTMLElement).blur();
                const after = getComputedStyle(at.parentElement!).borderColor;
                (at as HTMLElement).focus({ preventScroll: true });
                return own.outlineStyle !== 'none' || before !== after || at === document.body ? '' : at.outerHTML.slice(0, 120);
            });
            expect(seen).toBe('');
        }
    }
});
