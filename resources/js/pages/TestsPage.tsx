import { api } from '../api/client';
import type { BenchReport, BenchTest } from '../api/types';
import { BenchSays } from '../log/BenchSays';
import { today } from '../log/today';
import { Cell, useEntry } from '../making/Cell';
import { EnduranceRuns } from '../making/EnduranceRuns';
import { MakingTabs } from '../making/MakingTabs';
import { useReport } from '../making/useReport';
import { FirstMotion } from './FirstMotion';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';

/** What is tried at the bench, in the order in which a fault costs least, and what came of it. */
export function TestsPage() {
    const { say } = useSpeaking();
    const { data, error } = useReport('bench', api.bench);
    return (
        <main className="mx-auto max-w-6xl px-6 py-5">
            <h1 className="sr-only">Bench tests</h1>
            <MakingTabs />
            {error !== null && <p className="text-fails">{error.message}</p>}
            {data !== undefined && (
                <>
                    <p className="text-[1.3rem] font-semibold">{say(data.says)}</p>
                    <p className="text-quiet">In this order a fault costs least. Only when all came out well: cover and paint.</p>
                    <FirstMotion says="With a motion it says what to try, what should come out, and from where on to stop." />
                    <BenchSays />
                    {data.kinds.map((kind) => (
                        <Kind key={kind.kind} name={kind.name} tests={data.tests.filter((test) => test.kind === kind.kind)} />
                    ))}
                    <EnduranceRuns of={data} />
                </>
            )}
        </main>
    );
}

function Kind({ name, tests }: { name: string; tests: BenchReport['tests'] }) {
    if (tests.length === 0) {
        return null;
    }
    const good = tests.filter((test) => test.good === true).length;
    return (
        <section aria-label={name} className="mt-4">
            <h2 className="text-[1.1rem]">
                {name}{' '}
                <span className="font-normal text-quiet">
                    {good} of {tests.length}
                </span>
            </h2>
            <table className="mt-1 w-full border border-line bg-sheet">
                <thead className="narrow text-left text-quiet">
                    <tr>
                        <th className="w-[30%] px-3 py-1 font-normal">Do this</th>
                        <th className="w-[24%] px-2 font-normal">This should come out</th>
                        <th className="w-[22%] px-2 font-normal">From here on stop</th>
                        <th className="px-2 font-normal">It came out</th>
                    </tr>
                </thead>
                <tbody>
                    {tests.map((test) => (
                        <Row key={test.id} test={test} />
                    ))}
                </tbody>
            </table>
        </section>
    );
}

const ANSWERS = [
    { good: true, label: 'as it should' },
    { good: false, label: 'otherwise' },
];

function Row({ test }: { test: BenchTest }) {
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    const { path, isNew } = useEntry('making.tests', test.id);
    const does = say(test.does);
    const answer = (good: boolean) =>
        test.good === good
            ? edit({ path: 'making.tests', value: stored.document.making.tests.filter((each) => each.id !== test.id) })
            : isNew
              ? edit({ path, value: { id: test.id, on: today(), good } })
              : edit({ path: `${path}.good`, value: good }, { path: `${path}.on`, value: today() });
    return (
        <tr className="border-t border-line align-baseline">
            <td className="px-3 py-1.5">{does}</td>
            <td className="px-2 font-semibold">{say(test.expects)}</td>
            <td className="px-2">{say(test.stops)}</td>
            <td className="px-2">
                <span role="group" aria-label={does} className="flex gap-1">
                    {ANSWERS.map((each) => (
                        <button
                            key={each.label}
                            type="button"
                            aria-pressed={test.good === each.good}
                            className={`border px-2 py-0.5 ${test.good === each.good ? (each.good ? 'border-ink bg-ink text-sheet' : 'border-fails bg-fails text-sheet') : 'border-line bg-well'}`}
                            onClick={() => answer(each.good)}
                        >
                            {each.label}
                        </button>
                    ))}
                </span>
                {test.done && (
                    <span className="narrow mt-1 flex items-baseline gap-2 text-quiet">
                        {test.on}
                        <Cell
                            list="making.tests"
                            id={test.id}
                            field="note"
                            value={test.note}
                            kind="text"
                            label={`What was seen: ${does}`}
                            placeholder="What was seen"
                            className="w-full"
                        />
                    </span>
                )}
            </td>
        </tr>
    );
}
