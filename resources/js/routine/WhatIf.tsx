import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { scaleLinear, scaleLog } from 'd3-scale';
import { area, line } from 'd3-shape';
import { useState } from 'react';
import { api } from '../api/client';
import type { DriftResult, DriftStop, FaultCell, FaultResult, Routine, StatesResult, Study } from '../api/types';
import { useTrying } from '../chain/trying';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';

const BUTTON = 'border border-line bg-well px-2 py-0.5 hover:bg-ground disabled:opacity-40';

const OUTCOMES: Record<FaultCell['outcome'], { mark: string; words: string; style: string }> = {
    breaks_rule: { mark: 'R', words: 'breaks a rule', style: 'bg-fails text-sheet' },
    hits: { mark: 'H', words: 'hits a stop', style: 'bg-fails text-sheet' },
    burns: { mark: 'B', words: 'burns a coil', style: 'bg-fails text-sheet' },
    resets: { mark: 'C', words: 'the controller starts anew', style: 'bg-fails text-sheet' },
    stalls: { mark: 'S', words: 'stalls, until too hot', style: 'bg-fails text-sheet' },
    ends_wrong_unnoticed: { mark: 'U', words: 'goes wrong unnoticed', style: 'bg-fails text-sheet' },
    ends_wrong: { mark: 'E', words: 'ends in the wrong place', style: 'bg-tight-soft text-ink' },
    waits: { mark: 'W', words: 'waits forever', style: 'bg-tight-soft text-ink' },
    stops: { mark: '–', words: 'stops safely', style: 'bg-holds-soft text-ink' },
    finishes: { mark: '✓', words: 'finishes', style: 'bg-sheet text-quiet' },
};

/** What if: every fault at every step, the drift over many cycles, and what could run together. Long work goes on whoever looks. */
export function WhatIf({ routine, scenario, onCell }: { routine: Routine; scenario: string | null; onCell: (cell: FaultCell) => void }) {
    const { stored } = useBuild();
    const queries = useQueryClient();
    const key = ['studies', stored.id, routine.id];
    const { data } = useQuery({
        queryKey: [...key, stored.version],
        queryFn: () => api.studies(stored.id, routine.id),
        placeholderData: (before) => before,
        refetchInterval: (query) => (query.state.data?.some((study) => study.state === 'queued' || study.state === 'running') ? 300 : false),
    });
    const begin = useMutation({
        mutationFn: (asked: object) => api.study(stored.id, { routine: routine.id, ...asked }),
        onSettled: () => queries.invalidateQueries({ queryKey: key }),
    });
    const stop = useMutation({ mutationFn: (id: string) => api.stopStudy(id), onSettled: () => queries.invalidateQueries({ queryKey: key }) });
    const of = (kind: Study['kind']) => data?.find((study) => study.kind === kind);
    const faults = of('faults');
    return (
        <section aria-label="What if" className="mt-4 border border-line bg-sheet">
            <div className="flex flex-wrap items-center gap-3 border-b border-line px-3 py-2">
                <h2 className="text-[1.05rem]">What if</h2>
                <button type="button" className={BUTTON} disabled={begin.isPending} onClick={() => begin.mutate({ kind: 'faults', scenario })}>
                    Every fault at every step
                </button>
                <Progress study={faults} onStop={(id) => stop.mutate(id)} />
                <span className="flex-1" />
                <button type="button" className={BUTTON} disabled={begin.isPending} onClick={() => begin.mutate({ kind: 'states' })}>
                    Search everything that can happen
                </button>
                <States study={of('states')} />
                {begin.error !== null && (
                    <span role="alert" className="text-fails">
                        {begin.error.message}
                    </span>
                )}
            </div>
            {faults !== undefined && <Faults result={faults.result as FaultResult} onCell={onCell} />}
            <div className="grid grid-cols-2 gap-4 p-3">
                <Drift routine={routine} study={of('drift')} onBegin={(asked) => begin.mutate({ kind: 'drift', ...asked })} onStop={(id) => stop.mutate(id)} />
                <Beside routine={routine} />
            </div>
        </section>
    );
}

function Progress({ study, onStop }: { study: Study | undefined; onStop: (id: string) => void }) {
    if (study === undefined) {
        return null;
    }
    const goes = study.state === 'queued' || study.state === 'running';
    return (
        <span className="flex items-center gap-2" role="status">
            {goes && <progress aria-label="Done so far" className="w-36" max={study.parts} value={study.done} />}
            <span className="narrow text-quiet">
                {goes
                    ? `${study.done} of ${study.parts} parts`
                    : study.state === 'cancelled'
                      ? `stopped after ${study.done} of ${study.parts} parts`
                      : study.state === 'failed'
                        ? `could not be done: ${study.failure}`
                        : 'done'}
                {study.is_stale && ', for the build as it was before the last change'}
            </span>
            {goes && (
                <button type="button" className={BUTTON} onClick={() => onStop(study.id)}>
                    Stop it
                </button>
            )}
        </span>
    );
}

function States({ study }: { study: Study | undefined }) {
    const result = study?.result as Partial<StatesResult> | undefined;
    return result?.states === undefined ? null : (
        <span className="narrow text-quiet">
            {result.states} states, {result.complete ? 'every one' : 'as many as are looked at'};{' '}
            {result.found === 0 ? 'nothing found' : `${result.found} found, told above`}
        </span>
    );
}

/** Faults against steps. A cell runs that case in the lanes. */
function Faults({ result, onCell }: { result: FaultResult; onCell: (cell: FaultCell) => void }) {
    const { say } = useSpeaking();
    const steps = result.steps.map((step) => ({ path: step.path, says: say(step.says) }));
    const cells = new Map(result.cells.map((cell) => [`${cell.fault} ${cell.step}`, cell]));
    if (result.nothing != null) {
        return <p className="border-b border-line p-3">{result.nothing}</p>;
    }
    const counts = Object.entries(OUTCOMES).map(([outcome, { words }]) => ({ words, count: result.cells.filter((cell) => cell.outcome === outcome).length }));
    return (
        <div className="border-b border-line p-3">
            <p className="mb-2">
                {result.cells.length} of {result.cases} cases:{' '}
                {counts
                    .filter((each) => each.count > 0)
                    .map((each) => `${each.count} × ${each.words}`)
                    .join(', ')}
                .
            </p>
            <div className="max-h-[34rem] overflow-auto border-b border-line" tabIndex={0} role="group" aria-label="Faults against steps">
                <table className="border-collapse">
                    <thead>
                        <tr>
                            <th className="narrow sticky left-0 bg-sheet pr-3 text-left font-normal text-quiet">Fault</th>
                            {steps.map((step) => (
                                <th
                                    key={step.path}
                                    scope="col"
                                    className="narrow max-w-24 px-1 pb-1 text-left align-bottom font-normal text-quiet"
                                    title={step.says}
                                >
                                    <span className="line-clamp-3">{step.says.replace(/; give up.*$/, '')}</span>
                                </th>
                            ))}
                        </tr>
                    </thead>
                    <tbody>
                        {result.faults.map((fault) => (
                            <tr key={fault.fault}>
                                <th scope="row" className="sticky left-0 bg-sheet pr-3 text-left font-normal whitespace-nowrap">
                                    {fault.says}
                                </th>
                                {steps.map((step) => {
                                    const cell = cells.get(`${fault.fault} ${step.path}`);
                                    return (
                                        <td key={step.path} className="p-0.5">
                                            {cell !== undefined && (
                                                <button
                                                    type="button"
                                                    aria-label={`${fault.says} at “${step.says}”: ${OUTCOMES[cell.outcome].words}`}
                                                    title={say(cell.says)}
                                                    className={`w-full min-w-9 border border-line px-1 ${OUTCOMES[cell.outcome].style}`}
                                                    onClick={() => onCell(cell)}
                                                >
                                                    {OUTCOMES[cell.outcome].mark}
                                                </button>
                                            )}
                                        </td>
                                    );
                                })}
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
            <p className="narrow mt-1 text-quiet">
                {Object.values(OUTCOMES)
                    .map((each) => `${each.mark} ${each.words}`)
                    .join(' · ')}
            </p>
        </div>
    );
}

const FAN = { width: 560, height: 190, left: 62, right: 12, top: 12, bottom: 30 };

function Drift({
    routine,
    study,
    onBegin,
    onStop,
}: {
    routine: Routine;
    study: Study | undefined;
    onBegin: (asked: object) => void;
    onStop: (id: string) => void;
}) {
    const { stored } = useBuild();
    const { text, book, say: told } = useSpeaking();
    const timed = stored.document.motions.filter(
        (motion) => JSON.stringify(routine.steps).includes(`"motion":"${motion.id}"`) && motion.drive !== null && !('ratings' in motion.drive.motor),
    );
    const [motion, setMotion] = useState<string | null>(null);
    const [cycles, setCycles] = useState('100');
    const [home, setHome] = useState('0');
    const chosen = motion ?? timed[0]?.id;
    const result = study?.result as DriftResult | undefined;
    const [stop, setStop] = useState<string | null>(null);
    const stops = (result?.stops ?? []).filter((each) => each.by_time && each.fan.length > 0);
    const reach = (each: DriftStop) => Math.max(...each.fan.map((row) => Math.max(Math.abs(row.low), Math.abs(row.high))));
    const farthest = [...stops].sort((a, b) => reach(b) - reach(a))[0];
    const seen = stops.find((each) => each.path === stop) ?? farthest;
    const fan = seen?.fan ?? [];
    const unit = result?.unit === 'deg' ? '°' : 'm';
    const say = (value: number) => text({ si: book.toSi(value, unit), dimension: unit === '°' ? 'angle' : 'length' });
    const most = Math.max(...fan.flatMap((each) => [Math.abs(each.low), Math.abs(each.high)]), result?.tolerance ?? 0, 1e-6);
    const x = scaleLog([1, Math.max(2, fan[fan.length - 1]?.cycle ?? 2)], [FAN.left, FAN.width - FAN.right]);
    const y = scaleLinear([-most, most], [FAN.height - FAN.bottom, FAN.top]);
    type Row = DriftStop['fan'][number];
    const band = (low: keyof Row, high: keyof Row) =>
        area<Row>(
            (each) => x(each.cycle),
            (each) => y(each[low]),
            (each) => y(each[high]),
        )(fan) ?? '';
    const asked = stored.document.motions.find((each) => each.id === study?.asked.motion)?.name;
    return (
        <section aria-label="Drift">
            <h3 className="font-semibold">Drift over many cycles</h3>
            {chosen === undefined ? (
                <p className="text-quiet">Nothing in this routine goes by time.</p>
            ) : (
                <div className="flex flex-wrap items-center gap-2 py-1">
                    <select
                        aria-label="Motion"
                        className="border border-line bg-well px-1 py-0.5"
                        value={chosen}
                        onChange={(event) => setMotion(event.target.value)}
                    >
                        {timed.map((each) => (
                            <option key={each.id} value={each.id}>
                                {each.name}
                            </option>
                        ))}
                    </select>
                    <label className="flex items-center gap-1">
                        Cycles{' '}
                        <input className="w-16 border border-line bg-well px-1 text-right" value={cycles} onChange={(event) => setCycles(event.target.value)} />
                    </label>
                    <label className="flex items-center gap-1">
                        homed every{' '}
                        <input className="w-14 border border-line bg-well px-1 text-right" value={home} onChange={(event) => setHome(event.target.value)} />
                    </label>
                    <button type="button" className={BUTTON} onClick={() => onBegin({ motion: chosen, cycles: cycles.trim(), home_every: home.trim() })}>
                        Run it
                    </button>
                </div>
            )}
            <Progress study={study} onStop={onStop} />
            {result?.nothing != null && study?.state === 'done' && <p>{result.nothing}</p>}
            {stops.length > 1 && (
                <div role="radiogroup" aria-label="Stop shown" className="flex flex-wrap gap-1 py-1">
                    {stops.map((each) => (
                        <button
                            key={each.path}
                            type="button"
                            role="radio"
                            aria-checked={each === seen}
                            title={told(each.says)}
                            onClick={() => setStop(each.path)}
                            className={`border px-2 py-0.5 ${each === seen ? 'border-accent bg-accent text-sheet' : 'border-line'}`}
                        >
                            at {say(each.at)}: ±{say(reach(each))}
                        </button>
                    ))}
                </div>
            )}
            {fan.length > 0 && (
                <svg
                    viewBox={`0 0 ${FAN.width} ${FAN.height}`}
                    className="block w-full"
                    role="img"
                    aria-label={`How far off its place ${asked} stands at ${say(seen!.at)}: after ${fan[fan.length - 1]!.cycle} cycles between ${say(fan[fan.length - 1]!.low)} and ${say(fan[fan.length - 1]!.high)}, nine times in ten`}
                >
                    {result?.tolerance != null && (
                        <rect
                            x={FAN.left}
                            width={FAN.width - FAN.left - FAN.right}
                            y={y(result.tolerance)}
                            height={y(-result.tolerance) - y(result.tolerance)}
                            fill="var(--color-holds-soft)"
                        />
                    )}
                    <path d={band('low', 'high')} fill="var(--color-accent)" opacity="0.2" />
                    <path d={band('quarter', 'three_quarters')} fill="var(--color-accent)" opacity="0.35" />
                    <path
                        d={
                            line<Row>(
                                (each) => x(each.cycle),
                                (each) => y(each.middle),
                            )(fan) ?? ''
                        }
                        fill="none"
                        stroke="var(--color-ink)"
                        strokeWidth="2"
                    />
                    {[1, 10, 100, 1000]
                        .filter((tick) => tick <= fan[fan.length - 1]!.cycle)
                        .map((tick) => (
                            <text key={tick} x={x(tick)} y={FAN.height - 10} fontSize="11" textAnchor="middle">
                                {tick}
                            </text>
                        ))}
                    <text x={FAN.width - FAN.right} y={FAN.height - 10} fontSize="11" textAnchor="end" fill="var(--color-quiet)">
                        cycles
                    </text>
                    {[-most, 0, most].map((value) => (
                        <text key={value} x={FAN.left - 6} y={y(value) + 4} fontSize="11" textAnchor="end">
                            {say(value)}
                        </text>
                    ))}
                </svg>
            )}
            {fan.length > 0 && (
                <p className="narrow text-quiet">
                    {told(seen!.says)} {result!.walks} walks, nine in ten of them within the outer band
                    {result!.tolerance != null && `; the band is the ±${say(result!.tolerance)} allowed`}.
                </p>
            )}
        </section>
    );
}

/** Neighbouring steps that could run side by side. */
function Beside({ routine }: { routine: Routine }) {
    const { stored } = useBuild();
    const { say } = useSpeaking();
    const begin = useTrying((state) => state.begin);
    const { data } = useQuery({
        queryKey: ['beside', stored.id, stored.version, routine.id],
        queryFn: () => api.beside(stored.id, routine.id),
        placeholderData: (before) => before,
        staleTime: Infinity,
    });
    return (
        <section aria-label="What could run together">
            <h3 className="font-semibold">What could run together</h3>
            {data?.length === 0 && <p className="text-quiet">No two neighbouring moves of this routine would save time together.</p>}
            <ul className="divide-y divide-line">
                {(data ?? []).map((offer) => (
                    <li key={offer.path} className="py-1">
                        <p>{say(offer.says)}</p>
                        {offer.fix !== null ? (
                            <button
                                type="button"
                                className="border border-accent px-2 py-0.5 text-accent hover:bg-accent hover:text-sheet"
                                onClick={() => void begin(stored, offer.fix!)}
                            >
                                Try it together: saves {significant(offer.saves_s, 2)} s
                            </button>
                        ) : (
                            <p className="narrow text-quiet">
                                It would save {significant(offer.saves_s, 2)} s, but: {offer.why_not === null ? '' : say(offer.why_not)}
                            </p>
                        )}
                    </li>
                ))}
            </ul>
        </section>
    );
}
