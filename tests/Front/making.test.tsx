import { screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { PartsReport, PlanReport, PlanTask } from '../../resources/js/api/types';
import { freeId } from '../../resources/js/making/freeId';
import { PlanBars } from '../../resources/js/making/PlanBars';
import { PartsPage } from '../../resources/js/pages/PartsPage';
import { edited, open } from './bench';

const words = (text: string) => ({ template: text, values: {}, text });
const line = (id: string, name: string): PartsReport['lines'][number] => ({
    id,
    group: 'drives',
    name: words(name),
    count: 1,
    per: 'piece',
    for: ['Tide'],
    made: 'bought',
    have: false,
    place: '',
    price: null,
    days: null,
    comes_on: null,
    note: '',
    cost: null,
    spares: 0,
    why: '',
});
const parts: PartsReport = {
    says: words('Two kinds are still to get.'),
    to_get: 2,
    cost: 0,
    cost_all: 0,
    groups: [{ id: 'drives', name: 'Drives' }],
    lines: [line('drives/new one', 'a new motor'), line('drives/other', 'another motor')],
};

describe('a part of the list', () => {
    it('comes into the document with the first thing that is said of it, and only once', async () => {
        const { user, server } = await open(<PartsPage />);
        server.says('GET builds/b1/parts', parts);
        const at = server.stored.document.making.parts.length;
        await user.type(await screen.findByLabelText('Price of a new motor'), '12.5{Enter}');
        await edited();
        expect(server.edits).toHaveLength(2);
        expect(server.edits[0]).toMatchObject({ path: `making.parts.${at}`, value: { id: 'drives/new one' } });
        expect(server.edits[1]).toEqual({ path: `making.parts.${at}.price`, text: '12.5', unit: '' });
        await waitFor(() => expect(server.stored.document.making.parts).toHaveLength(at + 1));
        await user.type(screen.getByLabelText('Where to get a new motor'), 'the market{Enter}');
        await waitFor(() => expect(server.edits).toHaveLength(3));
        expect(server.edits[2]).toEqual({ path: `making.parts.${at}.place`, value: 'the market' });
    });

    it('says what is wrong at its own field alone, and keeps what was typed', async () => {
        const { user, server } = await open(<PartsPage />);
        server.says('GET builds/b1/parts', parts);
        await user.type(await screen.findByLabelText('Price of a new motor'), 'dear{Enter}');
        expect((await screen.findByRole('alert')).textContent).toContain('dear');
        expect(screen.getAllByRole('alert')).toHaveLength(1);
        expect(screen.getByLabelText<HTMLInputElement>('Price of a new motor').value).toBe('dear');
        expect(screen.getByLabelText('Price of a new motor').getAttribute('aria-invalid')).toBe('true');
        expect(screen.getByLabelText<HTMLInputElement>('Price of another motor').value).toBe('');
        await user.clear(screen.getByLabelText('Price of a new motor'));
        await user.type(screen.getByLabelText('Price of a new motor'), '3{Enter}');
        await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
    });
});

describe('the bars of a plan', () => {
    const task = (id: string, begins: number, worked: number, ends: number): PlanTask => ({
        id,
        stage: 'parts',
        says: words(id),
        own: false,
        hours: 1,
        waits_days: 0,
        late_days: 0,
        stand_in: '',
        needs: [],
        done: false,
        done_on: null,
        begins,
        worked,
        ends,
        spare_days: 0,
        critical: true,
        begins_on: null,
        ends_on: null,
    });
    const plan = (over: Partial<PlanReport>): PlanReport => ({
        says: words(''),
        begins_on: null,
        from_on: null,
        ends_day: 10,
        runs_day: null,
        runs_on: null,
        ends_on: null,
        hours: 2,
        path: ['second'],
        remarks: [],
        cautions: [],
        stages: [],
        tasks: [task('second', 4, 5, 10), task('first', 0, 1, 4)],
        ...over,
    });

    it('stand in the order in which they begin, and mark what decides the end', async () => {
        await open(<PlanBars of={plan({})} />);
        const bars = await screen.findByRole('img', { name: 'Bars of 2 tasks over 10 days' });
        expect([...bars.querySelectorAll('title')].map((each) => each.textContent)).toEqual(['first', 'second']);
        expect(bars.querySelectorAll('.stroke-ink')).toHaveLength(1);
        const [first, second] = [...bars.querySelectorAll<SVGRectElement>('.fill-accent')].map((each) => Number(each.getAttribute('width')));
        expect(first).toBeCloseTo(second!, 5); // both are worked on for a day
        expect(bars.textContent).toContain('day 1');
    });

    it('have dates from the day from which what is open is planned', async () => {
        await open(<PlanBars of={plan({ begins_on: '2026-04-20', from_on: '2026-12-30' })} />);
        const bars = await screen.findByRole('img', { name: /^Bars/ });
        expect(bars.textContent).toContain('12-30');
        expect(bars.textContent).toContain('01-01');
    });
});

describe('an id that is free', () => {
    it('is none that is there, whatever was taken out before', () => {
        expect(freeId([], 'task')).toBe('task-1');
        expect(freeId([{ id: 'task-2' }, { id: 'task-3' }], 'task')).toBe('task-4');
        expect(freeId([{ id: 'task-2' }], 'task')).toBe('task-3');
    });
});
