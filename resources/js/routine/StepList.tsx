import { ArrowDown, ArrowUp, Pencil, X } from 'lucide-react';
import { useState } from 'react';
import type { Routine, Step, Trace } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { StepEditor } from './StepEditor';
import { lacking, listed, newStep, stepsAt, VERBS, type ListedStep, type Verb } from './steps';

/** A routine as sentences, each with the time it took in the last run, and its parts to change in place. */
export function StepList({ routine, path, trace, now }: { routine: Routine; path: string; trace: Trace | undefined; now: number }) {
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    const [open, setOpen] = useState<string | null>(null);
    const [problem, setProblem] = useState('');
    const verdict = stored.assessment.routines.find((each) => each.id === routine.id);
    const rows = listed(routine.steps);
    const sentence = (row: ListedStep) => {
        const said = verdict?.steps.find((each) => each.path === row.path);
        return said === undefined ? row.step.do : say(said.says);
    };
    const siblings = (row: ListedStep): { list: Step[]; listPath: string; index: number } => {
        const cut = row.path.lastIndexOf('.');
        const listPath = row.path.slice(0, cut);
        const list = stepsAt(routine, listPath);
        return { list, listPath, index: Number(row.path.slice(cut + 1)) };
    };
    const change = (row: ListedStep, how: (list: Step[], index: number) => Step[]) => {
        const { list, listPath, index } = siblings(row);
        setOpen(null);
        edit({ path: `${path}.${listPath}`, value: how(list, index) });
    };
    const add = (verb: Verb) => {
        const step = newStep(verb, stored.document);
        setProblem(step === null ? lacking(verb) : '');
        if (step !== null) {
            edit({ path: `${path}.steps`, value: [...routine.steps, step] });
        }
    };
    return (
        <>
            <ol className="divide-y divide-line border-y border-line">
                {rows.map((row) => {
                    const ran = trace?.steps.filter((each) => each.routine === routine.id && each.path === row.path) ?? [];
                    const isNow = ran.some((each) => each.start_s <= now && now < (each.end_s ?? Infinity) && row.step.do !== 'repeat');
                    const last = ran[ran.length - 1];
                    return (
                        <li key={row.path} className={`group ${isNow ? 'bg-holds-soft' : ''}`}>
                            <div className="flex items-center gap-2" style={{ paddingLeft: row.depth * 26 }}>
                                <span className="w-8 shrink-0 text-right text-quiet">{row.number}</span>
                                <button type="button" className="min-w-0 flex-1 py-0.5 text-left hover:underline" aria-expanded={open === row.path} onClick={() => setOpen(open === row.path ? null : row.path)}>
                                    {sentence(row)}
                                </button>
                                {ran[0] !== undefined && (
                                    <span className={`narrow shrink-0 ${last?.outcome === 'gave_up' ? 'font-semibold text-fails' : 'text-quiet'}`}>
                                        {last?.outcome === 'gave_up' ? 'gave up' : ran[0].end_s === null ? 'running' : `${significant(Math.max(0, ran[0].end_s - ran[0].start_s), 3)} s`}
                                    </span>
                                )}
                                <span className="flex shrink-0 text-quiet">
                                    <RowButton label={`Change step ${row.number}`} onClick={() => setOpen(open === row.path ? null : row.path)}>
                                        <Pencil size={14} />
                                    </RowButton>
                                    <RowButton label={`Move step ${row.number} up`} disabled={row.path.endsWith('.0')} onClick={() => change(row, (list, i) => [...list.slice(0, i - 1), list[i]!, list[i - 1]!, ...list.slice(i + 1)])}>
                                        <ArrowUp size={14} />
                                    </RowButton>
                                    <RowButton label={`Move step ${row.number} down`} disabled={siblings(row).index === siblings(row).list.length - 1} onClick={() => change(row, (list, i) => [...list.slice(0, i), list[i + 1]!, list[i]!, ...list.slice(i + 2)])}>
                                        <ArrowDown size={14} />
                                    </RowButton>
                                    <RowButton label={`Take step ${row.number} out`} onClick={() => change(row, (list, i) => list.filter((_, j) => j !== i))}>
                                        <X size={14} />
                                    </RowButton>
                                </span>
                            </div>
                            {open === row.path && (
                                <div className="pb-2 pl-10">
                                    <StepEditor step={row.step} path={`${path}.${row.path}`} />
                                </div>
                            )}
                        </li>
                    );
                })}
                {rows.length === 0 && <li className="py-2 text-quiet">No steps yet. Begin with a home step for each motion that has a switch: after a power cut nobody knows where it is.</li>}
            </ol>
            <div className="mt-2 flex flex-wrap items-center gap-1" role="group" aria-label="Add a step">
                <span className="text-quiet">Add:</span>
                {VERBS.map(({ verb, label }) => (
                    <button key={verb} type="button" className="border border-line bg-well px-2 py-0.5 hover:bg-ground" onClick={() => add(verb)}>
                        {label}
                    </button>
                ))}
                {problem !== '' && <span role="alert" className="text-fails">{problem}</span>}
            </div>
        </>
    );
}

function RowButton({ label, children, disabled, onClick }: { label: string; children: React.ReactNode; disabled?: boolean; onClick: () => void }) {
    return (
        <button type="button" aria-label={label} title={label} disabled={disabled} className="p-1.5 hover:bg-well disabled:opacity-25" onClick={onClick}>
            {children}
        </button>
    );
}
