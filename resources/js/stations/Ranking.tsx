import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { RankedDrive } from '../api/types';
import { VerdictWord } from '../chain/LinkGlyph';
import { useTrying } from '../chain/trying';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { STATION_BUTTON } from './StationFields';

/** Every drive of the drawer for this motion, in order, with the reason for its place. */
export function Ranking({ handle: { motion, path } }: { handle: MotionHandle }) {
    const { stored, edit } = useBuild();
    const { text, say } = useSpeaking();
    const begin = useTrying((state) => state.begin);
    const [kind, setKind] = useState('all');
    const { data, isFetching } = useQuery({ queryKey: ['drives', stored.id, motion.id, stored.version], queryFn: () => api.drives(stored.id, motion.id), placeholderData: (before) => before, staleTime: Infinity });
    const present = motion.drive?.motor.code;
    const rows = (data ?? []).filter((row) => kind === 'all' || (kind === 'worm' ? row.kind === 'dc_motor' && row.motor.kind === 'dc_motor' && row.motor.worm : kind === 'gear' ? row.motor.kind === 'dc_motor' && !row.motor.worm : row.kind === kind));
    const take = (row: RankedDrive) => {
        const value = { motor: row.motor, supply: row.supply, duty: 1 };
        if (motion.drive === null) {
            edit({ path: `${path}.drive`, value });
        } else {
            const template = `Take ${row.code}`;
            void begin(stored, { does: { template, values: {}, text: template }, changes: [{ path: `${path}.drive`, value }] });
        }
    };
    return (
        <section aria-label="Drives in order" className="border border-line bg-sheet">
            <div className="flex items-center gap-3 border-b border-line px-3 py-1.5">
                <h2 className="flex-1 text-[1.05rem]">
                    {data === undefined ? 'Trying every drive…' : `${data.length} drives, tried on this load`} {isFetching && data !== undefined && <span className="font-normal text-quiet">trying again…</span>}
                </h2>
                <label className="flex items-center gap-2">
                    <span className="text-quiet">Show</span>
                    <select className="border border-line bg-well px-2 py-0.5" value={kind} onChange={(event) => setKind(event.target.value)}>
                        <option value="all">all kinds</option>
                        <option value="gear">gear motors</option>
                        <option value="worm">worm motors</option>
                        <option value="servo">servos</option>
                    </select>
                </label>
            </div>
            <div className="max-h-[26rem] overflow-y-auto" tabIndex={0} role="group" aria-label="Drives">
                <table className="w-full">
                    <thead className="narrow sticky top-0 bg-sheet text-left text-quiet">
                        <tr>
                            <th className="py-1 pr-3 pl-3 font-normal">Place</th>
                            <th className="font-normal">Drive</th>
                            <th className="font-normal">Why it stands here</th>
                            <th className="text-right font-normal">Margin</th>
                            <th className="pl-3 text-right font-normal">Move</th>
                            <th className="pl-3 text-right font-normal">Mass</th>
                            <th className="pr-3 pl-3 font-normal">
                                <span className="sr-only">Choose</span>
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {rows.map((row) => (
                            <tr key={row.code} className={`border-t border-line align-top ${row.code === present ? 'bg-well outline-1 outline-ink' : ''}`}>
                                <td className="py-1.5 pl-3 text-quiet">{row.place}</td>
                                <td className="py-1.5 pr-3 whitespace-nowrap">
                                    <strong>{row.code}</strong>
                                    <span className="narrow block">
                                        <VerdictWord verdict={row.verdict} />
                                    </span>
                                </td>
                                <td className="narrow py-1.5 pr-3">
                                    {say(row.why)} {row.holds_unpowered && <span className="text-quiet">Holds with the power off.</span>}
                                </td>
                                <td className="py-1.5 text-right whitespace-nowrap">{row.margin === null ? '–' : `${significant(row.margin, 3)} ×`}</td>
                                <td className="py-1.5 pl-3 text-right whitespace-nowrap">{row.time_s === null ? '–' : `${significant(row.time_s, 3)} s`}</td>
                                <td className="py-1.5 pl-3 text-right whitespace-nowrap">{text({ si: row.mass_kg, dimension: 'mass' })}</td>
                                <td className="py-1.5 pr-3 pl-3 text-right">
                                    {row.code === present ? (
                                        <span className="narrow text-quiet">chosen</span>
                                    ) : (
                                        <button type="button" className={STATION_BUTTON} aria-label={`Take ${row.code}`} onClick={() => take(row)}>
                                            Take
                                        </button>
                                    )}
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
        </section>
    );
}
