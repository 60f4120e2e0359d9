import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { placeName } from './Entries';

/** Each move that was measured, in each way that it was: what its repeats tell, beside what is computed. */
export function RepeatsTable() {
    const { stored } = useBuild();
    const { say, text } = useSpeaking();
    const { motions } = stored.document;
    const rows = stored.assessment.log.repeats;
    if (rows.length === 0) {
        return null;
    }
    return (
        <section aria-label="What the times tell" className="mt-6">
            <h2 className="text-[1.15rem]">What the times tell</h2>
            <p className="text-quiet">
                Repeats of one move in the same way. Where there are three or more, drift, give-up times and the table of times go by them instead of by usual
                values.
            </p>
            <table className="mt-2 w-full border border-line bg-sheet">
                <thead className="narrow text-left text-quiet">
                    <tr>
                        <th className="px-3 py-1.5 font-normal">Motion</th>
                        <th className="px-3 font-normal">Move</th>
                        <th className="px-3 text-right font-normal">Mean</th>
                        <th className="px-3 text-right font-normal">Computed</th>
                        <th className="px-3 text-right font-normal">Difference</th>
                        <th className="px-3 text-right font-normal">Times</th>
                        <th className="px-3 font-normal">What they tell</th>
                    </tr>
                </thead>
                <tbody>
                    {rows.map((repeats) => {
                        const motion = motions.find((each) => each.id === repeats.motion);
                        const how = say(repeats.how);
                        const { difference } = repeats;
                        return (
                            <tr key={[repeats.motion, repeats.from, repeats.to, how].join(' ')} className="border-t border-line align-baseline">
                                <td className="px-3 py-1.5">{motion?.name ?? repeats.motion}</td>
                                <td className="px-3">
                                    {placeName(motion, repeats.from)} to {placeName(motion, repeats.to)}
                                    {how !== '' && <span className="text-quiet">, {how}</span>}
                                </td>
                                <td className="px-3 text-right text-[1.1rem] font-semibold whitespace-nowrap">
                                    {text({ si: repeats.mean_s, dimension: 'time' })}
                                </td>
                                <td className="px-3 text-right whitespace-nowrap">
                                    {repeats.computed_s === null ? 'never made' : text({ si: repeats.computed_s, dimension: 'time' })}
                                </td>
                                <td className="px-3 text-right whitespace-nowrap">
                                    {difference === null ? '–' : `${significant(Math.abs(difference) * 100, 2)} % ${difference > 0 ? 'slower' : 'quicker'}`}
                                </td>
                                <td className="px-3 text-right whitespace-nowrap">{repeats.count}</td>
                                <td className="px-3 text-quiet">{say(repeats.says)}</td>
                            </tr>
                        );
                    })}
                </tbody>
            </table>
        </section>
    );
}
