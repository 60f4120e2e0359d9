import { copyOf, expect, isSaved, open, seesNothingWrong, test } from './support';

test('a routine is written, its program taken along and proven, and what it said comes into the log', async ({ page, request }) => {
    test.setTimeout(480_000); // proving is minutes where the machine is busy
    const id = await copyOf(request, 'star-dial');
    await page.goto(`/builds/${id}/routines`);
    await page.getByRole('button', { name: 'New routine' }).click();
    await page.getByRole('link', { name: 'Routine 3' }).click();
    await page.getByLabel('Another start').selectOption({ index: 1 });
    const box = page.getByRole('combobox', { name: 'Add a step', exact: true });
    await box.focus();
    await page.keyboard.type('wait');
    await page.getByRole('option').first().click();
    await isSaved(page);

    await page.getByRole('link', { name: 'Program', exact: true }).click();
    await expect(page.getByRole('group', { name: 'routine.cpp' })).toContainText('static uint8_t do_routine(void)');
    await page.getByRole('radio', { name: 'MicroPython' }).click();
    await expect(page.getByRole('group', { name: 'routine.py' })).toContainText('def do_routine():');
    const taken = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Take it along, zip' }).click();
    expect((await taken).suggestedFilename()).toBe('star_dial-python.zip');

    await page.getByRole('radio', { name: 'Portable C' }).click();
    const proof = page.getByRole('region', { name: 'Proof' });
    await expect(proof.getByRole('heading', { name: 'Not proven yet' })).toBeVisible();
    await proof.getByRole('button', { name: 'Prove it' }).click();
    await expect(proof.getByRole('heading', { name: 'Proven', exact: true })).toBeVisible({ timeout: 300_000 });
    await expect(proof).toContainText('200 runs of chance');
    await seesNothingWrong(page);

    const report = (await (await request.get(`/api/builds/${id}/program?language=c`)).json()) as { mark: number };
    const lines = [
        { ms: 0, program: report.mark },
        { ms: 10, step: 0, is: 'begun' },
        { ms: 900, step: 0, is: 'done' },
        { ms: 1000, step: 1, is: 'begun' },
        { ms: 2600, step: 1, is: 'done' },
        { ms: 5000, step: 2, is: 'begun' },
        { ms: 6340, step: 2, is: 'done' },
    ];
    await page.getByRole('link', { name: 'Log', exact: true }).click();
    const spoken = page.getByRole('region', { name: 'What the program said' });
    await spoken.getByLabel('Lines that the program said').fill(`${lines.map((line) => JSON.stringify(line)).join('\n')}\nnonsense`);
    await expect(spoken).toContainText('Line 8: This is no line of a program.');
    await expect(spoken).toContainText('1 move between known places');
    await seesNothingWrong(page);
    await spoken.getByRole('button', { name: 'Write it into the log' }).click();
    await isSaved(page);
    await expect(page.getByRole('row', { name: /Said by the program/ })).toHaveCount(1);
});

test('a motion is moved by hand over a cable, and the build takes note that it goes the wrong way', async ({ page, request }) => {
    const id = await copyOf(request, 'quarry-tram');
    const { mark } = (await (await request.get(`/api/builds/${id}/program`)).json()) as { mark: number };
    // A board stands in at the end of the cable: what it is told is kept, and it answers a look.
    await page.addInitScript((mark) => {
        const told: string[] = [];
        let say: (text: string) => void = () => undefined;
        const port = {
            readable: new ReadableStream<Uint8Array>({ start: (to) => void (say = (text) => to.enqueue(new TextEncoder().encode(text))) }),
            writable: new WritableStream<Uint8Array>({
                write: (bytes) => {
                    const words = new TextDecoder().decode(bytes).trim();
                    told.push(words);
                    if (words === 'look') {
                        say('{"ms":5,"inputs":[1,0,0,0,0,0],"levels":[],"positions":[0,0,0]}\n');
                    }
                },
            }),
            open: () => Promise.resolve(say(`{"ms":0,"program":${mark}}\n`)),
            close: () => Promise.resolve(),
        };
        Object.defineProperty(navigator, 'serial', { value: { requestPort: () => Promise.resolve(port) } });
        Object.assign(window, { told });
    }, mark);
    await open(page, `/builds/${id}/program`);
    const byHand = page.getByRole('region', { name: 'By hand' });
    await byHand.getByRole('button', { name: 'Find the board' }).click();
    const up = byHand.getByRole('button', { name: /^Ramp winch up|^Ramp winch/ }).first();
    await up.hover();
    await page.mouse.down();
    await page.mouse.up();
    await expect(byHand.getByRole('table', { name: 'What the board sees' })).toContainText('on');
    const told = await page.evaluate(() => (window as unknown as { told: string[] }).told.filter((words) => words !== 'look'));
    expect(told).toEqual(['up 0', 'stop 0']);
    await seesNothingWrong(page);

    await byHand.getByRole('button', { name: 'Ramp winch goes the wrong way' }).click();
    await isSaved(page);
    const build = (await (await request.get(`/api/builds/${id}`)).json()) as { document: { motions: { drive: { reversed: boolean } }[] } };
    expect(build.document.motions[0]?.drive.reversed).toBe(true);
});
