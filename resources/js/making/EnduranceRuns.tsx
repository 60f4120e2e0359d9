import { useState, type FormEvent } from 'react';
import type { BenchReport, EnduranceReport } from '../api/types';
import { today } from '../log/today';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { CountField } from './SavedField';
import { freeId } from './freeId';

const INPUT = 'border border-line bg-well px-2 py-1';

/** Motions that are run again and again: the count against the target, what failed at which count, and what that says. */
export function EnduranceRuns({ of }: { of: BenchReport }) {
    const { stored, edit } = useBuild();
    const runs = stored.document.endurance;
    const [motion, setMotion] = useState('');
    const season = of.seasons.find((each) => each.motion === motion) ?? of.seasons[0];
    if (season === undefined) {
        return null;
    }
    const begin = (event: FormEvent) => {
        event.preventDefault();
        edit({ path: `endurance.${runs.length}`, value: { id: freeId(runs, 'run'), motion: season.motion, target: season.cycles } });
    };
    return (
        <section aria-label="Endurance" className="mt-6">
            <h2 className="text-[1.1rem]">Endurance</h2>
            <p className="text-quiet">Run one motion as often as a season of 90 days means, stop for oil, and write down what failed at which count.</p>
            {of.runs.map((run, i) => (
                <Run key={run.id} run={run} path={`endurance.${i}`} />
            ))}
            <form className="mt-2 flex items-end gap-3" onSubmit={begin}>
                <label>
                    <span className="block text-quiet">Motion</span>
                    <select className={INPUT} value={season.motion} onChange={(event) => setMotion(event.target.value)}>
                        {of.seasons.map((each) => (
                            <option key={each.motion} value={each.motion}>
                                {each.name}
                            </option>
                        ))}
                    </select>
                </label>
                <button type="submit" className="border border-line bg-sheet px-3 py-1">
                    Begin a run of {significant(season.cycles, 9)} times
                </button>
            </form>
        </section>
    );
}

function Run({ run, path }: { run: EnduranceReport; path: string }) {
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    const kept = stored.document.endurance.find((each) => each.id === run.id);
    const [at, setAt] = useState('');
    const [says, setSays] = useState('');
    const [failed, setFailed] = useState(false);
    const marks = kept?.marks ?? [];
    const mark = `${path}.marks.${marks.length}`;
    const [problem, setProblem] = useState('');
    const write = (event: FormEvent) => {
        event.preventDefault();
        const count = Number(at);
        if (at.trim() === '' || !Number.isInteger(count) || count < 0) {
            setProblem('Must be a whole number: how often it had gone there and back by then.');
            return;
        }
        setProblem('');
        edit({ path: mark, value: { id: freeId(marks, 'mark'), on: today(), at: count, failed, says } });
        setAt('');
        setSays('');
        setFailed(false);
    };
    return (
        <div className="mt-2 border border-line bg-sheet px-4 py-3">
            <div className="flex items-baseline gap-4">
                <h3 className="font-semibold">{run.name}</h3>
                <span className="text-[1.2rem]">
                    {significant(run.count, 9)} <span className="text-quiet">of {significant(run.target, 9)} times</span>
                </span>
                {run.oil_at !== null && <span className="text-quiet">Stop for oil at {significant(run.oil_at, 9)}</span>}
                <span className="flex-1" />
                <button
                    type="button"
                    className="narrow text-accent underline"
                    onClick={() => edit({ path: 'endurance', value: stored.document.endurance.filter((each) => each.id !== run.id) })}
                >
                    Take out this run of {run.name}
                </button>
            </div>
            <div className="mt-1 h-2 border border-line bg-well" role="img" aria-label={`${Math.round(run.share * 100)} percent of its target`}>
                <div className="h-full bg-accent" style={{ width: `${run.share * 100}%` }} />
            </div>
            <p className="mt-2 font-semibold">{say(run.says)}</p>
            <ul>
                {marks.map((each) => (
                    <li key={each.id} className={each.failed ? 'text-fails' : ''}>
                        {each.on}, at {significant(each.at, 9)}: {each.failed ? 'failed' : 'ran'}
                        {each.says !== '' && `, ${each.says}`}
                    </li>
                ))}
            </ul>
            <form className="mt-2 flex flex-wrap items-end gap-3" onSubmit={write}>
                <label>
                    <span className="block text-quiet">Count</span>
                    <input className={`${INPUT} w-24 text-right`} inputMode="numeric" value={at} onChange={(event) => setAt(event.target.value)} />
                </label>
                <label className="min-w-56 flex-1">
                    <span className="block text-quiet">What was seen</span>
                    <input className={`${INPUT} w-full`} maxLength={200} value={says} onChange={(event) => setSays(event.target.value)} />
                </label>
                <label className="flex items-center gap-1 py-1">
                    <input type="checkbox" className="size-5 accent-accent" checked={failed} onChange={(event) => setFailed(event.target.checked)} />
                    It failed
                </label>
                <button type="submit" className="border border-line bg-well px-3 py-1">
                    Write it down
                </button>
                <CountField path={`${path}.target`} value={run.target} label="Target" />
                <CountField path={`${path}.oil_every`} value={kept?.oil_every ?? null} label="Oil after each" />
            </form>
            {problem !== '' && (
                <p role="alert" className="mt-1 text-fails">
                    {problem}
                </p>
            )}
        </div>
    );
}
