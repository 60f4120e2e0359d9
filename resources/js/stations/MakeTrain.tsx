import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { MadeTrain } from '../api/types';
import { useTrying } from '../chain/trying';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { useTypedNumbers } from '../state/typed';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { Pick } from './Pick';
import { STATION_BUTTON } from './StationFields';

const ORDERS = [
    { value: 'error', label: 'nearest ratio' },
    { value: 'size', label: 'smallest' },
    { value: 'parts', label: 'fewest parts' },
    { value: 'efficiency', label: 'least lost' },
    { value: 'slop', label: 'least slop' },
    { value: 'wear', label: 'evenest wear' },
];

const ASKS = [
    { value: 'ratio', label: 'a ratio' },
    { value: 'load', label: 'a speed and torque' },
];

const FIRST = [
    { value: 'spur', label: 'spur gears' },
    { value: 'worm', label: 'a worm of 1 : 30' },
    { value: 'belt', label: 'a belt of 16 : 32' },
];

const TURNS = [
    { value: 'any', label: 'either way' },
    { value: 'same', label: 'as the drive' },
    { value: 'reversed', label: 'against it' },
];

/** Asks for a ratio and gets trains out of the drawer of gears, laid out on the plate. */
export function MakeTrain({ handle: { motion, chain } }: { handle: MotionHandle }) {
    const { stored } = useBuild();
    const { text } = useSpeaking();
    const choose = useTrying((state) => state.choose);
    const sheet = chain.train;
    const [typed, setTyped] = useState<string | null>(null);
    const [asks, setAsks] = useState('ratio');
    const [rpm, setRpm] = useState('');
    const torque = useTypedNumbers('torque');
    const [stages, setStages] = useState(2);
    const [direction, setDirection] = useState('any');
    const [order, setOrder] = useState('error');
    const [first, setFirst] = useState('spur');
    const wanted = typed ?? significant(sheet.ask_for, 3);
    const figure = (typedText: string) => typedText.trim().replace(',', '.');
    const asked: Record<string, string> =
        asks === 'ratio' ? { ratio: figure(wanted).replace(/\s*:\s*1$/, '') } : { rpm: figure(rpm), torque_Nm: String(torque.values[0] ?? '') };
    const ready = asks === 'ratio' || (rpm.trim() !== '' && torque.text.trim() !== '');
    const query = new URLSearchParams({
        ...asked,
        stages: String(stages),
        direction,
        order,
        ...(first === 'worm' ? { worm_wheel: '30' } : first === 'belt' ? { belt_driver: '16', belt_driven: '32' } : {}),
    }).toString();
    const { data, error, isFetching } = useQuery({
        queryKey: ['trains', stored.id, motion.id, stored.version, query],
        queryFn: ({ signal }) => api.trains(stored.id, motion.id, query, signal),
        placeholderData: (before) => before,
        staleTime: 60_000,
        retry: false,
        enabled: ready,
    });
    return (
        <section aria-label="Trains for a ratio" className="border border-line bg-sheet">
            <div className="flex flex-wrap items-center gap-x-3 gap-y-1.5 border-b border-line px-3 py-1.5">
                <h2 className="text-[1.05rem]">Make a train</h2>
                <Pick label="For" value={asks} choices={ASKS} onPick={setAsks} />
                {asks === 'ratio' ? (
                    <Figure label="Ratio" unit=": 1" value={wanted} isWrong={error !== null} onType={setTyped} />
                ) : (
                    <>
                        <Figure label="Speed" unit="rpm" value={rpm} isWrong={error !== null} onType={setRpm} />
                        <Figure label="Torque" unit={torque.unit} value={torque.text} isWrong={error !== null} onType={torque.type} />
                    </>
                )}
                <Pick label="Stages, most" value={stages} choices={[1, 2, 3, 4].map((value) => ({ value, label: String(value) }))} onPick={setStages} />
                <Pick label="Turns" value={direction} choices={TURNS} onPick={setDirection} />
                <Pick label="With" value={first} choices={FIRST} onPick={setFirst} />
                <Pick label="First" value={order} choices={ORDERS} onPick={setOrder} />
            </div>
            <p
                id="ratio-says"
                role={error === null ? undefined : 'alert'}
                className={`narrow border-b border-line px-3 py-1 ${error === null ? 'text-quiet' : 'text-fails'}`}
            >
                {error !== null
                    ? error.message
                    : asks === 'load' && !ready
                      ? 'What speed and torque does the load need? The drive is known.'
                      : `${asks === 'load' && data !== undefined ? `With this drive that asks for ${significant(data.target, 4)} : 1. ` : ''}${says(sheet, isFetching)}`}
            </p>
            <div className="max-h-72 overflow-y-auto" tabIndex={0} role="group" aria-label="Trains">
                <table className="w-full">
                    <thead className="narrow sticky top-0 bg-sheet text-left text-quiet">
                        <tr>
                            <th className="py-1 pl-3 font-normal">Stages</th>
                            <th className="text-right font-normal">Ratio</th>
                            <th className="pl-3 text-right font-normal">Off by</th>
                            <th className="pl-3 text-right font-normal">Passes</th>
                            <th className="pl-3 text-right font-normal">Slop</th>
                            <th className="pl-3 text-right font-normal">Size</th>
                            <th className="py-1 pr-3 pl-3 font-normal">
                                <span className="sr-only">Take</span>
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {(error === null ? (data?.rows ?? []) : []).map((row) => (
                            <tr key={row.words} className="border-t border-line align-top">
                                <td className="py-1 pl-3">
                                    <strong>{row.words}</strong>
                                    {row.why_not !== null && <span className="narrow block text-quiet">{row.why_not}</span>}
                                </td>
                                <td className="py-1 text-right whitespace-nowrap">{significant(row.ratio, 4)} : 1</td>
                                <td className="py-1 pl-3 text-right whitespace-nowrap">
                                    {row.error < 1e-9 ? 'exact' : `${significant(row.error * 100, 2)} %`}
                                </td>
                                <td className="py-1 pl-3 text-right whitespace-nowrap">{significant(row.efficiency * 100, 2)} %</td>
                                <td className="py-1 pl-3 text-right whitespace-nowrap">{significant(row.slop_deg, 2)}°</td>
                                <td className="py-1 pl-3 text-right whitespace-nowrap">{size(row, text)}</td>
                                <td className="py-1 pr-3 pl-3 text-right">
                                    <button
                                        type="button"
                                        className={STATION_BUTTON}
                                        aria-label={`Take ${row.words}`}
                                        onClick={() => void choose(stored, row.take)}
                                    >
                                        Take
                                    </button>
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </table>
                {error === null && data?.rows.length === 0 && (
                    <p className="p-3 text-quiet">The drawer of gears has none for this ratio. Allow more stages, or put more gears into the drawer.</p>
                )}
            </div>
        </section>
    );
}

function Figure({ label, unit, value, isWrong, onType }: { label: string; unit: string; value: string; isWrong: boolean; onType: (text: string) => void }) {
    return (
        <label className="flex items-center gap-2">
            <span className="text-quiet">{label}</span>
            <input
                className="w-20 border border-line bg-well px-2 py-0.5 text-right font-semibold"
                value={value}
                aria-invalid={isWrong}
                aria-describedby="ratio-says"
                autoComplete="off"
                onChange={(event) => onType(event.target.value)}
            />
            <span>{unit}</span>
        </label>
    );
}

function says(sheet: MotionHandle['chain']['train'], isFetching: boolean): string {
    const needs = [
        ...(sheet.at_least === null ? [] : [`from ${significant(sheet.at_least, 3)} : 1 on this drive has the margin asked for`]),
        ...(sheet.at_most === null ? [] : [`up to about ${significant(sheet.at_most, 3)} : 1 it is quick enough`]),
    ];
    return `${needs.length === 0 ? 'Out of your drawer of gears' : needs.join('; ').replace(/^./, (letter) => letter.toUpperCase())}.${isFetching ? ' Trying them…' : ''}`;
}

function size(row: MadeTrain, text: (quantity: { si: number; dimension: string }) => string): string {
    return row.box_mm.length < 2 ? '–' : row.box_mm.map((mm) => text({ si: mm / 1000, dimension: 'length' })).join(' × ');
}
