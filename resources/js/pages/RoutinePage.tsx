import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { NavLink, useParams } from 'react-router';
import { api } from '../api/client';
import type { FaultCell, RehearsedFrom, Routine, Trace } from '../api/types';
import { Findings } from '../chain/Findings';
import { LinkGlyph } from '../chain/LinkGlyph';
import { TryPanel } from '../chain/TryPanel';
import { ZoomedLanes } from '../charts/Lanes';
import { TextInput } from '../fields/PlainFields';
import * as Parts from '../routine/Parts';
import { ScenarioEditor } from '../routine/ScenarioEditor';
import { StartsWhen } from '../routine/Starts';
import { StepList } from '../routine/StepList';
import { TextPane } from '../routine/TextPane';
import { WhatIf } from '../routine/WhatIf';
import { Events, Machine, TakeAlong } from '../routine/RunView';
import { usePlayhead } from '../routine/usePlayhead';
import { pressesControl } from '../shell/keys';
import { NotThere } from '../shell/NotThere';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { ReadyCards, ReadyMenu } from '../routine/ReadyRoutines';
import { FirstMotion } from './FirstMotion';
import { freeId } from './AddMotion';

/** Routines as sentences, with the run under them. */
export function RoutinePage() {
    const { routineId } = useParams();
    const { stored } = useBuild();
    const { routines } = stored.document;
    const fallback = routines.find((routine) => routine.starts.some((start) => start.when !== 'power_on')) ?? routines[0];
    const routine = routineId === undefined ? fallback : routines.find((each) => each.id === routineId);
    if (routineId !== undefined && routine === undefined) {
        return <NotThere what="There is no such routine in this build." />;
    }
    return (
        <main className="mx-auto max-w-[1500px] px-4 py-3">
            <RoutineTabs current={routine?.id} />
            {routine === undefined ? (
                <>
                    <h1 className="mt-5 text-[1.5rem]">No routine yet: begin with a ready one, or with an empty one above</h1>
                    <p className="mt-1 max-w-3xl text-quiet">
                        A routine is what you would tell a helper at the lever: when somebody breaks the beam, take the bridge up, wait a second, let the heron
                        strike.
                    </p>
                    <FirstMotion says="Most of them move something: say first what that is." />
                    <ReadyCards />
                </>
            ) : (
                <OneRoutine key={routine.id} routine={routine} index={routines.indexOf(routine)} />
            )}
        </main>
    );
}

function RoutineTabs({ current }: { current: string | undefined }) {
    const { stored, edit } = useBuild();
    const { routines } = stored.document;
    const add = () =>
        edit({
            path: `routines.${routines.length}`,
            value: {
                id: freeId(
                    'routine',
                    routines.map((each) => each.id),
                ),
                name: `Routine ${routines.length + 1}`,
                starts: [],
                alone: true,
                target_s: null,
                steps: [],
                if_fails: [],
            },
        });
    return (
        <nav aria-label="Routines" className="flex items-center gap-1 border-b border-line">
            {stored.assessment.routines.map((routine) => (
                <NavLink
                    key={routine.id}
                    to={`/builds/${stored.id}/routines/${routine.id}`}
                    aria-current={routine.id === current ? 'page' : undefined}
                    className={`flex items-center gap-2 border-b-3 px-3 py-1.5 hover:bg-well ${routine.id === current ? 'border-ink bg-well font-semibold' : 'border-transparent'}`}
                >
                    <LinkGlyph verdict={routine.verdict} size={12} />
                    {routine.name}
                </NavLink>
            ))}
            <button type="button" className="px-3 py-1.5 text-accent underline" onClick={add}>
                New routine
            </button>
            {routines.length > 0 && <ReadyMenu />}
        </nav>
    );
}

function OneRoutine({ routine, index }: { routine: Routine; index: number }) {
    const { say } = useSpeaking();
    const { stored, edit } = useBuild();
    const path = `routines.${index}`;
    const { scenarios } = stored.document;
    const fitting = scenarios.find((scenario) =>
        scenario.events.some((event) => routine.starts.some((start) => 'sensor' in start && 'sensor' in event && start.sensor === event.sensor)),
    );
    const [chosen, setChosen] = useState<string | null>(null);
    const verdict = stored.assessment.routines.find((each) => each.id === routine.id);
    const rehearsal =
        chosen !== null && chosen.startsWith(REHEARSAL) && Number(chosen.slice(REHEARSAL.length)) < (verdict?.rehearsals.length ?? 0)
            ? Number(chosen.slice(REHEARSAL.length))
            : null;
    const scenario = chosen === 'hand' || rehearsal !== null ? null : (scenarios.find((each) => each.id === chosen)?.id ?? fitting?.id ?? null);
    const [cell, setCell] = useState<FaultCell | null>(null);
    const { data: trace, error } = useQuery({
        queryKey: ['run', stored.id, stored.version, routine.id, scenario, rehearsal, cell],
        queryFn: () => (rehearsal === null ? api.run(stored.id, routine.id, scenario, cell?.events ?? []) : api.rehearsal(stored.id, routine.id, rehearsal)),
        placeholderData: (before) => (before?.routine === routine.id ? before : undefined),
        staleTime: Infinity,
    });
    const playhead = usePlayhead(trace?.ran_s ?? 0);
    useHotkeys('space', playhead.toggle, { preventDefault: true, ignoreEventWhen: pressesControl }, [playhead.toggle]);
    return (
        <>
            <div className="mt-3 empty:hidden">
                <TryPanel />
            </div>
            <div className="mt-3 grid grid-cols-[minmax(0,1fr)_24.5rem] gap-5">
                <section aria-label="Steps">
                    <div className="mb-2 flex items-center gap-4">
                        <h1 className="sr-only">{routine.name}</h1>
                        <TextInput
                            path={`${path}.name`}
                            value={routine.name}
                            label="Name of the routine"
                            className="w-52 border border-transparent bg-transparent px-1 text-[1.25rem] font-semibold hover:border-line focus:bg-well"
                        />
                        <StartsWhen routine={routine} path={path} />
                    </div>
                    <StepList routine={routine} path={path} list="steps" trace={trace} now={playhead.time} />
                    <details className="mt-3">
                        <summary className="py-1 font-semibold">As text</summary>
                        <TextPane key={routine.id} routine={routine} path={path} />
                    </details>
                    <details className="mt-3" open={routine.if_fails.length > 0}>
                        <summary className="py-1 font-semibold">When a step fails</summary>
                        <StepList routine={routine} path={path} list="if_fails" trace={trace} now={playhead.time} />
                    </details>
                </section>
                <div className="space-y-4">
                    <RunResult trace={trace} routine={routine} />
                    <Findings
                        findings={verdict?.findings ?? []}
                        title="What can go wrong"
                        none={stored.assessment.rehearsed ? 'Nothing, from wherever it begins.' : 'Nothing that can be seen without running it.'}
                    />
                    <Rehearsals
                        of={verdict?.rehearsals ?? []}
                        chosen={rehearsal}
                        onChoose={(i) => {
                            setChosen(REHEARSAL + i);
                            document.querySelector('[aria-label="Run"]')?.scrollIntoView({ block: 'center' });
                        }}
                    />
                    <Parts.Surroundings routine={routine} path={path} />
                    <Parts.Rules />
                    <ScenarioEditor scenario={scenario} onChoose={(id) => setChosen(id ?? 'hand')} />
                    <button
                        type="button"
                        className="border border-line bg-well px-2 py-0.5"
                        onClick={() => edit({ path: 'routines', value: stored.document.routines.filter((each) => each.id !== routine.id) })}
                    >
                        Throw this routine away
                    </button>
                </div>
            </div>
            <section className="mt-4" aria-label="Run">
                <div className="flex items-center gap-3 bg-mat px-3 py-2 text-mat-ink on-mat">
                    <button
                        type="button"
                        className="border border-mat-quiet px-3 py-1 font-semibold hover:bg-mat-rule"
                        disabled={trace === undefined}
                        onClick={playhead.toggle}
                    >
                        {playhead.isPlaying ? 'Pause' : 'Play'} <kbd className="key narrow font-normal text-mat-quiet">Space</kbd>
                    </button>
                    <label className="flex items-center gap-2">
                        What happens
                        <select
                            className="border border-mat-quiet bg-mat px-2 py-1"
                            value={rehearsal === null ? (scenario ?? 'hand') : REHEARSAL + rehearsal}
                            onChange={(event) => setChosen(event.target.value)}
                        >
                            <option value="hand">It is started by hand</option>
                            {scenarios.map((each) => (
                                <option key={each.id} value={each.id}>
                                    {each.name}
                                </option>
                            ))}
                            {(verdict?.rehearsals ?? []).length > 0 && (
                                <optgroup label="It is run">
                                    {verdict!.rehearsals.map((each, i) => (
                                        <option key={each.says} value={REHEARSAL + i}>
                                            {each.says}
                                        </option>
                                    ))}
                                </optgroup>
                            )}
                        </select>
                    </label>
                    {cell !== null && (
                        <span className="flex items-center gap-2 border border-coral px-2">
                            <span className="text-coral">With a fault:</span> {say(cell.says)}
                            <button type="button" className="underline" onClick={() => setCell(null)}>
                                without it again
                            </button>
                        </span>
                    )}
                    {error !== null && <span className="text-coral">{error.message}</span>}
                </div>
                {trace !== undefined && (
                    <>
                        <Machine routine={routine} trace={trace} now={playhead.time} />
                        <ZoomedLanes key={trace.ran_s} build={stored.document} trace={trace} now={playhead.time} onNow={playhead.seek} width={1240} />
                        <TakeAlong routine={routine} scenario={scenario} rehearsal={rehearsal} isPlain={cell === null} trace={trace} playhead={playhead} />
                        <Events trace={trace} now={playhead.time} />
                    </>
                )}
            </section>
            <WhatIf
                routine={routine}
                scenario={scenario}
                onCell={(next) => {
                    setCell(next);
                    document.querySelector('[aria-label="Run"]')?.scrollIntoView({ block: 'center' });
                }}
            />
        </>
    );
}

const BORDER = { fails: 'border-fails', tight: 'border-tight', holds: 'border-holds', not_said: 'border-line' } as const;

const REHEARSAL = 'rehearsal ';

const ENDS = {
    ends: 'ends',
    gives_up: 'gives up',
    comes_round: 'goes on for ever',
    bounded: 'takes longer than was looked at',
    never_begins: 'does not begin',
} as const;

/** From where the routine has been rehearsed, and what became of it; each can be played. */
function Rehearsals({ of, chosen, onChoose }: { of: RehearsedFrom[]; chosen: number | null; onChoose: (i: number) => void }) {
    if (of.length === 0) {
        return null;
    }
    const wrong = of.filter((each) => each.wrong > 0).length;
    return (
        <details className="border-y border-line py-1" open={wrong > 0}>
            <summary className="py-1 font-semibold">
                Rehearsed from {of.length} {of.length === 1 ? 'start' : 'starts'}
                {wrong > 0 && <span className="text-fails">, {wrong} with something wrong</span>}
            </summary>
            <ul>
                {of.map((each, i) => (
                    <li key={each.says}>
                        <button
                            type="button"
                            aria-pressed={chosen === i}
                            className={`flex min-h-7 w-full items-center gap-2 px-1 text-left hover:bg-well ${chosen === i ? 'bg-well font-semibold' : ''}`}
                            onClick={() => onChoose(i)}
                        >
                            <LinkGlyph
                                verdict={each.wrong > 0 ? 'fails' : each.outcome === 'ends' || each.outcome === 'comes_round' ? 'holds' : 'not_said'}
                                size={11}
                            />
                            <span className="min-w-0 flex-1">{each.says}</span>
                            <span className="text-quiet">{each.takes_s === null ? ENDS[each.outcome] : `${significant(each.takes_s, 3)} s`}</span>
                        </button>
                    </li>
                ))}
            </ul>
        </details>
    );
}

const MISHAPS = 3; // told with the result; the others stand among the events

function RunResult({ trace, routine }: { trace: Trace | undefined; routine: Routine }) {
    const { say } = useSpeaking();
    const ignored = trace?.events.find((event) => event.kind === 'ignored');
    if (trace === undefined) {
        return <p className="text-quiet">Running it…</p>;
    }
    return (
        <section aria-label="Result of the run" className={`border-l-4 pl-3 ${BORDER[trace.verdict]}`}>
            <p className="figure">
                {trace.outcome === 'finished' && `Takes ${significant(trace.took_s ?? 0, 3)} s`}
                {trace.outcome === 'faulted' && 'Gives up'}
                {trace.outcome === 'still_running' && 'Still running'}
                {trace.outcome === 'never_started' && 'Never starts'}
            </p>
            <p className="text-quiet">
                {trace.outcome === 'finished' &&
                    (routine.target_s === null ? 'from its start to its end' : `of ${significant(routine.target_s, 3)} s asked for`)}
                {trace.outcome === 'faulted' && `after ${significant(trace.took_s ?? 0, 3)} s: ${trace.fault}.`}
                {trace.outcome === 'still_running' && `after ${significant(trace.ran_s, 3)} s, when the run was ended`}
                {trace.outcome === 'never_started' && (ignored === undefined ? 'in this scenario nothing triggers it' : say(ignored.says))}
            </p>
            {trace.mishaps.slice(0, MISHAPS).map((mishap, i) => (
                <p key={i}>{say(mishap.says)}</p>
            ))}
            {trace.mishaps.length > MISHAPS && <p className="text-quiet">And {trace.mishaps.length - MISHAPS} more: they stand in the list of events.</p>}
        </section>
    );
}

/** The motions of the routine as they stand at the cursor; what the step at it moves is framed, and the outputs that are on are named. */
