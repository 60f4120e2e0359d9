import { useFieldError } from '../fields/PlainFields';
import { useBuild } from '../state/BuildContext';
import { CountField, DayField } from './SavedField';

const DAYS = [
    { id: 'mon', label: 'Mon' },
    { id: 'tue', label: 'Tue' },
    { id: 'wed', label: 'Wed' },
    { id: 'thu', label: 'Thu' },
    { id: 'fri', label: 'Fri' },
    { id: 'sat', label: 'Sat' },
    { id: 'sun', label: 'Sun' },
] as const;

/** The first day, how many hours a day, and the days without work. */
export function PlanWhen() {
    const { stored, edit } = useBuild();
    const { begins_on, hours_a_day, rests_on } = stored.document.making;
    const restsError = useFieldError('making.rests_on');
    return (
        <>
            <DayField label="First day" path="making.begins_on" value={begins_on} />
            <CountField label="Hours of work a day" path="making.hours_a_day" value={hours_a_day} />
            <fieldset>
                <legend className="text-quiet">No work on</legend>
                <span className="flex gap-2">
                    {DAYS.map((each) => (
                        <label key={each.id} className="flex items-center gap-1">
                            <input
                                type="checkbox"
                                className="size-5 accent-accent"
                                checked={rests_on.includes(each.id)}
                                onChange={(event) =>
                                    edit({
                                        path: 'making.rests_on',
                                        value: event.target.checked ? [...rests_on, each.id] : rests_on.filter((other) => other !== each.id),
                                    })
                                }
                            />
                            {each.label}
                        </label>
                    ))}
                </span>
                {restsError !== undefined && (
                    <span role="alert" className="narrow block text-fails">
                        {restsError}
                    </span>
                )}
            </fieldset>
        </>
    );
}
