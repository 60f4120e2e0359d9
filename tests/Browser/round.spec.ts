import { readFileSync } from 'node:fs';
import { copyOf, expect, isSaved, seesNothingWrong, test } from './support';

test('one motor moves two: what decides is said, and kept', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/motions/tide/drive`);
    await page.getByLabel('The same motor moves').selectOption({ label: 'Ferry too' });
    await page.getByLabel('Which of them, says').selectOption({ label: 'all: the first always forwards' });
    await expect(page.getByText(/One motor moves this both ways, and with it Ferry always forwards/)).toBeVisible();
    await page.getByLabel('Which of them, says').selectOption({ label: 'a selector' });
    await page.getByLabel('It is changed over by').selectOption({ label: 'Heron neck' });
    await page.getByLabel('It moves Tide at').selectOption({ label: 'Strike' });
    await expect(page.getByLabel('It moves Ferry at')).toHaveValue('rest');
    await page.getByLabel('Told that it holds Tide by').selectOption({ label: 'Visitor beam' });
    await isSaved(page);
    await page.reload();
    await expect(page.getByLabel('It is changed over by')).toHaveValue('heron-neck');
    await expect(page.getByLabel('It moves Tide at')).toHaveValue('strike');
    await expect(page.getByLabel('Told that it holds Tide by')).toHaveValue('visitor-beam');
    await page.goto(`/builds/${id}/motions/drawbridge/drive`);
    await page.getByLabel('The same motor moves').selectOption({ label: 'Tide too' });
    await expect(page.getByRole('alert')).toContainText('Needs a place of Heron neck that moves no other.'); // it has two, and there are three now
    await page.goto(`/builds/${id}/motions/tide/drive`);
    await page.getByLabel('It is changed over by').selectOption({ label: 'a hand' });
    await isSaved(page);
    await page.goto(`/builds/${id}/motions/drawbridge/drive`);
    await page.getByLabel('The same motor moves').selectOption({ label: 'Tide too' });
    await expect(page.getByLabel('It is changed over by')).toHaveValue('');
    await expect(page.getByText(/One motor moves this and Ferry and Tide through a selector/)).toBeVisible();
    await page.getByLabel('Which of them, says').selectOption({ label: 'its direction of turn' });
    await isSaved(page);
    await page.goto(`/builds/${id}/motions/tide/drive`);
    await expect(page.getByLabel('Which of them, says')).toHaveValue('direction');
    await seesNothingWrong(page);
});

test('a dial has as many places as it is given, but none less than a routine goes to', async ({ page, request }) => {
    const sent = await request.post('/api/builds/import', {
        headers: { 'Content-Type': 'application/json' },
        data: readFileSync('database/examples/star-dial.brookstone.json'),
    });
    const { id } = (await sent.json()) as { id: string };
    await page.goto(`/builds/${id}/motions/dial/task`);
    await page.getByText('Does it come round?').click();
    const places = page.getByLabel('A dial of so many places');
    await places.fill('6');
    await places.press('Enter');
    await expect(page.getByText('A routine goes to place 7 of this dial: take that out first.')).toBeVisible();
    await expect(places).toHaveValue('6');
    await page.getByLabel('Turns or rolls on').click();
    await expect(page.getByText('A dial turns on and on: take the dial out first.')).toBeVisible();
    await places.fill('12');
    await places.press('Enter');
    await isSaved(page);
    await expect(page.getByText('A routine goes to place 7')).toBeHidden();
    await expect(page.getByText('A dial turns on and on')).toBeHidden();
    await page.reload();
    await expect(places).toHaveValue('12');
});

test('a lamp that its own sensor sees, and a door that shuts unlooked, are told where they are mended', async ({ page, request }) => {
    const id = await copyOf(request, 'heron-wharf');
    await page.goto(`/builds/${id}/routines/dusk`);
    await page.getByText('Target time, sensors, outputs, counters').click();
    await page.getByText('more of Daylight').click();
    const adds = page.getByLabel('Which adds to its reading');
    await expect(adds).toHaveValue('6');
    await adds.fill('25');
    await adds.press('Enter');
    await expect(page.getByText(/Lantern lamp changes what Daylight reads by 25, and what switches it on and off lies only 20 apart/).first()).toBeVisible();
    await page.getByLabel('Sees the light of').selectOption({ label: 'not said' });
    await expect(page.getByText(/Dusk switches Lantern lamp on by what Daylight reads/).first()).toBeVisible();

    await page.goto(`/builds/${id}/motions/drawbridge/task`);
    await page.getByText('What must not happen').click();
    await page.getByLabel('Door or lid, shut at').selectOption({ label: 'Down' });
    await isSaved(page);
    await page.goto(`/builds/${id}/routines/harbour-show`);
    await expect(page.getByText(/Drawbridge shuts, and nothing has checked whether somebody is in it/).first()).toBeVisible();
});
