import type { ServiceReport } from '../api/types';
import { TextField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { today } from '../log/today';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { DayField } from './SavedField';

/** How often it should run, what shows that it did, and what to do when it did not. */
export function ServiceWatch({ of }: { of: ServiceReport }) {
    const { edit } = useBuild();
    const { watch } = of;
    return (
        <section aria-label="Watch" className="border border-line bg-sheet px-4 py-3">
            <h2 className="text-[1.1rem]">Who notices that it stopped</h2>
            <QuantityField label="It should run at least every, hours" path="upkeep.watch.every_h" value={watch.every_h} keptIn="" empty="not said" />
            <TextField
                label="What shows that it did"
                path="upkeep.watch.shows"
                value={watch.shows}
                how="A count, a lamp that must blink, a message that must come."
            />
            <TextField label="What to do when it did not" path="upkeep.watch.on_miss" value={watch.on_miss} />
            <div className="mt-2 flex items-end gap-3">
                <DayField label="Last seen running" path="upkeep.watch.seen_on" value={watch.seen_on} />
                <button type="button" className="border border-line bg-well px-3 py-1" onClick={() => edit({ path: 'upkeep.watch.seen_on', value: today() })}>
                    Seen today
                </button>
            </div>
        </section>
    );
}

/** What was done and what failed, the latest first. */
export function ServiceHistory({ of }: { of: ServiceReport }) {
    const { say } = useSpeaking();
    return (
        <section aria-label="History" className="border border-line bg-sheet px-4 py-3">
            <h2 className="text-[1.1rem]">What was done, and what failed</h2>
            {of.history.length === 0 && <p className="text-quiet">Nothing yet. A job that is done, and a failure in the log, stand here.</p>}
            <ol>
                {of.history.map((each, i) => (
                    <li key={`${each.on} ${each.says.text} ${i}`} className="border-t border-line py-1 first:border-t-0">
                        <span className={each.what === 'failed' ? 'text-fails' : ''}>
                            {each.on}: {each.what === 'failed' ? 'failed. ' : ''}
                            {say(each.says)}
                        </span>
                        {each.note !== '' && <span className="block text-quiet">{each.note}</span>}
                        {each.helped !== null && <span className="block text-quiet">{say(each.helped)}</span>}
                    </li>
                ))}
            </ol>
        </section>
    );
}
