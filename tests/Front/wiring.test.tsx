import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, inject, it, vi } from 'vitest';
import type { WiringReport } from '../../resources/js/api/types';
import { WiringPage } from '../../resources/js/pages/WiringPage';
import { AssemblyList } from '../../resources/js/wiring/AssemblyList';
import { ShoppingTable } from '../../resources/js/wiring/ShoppingTable';
import { SheetDrawing } from '../../resources/js/wiring/SheetDrawing';
import { useBuild } from '../../resources/js/state/BuildContext';
import { SupplyFields } from '../../resources/js/wiring/SupplyFields';
import { SupplyTree } from '../../resources/js/wiring/SupplyTree';
import { atServer, edited, open } from './bench';

const given = (): WiringReport => structuredClone(inject('wiring'));

const page = async (report = given()) => {
    const opened = await open(<WiringPage />, '/builds/b1/wiring');
    opened.server.says('GET builds/b1/wiring', report);
    await screen.findByRole('region', { name: 'Wiring sheet' });
    return opened;
};

function Fields() {
    return <SupplyFields supply={useBuild().stored.document.supplies[0]!} index={0} />;
}

describe('the wiring sheet', () => {
    it('shows every board with its pins, and names what its wires go to', async () => {
        await open(<SheetDrawing sheet={given().sheet} lit={null} onLight={() => {}} onPick={() => {}} onMove={() => {}} />);
        const sheet = await screen.findByRole('region', { name: 'Wiring sheet' });
        for (const board of given().sheet.boards) {
            expect(within(sheet).getByRole('group', { name: new RegExp(`^${board.name}, ${board.series}\\.`) })).toBeTruthy();
        }
        expect(within(sheet).getByText('Drawbridge motor')).toBeTruthy();
    });

    it('lights a wire that the pointer is on, and picks it', async () => {
        const [light, pick] = [vi.fn(), vi.fn()];
        await open(<SheetDrawing sheet={given().sheet} lit={null} onLight={light} onPick={pick} onMove={() => {}} />);
        const name = await screen.findByText('Drawbridge motor');
        fireEvent.pointerEnter(name);
        expect(light).toHaveBeenLastCalledWith(1);
        fireEvent.pointerLeave(name);
        expect(light).toHaveBeenLastCalledWith(null);
        fireEvent.click(name);
        expect(pick).toHaveBeenCalledWith(1);
    });

    it('moves a board by the arrow keys, farther with Shift', async () => {
        const move = vi.fn();
        await open(<SheetDrawing sheet={given().sheet} lit={null} onLight={() => {}} onPick={() => {}} onMove={move} />);
        const board = given().sheet.boards[1]!;
        const drawn = await screen.findByRole('group', { name: new RegExp(`^${board.name},`) });
        fireEvent.keyDown(drawn, { key: 'ArrowLeft' });
        fireEvent.keyDown(drawn, { key: 'ArrowDown', shiftKey: true });
        fireEvent.keyDown(drawn, { key: 'a' });
        expect(move.mock.calls).toEqual([
            [board.id, board.x_mm - 5, board.y_mm],
            [board.id, board.x_mm, board.y_mm + 50],
        ]);
    });

    it('moves a board where it is dragged', async () => {
        const move = vi.fn();
        Object.defineProperty(SVGElement.prototype, 'getScreenCTM', { configurable: true, value: () => ({ inverse: () => ({ a: 0.5, d: 0.5, e: 0, f: 0 }) }) });
        await open(<SheetDrawing sheet={given().sheet} lit={null} onLight={() => {}} onPick={() => {}} onMove={move} />);
        const board = given().sheet.boards[0]!;
        const drawn = await screen.findByRole('group', { name: new RegExp(`^${board.name},`) });
        const at = (x: number, y: number) => ({ pointerId: 1, clientX: x, clientY: y });
        fireEvent.pointerDown(drawn, at(100, 100));
        fireEvent.pointerMove(drawn.closest('svg')!, at(160, 80));
        fireEvent.pointerUp(drawn, at(160, 80));
        expect(move).toHaveBeenCalledWith(board.id, board.x_mm + 30, board.y_mm - 10);
        fireEvent.pointerDown(drawn, at(100, 100));
        fireEvent.pointerUp(drawn, at(100, 100));
        expect(move).toHaveBeenCalledTimes(1);
    });
});

describe('the page of the wiring', () => {
    it('says how many wires on which boards, and how many pins are free', async () => {
        await page();
        expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('29 wires on 4 boards');
        expect(screen.getByText(/^1 K34, 1 H2 middle, 1 D1 small, 1 H2 small; \d+ pins are free\.$/)).toBeTruthy();
    });

    it('puts a picked wire on another pin, of its board', async () => {
        const { user } = await page();
        await user.click(within(screen.getByRole('region', { name: 'Wiring sheet' })).getByText('Attendant button'));
        const wire = await screen.findByRole('region', { name: /^Wire \d+$/ });
        const pins = within(wire).getByLabelText<HTMLSelectElement>('Pin');
        await user.selectOptions(pins, [...pins.options].at(-1)!.value);
        const index = atServer().stored.document.wiring.wires.findIndex((each) => each.signal === 'sensors.attendant');
        const [board, pin] = [...pins.options].at(-1)!.value.split(' ');
        await waitFor(() =>
            expect(atServer().edits).toEqual([
                { path: `wiring.wires.${index}.pin`, value: pin },
                { path: `wiring.wires.${index}.board`, value: board },
            ]),
        );
    });

    it('exchanges a board for another of its kind, with all its data', async () => {
        const { user } = await page();
        const boards = screen.getByRole('region', { name: /^Boards/ });
        await user.selectOptions(within(boards).getAllByLabelText('Board')[1]!, 'H2 small');
        const edit = await edited();
        expect(edit.path).toBe('wiring.boards.1.board');
        expect(edit.value).toMatchObject({ name: 'H2 small', kind: 'bridge', channels: 2 });
    });

    it('takes a board out with the wires to it and from it', async () => {
        const { user } = await page();
        await user.click(screen.getByRole('button', { name: 'Take Bridge 1 out' }));
        await waitFor(() => expect(atServer().edits).toHaveLength(2));
        const [boards, wires] = atServer().edits as { path: string; value: { id?: string; board?: string; signal?: string }[] }[];
        expect(boards!.value.map((board) => board.id)).not.toContain('bridge-1');
        expect(wires!.value.filter((wire) => wire.board === 'bridge-1' || wire.signal!.startsWith('boards.bridge-1.'))).toEqual([]);
        expect(wires!.value.length).toBeGreaterThan(10);
    });

    it('offers what wires the rest, and does it as one edit', async () => {
        const fix = { does: { template: 'Wire it', values: {}, text: 'Wire it' }, changes: [{ path: 'wiring.lead_m', value: 0.7 }], costs: [] };
        const { user } = await page({ ...given(), plan: { fix: fix as never, short: [] } });
        await user.click(screen.getByRole('button', { name: 'Wire it' }));
        expect(await edited()).toEqual({ path: 'wiring.lead_m', value: 0.7 });
    });

    it('says why something cannot be wired', async () => {
        const says = 'Two pulse-width pins too few.';
        await page({ ...given(), plan: { fix: null, short: [{ template: says, values: {}, text: says }] } });
        expect(screen.getByText(says)).toBeTruthy();
    });
});

describe('what is done at the bench', () => {
    it('is ticked off, and taken back', async () => {
        const { steps } = given();
        const { user } = await open(<AssemblyList steps={steps} onLight={() => {}} />);
        const box = (await screen.findAllByRole<HTMLInputElement>('checkbox'))[2]!;
        await user.click(box);
        await waitFor(() => expect(box.checked).toBe(true));
        expect(await edited()).toEqual({ path: 'wiring.done', value: [steps[2]!.id] });
        expect(screen.getByRole('status').textContent).toBe(`1 of ${steps.length} done.`);
        await user.click(box);
        await waitFor(() => expect(atServer().stored.document.wiring.done).toEqual([]));
    });

    it('shows which way round a part goes', async () => {
        await open(<AssemblyList steps={given().steps.map((step) => ({ ...step, picture: 'striped' as const }))} onLight={() => {}} />);
        expect((await screen.findAllByRole('img', { name: /^A capacitor: the stripe and the short leg are ground/ })).length).toBe(given().steps.length);
    });

    it('shows the bands of a resistor in words too', async () => {
        const says = 'Solder 10 kΩ.';
        await open(
            <AssemblyList
                steps={[
                    {
                        id: 'a',
                        stage: 'Resistors',
                        says: { template: says, values: {}, text: says },
                        bands: ['brown', 'black', 'orange', 'gold'],
                        wires: [],
                        picture: null,
                        part: null,
                        done: false,
                    },
                ]}
                onLight={() => {}}
            />,
        );
        expect(await screen.findByRole('img', { name: 'A resistor with the bands brown, black, orange, gold' })).toBeTruthy();
    });
});

describe('the shopping list', () => {
    it('says how many of what, and what is known to be paid for it', async () => {
        const lines = [
            { count: 2, says: { template: 'bridge board H2', values: {}, text: '' }, cost: 8 },
            { count: 1, says: { template: 'fuse of 4 A', values: {}, text: '' }, cost: null },
            { count: 1, says: { template: 'controller K20', values: {}, text: '' }, cost: 7.5 },
        ];
        await open(<ShoppingTable lines={lines} />);
        const rows = await screen.findAllByRole('row');
        expect(rows.map((row) => row.textContent)).toEqual([
            'How manyWhatCost',
            '2bridge board H28',
            '1fuse of 4 A',
            '1controller K207.5',
            'What the drawer knows the cost of15.5',
        ]);
    });
});

describe('what feeds what', () => {
    const supply = (id: string, more: object) => ({
        id,
        name: id,
        volts_V: 6,
        max_A: 2,
        from: null,
        converter: null,
        capacity_Ah: null,
        fuse_A: null,
        feeds: [],
        day_Ah: 0,
        lasts_days: null,
        takes: [],
        gives_Ah_day: null,
        balance_Ah_day: null,
        through_cut_h: null,
        curve: null,
        ...more,
    });
    const show = (...supplies: object[]) => open(<SupplyTree report={{ ...given(), supplies: supplies as never }} />);

    it('stands under what feeds it', async () => {
        await show(supply('rail', { from: 'pack', converter: 'linear' }), supply('pack', { feeds: ['Lid'] }));
        const rows = await screen.findAllByRole('listitem');
        expect(rows.map((row) => row.textContent)).toEqual([
            expect.stringContaining('pack6 V, up to 2 A'),
            expect.stringMatching(/rail.*linear regulator.*feeds nothing/),
        ]);
    });

    it('draws what a battery gives at rest and with the most that is asked, names apart from one another, and says what that means', async () => {
        const curve = {
            most_A: 1.5,
            taken_Ah: [0, 1, 2],
            rest_V: [6.4, 5.2, 4],
            most_V: [5.5, 4.3, 3.1],
            cutoff_V: null,
            needs_V: 3.3,
            says: {
                template: 'Controller 1 needs {needs}, and gets it until {until} of the charge is gone.',
                values: { needs: { si: 3.3, dimension: 'voltage' }, until: { si: 0.92, dimension: 'share' } },
            },
        };
        await show(supply('pack', { capacity_Ah: 2, curve }));
        const chart = await screen.findByRole('img', {
            name: 'Voltage of pack over the charge that is taken: at rest 6.4 V full and 4 V empty, with 1.5 A 5.5 V full and 3.1 V empty.',
        });
        const at = (says: string) => Number(within(chart).getByText(says).getAttribute('y'));
        expect(at('at rest')).toBeLessThan(at('needed, 3.3 V'));
        expect(Math.abs(at('needed, 3.3 V') - at('with 1.5 A'))).toBeGreaterThanOrEqual(13);
        expect(at('with 1.5 A')).toBeLessThanOrEqual(122 + 4);
        expect(screen.getByText(/^Controller 1 needs 3\.3.V, and gets it until 92.*of the charge is gone\.$/)).toBeTruthy();
    });

    it('says how long a battery lasts in what fits, and what takes how much', async () => {
        const takes = [
            { of: 'a', says: 'Controller', charge_Ah: 0.24 },
            { of: 'b', says: 'Show', charge_Ah: 0.0004 },
        ];
        await show(
            supply('short', { capacity_Ah: 2, day_Ah: 2, lasts_days: 1, takes }),
            supply('long', { capacity_Ah: 2, day_Ah: 0.02, lasts_days: 100 }),
            supply('longest', { capacity_Ah: 2, day_Ah: 0.001, lasts_days: 1460, gives_Ah_day: 0.05, balance_Ah_day: -0.01, through_cut_h: 36 }),
            supply('idle', { capacity_Ah: 2 }),
        );
        expect(await screen.findByText('Lasts 24 hours')).toBeTruthy();
        expect(screen.getByText('Lasts 100 days')).toBeTruthy();
        expect(screen.getByText('Lasts 4 years').parentElement!.textContent).toContain(
            'its charger gives 50 mAh a day, 10 mAh too little, and through a power cut it lasts 36 hours',
        );
        expect(screen.getByText('Nothing is taken of it')).toBeTruthy();
        expect(screen.getByRole('row', { name: 'Controller 0.24 Ah' })).toBeTruthy();
        expect(screen.getByRole('row', { name: 'Show 0.4 mAh' })).toBeTruthy();
    });

    it('adds a rail out of the first source, and asks of each what it has', async () => {
        const { user } = await open(<SupplyTree report={given()} />);
        await user.click(await screen.findByRole('button', { name: 'Add a supply' }));
        await waitFor(() => expect(atServer().edits).toHaveLength(1));
        const { supplies } = atServer().stored.document;
        expect(atServer().edits[0]).toEqual({
            path: `supplies.${supplies.length - 1}`,
            value: { id: 'rail', name: 'Rail', volts_V: 5, max_A: 1, from: supplies[0]!.id },
        });
    });

    it('lets a supply come from another through a converter, and hides what only a source has', async () => {
        const { user } = await open(<Fields />);
        await user.selectOptions(await screen.findByLabelText('Comes from'), 'servo-rail');
        expect(await edited()).toEqual({ path: 'supplies.0.from', value: 'servo-rail' });
        expect(await screen.findByLabelText('Efficiency')).toBeTruthy();
        expect(screen.queryByLabelText('Charge of the battery')).toBeNull();
        await user.selectOptions(screen.getByLabelText('Through'), 'gate');
        await waitFor(() => expect(screen.queryByLabelText('Efficiency')).toBeNull());
        expect(screen.getByLabelText('Settles within')).toBeTruthy();
    });

    it('asks of a battery for its cells and what charges it', async () => {
        const { user } = await open(<Fields />);
        expect(screen.queryByLabelText('Cells')).toBeNull();
        await user.type(await screen.findByLabelText('Charge of the battery'), '3 Ah{Enter}');
        await user.selectOptions(await screen.findByLabelText('Cells'), 'lithium');
        await waitFor(() => expect(atServer().stored.document.supplies[0]).toMatchObject({ capacity_Ah: 3, cells: 'lithium' }));
        expect(screen.getByLabelText('Charged with')).toBeTruthy();
    });
});
