import { useState } from 'react';
import type { ServiceJob, ServiceReport } from '../api/types';
import { today } from '../log/today';
import { significant } from '../state/units';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { Cell } from './Cell';
import { freeId } from './freeId';

const STATES = { due: 'Due', soon: 'Soon', later: '', open: '' } as const;

/** What wears, and when it is seen to next. */
export function ServiceJobs({ of }: { of: ServiceReport }) {
    const { stored, edit } = useBuild();
    const [name, setName] = useState('');
    const own = stored.document.upkeep.jobs;
    if (of.jobs.length === 0) {
        return null;
    }
    return (
        <section aria-label="Jobs" className="mt-4">
            <table className="w-full border border-line bg-sheet">
                <thead className="narrow text-left text-quiet">
                    <tr>
                        <th className="px-3 py-1.5 font-normal">Next</th>
                        <th className="px-2 font-normal">Job</th>
                        <th className="px-2 text-right font-normal">Every, times</th>
                        <th className="px-2 text-right font-normal">Every, days</th>
                        <th className="px-2 text-right font-normal">Left</th>
                        <th className="px-2 font-normal">Last done</th>
                        <th className="px-2 font-normal">Done today</th>
                    </tr>
                </thead>
                <tbody>
                    {of.jobs.map((job) => (
                        <JobRow key={job.id} job={job} />
                    ))}
                </tbody>
            </table>
            <form
                className="mt-2 flex items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (name.trim() !== '') {
                        edit({ path: `upkeep.jobs.${own.length}`, value: { id: freeId(own, 'job'), name: name.trim(), every_days: 30 } });
                        setName('');
                    }
                }}
            >
                <label>
                    <span className="block text-quiet">A job of your own</span>
                    <input
                        className="w-72 border border-line bg-well px-2 py-1"
                        maxLength={80}
                        value={name}
                        onChange={(event) => setName(event.target.value)}
                    />
                </label>
                <button type="submit" className="border border-line bg-sheet px-3 py-1">
                    Add it
                </button>
            </form>
        </section>
    );
}

function JobRow({ job }: { job: ServiceJob }) {
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    const [note, setNote] = useState('');
    const name = say(job.does);
    const why = say(job.why);
    const done = stored.document.upkeep.done;
    const [list, id] = job.own ? ['upkeep.jobs', job.id.slice(4)] : ['upkeep.changed', job.id];
    const finish = () => {
        edit({ path: `upkeep.done.${done.length}`, value: { id: freeId(done, 'done'), job: job.id, on: today(), note } });
        setNote('');
    };
    return (
        <tr className="border-t border-line align-baseline">
            <td className="px-3 py-1.5 whitespace-nowrap">
                {STATES[job.state] !== '' && <strong className={job.state === 'due' ? 'text-fails' : 'text-tight'}>{STATES[job.state]} </strong>}
                {job.next_on ?? '–'}
            </td>
            <td className="px-2">
                {name}
                {why !== '' && <span className="narrow block text-quiet">{why}</span>}
                {job.own && (
                    <button
                        type="button"
                        className="narrow text-accent underline"
                        onClick={() => edit({ path: 'upkeep.jobs', value: stored.document.upkeep.jobs.filter((each) => each.id !== id) })}
                    >
                        Take out {name}
                    </button>
                )}
            </td>
            <td className="px-2 text-right">
                {(job.motion !== null || job.own) && (
                    <Cell list={list} id={id} field="every_cycles" value={job.every_cycles} kind="number" label={`${name}: every, times`} className="w-24" />
                )}
            </td>
            <td className="px-2 text-right">
                <Cell list={list} id={id} field="every_days" value={job.every_days} kind="number" label={`${name}: every, days`} className="w-16" />
            </td>
            <td className="px-2 text-right whitespace-nowrap">{left(job)}</td>
            <td className="px-2 whitespace-nowrap">{job.last_on ?? 'never'}</td>
            <td className="px-2">
                <span className="flex gap-1">
                    <input
                        aria-label={`What was found: ${name}`}
                        placeholder="What was found"
                        className="w-32 border border-line bg-well px-1.5 py-0.5"
                        maxLength={300}
                        value={note}
                        onChange={(event) => setNote(event.target.value)}
                    />
                    <button type="button" className="border border-line bg-well px-2 py-0.5" aria-label={`Done: ${name}`} onClick={finish}>
                        Done
                    </button>
                </span>
            </td>
        </tr>
    );
}

/** What is left until it is due, or how far it is over. */
function left(job: ServiceJob): string {
    if (job.next_on === null) {
        return '';
    }
    const [much, word] = job.left_cycles === null ? [job.left_days, 'days'] : [job.left_cycles, 'times'];
    return `${significant(Math.abs(Math.floor(much)), 9)} ${word}${much < 0 ? ' over' : ''}`;
}
