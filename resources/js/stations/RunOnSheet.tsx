import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { StopsSheet } from '../api/types';
import { useTrying } from '../chain/trying';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';

const BUTTON = 'border border-accent px-2 py-0.5 text-accent hover:bg-accent hover:text-sheet';

/** How far it runs on under every supply and load, what can be done about it, and how well it would know where it is by other ways. */
export function RunOnSheet({ handle: { motion, chain } }: { handle: MotionHandle }) {
    const { stored } = useBuild();
    const { text, book, say } = useSpeaking();
    const choose = useTrying((state) => state.choose);
    const { data } = useQuery({
        queryKey: ['stops', stored.id, stored.version, motion.id],
        queryFn: () => api.stopsSheet(stored.id, motion.id),
        placeholderData: (before) => before,
        staleTime: Infinity,
    });
    const own = chain.curves.position_unit === 'deg' ? '°' : 'm';
    const length = (value: number | null) => (value === null ? '–' : text({ si: book.toSi(value, own), dimension: own === '°' ? 'angle' : 'length' }));
    const slower = (id: string) => {
        const speeds = chain.curves.run_on.find((each) => each.switch === id)?.slower ?? [];
        return speeds.length === 0
            ? ''
            : `At the other speeds of the routines: ${speeds.map((each) => `${significant(each.share * 100, 3)} %: ${length(each.distance)}${each.left === null ? '' : each.left < 0 ? `, ${length(-each.left)} too far` : `, ${length(each.left)} left`}`).join('; ')}.`;
    };
    if (data === undefined) {
        return <p className="text-quiet">Looking how far it runs on…</p>;
    }
    return (
        <div className="space-y-3">
            {data.switches
                .filter((each) => each.rows.some((row) => row.distance !== null))
                .map((each) => (
                    <section key={each.switch} aria-label={`Run-on of ${each.name}`} className="border border-line bg-sheet p-3">
                        <h2 className="text-[1.05rem]">
                            {each.name}: runs on up to {length(each.worst)}
                            {each.room !== null && (
                                <span className={`font-normal ${each.left! < 0 ? 'text-fails' : 'text-quiet'}`}>
                                    {each.left! < 0 ? `, ${length(-each.left!)} too far for the hard stop` : `, ${length(each.left)} left before the hard stop`}
                                </span>
                            )}
                        </h2>
                        <RunOns rows={each.rows} length={length} />
                        <p className="empty:hidden">{slower(each.switch)}</p>
                        {each.offers.map((offer, i) => (
                            <p key={i} className="flex items-start justify-between gap-3 border-t border-line py-1">
                                <span>{say(offer.says)}</span>
                                {offer.fix !== null && (
                                    <button type="button" className={`${BUTTON} shrink-0`} onClick={() => void choose(stored, offer.fix!)}>
                                        Try: {say(offer.fix.does)}
                                    </button>
                                )}
                            </p>
                        ))}
                    </section>
                ))}
            {data.ways.length > 0 && (
                <section aria-label="Ways of knowing where it is" className="border border-line bg-sheet p-3">
                    <h2 className="mb-1 text-[1.05rem]">Ways of knowing where it is</h2>
                    <table className="w-full text-left">
                        <thead className="narrow text-quiet">
                            <tr>
                                <th className="font-normal">How</th>
                                <th className="px-2 text-right font-normal">Off by up to</th>
                                <th className="px-2 text-right font-normal">After 50 moves</th>
                                <th className="px-2 font-normal">When the power comes on</th>
                                <th className="font-normal">Parts and pins</th>
                            </tr>
                        </thead>
                        <tbody>
                            {data.ways.map((way) => (
                                <tr key={way.way} className={`border-t border-line ${way.is_used ? 'bg-well font-semibold' : ''}`}>
                                    <td className="py-0.5">
                                        {way.way}
                                        {way.is_used && <span className="font-normal text-quiet"> – as it is now</span>}
                                    </td>
                                    <td className={`px-2 text-right ${way.within === false ? 'text-fails' : ''}`}>{length(way.error)}</td>
                                    <td
                                        className={`px-2 text-right ${data.tolerance !== null && way.after_many !== null && way.after_many > data.tolerance ? 'text-fails' : ''}`}
                                    >
                                        {length(way.after_many)}
                                    </td>
                                    <td className="px-2">{way.at_power_on}</td>
                                    <td>{way.parts}</td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                    {data.tolerance !== null && <p className="narrow pt-1 text-quiet">{length(data.tolerance)} is allowed; more is red.</p>}
                </section>
            )}
        </div>
    );
}

function RunOns({ rows, length }: { rows: StopsSheet['switches'][number]['rows']; length: (value: number | null) => string }) {
    const loads = ['loaded', 'empty'] as const;
    return (
        <table className="my-1 text-right">
            <thead className="narrow text-quiet">
                <tr>
                    <th className="pr-4 text-left font-normal">Runs on</th>
                    <th className="px-3 font-normal">low supply</th>
                    <th className="px-3 font-normal">as rated</th>
                    <th className="px-3 font-normal">high supply</th>
                </tr>
            </thead>
            <tbody>
                {loads.map((load) => (
                    <tr key={load} className="border-t border-line">
                        <th scope="row" className="pr-4 text-left font-normal">
                            {load}
                        </th>
                        {(['low', 'rated', 'high'] as const).map((supply) => (
                            <td key={supply} className="px-3">
                                {length(rows.find((row) => row.supply === supply && row.load === load)?.distance ?? null)}
                            </td>
                        ))}
                    </tr>
                ))}
            </tbody>
        </table>
    );
}
