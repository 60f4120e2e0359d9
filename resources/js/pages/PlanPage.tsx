import { api } from '../api/client';
import type { PlanReport } from '../api/types';
import { Cautions } from '../chain/Cautions';
import { today } from '../log/today';
import { MakingTabs } from '../making/MakingTabs';
import { OwnTask } from '../making/OwnTask';
import { PlanBars } from '../making/PlanBars';
import { PlanTable } from '../making/PlanTable';
import { PlanWhen } from '../making/PlanWhen';
import { useReport } from '../making/useReport';
import { FirstMotion } from './FirstMotion';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';

/** What comes when, what decides the end, and what can go on while something is late. */
export function PlanPage() {
    const { stored } = useBuild();
    const { say } = useSpeaking();
    const day = today();
    const { data, error } = useReport('plan', (id) => api.plan(id, day), day);
    return (
        <main className="mx-auto max-w-6xl px-6 py-5">
            <h1 className="sr-only">Plan</h1>
            <MakingTabs />
            {error !== null && <p className="text-fails">{error.message}</p>}
            {data !== undefined && (
                <>
                    <p className="text-[1.3rem] font-semibold">{say(data.says)}</p>
                    <FirstMotion says="With a motion it says what to buy, build and try in which order, and on which day it runs." />
                    <ul className="mt-1 max-w-4xl">
                        {data.remarks.map((remark) => (
                            <li key={remark.text}>{say(remark)}</li>
                        ))}
                    </ul>
                    <div className="mt-3 flex flex-wrap items-end gap-6">
                        <PlanWhen />
                        <span className="flex-1" />
                        {data.begins_on === null ? (
                            <span className="narrow text-quiet">With a first day it can be taken along as a calendar.</span>
                        ) : (
                            <a className="border border-line bg-sheet px-3 py-1" href={`/api/builds/${stored.id}/plan.ics?today=${day}`} download>
                                As a calendar
                            </a>
                        )}
                    </div>
                    <Stages of={data} />
                    {data.tasks.length > 0 && <PlanBars of={data} />}
                    {data.tasks.length > 0 && <PlanTable of={data} />}
                    <OwnTask of={data} />
                    <div className="mt-4">
                        <Cautions cautions={data.cautions} />
                    </div>
                </>
            )}
        </main>
    );
}

/** Each stage ends in something that works and can be shown. */
function Stages({ of }: { of: PlanReport }) {
    return (
        <ol aria-label="Stages" className="mt-4 grid grid-cols-2 gap-px border border-line bg-line md:grid-cols-4 xl:grid-cols-7">
            {of.stages.map((stage) => (
                <li key={stage.id} className="bg-sheet px-3 py-2">
                    <span className="block font-semibold">{stage.name}</span>
                    <span className="block text-[1.2rem]">
                        {stage.done}
                        <span className="text-quiet"> of {stage.of}</span>
                    </span>
                    <span className="narrow block text-quiet">
                        {stage.ends_day === null ? 'Done' : `${stage.ends_on ?? `Day ${Math.ceil(stage.ends_day)}`}`}: {stage.ends_in}
                    </span>
                </li>
            ))}
        </ol>
    );
}
