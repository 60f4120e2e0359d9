import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { STATION_BUTTON } from '../stations/StationFields';

/** The moves that the routines really make, with their times, for the controller. */
export function MoveTimes() {
    const { stored } = useBuild();
    const { text } = useSpeaking();
    const { data } = useQuery({ queryKey: ['times', stored.id, stored.version], queryFn: () => api.times(stored.id), placeholderData: (before) => before });
    const place = (motion: string, id: string) => stored.document.motions.find((each) => each.id === motion)?.places.find((each) => each.id === id)?.name ?? id;
    const seconds = (si: number | null) => (si === null ? '–' : text({ si, dimension: 'time' }));
    if (data === undefined || data.moves.length === 0) {
        return null;
    }
    return (
        <section aria-label="Times of the moves that are used" className="mt-6">
            <div className="flex items-end gap-3">
                <div className="flex-1">
                    <h2 className="text-[1.15rem]">Times of the moves that are used</h2>
                    <p className="text-quiet">Only what the routines really do, loaded or empty as it occurs.</p>
                </div>
                <a className={STATION_BUTTON} href={`/api/builds/${stored.id}/times.csv`} download>
                    As a table, CSV
                </a>
                <a className={STATION_BUTTON} href={`/api/builds/${stored.id}/times.h`} download>
                    As a header for C
                </a>
            </div>
            <table className="mt-2 w-full border border-line bg-sheet">
                <thead className="narrow text-left text-quiet">
                    <tr>
                        <th className="px-3 py-1.5 font-normal">Motion</th>
                        <th className="px-3 font-normal">Move</th>
                        <th className="px-3 font-normal">Carries</th>
                        <th className="px-3 text-right font-normal">Computed</th>
                        <th className="px-3 text-right font-normal">Measured</th>
                        <th className="px-3 font-normal">In</th>
                    </tr>
                </thead>
                <tbody>
                    {data.moves.map((move) => (
                        <tr key={`${move.motion} ${move.from} ${move.to} ${move.speed}`} className="border-t border-line">
                            <td className="px-3 py-1">{move.name}</td>
                            <td className="px-3">
                                {place(move.motion, move.from)} to {place(move.motion, move.to)}
                                {move.speed === 1 ? '' : ` at ${significant(move.speed * 100, 3)} %`}
                            </td>
                            <td className="px-3 text-quiet">{move.carries}</td>
                            <td className="px-3 text-right">{move.computed_s === null ? 'never made' : seconds(move.computed_s)}</td>
                            <td className="px-3 text-right">{seconds(move.measured_s)}</td>
                            <td className="px-3 text-quiet">{move.routines.join(', ')}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </section>
    );
}
