import { useState } from 'react';
import type { ServiceReport } from '../api/types';
import { TextField } from '../fields/PlainFields';
import { today } from '../log/today';
import { significant } from '../state/units';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { Cell } from './Cell';
import { freeId } from './freeId';

const HELD = ['screws', 'clips', 'pins', 'glue'];

/** Of each motion how to get at it, free it and move it by hand; and the way in when all fails. */
export function ServiceAccess({ of }: { of: ServiceReport }) {
    const { say } = useSpeaking();
    const { stored, edit } = useBuild();
    const { upkeep } = stored.document;
    return (
        <section aria-label="How to get at it" className="mt-6">
            <h2 className="text-[1.1rem]">How to get at it</h2>
            <table className="mt-1 w-full border border-line bg-sheet">
                <thead className="narrow text-left text-quiet">
                    <tr>
                        <th className="px-3 py-1.5 font-normal">Motion</th>
                        <th className="px-2 font-normal">How to get at it</th>
                        <th className="px-2 font-normal">Held by</th>
                        <th className="px-2 font-normal">How to free it when it jams</th>
                        <th className="px-2 font-normal">How to move it by hand, power off</th>
                        <th className="px-2 text-right font-normal">Times so far</th>
                    </tr>
                </thead>
                <tbody>
                    {of.motions.map((motion) => {
                        const at = upkeep.motions.findIndex((each) => each.id === motion.id);
                        const path = `upkeep.motions.${at < 0 ? upkeep.motions.length : at}`;
                        return (
                            <tr key={motion.id} className="border-t border-line align-baseline">
                                <th scope="row" className="px-3 py-1.5 text-left font-semibold">
                                    {motion.name}
                                </th>
                                <td className="px-2">
                                    <Cell
                                        list="upkeep.motions"
                                        id={motion.id}
                                        field="access"
                                        value={motion.access}
                                        kind="text"
                                        label={`How to get at ${motion.name}`}
                                        className="w-full"
                                    />
                                </td>
                                <td className="px-2">
                                    <select
                                        aria-label={`What holds ${motion.name}`}
                                        className="border border-line bg-well px-1 py-0.5"
                                        value={motion.held_by}
                                        onChange={(event) =>
                                            edit(
                                                at < 0
                                                    ? { path, value: { id: motion.id, held_by: event.target.value } }
                                                    : { path: `${path}.held_by`, value: event.target.value },
                                            )
                                        }
                                    >
                                        {HELD.map((each) => (
                                            <option key={each}>{each}</option>
                                        ))}
                                    </select>
                                    {motion.glued !== null && <span className="narrow block max-w-40 text-tight">{say(motion.glued)}</span>}
                                </td>
                                <td className="px-2">
                                    <Cell
                                        list="upkeep.motions"
                                        id={motion.id}
                                        field="frees"
                                        value={motion.frees}
                                        kind="text"
                                        label={`How to free ${motion.name}`}
                                        className="w-full"
                                    />
                                </td>
                                <td className="px-2">
                                    <Cell
                                        list="upkeep.motions"
                                        id={motion.id}
                                        field="by_hand"
                                        value={motion.by_hand}
                                        kind="text"
                                        label={`How to move ${motion.name} by hand`}
                                        className="w-full"
                                    />
                                    <span className="narrow block text-quiet">{say(motion.moves)}</span>
                                </td>
                                <td className="px-2 text-right whitespace-nowrap">
                                    {motion.cycles === null ? '–' : significant(motion.cycles, 9)}
                                    <Counted motion={motion.id} name={motion.name} isCounted={motion.counted} />
                                </td>
                            </tr>
                        );
                    })}
                </tbody>
            </table>
            <div className="mt-2 max-w-3xl">
                <TextField label="The way in when all fails: battery dead, door shut" path="upkeep.way_in" value={of.way_in} />
            </div>
        </section>
    );
}

/** The count that the controller shows, written down with its day. */
function Counted({ motion, name, isCounted }: { motion: string; name: string; isCounted: boolean }) {
    const { stored, edit } = useBuild();
    const counts = stored.document.upkeep.counts;
    const [typed, setTyped] = useState('');
    const path = `upkeep.counts.${counts.length}`;
    const [error, setError] = useState('');
    return (
        <span className="narrow block text-quiet">
            {isCounted ? 'counted, then ' : ''}computed
            <input
                aria-label={`Count of ${name} that its controller shows`}
                placeholder="its count"
                className="ml-1 w-20 border border-line bg-well px-1 text-right"
                inputMode="numeric"
                value={typed}
                onChange={(event) => setTyped(event.target.value)}
                onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
                onBlur={() => {
                    if (typed.trim() !== '') {
                        const cycles = Number(typed);
                        if (Number.isNaN(cycles) || cycles < 0) {
                            setError('Must be a number of times.');
                            return;
                        }
                        setError('');
                        edit({ path, value: { id: freeId(counts, 'count'), motion, on: today(), cycles } });
                        setTyped('');
                    }
                }}
            />
            {error !== '' && (
                <span role="alert" className="block text-fails">
                    {error}
                </span>
            )}
        </span>
    );
}
