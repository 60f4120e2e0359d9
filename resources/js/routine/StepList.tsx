import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { ArrowDown, ArrowUp, Check, Columns2, Ungroup, X } from 'lucide-react';
import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import type { Routine, Step, Trace } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { StepEditor } from './StepEditor';
import { besideNext, innerLists, lacking, listed, matching, newStep, stepsAt, unwrapped, VERBS, type ListedStep, type Verb } from './steps';
import { useDragRows } from './useDragRows';

interface Props {
    routine: Routine;
    path: string;
    /** `steps`, or `if_fails`. */
    list: 'steps' | 'if_fails';
    trace: Trace | undefined;
    now: number;
}

/** A routine as sentences, each with the time it took in the last run, and its parts to change in place. */
export function StepList({ routine, path, list: root, trace, now }: Props) {
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    const [open, setOpen] = useState<string | null>(null);
    const [byHand, setByHand] = useState(false); // it was opened by its sentence, which is gone then: the focus goes to its first part
    const [after, setAfter] = useState<string | null>(null); // the row that was last touched: a new step comes after it
    const [problem, setProblem] = useState('');
    const verdict = stored.assessment.routines.find((each) => each.id === routine.id);
    const rows = listed(routine[root], root);
    const sentence = (row: ListedStep) => {
        const said = verdict?.steps.find((each) => each.path === row.path);
        return said === undefined ? row.step.do : say(said.says);
    };
    const show = (at: string, byHand: boolean) => {
        setOpen(at);
        setByHand(byHand);
        setAfter(at);
    };
    const close = (at: string) => {
        setOpen(null);
        setTimeout(() => document.querySelector<HTMLElement>(`[data-step="${at}"]`)?.focus());
    };
    const place = (at: string) => {
        const cut = at.lastIndexOf('.');
        return { listPath: at.slice(0, cut), list: stepsAt(routine, at.slice(0, cut)), index: Number(at.slice(cut + 1)) };
    };
    const change = (at: string, how: (list: Step[], index: number) => Step[]) => {
        const { list, listPath, index } = place(at);
        setOpen(null);
        edit({ path: `${path}.${listPath}`, value: how(list, index) });
    };
    const moved = (by: number) => (list: Step[], index: number) => {
        const to = Math.max(0, Math.min(list.length - 1, index + by));
        const rest = list.filter((_, j) => j !== index);
        return [...rest.slice(0, to), list[index]!, ...rest.slice(to)];
    };
    const add = (verb: Verb) => {
        const step = newStep(verb, stored, routine.id);
        setProblem(step === null ? lacking(verb) : '');
        if (step === null) {
            return;
        }
        const known =
            after !== null && rows.some((row) => row.path === after) ? place(after) : { listPath: root, list: routine[root], index: routine[root].length - 1 };
        edit({ path: `${path}.${known.listPath}`, value: [...known.list.slice(0, known.index + 1), step, ...known.list.slice(known.index + 1)] });
        const added = `${known.listPath}.${known.index + 1}`;
        setAfter(added);
        show(added, false);
    };
    const press = (row: ListedStep) => (event: KeyboardEvent) => {
        if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
            event.preventDefault();
            change(row.path, moved(event.key === 'ArrowUp' ? -1 : 1));
        } else if (event.key === 'Delete') {
            event.preventDefault();
            change(row.path, (list, i) => list.filter((_, j) => j !== i));
        }
    };
    const { dragged, over, grip } = useDragRows((at, onto) => {
        const [from, to] = [place(at), place(onto)];
        if (from.listPath === to.listPath) {
            change(at, moved(to.index - from.index));
        }
    });
    return (
        <>
            <ol className="divide-y divide-line border-y border-line">
                {rows.map((row) => {
                    const ran = trace?.steps.filter((each) => each.routine === routine.id && each.path === row.path) ?? [];
                    const holds = innerLists(row.step).length > 0;
                    const isNow = ran.some((each) => each.start_s <= now && now < (each.end_s ?? Infinity) && !holds);
                    const last = ran[ran.length - 1];
                    const { list, index } = place(row.path);
                    return (
                        <li
                            key={row.path}
                            data-row={row.path}
                            className={`${isNow ? 'bg-holds-soft' : ''} ${dragged === row.path ? 'opacity-50' : ''} ${over === row.path ? 'bg-well outline-2 -outline-offset-2 outline-accent' : ''}`}
                        >
                            {row.heading !== null && (
                                <p className="narrow text-quiet" style={{ paddingLeft: row.depth * 26 + 10 }}>
                                    {row.heading}
                                </p>
                            )}
                            <div className={`flex gap-2 ${open === row.path ? 'items-baseline' : 'items-center'}`} style={{ paddingLeft: row.depth * 26 }}>
                                <span {...grip(row.path)}>{row.number}</span>
                                {open === row.path ? (
                                    <OpenStep takesFocus={byHand} onClose={() => close(row.path)}>
                                        <StepEditor step={row.step} path={`${path}.${row.path}`} />
                                    </OpenStep>
                                ) : (
                                    <button
                                        type="button"
                                        data-step={row.path}
                                        className="min-w-0 flex-1 py-0.5 text-left hover:underline"
                                        aria-expanded="false"
                                        aria-keyshortcuts="Alt+ArrowUp Alt+ArrowDown Delete"
                                        onFocus={() => setAfter(row.path)}
                                        onKeyDown={press(row)}
                                        onClick={() => show(row.path, true)}
                                    >
                                        {sentence(row)}
                                    </button>
                                )}
                                {ran[0] !== undefined && (
                                    <span className={`narrow shrink-0 ${last?.outcome === 'gave_up' ? 'font-semibold text-fails' : 'text-quiet'}`}>
                                        {last?.outcome === 'gave_up'
                                            ? 'gave up'
                                            : ran[0].end_s === null
                                              ? 'running'
                                              : `${significant(Math.max(0, ran[0].end_s - ran[0].start_s), 3)} s`}
                                    </span>
                                )}
                                <span className="flex shrink-0 text-quiet">
                                    {holds ? (
                                        <RowButton label={`Take step ${row.number} apart`} onClick={() => change(row.path, unwrapped)}>
                                            <Ungroup size={14} />
                                        </RowButton>
                                    ) : (
                                        <RowButton
                                            label={`Run step ${row.number} together with the next`}
                                            disabled={index === list.length - 1}
                                            onClick={() => change(row.path, besideNext)}
                                        >
                                            <Columns2 size={14} />
                                        </RowButton>
                                    )}
                                    <RowButton label={`Move step ${row.number} up`} disabled={index === 0} onClick={() => change(row.path, moved(-1))}>
                                        <ArrowUp size={14} />
                                    </RowButton>
                                    <RowButton
                                        label={`Move step ${row.number} down`}
                                        disabled={index === list.length - 1}
                                        onClick={() => change(row.path, moved(1))}
                                    >
                                        <ArrowDown size={14} />
                                    </RowButton>
                                    <RowButton
                                        label={`Take step ${row.number} out`}
                                        onClick={() => change(row.path, (steps, i) => steps.filter((_, j) => j !== i))}
                                    >
                                        <X size={14} />
                                    </RowButton>
                                </span>
                            </div>
                        </li>
                    );
                })}
                {rows.length === 0 && (
                    <li className="py-2 text-quiet">
                        {root === 'steps'
                            ? 'No steps yet. Begin with a home step for each motion that has a switch: after a power cut nobody knows where it is.'
                            : 'Nothing besides: everything that it moves is stopped.'}
                    </li>
                )}
            </ol>
            <AddStep
                label={root === 'steps' ? 'Add a step' : 'Add a step for when it fails'}
                where={after !== null && rows.some((row) => row.path === after) ? `after step ${rows.find((row) => row.path === after)!.number}` : 'at the end'}
                onAdd={add}
            />
            {problem !== '' && (
                <p role="alert" className="text-fails">
                    {problem}
                </p>
            )}
        </>
    );
}

/** A sentence whose parts are fields, until that is done. */
function OpenStep({ takesFocus, onClose, children }: { takesFocus: boolean; onClose: () => void; children: ReactNode }) {
    const box = useRef<HTMLDivElement>(null);
    useEffect(() => {
        if (takesFocus) {
            box.current?.querySelector<HTMLElement>('select, input, button')?.focus();
        }
    }, [takesFocus]);
    useEffect(() => {
        const at = box.current;
        const press = (event: globalThis.KeyboardEvent) => event.key === 'Escape' && onClose();
        at?.addEventListener('keydown', press);
        return () => at?.removeEventListener('keydown', press);
    }, [onClose]);
    return (
        <div ref={box} role="group" aria-label="Parts of the step" className="flex min-w-0 flex-1 items-start gap-2 py-0.5">
            <div className="min-w-0 flex-1">{children}</div>
            <RowButton label="Done with this step" onClick={onClose}>
                <Check size={14} />
            </RowButton>
        </div>
    );
}

/** A new step by typing its verb. */
function AddStep({ label, where, onAdd }: { label: string; where: string; onAdd: (verb: Verb) => void }) {
    const [typed, setTyped] = useState('');
    const fitting = typed.trim() === '' ? VERBS : matching(typed);
    const choose = (verb: Verb | null) => {
        if (verb !== null) {
            onAdd(verb);
            setTyped('');
        }
    };
    return (
        <div className="relative mt-2 flex items-center gap-2">
            <Combobox value={null as Verb | null} onChange={choose} immediate>
                <ComboboxInput
                    aria-label={label}
                    className="w-72 border border-line bg-well px-2 py-1"
                    placeholder="Type a step: go, wait, if, together…"
                    autoComplete="off"
                    value={typed}
                    onChange={(event) => setTyped(event.target.value)}
                />
                <ComboboxOptions anchor="bottom start" className="z-20 w-72 border border-line bg-sheet shadow-md empty:hidden">
                    {fitting.map((each) => (
                        <ComboboxOption key={each.verb} value={each.verb} className="cursor-pointer px-2 py-1 data-focus:bg-accent data-focus:text-sheet">
                            {each.label}
                        </ComboboxOption>
                    ))}
                </ComboboxOptions>
            </Combobox>
            <span className="narrow text-quiet">{fitting.length === 0 ? 'There is no such step.' : where}</span>
        </div>
    );
}

function RowButton({ label, children, disabled, onClick }: { label: string; children: ReactNode; disabled?: boolean; onClick: () => void }) {
    return (
        <button type="button" aria-label={label} title={label} disabled={disabled} className="p-1.5 hover:bg-well disabled:opacity-25" onClick={onClick}>
            {children}
        </button>
    );
}
