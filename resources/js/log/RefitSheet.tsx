import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { Motion, RefitReport } from '../api/types';
import { TryPanel } from '../chain/TryPanel';
import { useTrying } from '../chain/trying';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';

/** For each motion of which something was measured: which mass, rub, efficiency or supply explains that best. */
export function RefitSheet() {
    const { stored } = useBuild();
    const { log, motions } = stored.document;
    const measured = motions.filter((motion) => motion.measured !== null || log.some((entry) => entry.motion === motion.id));
    const [chosen, choose] = useState<string | null>(null);
    const motion = measured.find((each) => each.id === chosen) ?? measured[0];
    if (motion === undefined) {
        return null;
    }
    return (
        <section aria-label="What explains it" className="mt-6">
            <h2 className="text-[1.15rem]">What explains it</h2>
            <p className="text-quiet">
                Mass, rub, efficiency and supply that fit all that was measured best, each with how far off it may be. Kept, it counts instead of what was said,
                until you drop it again.
            </p>
            {measured.length > 1 && (
                <label className="mt-2 inline-block">
                    <span className="mr-2 text-quiet">Motion</span>
                    <select className="border border-line bg-well px-2 py-1" value={motion.id} onChange={(event) => choose(event.target.value)}>
                        {measured.map((each) => (
                            <option key={each.id} value={each.id}>
                                {each.name}
                            </option>
                        ))}
                    </select>
                </label>
            )}
            <OfMotion motion={motion} />
            <div className="mt-3">
                <TryPanel />
            </div>
        </section>
    );
}

function OfMotion({ motion }: { motion: Motion }) {
    const { stored } = useBuild();
    const { say } = useSpeaking();
    const begin = useTrying((state) => state.begin);
    const { data, error } = useQuery({
        queryKey: ['refit', stored.id, stored.version, motion.id],
        queryFn: () => api.refit(stored.id, motion.id),
        staleTime: Infinity,
        placeholderData: (before) => (before?.motion === motion.id ? before : undefined),
    });
    if (data === undefined) {
        return (
            <p role="status" className="mt-2 text-quiet">
                {error === null ? 'Fitting…' : error.message}
            </p>
        );
    }
    return (
        <div className="mt-2 border border-line bg-sheet px-4 py-3">
            <p className="text-[1.05rem] font-semibold">{say(data.says)}</p>
            {data.still_off !== null && <p className="mt-1 text-tight">{say(data.still_off)}</p>}
            {data.far_off.map((each) => (
                <p key={each.template + each.text} className="mt-1">
                    {say(each)}
                </p>
            ))}
            {data.values.length > 0 && <Values of={data} />}
            <div className="mt-3 flex gap-3 empty:hidden">
                {data.fix !== null && (
                    <button type="button" className="bg-accent px-3 py-1 font-semibold text-sheet" onClick={() => void begin(stored, data.fix!)}>
                        See what that changes
                    </button>
                )}
                {data.kept !== null && (
                    <button type="button" className="border border-line bg-well px-3 py-1" onClick={() => void begin(stored, data.kept!)}>
                        Go by what was said again
                    </button>
                )}
            </div>
        </div>
    );
}

function Values({ of }: { of: RefitReport }) {
    const { say } = useSpeaking();
    return (
        <table className="mt-3 w-full">
            <thead className="narrow text-left text-quiet">
                <tr>
                    <th className="py-1 pr-3 font-normal">What</th>
                    <th className="px-3 text-right font-normal">Said</th>
                    <th className="px-3 text-right font-normal">Measured</th>
                    <th className="px-3 font-normal">What that tells</th>
                </tr>
            </thead>
            <tbody>
                {of.values.map((each) => (
                    <tr key={each.id} className="border-t border-line align-baseline">
                        <th scope="row" className="py-1 pr-3 text-left font-normal">
                            {each.name}
                        </th>
                        <td className="px-3 text-right whitespace-nowrap">{say(each.said)}</td>
                        <td className={`px-3 text-right whitespace-nowrap ${each.differs ? 'text-[1.05rem] font-semibold' : ''}`}>
                            {each.found === null ? '–' : say(each.found)}
                        </td>
                        <td className="px-3 text-quiet">{say(each.remark)}</td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}
