import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { Compared, Measurement, Motion } from '../api/types';
import { placesOf } from '../routine/steps';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { STATION_BUTTON } from '../stations/StationFields';

const SHOWN = 60;

/** The name of a place of a motion, or its id where it is gone. */
export const placeName = (motion: Motion | undefined, id: string) => placesOf(motion).find((each) => each.id === id)?.name ?? id;

/** Everything that was measured, the newest first, each beside what is computed for how it was. */
export function Entries() {
    const { stored, edit } = useBuild();
    const [shown, setShown] = useState(SHOWN);
    const { log, motions } = stored.document;
    const known = stored.assessment.log.newest;
    const older = useQuery({
        queryKey: ['log', stored.id, stored.version, shown],
        queryFn: () => api.compared(stored.id, shown),
        enabled: Math.min(shown, log.length) > known.length,
        placeholderData: (before) => before,
    });
    const compared = new Map([...(older.data ?? []), ...known].map((each) => [each.id, each]));
    const newest = log.slice(-shown).reverse();
    return (
        <section aria-label="Everything measured" className="mt-6">
            <h2 className="text-[1.15rem]">Everything measured</h2>
            <table className="mt-2 w-full border border-line bg-sheet">
                <thead className="narrow text-left text-quiet">
                    <tr>
                        <th className="px-3 py-1.5 font-normal">Day</th>
                        <th className="px-3 font-normal">Motion</th>
                        <th className="px-3 font-normal">Move</th>
                        <th className="px-3 font-normal">Measured, and computed for how it was</th>
                        <th className="px-3 font-normal">Note</th>
                        <th>
                            <span className="sr-only">Take out</span>
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {newest.map((entry) => (
                        <Entry
                            key={entry.id}
                            entry={entry}
                            motion={motions.find((each) => each.id === entry.motion)}
                            compared={compared.get(entry.id)}
                            onTakeOut={() => edit({ path: 'log', value: log.filter((each) => each !== entry) })}
                        />
                    ))}
                    {log.length === 0 && (
                        <tr>
                            <td colSpan={6} className="px-3 py-3 text-quiet">
                                Nothing measured yet. Take a watch, run one move, and write its time above.
                            </td>
                        </tr>
                    )}
                </tbody>
            </table>
            {log.length > shown && (
                <button type="button" className={`${STATION_BUTTON} mt-2`} onClick={() => setShown(shown + 10 * SHOWN)}>
                    Show more of {log.length}
                </button>
            )}
        </section>
    );
}

function Entry({
    entry,
    motion,
    compared,
    onTakeOut,
}: {
    entry: Measurement;
    motion: Motion | undefined;
    compared: Compared | undefined;
    onTakeOut: () => void;
}) {
    const { say, text } = useSpeaking();
    const how = compared === undefined ? '' : say(compared.says);
    const seconds = (value: number) => text({ si: value, dimension: 'time' });
    const amps = (value: number) => text({ si: value, dimension: 'current' });
    const named = entry.measured_s === null ? (entry.failed === '' ? '' : `, ${entry.failed}`) : `, ${seconds(entry.measured_s)}`;
    return (
        <tr className="border-t border-line align-baseline">
            <td className="px-3 py-1.5 whitespace-nowrap text-quiet">{entry.on}</td>
            <td className="px-3">{motion?.name ?? entry.motion}</td>
            <td className="px-3">
                {placeName(motion, entry.from)} to {placeName(motion, entry.to)}
                {how !== '' && <span className="block text-quiet">{how}</span>}
            </td>
            <td className="px-3">
                {entry.measured_s !== null && (
                    <Beside
                        measured={seconds(entry.measured_s)}
                        computed={compared?.computed_s == null ? 'as never made' : seconds(compared.computed_s)}
                        difference={compared?.difference ?? null}
                        words={['slower', 'quicker']}
                    />
                )}
                {compared?.far_off === true && <span className="block text-tight">Far off all others: it does not count.</span>}
                {entry.current_A !== null && (
                    <Beside
                        what="draws"
                        measured={amps(entry.current_A)}
                        computed={compared?.computed_A == null ? null : amps(compared.computed_A)}
                        difference={compared?.difference_A ?? null}
                    />
                )}
                {entry.stalled_A !== null && (
                    <Beside
                        what="held fast draws"
                        measured={amps(entry.stalled_A)}
                        computed={compared?.computed_stalled_A == null ? null : amps(compared.computed_stalled_A)}
                        difference={compared?.difference_stalled_A ?? null}
                    />
                )}
                {compared?.more.map((each) => (
                    <span key={each.text} className="block">
                        {say(each)}
                    </span>
                ))}
                {compared?.stopped != null && <span className="block">{say(compared.stopped)}</span>}
                {entry.failed !== '' && <span className="block text-fails">Failed: {entry.failed}</span>}
            </td>
            <td className="px-3 break-words text-quiet">
                {entry.note}
                {entry.picture !== null && (
                    <a href={`/api/pictures/${entry.picture}`} target="_blank" rel="noreferrer">
                        <img src={`/api/pictures/${entry.picture}`} alt={`Photograph of ${entry.on}`} className="mt-1 max-h-24 border border-line" />
                    </a>
                )}
            </td>
            <td className="px-2 text-right">
                <button
                    type="button"
                    aria-label={`Take out the measurement of ${entry.on}${named}`}
                    className="size-6 text-quiet hover:text-ink"
                    onClick={onTakeOut}
                >
                    ×
                </button>
            </td>
        </tr>
    );
}

/** One measured value, what is computed for it, and by how much they differ. */
function Beside({
    what = '',
    measured,
    computed,
    difference,
    words = ['more', 'less'],
}: {
    what?: string;
    measured: string;
    computed: string | null;
    difference: number | null;
    words?: [string, string];
}) {
    return (
        <span className="block">
            {what !== '' && `${what} `}
            <span className="text-[1.05rem] font-semibold">{measured}</span>
            <span className="text-quiet">
                {computed !== null && `, computed ${computed}`}
                {difference !== null && `: ${significant(Math.abs(difference) * 100, 2)} % ${difference > 0 ? words[0] : words[1]}`}
            </span>
        </span>
    );
}
