// Medians of page and API of a running server, as JSON: node bin/support/bench.mjs ADDRESS
import { chromium } from '@playwright/test';
import { BROWSER } from './browser.mjs';
import { readFileSync } from 'node:fs';

const address = process.argv[2];
const median = (values) => Math.round([...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] * 100) / 100;
const json = { 'Content-Type': 'application/json' };
const post = async (path, body) =>
    (await fetch(`${address}/api/${path}`, { method: 'POST', headers: json, body: typeof body === 'string' ? body : JSON.stringify(body) })).json();

async function timed(times, run) {
    const took = [];
    for (let i = 0; i < times + 5; i++) {
        const start = performance.now();
        await run(i);
        if (i >= 5) took.push(performance.now() - start); // the first few warm the workers up
    }
    return median(took);
}

const results = {};
const browser = await chromium.launch(BROWSER);
await timed(5, async () => (await fetch(`${address}/api/builds`)).text());

// A first visit, with nothing kept, while nothing is rehearsed: until something is painted, and until the first page can be used; how much of it moves by then.
const first = { paint: [], usable: [], moved: [] };
for (let i = 0; i < 9; i++) {
    const fresh = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const visit = await fresh.newPage();
    await visit.addInitScript(() => {
        window.moved = 0;
        const until = new MutationObserver(() => {
            if ([...document.querySelectorAll('h2, h3')].some((each) => each.textContent.startsWith('Heron Wharf'))) {
                until.disconnect();
                requestAnimationFrame(() => setTimeout(() => (window.usable = performance.now()))); // once that frame is painted
            }
        });
        until.observe(document, { subtree: true, childList: true });
        new PerformanceObserver((list) => list.getEntries().forEach((entry) => (window.moved += entry.hadRecentInput ? 0 : entry.value))).observe({
            type: 'layout-shift',
            buffered: true,
        });
    });
    await visit.goto(`${address}/`);
    first.usable.push(await (await visit.waitForFunction(() => window.usable)).jsonValue());
    first.paint.push(await visit.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0].startTime));
    await visit.waitForTimeout(300);
    first.moved.push(await visit.evaluate(() => window.moved));
    await fresh.close();
}
results.first_paint_ms = median(first.paint);
results.first_usable_ms = median(first.usable);
results.first_layout_shift = median(first.moved);

let build = await post('builds/import', readFileSync('database/demo/heron-wharf.brookstone.json', 'utf8'));
results.api_show_build_ms = await timed(40, async () => (await fetch(`${address}/api/builds/${build.id}`)).text());
results.api_wiring_ms = await timed(20, async () => (await fetch(`${address}/api/builds/${build.id}/wiring`)).text());
results.api_edit_ms = await timed(40, async (i) => {
    build = await post(`builds/${build.id}/edits`, {
        version: build.version,
        changes: [{ path: 'motions.1.mechanism.mass_kg', text: String(500 + i), unit: 'g' }],
    });
});
results.api_judgement_ms = await timed(10, async (i) => {
    build = await post(`builds/${build.id}/edits`, {
        version: build.version,
        changes: [{ path: 'motions.1.mechanism.mass_kg', text: String(600 + i), unit: 'g' }],
    });
    await (await fetch(`${address}/api/builds/${build.id}/judgement`)).text();
});
results.api_run_routine_ms = await timed(20, () => post(`builds/${build.id}/routines/harbour-show/run`, { scenario: 'visitor' }));
results.api_rank_drives_ms = await timed(10, async () => (await fetch(`${address}/api/builds/${build.id}/motions/drawbridge/drives`)).text());
results.api_make_trains_ms = await timed(6, async () => (await fetch(`${address}/api/builds/${build.id}/motions/lantern/trains?ratio=30&stages=3`)).text());
results.api_schools_ms = await timed(5, async () => (await fetch(`${address}/api/builds/${build.id}/motions/drawbridge/schools`)).text());
results.api_easing_ms = await timed(10, async () => (await fetch(`${address}/api/builds/${build.id}/motions/drawbridge/easing`)).text());

const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const ready = [];
for (let i = 0; i < 9; i++) {
    const start = performance.now();
    await page.goto(`${address}/builds/${build.id}`);
    await page.getByRole('navigation', { name: 'Chain of Drawbridge' }).waitFor();
    ready.push(performance.now() - start);
}
results.page_ready_ms = median(ready.slice(1));

// Frames a second while a mat plays, counted where they are drawn; and the longest that one frame stood.
const frames = async () =>
    page.evaluate(
        () =>
            new Promise((resolve) => {
                const times = [];
                const tick = (now) => {
                    times.push(now);
                    if (now - times[0] < 3000) {
                        requestAnimationFrame(tick);
                    } else {
                        const gaps = times.slice(1).map((time, i) => time - times[i]);
                        resolve({ rate: (1000 * gaps.length) / (times[times.length - 1] - times[0]), longest: Math.max(...gaps) });
                    }
                };
                requestAnimationFrame(tick);
            }),
    );
for (const [name, path] of [
    ['mat', 'motions/drawbridge/load'],
    ['train', 'motions/lantern/train'],
]) {
    await page.goto(`${address}/builds/${build.id}/${path}`, { waitUntil: 'networkidle' });
    await page.getByRole('button', { name: /^Play/ }).click();
    await page.waitForTimeout(300);
    const { rate, longest } = await frames();
    results[`play_${name}_frames_per_s`] = rate;
    results[`play_${name}_longest_frame_ms`] = longest;
}

// From the key to the frame that shows the new torque in the chain, measured inside the page.
await page.goto(`${address}/builds/${build.id}/motions/drawbridge/load`);
await page.getByLabel('Mass of the arm').focus();
const edits = [];
for (let i = 0; i < 25; i++) {
    const took = await page.evaluate(
        () =>
            new Promise((resolve) => {
                const chain = document.querySelector('nav[aria-label="Chain of Drawbridge"]');
                const before = chain.textContent;
                const start = performance.now();
                const observer = new MutationObserver(() => {
                    if (chain.textContent !== before) {
                        observer.disconnect();
                        requestAnimationFrame(() => {
                            // A task posted in a frame runs once that frame is painted.
                            const painted = new MessageChannel();
                            painted.port1.onmessage = () => resolve(performance.now() - start);
                            painted.port2.postMessage(null);
                        });
                    }
                });
                observer.observe(chain, { subtree: true, characterData: true, childList: true });
                document.activeElement.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true }));
            }),
    );
    edits.push(took);
    await page.waitForTimeout(120);
}
results.edit_to_pixels_ms = median(edits.slice(3));

// From the arrow key that moves a mount on the stage to the frame that says what is nearest then.
const troll = (await (await fetch(`${address}/api/builds`)).json()).find((each) => each.name === 'Grumbling Troll');
await page.goto(`${address}/builds/${troll.id}/stage`); // it asks on while its routines are rehearsed
await page
    .getByRole('group', { name: 'From the front' })
    .getByRole('button', { name: /^Jaw stands here/ })
    .focus();
const mounts = [];
for (let i = 0; i < 25; i++) {
    const took = await page.evaluate(
        (key) =>
            new Promise((resolve) => {
                const mats = document.querySelector('main');
                const start = performance.now();
                const handle = document.activeElement;
                const circle = handle.querySelector('circle');
                const before = circle.getAttribute('cx');
                const observer = new MutationObserver(() => {
                    if (circle.getAttribute('cx') !== before) {
                        observer.disconnect();
                        requestAnimationFrame(() => {
                            const painted = new MessageChannel();
                            painted.port1.onmessage = () => resolve(performance.now() - start);
                            painted.port2.postMessage(null);
                        });
                    }
                });
                observer.observe(mats, { subtree: true, attributes: true, childList: true });
                handle.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
            }),
        i % 2 === 0 ? 'ArrowRight' : 'ArrowLeft',
    );
    mounts.push(took);
    await page.waitForTimeout(250);
}
results.mount_to_pixels_ms = median(mounts.slice(3));

// The same for the whole machine.
const loft = (await (await fetch(`${address}/api/builds`)).json()).find((each) => each.name === 'Bale Loft');
await page.goto(`${address}/builds/${loft.id}/stage`);
await page.getByLabel('Play').selectOption('fetch');
await page.getByRole('slider', { name: 'Time' }).waitFor();
await page.getByRole('button', { name: /^Play/ }).first().click();
await page.waitForTimeout(300);
const { rate, longest } = await frames();
results.play_stage_frames_per_s = rate;
results.play_stage_longest_frame_ms = longest;
await browser.close();
await fetch(`${address}/api/builds/${build.id}`, { method: 'DELETE', headers: json, body: '{}' });
console.log(JSON.stringify(results));
