import { useState, type FormEvent } from 'react';
import { api, Refused } from '../api/client';
import type { Motion } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { freeId } from './AddMotion';
import { SpokenLines } from '../program/SpokenLines';
import { MoveTimes } from './MoveTimes';

const LONGEST_S = 3600;

/** The log: measured times beside the computed ones. */
export function LogPage() {
    const { stored, edit } = useBuild();
    const { text } = useSpeaking();
    const { log, motions } = stored.document;
    const name = (motion: Motion | undefined, place: string) => motion?.places.find((each) => each.id === place)?.name ?? place;
    const seconds = (si: number) => text({ si, dimension: 'time' });
    return (
        <main className="mx-auto max-w-6xl px-6 py-5">
            <h1 className="text-[1.5rem]">Log</h1>
            <p className="text-quiet">Run it empty, then loaded, then for hours. Write down what you measure; the computed time stands beside it.</p>
            <Measure />
            <table className="mt-5 w-full border border-line bg-sheet">
                <thead className="narrow text-left text-quiet">
                    <tr>
                        <th className="px-3 py-1.5 font-normal">Day</th>
                        <th className="px-3 font-normal">Motion</th>
                        <th className="px-3 font-normal">Move</th>
                        <th className="px-3 text-right font-normal">Measured</th>
                        <th className="px-3 text-right font-normal">Computed</th>
                        <th className="px-3 text-right font-normal">Difference</th>
                        <th className="px-3 font-normal">Note</th>
                        <th>
                            <span className="sr-only">Take out</span>
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {log.map((entry, i) => {
                        const motion = motions.find((each) => each.id === entry.motion);
                        const compared = stored.assessment.log.find((each) => each.id === entry.id);
                        const difference = compared?.difference ?? null;
                        return (
                            <tr key={entry.id} className="border-t border-line">
                                <td className="px-3 py-1.5 whitespace-nowrap text-quiet">{entry.on}</td>
                                <td className="px-3">{motion?.name ?? entry.motion}</td>
                                <td className="px-3">
                                    {name(motion, entry.from)} to {name(motion, entry.to)}
                                </td>
                                <td className="px-3 text-right text-[1.1rem] font-semibold">{seconds(entry.measured_s)}</td>
                                <td className="px-3 text-right">{compared?.computed_s == null ? '–' : seconds(compared.computed_s)}</td>
                                <td className="px-3 text-right">
                                    {difference === null
                                        ? '–'
                                        : `${significant(difference * 100, 2).replace('−', '')} % ${difference > 0 ? 'slower' : 'quicker'}`}
                                </td>
                                <td className="px-3 break-words text-quiet">{entry.note}</td>
                                <td className="px-2 text-right">
                                    <button
                                        type="button"
                                        aria-label={`Take out the measurement of ${entry.on}, ${seconds(entry.measured_s)}`}
                                        className="size-6 text-quiet hover:text-ink"
                                        onClick={() => edit({ path: 'log', value: log.filter((_, j) => j !== i) })}
                                    >
                                        ×
                                    </button>
                                </td>
                            </tr>
                        );
                    })}
                    {log.length === 0 && (
                        <tr>
                            <td colSpan={8} className="px-3 py-3 text-quiet">
                                Nothing measured yet. Take a watch, run one move, and write its time above.
                            </td>
                        </tr>
                    )}
                </tbody>
            </table>
            <SpokenLines />
            <MoveTimes />
        </main>
    );
}

/** Takes a time, typed or with the watch. */
function Measure() {
    const { stored, edit } = useBuild();
    const { motions, log } = stored.document;
    const [motionId, setMotion] = useState(motions[0]?.id ?? '');
    const motion = motions.find((each) => each.id === motionId) ?? motions[0];
    const [way, setWay] = useState('there');
    const [time, setTime] = useState('');
    const [note, setNote] = useState('');
    const [error, setError] = useState('');
    const [since, setSince] = useState<number | null>(null);
    if (motion === undefined) {
        return null;
    }
    const [from, to] = way === 'there' ? [motion.task.from, motion.task.to] : [motion.task.to, motion.task.from];
    const place = (id: string) => motion.places.find((each) => each.id === id)!.name;
    const watch = () => {
        if (since === null) {
            setSince(performance.now());
        } else {
            setTime(`${((performance.now() - since) / 1000).toFixed(2)} s`);
            setSince(null);
        }
    };
    const write = async (event: FormEvent) => {
        event.preventDefault();
        try {
            const measured = await api.quantity(time, 's');
            if (measured.si <= 0 || measured.si > LONGEST_S) {
                setError(`A move takes more than 0 s and at most ${LONGEST_S} s, but this is ${measured.text}.`);
                return;
            }
            edit({
                path: `log.${log.length}`,
                value: {
                    id: freeId(
                        'm',
                        log.map((entry) => entry.id),
                    ),
                    motion: motion.id,
                    from,
                    to,
                    measured_s: measured.si,
                    on: new Date().toISOString().slice(0, 10),
                    note: note.slice(0, 500),
                },
            });
        } catch (refused) {
            setError(refused instanceof Refused ? (refused.errors[0]?.message ?? refused.message) : String(refused));
            return;
        }
        setError('');
        setTime('');
        setNote('');
    };
    const input = 'border border-line bg-well px-2 py-1';
    return (
        <form className="mt-4 border border-line bg-sheet px-4 py-3" onSubmit={(event) => void write(event)}>
            <div className="flex flex-wrap items-end gap-3">
                <label>
                    <span className="block text-quiet">Motion</span>
                    <select className={input} value={motion.id} onChange={(event) => setMotion(event.target.value)}>
                        {motions.map((each) => (
                            <option key={each.id} value={each.id}>
                                {each.name}
                            </option>
                        ))}
                    </select>
                </label>
                <label>
                    <span className="block text-quiet">Move</span>
                    <select className={input} value={way} onChange={(event) => setWay(event.target.value)}>
                        <option value="there">
                            {place(motion.task.from)} to {place(motion.task.to)}
                        </option>
                        <option value="back">
                            {place(motion.task.to)} to {place(motion.task.from)}
                        </option>
                    </select>
                </label>
                <label>
                    <span className="block text-quiet">Measured time</span>
                    <input
                        className={`${input} w-28 text-right font-semibold ${error === '' ? '' : 'border-fails'}`}
                        aria-invalid={error !== ''}
                        aria-describedby="time-error"
                        placeholder="4.2 s"
                        value={time}
                        onChange={(event) => setTime(event.target.value)}
                    />
                </label>
                <button type="button" className={`${input} w-32`} onClick={watch}>
                    {since === null ? 'Start the watch' : 'Stop the watch'}
                </button>
                <label className="min-w-40 flex-1">
                    <span className="block text-quiet">Note</span>
                    <input
                        className={`${input} w-full`}
                        placeholder="Loaded? Warm? What was different?"
                        value={note}
                        onChange={(event) => setNote(event.target.value)}
                    />
                </label>
                <button type="submit" className="bg-accent px-3 py-1 font-semibold text-white">
                    Write it down
                </button>
            </div>
            {error !== '' && (
                <p id="time-error" role="alert" className="mt-2 text-fails">
                    {error}
                </p>
            )}
        </form>
    );
}
