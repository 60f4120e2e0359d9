import { readFileSync } from 'node:fs';
import { copyOf, expect, isSaved, open, seesNothingWrong, test } from './support';

interface Stored {
    version: number;
    document: {
        wiring: {
            boards: { id: string; x_mm: number; board: { name: string } }[];
            wires: { signal: string; pin: string; fixed: boolean; colour: string | null }[];
            done: string[];
        };
    };
}

test('a build is wired from nothing, a pin fixed by hand, a board exchanged, the wires written out and read back, assembly ticked off', async ({
    page,
    request,
}) => {
    test.setTimeout(120_000);
    const id = await copyOf(request, 'heron-wharf');
    const stored = async () => (await (await request.get(`/api/builds/${id}`)).json()) as Stored;
    await request.post(`/api/builds/${id}/edits`, { data: { version: (await stored()).version, changes: [{ path: 'wiring', value: {} }] } });
    await open(page, `/builds/${id}/wiring`);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Nothing is wired yet');

    // From nothing.
    await page.getByRole('button', { name: /^Wire it, with 1 controller/ }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('29 wires on 4 boards');
    await isSaved(page);
    await expect(page.getByRole('region', { name: 'Wiring sheet' }).getByText('Drawbridge motor', { exact: true })).toBeVisible();
    await seesNothingWrong(page);

    // A pin by hand, and it stays.
    await page.getByRole('region', { name: 'Wiring sheet' }).getByText('Attendant button', { exact: true }).click();
    const wire = page.getByRole('region', { name: /^Wire \d+$/ });
    await wire.getByLabel('Pin', { exact: true }).selectOption('controller-1 p17');
    await wire.getByLabel('Fixed').click();
    await expect(wire.getByLabel('Fixed')).toBeChecked();
    await wire.getByLabel('Colour').selectOption('pink');
    await isSaved(page);
    const kept = async () => (await stored()).document.wiring.wires.find((each) => each.signal === 'sensors.attendant');
    await expect.poll(kept).toMatchObject({ pin: 'p17', fixed: true, colour: 'pink' });

    // Another board in the place of one: too small, and it says so.
    const boards = page.getByRole('region', { name: /^Boards/ });
    await boards.locator('summary').click();
    await boards.getByLabel('Board', { exact: true }).nth(1).selectOption('H2 small');
    await expect(page.getByText(/Drawbridge motor draws .* on the average while it runs, and Bridge 1 A bears 1\.2 A for good/)).toBeVisible();
    await isSaved(page);

    // A board is moved by the keys.
    const before = (await stored()).document.wiring.boards[0]!.x_mm;
    await page.getByRole('group', { name: /^Controller 1, K34/ }).press('ArrowRight');
    await expect.poll(async () => (await stored()).document.wiring.boards[0]!.x_mm).toBe(before + 5);

    // Written out and read back.
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Wires, CSV' }).click();
    const lines = readFileSync(await (await download).path(), 'utf8')
        .trim()
        .split('\r\n');
    await page.getByText(/^Wires: \d+$/).click();
    const table = page
        .getByRole('table')
        .filter({ hasText: 'Cross' })
        .or(page.getByRole('table').filter({ hasText: 'mm²' }));
    await expect(table.getByRole('row')).toHaveCount(lines.length);
    expect(lines.find((line) => line.includes('Attendant button,Controller 1 p17'))).toContain('pink');

    // Ticked off, and kept over a reload.
    await page.getByText(/^Assembly: \d+ steps$/).click();
    await page.getByRole('checkbox', { name: /^Screw Controller 1 down/ }).click();
    await expect(page.getByText(/^1 of \d+ done\.$/)).toBeVisible();
    await isSaved(page);
    await page.reload();
    await page.getByText(/^Assembly: \d+ steps$/).click();
    await expect(page.getByRole('checkbox', { name: /^Screw Controller 1 down/ })).toBeChecked();
});

test('a dial that does not sleep is mended to sleep, and its button wakes it', async ({ page, request }) => {
    const id = await copyOf(request, 'star-dial');
    await open(page, `/builds/${id}/wiring`);
    await expect(page.getByText(/Battery pack with 8 Ah lasts 33/)).toBeVisible();
    await page
        .getByRole('button', { name: /^Try: Let Controller 1 sleep while nothing is to be done; put Button on Controller 1 p/ })
        .click({ timeout: 60_000 });
    await expect(page).toHaveURL(/builds/);
    const trying = page.getByRole('region', { name: 'Try' });
    await trying.getByRole('button', { name: /Keep/ }).click();
    await isSaved(page);
    await open(page, `/builds/${id}/wiring`);
    await expect(page.getByText(/^Lasts [\d.]+ years$/)).toBeVisible();
});

test('a board of one’s own is chosen once it is in the drawer', async ({ page }) => {
    await page.goto('/drawer');
    await page.getByRole('button', { name: 'Boards', exact: true }).click();
    await expect(page.getByText('K54', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Add a board' }).click();
    const last = page.getByRole('listitem').last();
    await expect(last.getByText('New', { exact: true })).toBeVisible();
    await expect(page.getByText('Must not be empty.')).toBeVisible(); // it has no name yet
    await last.getByLabel(/^Name of board/).fill('Own bridge');
    await last.getByLabel(/^A channel bears, A of board/).fill('3');
    await last.getByLabel(/^for a start, A of board/).fill('6');
    await last.getByLabel(/^for a start, A of board/).press('Enter');
    await expect
        .poll(async () => ((await (await page.request.get('/api/drawer/boards')).json()) as { boards: { name: string }[] }).boards.map((board) => board.name))
        .toContain('Own bridge');
    await seesNothingWrong(page);
    await last.getByRole('button', { name: /^Take board/ }).click();
});

test('a battery, a plug and a sensor are taken out of the drawer', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    interface Parts {
        document: {
            supplies: { name: string; volts_V: number; capacity_Ah: number | null; cells: string }[];
            sensors: { name: string; kind: string; current_A: number }[];
            wiring: { wires: { signal: string; plug: string; plug_A: number | null }[] };
        };
    }
    const stored = async () => ((await (await request.get(`/api/builds/${id}`)).json()) as Parts).document;
    const source = (await stored()).supplies[0]!;
    await open(page, `/builds/${id}/wiring`);
    await page.getByText(`more of ${source.name}`).click();
    const supply = page.getByRole('listitem').filter({ hasText: `more of ${source.name}` });
    await supply.getByLabel('Out of the drawer', { exact: true }).first().selectOption('B12 lead');
    await expect.poll(async () => (await stored()).supplies[0]).toMatchObject({ name: source.name, volts_V: 12, capacity_Ah: 7, cells: 'lead' });
    const chart = page.getByRole('img', { name: new RegExp(`^Voltage of ${source.name} over the charge that is taken: at rest 12.8 V full and 10.8 V empty`) });
    await expect(chart).toBeVisible();

    // A plug into the lead of a motor that is too small for it.
    await page.getByRole('region', { name: 'Wiring sheet' }).getByText('Drawbridge motor', { exact: true }).click();
    const wire = page.getByRole('region', { name: /^Wire \d+$/ });
    await wire.getByLabel('Plug out of the drawer').selectOption('J9 row');
    await expect(wire.getByLabel('Plug', { exact: true })).toHaveValue('J9 row');
    await wire.getByLabel('A contact bears').fill('0.2 A');
    await wire.getByLabel('A contact bears').press('Enter');
    await expect(page.getByText(/The plug J9 row in wire \d+ to Drawbridge motor bears 0\.2.A, and .* can flow in it\./).first()).toBeVisible();
    await seesNothingWrong(page);

    // One sensor more is counted before it is there; then it is made of a part.
    await open(page, `/builds/${id}/routines/harbour-show`);
    await page.getByText('Target time, sensors, outputs, counters').click();
    await page.getByLabel('What is added').selectOption({ label: 'Reflective sensor' });
    await expect(page.getByText(/^One more takes 1 input: no board more, \d+ pins are left$/)).toBeVisible();
    await page.getByRole('button', { name: 'Add a reflective sensor' }).click();
    await page.getByText('more of Reflective sensor').click();
    const sensor = page.getByRole('listitem').filter({ hasText: 'more of Reflective sensor' });
    await sensor.getByLabel('Out of the drawer').selectOption('V mirror');
    await expect.poll(async () => (await stored()).sensors.find((each) => each.name === 'Reflective sensor')).toMatchObject({ current_A: 0.02 });
    await expect(sensor.getByLabel('Takes itself')).toHaveValue('20');
    await seesNothingWrong(page);
});
