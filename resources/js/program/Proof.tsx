import type { ProofResult, Study } from '../api/types';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { STATION_BUTTON } from '../stations/StationFields';

type Told = ProofResult['first'];

/** The program against the routines that it was written from: how much was tried, and the first that differs. */
export function Proof({
    study,
    isBeginning,
    error,
    onBegin,
    onStop,
}: {
    study: Study | undefined;
    isBeginning: boolean;
    error: string | null;
    onBegin: () => void;
    onStop: (id: string) => void;
}) {
    const result = study?.result as ProofResult | undefined;
    const goes = study !== undefined && (study.state === 'queued' || study.state === 'running');
    const isProven = study?.state === 'done' && result !== undefined && result.differ === 0;
    return (
        <section
            aria-label="Proof"
            className={`border border-l-3 border-line bg-sheet p-4 ${result === undefined || result.tried === 0 ? '' : result.differ > 0 ? 'border-l-fails' : isProven ? 'border-l-holds' : ''}`}
        >
            <div className="flex flex-wrap items-center gap-3">
                <h2 className="text-[1.25rem]">
                    {result === undefined || result.tried === 0
                        ? 'Not proven yet'
                        : result.differ > 0
                          ? `${result.differ} of ${result.tried} runs differ`
                          : isProven
                            ? 'Proven'
                            : `The same so far: ${result.tried} runs`}
                </h2>
                <span className="flex-1" />
                {goes && <progress aria-label="Done so far" className="w-36" max={study.parts} value={study.done} />}
                {goes ? (
                    <button type="button" className={STATION_BUTTON} onClick={() => onStop(study.id)}>
                        Stop it
                    </button>
                ) : (
                    <button type="button" className={STATION_BUTTON} disabled={isBeginning} onClick={onBegin}>
                        {study === undefined ? 'Prove it' : 'Prove it again'}
                    </button>
                )}
            </div>
            {error !== null && (
                <p role="alert" className="mt-2 text-fails">
                    {error}
                </p>
            )}
            <p role="status" className="mt-2 max-w-[46rem]">
                {result === undefined || result.tried === 0
                    ? 'The program itself is compiled here and drives the simulated machine: every scenario, every fault at every step, and 200 runs of chance. It must do what the routines do, in the same order, within two scans.'
                    : `Tried in ${result.word}: ${counted(result)}. ${result.same} steps, outputs and counts came as they should, at most ${significant(result.most_s * 1000, 2)} ms apart.`}
                {study?.state === 'cancelled' && ` Stopped after ${study.done} of ${study.parts} parts.`}
                {study?.state === 'failed' && ` It could not be done: ${study.failure}.`}
                {study?.is_stale === true && ' This was the build as it was before the last change.'}
            </p>
            {result?.first != null && <Difference first={result.first} />}
        </section>
    );
}

function counted(result: ProofResult): string {
    const many = (count: number, one: string, more: string) => (count === 0 ? [] : [`${count} ${count === 1 ? one : more}`]);
    return [
        ...many(result.scenarios, 'scenario', 'scenarios'),
        ...many(result.faults, 'fault at a step', 'faults at steps'),
        ...many(result.chance, 'run of chance', 'runs of chance'),
    ].join(', ');
}

/** The first run that differs, side by side. */
function Difference({ first }: { first: NonNullable<Told> }) {
    const { say } = useSpeaking();
    const rows = Array.from({ length: Math.max(first.wanted.length, first.came.length) }, (_, i) => [first.wanted[i], first.came[i]] as const);
    return (
        <div className="mt-3">
            <h3 className="font-semibold">The first that differs: {first.says}</h3>
            {first.because !== null && <p>{first.because}</p>}
            {rows.length > 0 && (
                <table className="mt-1 w-full">
                    <thead className="narrow text-left text-quiet">
                        <tr>
                            <th className="pr-3 font-normal">The routines</th>
                            <th className="font-normal">The program</th>
                        </tr>
                    </thead>
                    <tbody>
                        {rows.map((row, i) => (
                            <tr key={i} className="border-t border-line align-top">
                                {row.map((each, j) => (
                                    <td key={j} className="py-0.5 pr-3">
                                        {each === undefined ? '–' : `${each.at_s.toFixed(3)} s  ${say(each.says)}`}
                                    </td>
                                ))}
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
        </div>
    );
}
