import { fireEvent, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, inject, it } from 'vitest';
import type { Build, Drive, Trace } from '../../resources/js/api/types';
import { Lanes } from '../../resources/js/charts/Lanes';
import { UseReading } from '../../resources/js/pictures/UseReading';
import { useBuild } from '../../resources/js/state/BuildContext';
import { AirFields } from '../../resources/js/stations/AirFields';
import { LatchFields } from '../../resources/js/stations/LatchFields';
import { LevelFields } from '../../resources/js/stations/LevelFields';
import { TankList } from '../../resources/js/wiring/TankList';
import { atServer, open } from './bench';

const TANK: Build['tanks'][number] = {
    id: 'tank',
    name: 'Tank',
    tank_l: 5,
    high_bar: 8,
    low_bar: 6,
    compressor_l_min: 25,
    compressor_A: 0,
    supply: null,
};

const CYLINDER = {
    kind: 'air_cylinder',
    bore_m: 0.02,
    rod_m: 0.008,
    stroke_m: 0.1,
    lever_m: 0.04,
    pressure_bar: 5,
    flow_l_min: 24,
    cushion_J: 0.3,
    friction_fraction: 0.1,
    friction_N: 10,
    valve: 'shuts_in',
    worked_by: 'coils',
    rated_V: 12,
    valve_A: 0.3,
} as unknown as Drive;

/** The build with the first motion pushed by air. */
function pushed(): void {
    const server = atServer();
    server.stored.document.tanks = [structuredClone(TANK)];
    server.stored.document.motions[0]!.drive!.motor = { ...server.stored.document.motions[0]!.drive!.motor, ...CYLINDER } as never;
}

function First({ of: Of }: { of: (props: { motion: Build['motions'][number]; path: string; keptIn: string }) => React.ReactNode }) {
    return <Of motion={useBuild().stored.document.motions[0]!} path="motions.0" keptIn="°" />;
}

describe('air', () => {
    it('adds a tank, types what it holds, and takes it out', async () => {
        const { server } = await open(<TankList />, '/builds/b1/wiring');
        await userEvent.click(await screen.findByRole('button', { name: 'Add a tank' }));
        await screen.findByText('feeds nothing');
        expect(server.edits.at(-1)).toMatchObject({ path: 'tanks.0', value: { id: 'tank', tank_l: 5, low_bar: 6 } });
        server.stored.document.tanks = [structuredClone(TANK)];
        const holds = screen.getByLabelText('Holds');
        await userEvent.clear(holds);
        await userEvent.type(holds, '12 l{Enter}');
        expect(server.edits.at(-1)).toMatchObject({ path: 'tanks.0.tank_l', text: '12 l' });
    });

    it('says what a tank feeds, and lets only one that nobody names be taken out', async () => {
        pushed();
        const { server } = await open(<TankList />, '/builds/b1/wiring');
        expect(await screen.findByText(`feeds ${server.stored.document.motions[0]!.name}`)).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Take Tank out' }));
        expect(server.edits.at(-1)).toEqual({ path: 'tanks', value: [] });
        server.stored.document.motions[0]!.drive!.air = 'tank';
    });

    it('asks of a cylinder what sets its speed and what its valve does', async () => {
        pushed();
        const { server } = await open(<First of={AirFields} />, '/builds/b1');
        fireEvent.change(await screen.findByLabelText('Told nothing, its valve'), { target: { value: 'vents' } });
        await screen.findByDisplayValue('lets it out');
        expect(server.edits.at(-1)).toEqual({ path: 'motions.0.drive.motor.valve', value: 'vents' });
        expect(screen.getByLabelText('Throttled to')).toHaveProperty('value', '24');
        expect(screen.getByLabelText('Air from').textContent).toContain('Tank, 5 l');
    });

    it('shows the pressure of a tank in the lanes, and what was taken of it', async () => {
        const document = inject('document');
        const trace = {
            ran_s: 2,
            sample_s: 1,
            steps: [],
            motions: [],
            supplies: [],
            inputs: [],
            outputs: [],
            tanks: [
                {
                    tank: 'tank',
                    name: 'Tank',
                    high_bar: 8,
                    low_bar: 6,
                    pressure_bar: [8, 7, 5.5],
                    lowest_bar: 5.5,
                    lowest_at_s: 2,
                    used_l: 1.25,
                    share_on: 0,
                },
            ],
        } as unknown as Trace;
        await open(<Lanes build={document} trace={trace} now={0} onNow={() => {}} width={900} />, '/builds/b1');
        expect(await screen.findByText('6 bar to 8 bar')).toBeTruthy();
        expect(screen.getByText('lowest 5.5 bar').getAttribute('fill')).toBe('var(--color-coral)');
        expect(screen.getByText('1.25 l of air a run')).toBeTruthy();
    });
});

describe('a latch, and both ends of one thing', () => {
    it('is put to a motion, let go by another or by an output, and taken away', async () => {
        const { server } = await open(<First of={LatchFields} />, '/builds/b1');
        const [first, other] = server.stored.document.motions;
        await userEvent.click(await screen.findByRole('button', { name: 'Put a latch to it' }));
        const by = await screen.findByLabelText('Let go by');
        expect(server.edits.at(-1)?.value).toMatchObject({ place: first!.task.to, motion: other!.id, lets_go: other!.task.to, output: null });
        const output = server.stored.document.outputs[0]!;
        fireEvent.change(by, { target: { value: `output ${output.id}` } });
        await screen.findByDisplayValue(output.name);
        expect(server.edits.at(-1)?.value).toMatchObject({ motion: null, lets_go: null, output: output.id });
        expect(screen.queryByLabelText(/stands at$/)).toBeNull();
        await userEvent.click(screen.getByRole('button', { name: 'Take the latch away' }));
        expect(server.edits.at(-1)).toEqual({ path: 'motions.0.latch', value: null });
    });

    it('stays level with another within what is typed', async () => {
        const { server } = await open(<First of={LevelFields} />, '/builds/b1');
        const other = server.stored.document.motions[1]!;
        fireEvent.change(await screen.findByLabelText('Must stay level with'), { target: { value: other.id } });
        await screen.findByLabelText('May get apart by');
        expect(server.edits.at(-1)).toEqual({ path: 'motions.0.level', value: { with: other.id, within: 2 } });
        fireEvent.change(screen.getByLabelText('Must stay level with'), { target: { value: '' } });
        await waitFor(() => expect(screen.queryByLabelText('May get apart by')).toBeNull());
        expect(server.edits.at(-1)).toEqual({ path: 'motions.0.level', value: null });
    });
});

describe('a size read off a picture', () => {
    function Reading() {
        return <UseReading build={useBuild().stored.document} length_m={0.12345678} name="Depth of the crate" />;
    }

    it('becomes a size of a body, or a new thing on the stage', async () => {
        const server = atServer();
        server.stored.document.things = [{ id: 'crate', name: 'Crate', shape: 'box', length_m: 0.4 } as never];
        await open(<Reading />, '/builds/b1/pictures');
        const use = await screen.findByLabelText('Use Depth of the crate as');
        fireEvent.change(use, { target: { value: 'things.0.width_m' } });
        await userEvent.click(screen.getByRole('button', { name: 'Use it' }));
        await screen.findByText('given');
        expect(server.edits.at(-1)).toEqual({ path: 'things.0.width_m', value: 0.1235 });
        fireEvent.change(use, { target: { value: 'things' } });
        await userEvent.click(screen.getByRole('button', { name: 'Use it' }));
        await screen.findByText('given');
        expect(server.edits.at(-1)).toEqual({ path: 'things.1', value: { id: 'depth-of-the-crate', name: 'Depth of the crate', length_m: 0.1235 } });
    });

    it('offers of a ball how thick it is, and no width', async () => {
        const server = atServer();
        server.stored.document.things = [{ id: 'ball', name: 'Ball', shape: 'ball', length_m: 0.4 } as never];
        await open(<Reading />, '/builds/b1/pictures');
        const use = await screen.findByLabelText('Use Depth of the crate as');
        expect(use.textContent).toContain('Ball: length');
        expect(use.textContent).not.toContain('Ball: width');
    });
});
