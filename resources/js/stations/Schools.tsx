import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { School } from '../api/types';
import { VerdictWord } from '../chain/LinkGlyph';
import { useTrying } from '../chain/trying';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { STATION_BUTTON } from './StationFields';

/** The ways builders argue about, side by side: what each does here, and which is recommended. */
export function Schools({ handle: { motion, chain } }: { handle: MotionHandle }) {
    const { stored } = useBuild();
    const { book, text, say } = useSpeaking();
    const choose = useTrying((state) => state.choose);
    const [picked, setPicked] = useState<string[]>([]);
    const { data } = useQuery({
        queryKey: ['schools', stored.id, motion.id, stored.version],
        queryFn: () => api.schools(stored.id, motion.id),
        placeholderData: (before) => before,
        staleTime: 60_000,
    });
    const own = chain.curves.position_unit === 'deg' ? '°' : 'm';
    const length = (value: number) => text({ si: book.toSi(value, own), dimension: own === '°' ? 'angle' : 'length' });
    const shown = (data ?? []).filter((school) => picked.length < 2 || picked.includes(school.school));
    const rows: [string, (school: School) => string][] = [
        ['Drive', (school) => (school.code === null ? 'none' : `${school.code} at ${significant(school.ratio!, 3)} : 1`)],
        [
            'Reaches it',
            (school) =>
                school.time_s === null
                    ? 'does not arrive'
                    : `in ${significant(school.time_s, 3)} s, ${school.margin === null ? 'no load' : `${significant(school.margin, 3)} × in hand`}`,
        ],
        ['Stops within', (school) => (school.error === null ? 'not said' : `${length(school.error)}${school.within === false ? ', more than allowed' : ''}`)],
        ['Power off', (school) => (school.holds_unpowered === null ? 'not said' : school.holds_unpowered ? 'stays put' : 'lets go')],
        ['After a power cut', (school) => school.after_power_cut || 'not said'],
        ['Takes in a day', (school) => (school.charge_Ah_day === null ? 'not said' : text({ si: school.charge_Ah_day * 3600, dimension: 'charge' }))],
        ['Noise', (school) => (school.noise === null ? 'not said' : `${significant(school.noise, 2)} of 10`)],
        ['Parts, pins', (school) => `${school.parts} besides motor and gears, ${school.pins} ${school.pins === 1 ? 'pin' : 'pins'}`],
    ];
    return (
        <section aria-label="Ways to do it, side by side" className="border border-line bg-sheet">
            <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-3 py-1.5">
                <h2 className="flex-1 text-[1.05rem]">{data === undefined ? 'Comparing the ways to do it…' : 'Ways to do it, side by side'}</h2>
                {picked.length >= 2 && (
                    <button type="button" className={STATION_BUTTON} onClick={() => setPicked([])}>
                        Show all six
                    </button>
                )}
            </div>
            {data !== undefined && (
                <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="Comparison">
                    <table className="narrow w-full min-w-[56rem]">
                        <thead>
                            <tr className="align-top">
                                <th className="w-28 py-1.5 pl-3 text-left font-normal text-quiet">
                                    <span className="sr-only">What it does</span>
                                </th>
                                {shown.map((school) => (
                                    <th key={school.school} scope="col" className={`px-2 py-1.5 text-left ${school.recommended ? 'bg-well' : ''}`}>
                                        <span className="block font-semibold">{school.name}</span>
                                        <VerdictWord verdict={school.verdict} />
                                        <label className="mt-0.5 flex items-center gap-1 font-normal text-quiet">
                                            <input
                                                type="checkbox"
                                                className="size-3.5 accent-accent"
                                                checked={picked.includes(school.school)}
                                                onChange={(event) =>
                                                    setPicked(event.target.checked ? [...picked, school.school] : picked.filter((one) => one !== school.school))
                                                }
                                            />
                                            compare<span className="sr-only"> {school.name}</span>
                                        </label>
                                    </th>
                                ))}
                            </tr>
                        </thead>
                        <tbody>
                            {rows.map(([name, of]) => (
                                <tr key={name} className="border-t border-line align-top">
                                    <th scope="row" className="py-1 pl-3 text-left font-normal text-quiet">
                                        {name}
                                    </th>
                                    {shown.map((school) => (
                                        <td key={school.school} className={`px-2 py-1 ${school.recommended ? 'bg-well' : ''}`}>
                                            {of(school)}
                                        </td>
                                    ))}
                                </tr>
                            ))}
                            <tr className="border-t border-line align-top">
                                <th scope="row" className="py-1 pl-3 text-left font-normal text-quiet">
                                    Judged
                                </th>
                                {shown.map((school) => (
                                    <td key={school.school} className={`px-2 py-1 ${school.recommended ? 'bg-well font-semibold' : ''}`}>
                                        {school.reason} {school.verdict !== 'holds' && <span className="font-normal text-quiet">{say(school.why)}</span>}
                                        {school.take !== null && (
                                            <button
                                                type="button"
                                                aria-label={`Try it: ${school.name}`}
                                                className={`mt-1 block font-normal ${STATION_BUTTON}`}
                                                onClick={() => void choose(stored, school.take!)}
                                            >
                                                Try it
                                            </button>
                                        )}
                                    </td>
                                ))}
                            </tr>
                        </tbody>
                    </table>
                </div>
            )}
        </section>
    );
}
