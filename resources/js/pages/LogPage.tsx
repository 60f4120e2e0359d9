import { BenchSays } from '../log/BenchSays';
import { Entries } from '../log/Entries';
import { ManyAtOnce } from '../log/ManyAtOnce';
import { Measure } from '../log/Measure';
import { RefitSheet } from '../log/RefitSheet';
import { RepeatsTable } from '../log/RepeatsTable';
import { SpokenLines } from '../program/SpokenLines';
import { MoveTimes } from './MoveTimes';

/** The log: what was measured, beside what is computed for how it was. */
export function LogPage() {
    return (
        <main className="mx-auto max-w-6xl px-6 py-5">
            <h1 className="text-[1.5rem]">Log</h1>
            <p className="text-quiet">
                Run it empty, then loaded, then for hours. Write down what you measure; what is computed for that very case stands beside it.
            </p>
            <Measure />
            <BenchSays />
            <RepeatsTable />
            <RefitSheet />
            <Entries />
            <ManyAtOnce />
            <SpokenLines />
            <MoveTimes />
        </main>
    );
}
