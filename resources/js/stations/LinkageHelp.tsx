import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { CrankRocker, PushrodLever } from '../api/types';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { useTypedNumbers } from '../state/typed';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { Pick } from './Pick';
import { STATION_BUTTON } from './StationFields';

interface Pair {
    arm_m: number;
    horn_m: number;
    rod_m: number;
    travel_deg: number | null;
    least_Nm: number | null;
    resolution_deg: number | null;
    min_transmission_deg: number | null;
    binds: boolean;
}

const ENDS = [
    { value: 'bent_wire', label: 'a bent wire' },
    { value: 'clevis', label: 'a clevis' },
    { value: 'ball', label: 'a ball end' },
];

const around = (metres: number) => [-0.004, -0.002, 0, 0.002, 0.004].map((by) => Math.round((metres + by) * 1e5) / 1e5).filter((hole) => hole > 0.001);

/** Every pair of holes of arm and horn, with its travel, fineness and force; the one to take is a click away. */
export function RodHoles({ handle: { chain, path }, thing }: { handle: MotionHandle; thing: PushrodLever }) {
    const { edit } = useBuild();
    const { text, book } = useSpeaking();
    const arm = useTypedNumbers('length', around(thing.arm_m));
    const horn = useTypedNumbers('length', around(thing.horn_m));
    const [wanted, setWanted] = useState('60');
    const [end, setEnd] = useState('clevis');
    const servo = chain.drive?.stall_Nm ?? 0;
    const inputs = {
        arm_holes_m: arm.values,
        horn_holes_m: horn.values,
        pivot_distance_m: thing.pivot_distance_m,
        servo_half_travel_deg: thing.half_travel_deg,
        wanted_travel_deg: Number(wanted.replace(',', '.').replace('°', '')),
        opposite_sides: thing.opposite_sides,
        servo_Nm: servo,
        rod_end: end,
    };
    const { data, error } = useQuery({
        queryKey: ['holes', inputs],
        queryFn: () => api.calculate('linkage.holes', inputs),
        placeholderData: (before) => before,
        retry: false,
        staleTime: Infinity,
    });
    const pairs = (data?.results.pairs ?? []) as Pair[];
    const room = data?.results.end_room_m as number | undefined;
    const field = (label: string, value: string, onChange: (value: string) => void, unit: string) => (
        <label className="flex items-center gap-2">
            <span className="w-36 text-quiet">{label}</span>
            <input
                className="min-w-0 flex-1 border border-line bg-well px-2 py-0.5 text-right font-semibold"
                value={value}
                autoComplete="off"
                onChange={(event) => onChange(event.target.value)}
            />
            <span className="w-7">{unit}</span>
        </label>
    );
    return (
        <section aria-label="Which holes">
            <h2 className="mb-1 text-[1.05rem]">Which holes</h2>
            <div className="space-y-1 border-y border-line py-2">
                {field('Holes of the arm', arm.text, arm.type, arm.unit)}
                {field('Holes of the horn', horn.text, horn.type, horn.unit)}
                {field('Wanted, end to end', wanted, setWanted, '°')}
                <Pick label="Hooked in by" value={end} choices={ENDS} onPick={setEnd} />
            </div>
            {error !== null ? (
                <p role="alert" className="py-1 text-fails">
                    {error.message}
                </p>
            ) : (
                <p className="narrow py-1 text-quiet">
                    {room === undefined ? 'Looking…' : `Beside the arm such an end takes ${text({ si: room, dimension: 'length' })} of room.`}
                </p>
            )}
            {error === null && (
                <div className="max-h-64 overflow-auto border border-line" tabIndex={0} role="group" aria-label="Pairs of holes">
                    <table className="w-full text-right">
                        <thead className="narrow sticky top-0 bg-sheet text-quiet">
                            <tr>
                                <th className="px-2 py-1 text-left font-normal">Arm · horn, {arm.unit}</th>
                                <th className="px-1 font-normal">Travel</th>
                                <th className="px-1 font-normal">Finest</th>
                                <th className="px-1 font-normal">Least torque</th>
                                <th className="px-2 font-normal">
                                    <span className="sr-only">Take</span>
                                </th>
                            </tr>
                        </thead>
                        <tbody>
                            {pairs.map((pair) => {
                                const words = `${significant(book.fromSi(pair.arm_m, arm.unit), 3)} · ${significant(book.fromSi(pair.horn_m, arm.unit), 3)}`;
                                return (
                                    <tr key={words} className="border-t border-line">
                                        <td className="px-2 py-0.5 text-left">{words}</td>
                                        {pair.binds ? (
                                            <td colSpan={3} className="px-1 text-fails">
                                                binds
                                            </td>
                                        ) : (
                                            <>
                                                <td className="px-1 font-semibold">{significant(pair.travel_deg!, 3)}°</td>
                                                <td className="px-1">{significant(pair.resolution_deg!, 2)}°</td>
                                                <td className="px-1">{servo > 0 ? text({ si: pair.least_Nm!, dimension: 'torque' }) : '–'}</td>
                                            </>
                                        )}
                                        <td className="px-2">
                                            <button
                                                type="button"
                                                className={STATION_BUTTON}
                                                disabled={pair.binds}
                                                aria-label={`Take the holes ${words}`}
                                                onClick={() =>
                                                    edit(
                                                        { path: `${path}.mechanism.arm_m`, value: pair.arm_m },
                                                        { path: `${path}.mechanism.horn_m`, value: pair.horn_m },
                                                    )
                                                }
                                            >
                                                Take
                                            </button>
                                        </td>
                                    </tr>
                                );
                            })}
                        </tbody>
                    </table>
                </div>
            )}
        </section>
    );
}

/** Crank and coupler for a swing of exactly so much, with a motor that only turns one way between two switches. */
export function ExactSwing({ handle: { path }, thing }: { handle: MotionHandle; thing: CrankRocker }) {
    const { edit } = useBuild();
    const { text, say } = useSpeaking();
    const [wanted, setWanted] = useState('90');
    const inputs = { swing_deg: Number(wanted.replace(',', '.').replace('°', '')), rocker_m: thing.rocker_m, ground_m: thing.ground_m };
    const { data, error } = useQuery({
        queryKey: ['swing', inputs],
        queryFn: () => api.calculate('linkage.swing', inputs),
        placeholderData: (before) => before,
        retry: false,
        staleTime: Infinity,
    });
    const results = data?.results as
        { crank_m: number; coupler_m: number; first_switch_deg: number; second_switch_deg: number; min_transmission_deg: number | null } | undefined;
    return (
        <section aria-label="Swing by exactly so much">
            <h2 className="mb-1 text-[1.05rem]">Swing by exactly so much</h2>
            <div className="space-y-1 border-y border-line py-2">
                <label className="flex items-center gap-2">
                    <span className="flex-1 text-quiet">End to end, the motor only turning one way</span>
                    <input
                        className="w-20 border border-line bg-well px-2 py-0.5 text-right font-semibold"
                        value={wanted}
                        autoComplete="off"
                        onChange={(event) => setWanted(event.target.value)}
                    />
                    <span>°</span>
                </label>
                {error !== null ? (
                    <p role="alert" className="text-fails">
                        {error.message}
                    </p>
                ) : (
                    results !== undefined && (
                        <>
                            <p>
                                Crank <strong>{text({ si: results.crank_m, dimension: 'length' })}</strong>, coupler{' '}
                                <strong>{text({ si: results.coupler_m, dimension: 'length' })}</strong>; the switches trip with the crank at{' '}
                                {significant(results.first_switch_deg, 3)}° and {significant(results.second_switch_deg, 3)}°.
                            </p>
                            {data!.findings.map((finding) => (
                                <p key={finding.code} className="text-tight">
                                    {say(finding.says)}
                                </p>
                            ))}
                            <div className="text-right">
                                <button
                                    type="button"
                                    className={STATION_BUTTON}
                                    disabled={results.min_transmission_deg === null}
                                    onClick={() =>
                                        edit(
                                            { path: `${path}.mechanism.crank_m`, value: results.crank_m },
                                            { path: `${path}.mechanism.coupler_m`, value: results.coupler_m },
                                        )
                                    }
                                >
                                    Take these bars
                                </button>
                            </div>
                        </>
                    )
                )}
            </div>
        </section>
    );
}
