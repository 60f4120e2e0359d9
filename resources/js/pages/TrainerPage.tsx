import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, Refused } from '../api/client';
import type { Sentence, TrainerCase, TrainerJudged } from '../api/types';
import { Plain } from '../shell/Plain';
import { useSpeaking } from '../state/UnitsContext';
import { hard, useTrainerRecord } from '../trainer/record';

const SEEDS = 2_000_000_000;

/** Practice at finding what is wrong: one hidden fault, what one sees of it, what one may measure, and a name for it. */
export function TrainerPage() {
    const shelf = useQuery({ queryKey: ['shelf'], queryFn: api.shelf });
    const { solved } = useTrainerRecord();
    const [build, setBuild] = useState('');
    const begin = useMutation({
        mutationFn: (from: string) => api.trainer.begin(from, Math.floor(Math.random() * SEEDS), hard(solved)),
    });
    const builds = shelf.data ?? [];
    const next = () => {
        const from = build !== '' ? build : builds[Math.floor(Math.random() * builds.length)]?.id;
        if (from !== undefined) {
            begin.mutate(from);
        }
    };
    const found = solved.filter((each) => each.found);
    return (
        <Plain title="Trainer">
            <main className="mx-auto max-w-6xl px-6 py-5">
                <h1 className="text-[1.5rem]">Trainer</h1>
                <p className="text-quiet">
                    One thing is wrong with a build. Look, measure as little as you need, and name it.
                    {solved.length > 0 && ` So far ${found.length} of ${solved.length} found`}
                    {found.length > 0 &&
                        `, with ${(found.reduce((sum, each) => sum + each.measured, 0) / found.length).toFixed(1)} measurements on the average`}
                    {solved.length > 0 && '.'}
                    {hard(solved).length > 0 && ' What was hard comes again.'}
                </p>
                <div className="mt-3 flex flex-wrap items-end gap-3">
                    <label className="block">
                        <span className="narrow block text-quiet">Take it from</span>
                        <select value={build} onChange={(event) => setBuild(event.target.value)} className="border border-line bg-well px-2 py-1">
                            <option value="">any build of the shelf</option>
                            {builds.map((each) => (
                                <option key={each.id} value={each.id}>
                                    {each.name}
                                </option>
                            ))}
                        </select>
                    </label>
                    <button
                        type="button"
                        className="bg-accent px-3 py-1 font-semibold text-sheet disabled:opacity-50"
                        disabled={builds.length === 0 || begin.isPending}
                        onClick={next}
                    >
                        {begin.isPending ? 'Something is being hidden…' : begin.data === undefined ? 'Hide a fault' : 'Another one'}
                    </button>
                    <p role="alert" className="text-fails">
                        {begin.error instanceof Refused ? begin.error.errors.map((each) => each.message).join(' ') : begin.error?.message}
                    </p>
                </div>
                {begin.data !== undefined && <Case key={begin.data.id} of={begin.data} />}
                {begin.data === undefined && (
                    <ol className="mt-6 max-w-2xl list-decimal space-y-2 border-l-3 border-line pl-8">
                        <li>One thing of a build is made wrong: a wire, a switch, a gear, a battery, a figure in the program. Nobody says which.</li>
                        <li>Its routine is run. What usually happens stands beside what happens now.</li>
                        <li>Measure where it tells most: a voltage, a current, a time, what a hand feels. Each costs time, and is counted.</li>
                        <li>Name it. A wrong name is answered with what would be otherwise, and what was hard comes again another day.</li>
                    </ol>
                )}
            </main>
        </Plain>
    );
}

function Case({ of }: { of: TrainerCase }) {
    const { say } = useSpeaking();
    const { add } = useTrainerRecord();
    const [readings, setReadings] = useState<{ asks: Sentence; says: Sentence; id: string }[]>([]);
    const [named, setNamed] = useState('');
    const [wrong, setWrong] = useState<{ id: string; judged: TrainerJudged }[]>([]);
    const [end, setEnd] = useState<{ says: string; why: Sentence[] } | null>(null);
    const [problem, setProblem] = useState('');
    const fails = (thrown: unknown) =>
        setProblem(thrown instanceof Refused && thrown.status === 404 ? 'This case is over a week old, or gone: take another.' : String(thrown));
    const measure = (each: TrainerCase['measures'][number]) =>
        api.trainer.measure(of.id, each.id).then(({ says }) => setReadings((before) => [...before, { asks: each.asks, says, id: each.id }]), fails);
    const name = () =>
        api.trainer.judge(of.id, named).then((judged) => {
            if (judged.right) {
                setEnd({ says: `${say(judged.says)} ${judged.was === null ? '' : say(judged.was)}`, why: judged.why });
                add({ kind: judged.kind, found: true, measured: readings.length, wrong: wrong.length });
            } else {
                setWrong((before) => [...before, { id: named, judged }]);
                setNamed('');
            }
        }, fails);
    const tell = () =>
        api.trainer.tell(of.id).then((told) => {
            setEnd({ says: `It was this: ${say(told.says)}`, why: told.why });
            add({ kind: told.kind, found: false, measured: readings.length, wrong: wrong.length });
        }, fails);
    const done = new Set(readings.map((each) => each.id));
    return (
        <div className="mt-5 grid gap-6 lg:grid-cols-2">
            <section aria-label="What you see">
                <h2 className="text-[1.15rem]">
                    {of.build}: {of.routine} is run{of.scenario === null ? '' : `, ${of.scenario}`}
                </h2>
                <table className="mt-2 w-full border border-line bg-sheet">
                    <thead className="narrow text-left text-quiet">
                        <tr>
                            <th className="w-1/2 px-3 py-1.5 font-normal">Usually</th>
                            <th className="px-3 font-normal">Now</th>
                        </tr>
                    </thead>
                    <tbody>
                        {Array.from({ length: Math.max(of.usual.length, of.seen.length) }, (_, i) => {
                            const [usual, seen] = [of.usual[i] && say(of.usual[i]), of.seen[i] && say(of.seen[i])];
                            return (
                                <tr key={i} className="border-t border-line align-top">
                                    <td className="px-3 py-1 text-quiet">{usual}</td>
                                    <td className={`px-3 py-1 ${usual === seen ? '' : 'font-semibold'}`}>{seen}</td>
                                </tr>
                            );
                        })}
                    </tbody>
                </table>
                <h2 className="mt-5 text-[1.15rem]">Measured: {readings.length}</h2>
                <ol aria-label="What was measured" className="mt-1 list-decimal pl-6">
                    {readings.map((each) => (
                        <li key={each.id} className="py-0.5">
                            {say(each.asks)}: <strong>{say(each.says)}</strong>
                        </li>
                    ))}
                </ol>
                {readings.length === 0 && <p className="text-quiet">Nothing yet.</p>}
            </section>
            <section aria-label="What can be done">
                {end !== null ? (
                    <div role="status" className="border border-line bg-sheet px-4 py-3">
                        <p className="text-[1.15rem] font-semibold">{end.says}</p>
                        <p className="mt-2">{end.why.length === 0 ? 'Only its moves show it.' : 'What shows it:'}</p>
                        <ul className="list-disc pl-5">
                            {end.why.map((each) => (
                                <li key={each.text}>{say(each)}</li>
                            ))}
                        </ul>
                    </div>
                ) : (
                    <>
                        <h2 className="text-[1.15rem]">Name it</h2>
                        <div className="mt-2 flex gap-2">
                            <select
                                aria-label="What is wrong"
                                value={named}
                                onChange={(event) => setNamed(event.target.value)}
                                className="min-w-0 flex-1 border border-line bg-well px-2 py-1"
                            >
                                <option value="">What is wrong?</option>
                                {of.faults
                                    .filter((each) => !wrong.some((before) => before.id === each.id))
                                    .map((each) => (
                                        <option key={each.id} value={each.id}>
                                            {say(each.says)}
                                        </option>
                                    ))}
                            </select>
                            <button
                                type="button"
                                disabled={named === ''}
                                className="bg-accent px-3 py-1 font-semibold text-sheet disabled:opacity-50"
                                onClick={() => void name()}
                            >
                                That is it
                            </button>
                            <button type="button" className="border border-line bg-well px-3 py-1" onClick={() => void tell()}>
                                Tell me
                            </button>
                        </div>
                        <div role="status" className="mt-2 space-y-1">
                            {wrong.map(({ id, judged }) => (
                                <p key={id}>
                                    <span className="font-semibold text-fails">{say(judged.says)}</span>{' '}
                                    <s>{say(of.faults.find((each) => each.id === id)!.says)}</s> {judged.why.map((each) => say(each)).join(' ')}
                                </p>
                            ))}
                        </div>
                        <h2 className="mt-5 text-[1.15rem]">Measure something</h2>
                        <ul className="mt-2 grid grid-cols-1 gap-1 sm:grid-cols-2">
                            {of.measures.map((each) => (
                                <li key={each.id}>
                                    <button
                                        type="button"
                                        disabled={done.has(each.id)}
                                        className="min-h-7 w-full border border-line bg-sheet px-2 py-0.5 text-left hover:bg-well disabled:opacity-50"
                                        onClick={() => void measure(each)}
                                    >
                                        {say(each.asks)}
                                    </button>
                                </li>
                            ))}
                        </ul>
                    </>
                )}
                <p role="alert" className="mt-2 text-fails">
                    {problem}
                </p>
            </section>
        </div>
    );
}
