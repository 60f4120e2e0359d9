import ICAL from 'ical.js';
import Papa from 'papaparse';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { copyOf, expect, isSaved, open, seesNothingWrong, test } from './support';

test('a plan survives a late parcel: what decides is said, a stand-in lets trials go on, and the calendar reads back', async ({ page, request }) => {
    const id = await copyOf(request, 'moth-lantern');
    await open(page, `/builds/${id}/plan`);
    await page.getByLabel('First day').fill('2026-12-01');
    await page.getByLabel('First day').blur();
    await isSaved(page);
    const says = page.getByText(/^It can first run on 20/);
    await expect(says).toBeVisible();
    const before = /run on (\S+)\./.exec((await says.textContent())!)![1]!;
    await page.getByRole('link', { name: 'Parts', exact: true }).click();
    const drive = page.getByRole('row', { name: /motor|servo/ }).first();
    await drive.getByLabel(/^Days until/).fill('-3');
    await drive.getByLabel(/^Days until/).blur();
    await expect(page.getByRole('alert')).toContainText('Must be');
    await drive.getByLabel(/^Days until/).fill('60');
    await drive.getByLabel(/^Days until/).blur();
    await expect(page.getByRole('alert')).toHaveCount(0);
    await isSaved(page);
    await seesNothingWrong(page);
    await page.getByRole('link', { name: 'Plan', exact: true }).last().click();
    await expect(page.getByText(/which takes 60 days\. Meanwhile \d+ tasks go on/)).toBeVisible();
    const late = /run on (\S+)\./.exec((await says.textContent())!)![1]!;
    expect(late > before).toBe(true);
    await page
        .getByLabel(/^What stands in for Get (servo|gear motor)/)
        .first()
        .fill('an old one');
    await page
        .getByLabel(/^What stands in for Get (servo|gear motor)/)
        .first()
        .blur();
    await expect(page.getByText(/With an old one in its place, this carries over/)).toBeVisible();
    await expect(says).not.toContainText(late);
    await seesNothingWrong(page);

    const ics = await (await request.get(`/api/builds/${id}/plan.ics?today=2026-12-01`)).text();
    const events = new ICAL.Component(ICAL.parse(ics) as unknown[]).getAllSubcomponents('vevent').map((each) => new ICAL.Event(each));
    const plan = (await (await request.get(`/api/builds/${id}/plan?today=2026-12-01`)).json()) as {
        tasks: { done: boolean; begins_on: string; ends_on: string; says: { text: string } }[];
    };
    const open_ = plan.tasks.filter((task) => !task.done);
    expect(events.map((event) => `${event.summary} ${event.startDate.toString()}`).sort()).toEqual(
        open_.map((task) => `${task.says.text} ${task.begins_on}`).sort(),
    );
});

test('a task of one’s own is planned, and one that would need itself is refused with the reason', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await open(page, `/builds/${id}/plan`);
    const form = page.getByRole('form', { name: 'A task of your own' });
    await form.getByLabel('What is to be done').fill('Sew the sail');
    await form.getByLabel('And before').selectOption({ label: 'Cover and paint, and put the service card in' });
    await form.getByRole('button', { name: 'Add it' }).click();
    await isSaved(page);
    await expect(page.getByRole('row', { name: /Sew the sail/ })).toBeVisible();
    await page.getByRole('checkbox', { name: 'Sew the sail is done' }).click();
    await expect(page.getByRole('checkbox', { name: 'Sew the sail is done' })).toBeChecked();
    await isSaved(page);
    await page.reload();
    await expect(page.getByRole('checkbox', { name: 'Sew the sail is done' })).toBeChecked();
    await page.getByRole('button', { name: 'Take out Sew the sail' }).click();
    await expect(page.getByRole('row', { name: /Sew the sail/ })).toHaveCount(0);
});

test('a service falls due, is done, and stands in the history', async ({ page, request }) => {
    const id = await copyOf(request, 'quarry-tram');
    await open(page, `/builds/${id}/service`);
    await page.getByLabel('In use since').fill('2024-01-01');
    await page.getByLabel('In use since').blur();
    await isSaved(page);
    await expect(page.getByText(/jobs are due\. The first:/)).toBeVisible();
    const cord = page.getByRole('row', { name: /Look at the cord of Ramp winch/ });
    await expect(cord).toContainText('Due');
    await cord.getByLabel(/^What was found/).fill('One strand frayed; shortened');
    await cord.getByRole('button', { name: /^Done/ }).click();
    await isSaved(page);
    await expect(cord).not.toContainText('Due');
    await expect(page.getByRole('region', { name: 'History' })).toContainText('One strand frayed; shortened');
    await page.getByLabel('It should run at least every, hours').fill('24');
    await page.getByLabel('It should run at least every, hours').press('Enter');
    await isSaved(page);
    await page.getByLabel('Last seen running').fill('2026-01-05');
    await page.getByLabel('Last seen running').blur();
    await expect(page.getByText(/^A run was missed: it should run every 24 hours, and was last seen on 2026-01-05/)).toBeVisible();
    await seesNothingWrong(page);
});

test('bench tests are ticked off, one that fails shows in the chain, and an endurance run is counted', async ({ page, request }) => {
    const id = await copyOf(request, 'moth-lantern');
    await open(page, `/builds/${id}/tests`);
    const first = page.getByRole('region', { name: 'Bare mechanism by hand' }).getByRole('row').nth(1);
    await first.getByRole('button', { name: 'otherwise' }).click();
    await isSaved(page);
    await expect(page.getByText(/Did not come out:/)).toBeVisible();
    await first.getByLabel(/^What was seen/).fill('It binds near the top');
    await first.getByLabel(/^What was seen/).blur();
    await isSaved(page);
    const endurance = page.getByRole('region', { name: 'Endurance' });
    await endurance.getByRole('button', { name: /^Begin a run of/ }).click();
    await endurance.getByLabel('Count').fill('many');
    await endurance.getByRole('button', { name: 'Write it down' }).click();
    await expect(endurance.getByRole('alert')).toContainText('Must be a whole number');
    await endurance.getByLabel('Count').fill('200');
    await endurance.getByRole('button', { name: 'Write it down' }).click();
    await expect(endurance).toContainText('0 failures in 200: with 95% it fails in no more than 1.49% of its runs.');
    await seesNothingWrong(page);
    const says = page.getByRole('region', { name: 'What the bench says' });
    await expect(says).toContainText(/A bench test did not come out on .*: It binds near the top/);
    await page.getByRole('link', { name: 'Log', exact: true }).click();
    await expect(says).toContainText(/A bench test did not come out on .*: It binds near the top/);
});

test('what was measured is explained, kept beside what was said, and dropped again', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    const rows = [2.72, 2.7, 2.74].flatMap((up, i) => [`Tide,Low water,High water,${up} s,0.158 A`, `Tide,High water,Low water,${2.62 + i * 0.01} s,0.098 A`]);
    await open(page, `/builds/${id}/log`);
    await page
        .getByRole('region', { name: 'Many at once' })
        .getByLabel('Measurements as a table')
        .fill(['motion,from,to,time,current', ...rows].join('\n'));
    await page.getByRole('button', { name: /^Write all 6 down/ }).click();
    await isSaved(page);
    const refit = page.getByRole('region', { name: 'What explains it' });
    await expect(refit).toContainText('Its mass');
    await expect(refit).toContainText('What its supply gives');
    const keep = refit.getByRole('button', { name: 'See what that changes' });
    await expect(keep).toBeVisible({ timeout: 30_000 });
    await keep.click();
    await page.getByRole('button', { name: /^Keep/ }).click();
    await isSaved(page);
    await expect(refit.getByRole('button', { name: 'Go by what was said again' })).toBeVisible();
    await seesNothingWrong(page);
    const measured = async () =>
        ((await (await request.get(`/api/builds/${id}`)).json()) as { document: { motions: { id: string; measured: object | null }[] } }).document.motions.find(
            (each) => each.id === 'tide',
        )!.measured;
    expect(await measured()).not.toBeNull();
    await refit.getByRole('button', { name: 'Go by what was said again' }).click();
    await page.getByRole('button', { name: /^Keep/ }).click();
    await isSaved(page);
    await expect(async () => expect(await measured()).toBeNull()).toPass();
});

interface Piece {
    str: string;
    transform: number[];
}

for (const [size, width, height] of [
    ['A4', 595.3, 841.9],
    ['Letter', 612, 792],
] as const) {
    test(`sheets print on ${size} to scale, each on a page of its own, twice the same`, async ({ page, request }) => {
        const id = await copyOf(request, 'heron-wharf');
        await open(page, `/builds/${id}/sheets`);
        await page.getByRole('combobox', { name: 'Paper' }).selectOption(size);
        await expect(page.getByRole('region', { name: 'Service card' })).toBeVisible();
        await expect(page.getByRole('region', { name: 'Cautions' })).toBeVisible();
        await expect(page.getByRole('region', { name: 'Wiring', exact: true })).toBeVisible();
        await page.waitForLoadState('networkidle');
        const print = async () => {
            const document = await getDocument({ data: new Uint8Array(await page.pdf({ preferCSSPageSize: true, printBackground: true })), verbosity: 0 })
                .promise;
            const pages = [];
            for (let number = 1; number <= document.numPages; number++) {
                const sheet = await document.getPage(number);
                const { items } = await sheet.getTextContent();
                pages.push({
                    view: sheet.getViewport({ scale: 1 }),
                    pieces: items as Piece[],
                    text: (items as Piece[])
                        .map((item) => item.str)
                        .join(' ')
                        .replace(/\s+/g, ' '),
                });
            }
            return pages;
        };
        const pages = await print();
        for (const { view } of pages) {
            expect(Math.abs(view.width - width)).toBeLessThan(1);
            expect(Math.abs(view.height - height)).toBeLessThan(1);
        }
        // The build is on one page, and each motion begins a page of its own.
        expect(pages[0]!.text).toContain('The build on one page');
        expect(pages[1]!.text).toContain('Heron neck Heron Wharf, version 1,');
        const of = (title: string) => pages.filter((each) => each.text.startsWith(title));
        for (const title of [
            'Drawbridge',
            'Wiring',
            'Assembly, in this order',
            'Harbour show',
            'Times of the moves',
            'Bench tests',
            'Plan',
            'Parts',
            'Service card',
            'Cautions',
        ]) {
            expect(of(title), title).toHaveLength(1);
        }
        // The bar of the drawing is 50 mm long on the paper: its two figures begin at its two ends.
        const tide = of('Tide')[0]!.pieces;
        const end = tide.findIndex((piece) => piece.str === '250 mm');
        const zero = tide.slice(0, end).findLastIndex((piece) => piece.str === '0');
        expect(Math.abs(tide[end]!.transform[4]! - tide[zero]!.transform[4]! - (50 / 25.4) * 72)).toBeLessThan(0.5);
        expect(tide[end]!.transform[5]).toBe(tide[zero]!.transform[5]);
        expect((await print()).map((each) => each.text)).toEqual(pages.map((each) => each.text));
        await seesNothingWrong(page);
    });
}

test('the list of parts reads back as a table', async ({ request }) => {
    const id = await copyOf(request, 'heron-wharf');
    const csv = await (await request.get(`/api/builds/${id}/parts.csv`)).text();
    const parts = (await (await request.get(`/api/builds/${id}/parts`)).json()) as { lines: { name: { text: string }; count: number }[] };
    const { data, errors } = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true });
    expect(errors).toEqual([]);
    expect(data.map((row) => row.part)).toEqual(parts.lines.map((line) => line.name.text));
    expect(data.map((row) => Number(row.count))).toEqual(parts.lines.map((line) => Number(line.count.toFixed(2))));
});
