import { api } from '../api/client';
import { today } from '../log/today';
import { DayField } from '../making/SavedField';
import { MakingTabs } from '../making/MakingTabs';
import { ServiceAccess } from '../making/ServiceAccess';
import { ServiceJobs } from '../making/ServiceJobs';
import { ServiceHistory, ServiceWatch } from '../making/ServiceWatch';
import { useReport } from '../making/useReport';
import { FirstMotion } from './FirstMotion';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';

/** What is due when, how to get at everything, what was done and whether it helped, and who notices that it stopped. */
export function ServicePage() {
    const { stored } = useBuild();
    const { say } = useSpeaking();
    const day = today();
    const { data, error } = useReport('service', (id) => api.service(id, day), day);
    return (
        <main className="mx-auto max-w-6xl px-6 py-5">
            <h1 className="sr-only">Service</h1>
            <MakingTabs />
            {error !== null && <p className="text-fails">{error.message}</p>}
            {data !== undefined && (
                <>
                    <p className="text-[1.3rem] font-semibold">{say(data.says)}</p>
                    <FirstMotion says="With a motion it says what wears, what to look at and how often." />
                    <div className="mt-2 flex items-end gap-6">
                        <DayField label="In use since" path="upkeep.since" value={data.since} />
                        <span className="flex-1" />
                        {data.since !== null && (
                            <a className="border border-line bg-sheet px-3 py-1" href={`/api/builds/${stored.id}/service.ics?today=${day}`} download>
                                As a calendar
                            </a>
                        )}
                    </div>
                    <ServiceJobs of={data} />
                    <ServiceAccess of={data} />
                    <div className="mt-6 grid gap-6 lg:grid-cols-2">
                        <ServiceWatch of={data} />
                        <ServiceHistory of={data} />
                    </div>
                </>
            )}
        </main>
    );
}
