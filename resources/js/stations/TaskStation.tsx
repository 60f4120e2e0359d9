import type { Mechanism } from '../api/types';
import { ChoiceField, TextField, ToggleField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { Link } from 'react-router';
import { placesOf } from '../routine/steps';
import { OnceMore } from './OnceMore';
import { FieldFold, FieldGroup, STATION_BUTTON } from './StationFields';
import { WhoIsNear } from './WhoIsNear';

/** How places are counted where it is not from the horizontal, or a height. */
const WHERE: Partial<Record<Mechanism['kind'], string>> = {
    turntable: 'Seen from above, clockwise positive.',
    crank: 'Of the crank, anticlockwise positive, 0° along the way of what it drives.',
    slide: 'Along its way.',
    wheels: 'Along its way.',
    feeder: 'Along its way.',
};

/** What the motion has to do. */
export function TaskStation({ handle: { motion, chain, path } }: { handle: MotionHandle }) {
    const own = chain.curves.position_unit === 'deg' ? '°' : 'm';
    const places = placesOf(motion).map((place) => ({ value: place.id, label: place.name }));
    const units = motion.units;
    return (
        <>
            <FieldGroup title="What it has to do">
                <TextField label="Name" path={`${path}.name`} value={motion.name} />
                <ChoiceField label="Starts at" path={`${path}.task.from`} value={motion.task.from} choices={places} />
                <ChoiceField label="Goes to" path={`${path}.task.to`} value={motion.task.to} choices={places} />
                {motion.places.map((place, i) => (
                    <QuantityField
                        key={place.id}
                        label={`${place.name} is at`}
                        path={`${path}.places.${i}.at`}
                        keptIn={own}
                        typedIn={units[`places.${i}.at`]}
                        value={place.at}
                        how={
                            i === 0
                                ? (WHERE[motion.mechanism.kind] ??
                                  (own === '°' ? 'From horizontal, up positive: 90° points straight up.' : 'Height of the load, up positive.'))
                                : undefined
                        }
                    />
                ))}
                <QuantityField
                    label="In no more than"
                    path={`${path}.task.move_s`}
                    typedIn={units['task.move_s']}
                    value={motion.task.move_s}
                    how="Count it out loud while you move it by hand."
                />
                <ChoiceField
                    label="The wanted move"
                    path={`${path}.task.profile`}
                    value={motion.task.profile}
                    choices={[
                        { value: 'trapezoid', label: 'even push' },
                        { value: 'cosine', label: 'soft start and end' },
                        { value: 'steady', label: 'turns already, steadily' },
                    ]}
                />
            </FieldGroup>
        </>
    );
}

/** What is said once and seldom changed: how exactly and how often, what must not happen, whether it comes round, who is near. */
export function TaskMore({ handle: { motion, chain, path } }: { handle: MotionHandle }) {
    const { stored, edit } = useBuild();
    const { text, book } = useSpeaking();
    const own = chain.curves.position_unit === 'deg' ? '°' : 'm';
    const places = placesOf(motion).map((place) => ({ value: place.id, label: place.name }));
    const units = motion.units;
    const { task } = motion;
    const round = chain.curves.comes_round;
    const usesDial = [motion.task, stored.document.routines, stored.document.scenarios].some((each) => JSON.stringify(each).includes('"dial-'));
    const length = (value: number) => text({ si: book.toSi(value, own), dimension: own === '°' ? 'angle' : 'length' });
    const exactly = [
        task.tolerance === null ? 'off by what it likes' : `within ${length(task.tolerance)}`,
        `${task.per_day} times there and back in a day`,
        { both: 'carries both ways', there: 'carries on the way there', back: 'carries on the way back' }[task.payload],
    ];
    const dangers = [
        task.holds_unpowered && 'stays put without power',
        task.knocked && 'can be bumped',
        task.over_people && 'over people',
        task.shuts_at !== null && `a door, shut at ${places.find((place) => place.value === task.shuts_at)?.label}`,
    ].filter(Boolean);
    return (
        <>
            <FieldFold
                title="How exactly, how often"
                says={exactly.join(' · ')}
                path={[`${path}.task.tolerance`, `${path}.task.per_day`, `${path}.task.payload`]}
            >
                <QuantityField
                    label="May be off its place by"
                    path={`${path}.task.tolerance`}
                    keptIn={own}
                    typedIn={units['task.tolerance']}
                    value={motion.task.tolerance}
                    empty="no matter"
                />
                <QuantityField
                    label="There and back in a day"
                    path={`${path}.task.per_day`}
                    value={motion.task.per_day}
                    how="How often: it decides how warm the motor gets, and what it takes."
                />
                <ChoiceField
                    label="Carries its payload"
                    path={`${path}.task.payload`}
                    value={motion.task.payload}
                    choices={[
                        { value: 'both', label: 'both ways' },
                        { value: 'there', label: 'on the way there' },
                        { value: 'back', label: 'on the way back' },
                    ]}
                />
            </FieldFold>
            <FieldFold
                title="What must not happen"
                says={dangers.length === 0 ? 'nothing said: no people above or near, power on' : dangers.join(' · ')}
                path={[`${path}.task.holds_unpowered`, `${path}.task.knocked`, `${path}.task.over_people`, `${path}.task.shuts_at`]}
            >
                <ToggleField label="Must stay put with the power off" path={`${path}.task.holds_unpowered`} value={motion.task.holds_unpowered} />
                <ToggleField
                    label="Somebody can bump into it"
                    path={`${path}.task.knocked`}
                    value={motion.task.knocked}
                    how="Then its gears must survive being stopped dead."
                />
                <ToggleField label="Hangs or swings over people" path={`${path}.task.over_people`} value={motion.task.over_people} />
                <ChoiceField
                    label="Door or lid, shut at"
                    path={`${path}.task.shuts_at`}
                    value={motion.task.shuts_at ?? ''}
                    choices={[{ value: '', label: 'no door' }, ...places]}
                    toValue={(place) => (place === '' ? null : place)}
                    how="Of one in which people or animals can be: a routine must look before it shuts it."
                />
            </FieldFold>
            <FieldFold
                title="Does it come round?"
                says={
                    motion.dial !== null
                        ? `a dial of ${motion.dial.places} places`
                        : task.keeps_turning
                          ? `turns on${round === null ? '' : `, comes round each ${round}`}`
                          : 'no, it has two ends'
                }
                path={[`${path}.task.keeps_turning`, `${path}.task.comes_round`, `${path}.dial`]}
            >
                <ToggleField
                    label="Turns or rolls on"
                    path={`${path}.task.keeps_turning`}
                    value={motion.task.keeps_turning}
                    how="It has no two ends: its places, switches and sensors come by again each turn."
                />
                {motion.task.keeps_turning && (
                    <QuantityField
                        label="Comes round every"
                        path={`${path}.task.comes_round`}
                        keptIn={own}
                        value={motion.task.comes_round}
                        empty={round === null || motion.task.comes_round !== null ? 'never' : `each ${round}`}
                        how="Less than a turn where its places repeat sooner: each item of a feeder, each flap of a wheel."
                    />
                )}
                {motion.dial !== null && (
                    <QuantityField
                        label="A dial of so many places"
                        path={`${path}.dial.places`}
                        value={motion.dial.places}
                        how="Evenly over what it comes round in, the first at 0."
                    />
                )}
                {motion.dial !== null && <TextField label="Each is called" path={`${path}.dial.name`} value={motion.dial.name} how="Before its number." />}
                {(round !== null || motion.dial !== null) && (
                    <div className="py-1 text-right">
                        <button
                            type="button"
                            className={STATION_BUTTON}
                            disabled={usesDial}
                            title={usesDial ? 'Its task or a routine still goes to a place of the dial.' : undefined}
                            onClick={() => edit({ path: `${path}.dial`, value: motion.dial === null ? { places: 12, name: 'Place' } : null })}
                        >
                            {motion.dial === null ? 'Make a dial of equal places' : 'Take the dial out'}
                        </button>
                    </div>
                )}
            </FieldFold>
            <WhoIsNear />
            <Link className="inline-block py-1 text-accent underline" to={`/builds/${stored.id}/pictures`}>
                Read sizes off a picture
            </Link>
            <OnceMore motion={motion} />
        </>
    );
}
