import type { LimitSwitch } from '../api/types';
import { ChoiceField, TextField, ToggleField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { freeId } from '../pages/AddMotion';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { LatchFields } from './LatchFields';
import { LevelFields } from './LevelFields';
import { FieldFold, FieldGroup, STATION_BUTTON } from './StationFields';

/** Where the motion ends: switches first, hard stops after. */
export function StopsStation({ handle: { motion, chain, path } }: { handle: MotionHandle }) {
    const { stored, edit } = useBuild();
    const { text, book } = useSpeaking();
    const own = chain.curves.position_unit === 'deg' ? '°' : 'm';
    const { stops } = motion;
    const quantity = (value: number) => ({ si: book.toSi(value, own), dimension: own === '°' ? 'angle' : 'length' });
    const places = motion.places.map((place) => ({ value: place.id, label: place.name }));
    const add = (place: { id: string; name: string; at: number }) => {
        const middle = motion.places.reduce((sum, each) => sum + each.at, 0) / motion.places.length;
        const taken = stored.document.motions
            .flatMap((each) => each.stops.switches.map((other) => other.id))
            .concat(stored.document.sensors.map((sensor) => sensor.id));
        const added: LimitSwitch = {
            id: freeId(`${motion.name} ${place.name}`, taken),
            name: `${motion.name}: ${place.name} switch`.slice(0, 80),
            place: place.id,
            at: place.at,
            end: place.at <= middle ? 'low' : 'high',
            travel: 0,
            bounce_s: 0,
            closed: false,
        };
        edit({ path: `${path}.stops.switches`, value: [...stops.switches, added] });
    };
    const bare = motion.places.filter((place) => !stops.switches.some((each) => each.place === place.id));
    return (
        <>
            <FieldGroup title="Hard stops">
                <QuantityField
                    label="Lower hard stop"
                    path={`${path}.stops.hard_low`}
                    keptIn={own}
                    typedIn={motion.units['stops.hard_low']}
                    value={stops.hard_low}
                    empty="none"
                    how="Where it meets something solid."
                />
                <QuantityField
                    label="Upper hard stop"
                    path={`${path}.stops.hard_high`}
                    keptIn={own}
                    typedIn={motion.units['stops.hard_high']}
                    value={stops.hard_high}
                    empty="none"
                />
                <QuantityField
                    label="Encoder, pulses per turn"
                    path={`${path}.stops.encoder_pulses`}
                    value={stops.encoder_pulses}
                    empty="none"
                    how="On the shaft of the motor or gear motor. It counts from where it was homed."
                />
                <ToggleField
                    label="The driver brakes the motor"
                    path={`${path}.stops.brakes`}
                    value={stops.brakes}
                    how="It shorts the motor to stop it; otherwise it coasts."
                />
            </FieldGroup>
            {stops.switches.map((each, i) => {
                const runOn = chain.curves.run_on.find((other) => other.switch === each.id);
                return (
                    <FieldGroup key={each.id} title={each.name}>
                        <TextField label="Name" path={`${path}.stops.switches.${i}.name`} value={each.name} />
                        <ChoiceField label="Tells of" path={`${path}.stops.switches.${i}.place`} value={each.place} choices={places} />
                        <QuantityField
                            label="Trips at"
                            path={`${path}.stops.switches.${i}.at`}
                            keptIn={own}
                            typedIn={motion.units[`stops.switches.${i}.at`]}
                            value={each.at}
                            how="Move the part by hand until it clicks."
                        />
                        <FieldFold
                            title={`How ${each.name} switches`}
                            says={[
                                `guards the ${each.end === 'low' ? 'lower' : 'upper'} end`,
                                each.closed ? 'opens when it trips' : 'closes when it trips',
                                ...(each.travel > 0 ? [`touched ${text(quantity(each.travel))} before`] : []),
                                each.bounce_s === 0 ? 'does not bounce' : `bounces for ${text({ si: each.bounce_s, dimension: 'time' })}`,
                            ].join(' · ')}
                            path={['travel', 'bounce_s', 'closed', 'end'].map((key) => `${path}.stops.switches.${i}.${key}`)}
                        >
                            <QuantityField
                                label="Touched before that"
                                path={`${path}.stops.switches.${i}.travel`}
                                keptIn={own}
                                typedIn={motion.units[`stops.switches.${i}.travel`]}
                                value={each.travel}
                                how="From touching its lever until it clicks; it lets go there."
                            />
                            <QuantityField
                                label="Bounces for"
                                path={`${path}.stops.switches.${i}.bounce_s`}
                                typedIn={motion.units[`stops.switches.${i}.bounce_s`]}
                                value={each.bounce_s}
                                how="0 for a magnet pick-up; a few thousandths of a second for a lever."
                            />
                            <ToggleField
                                label="Opens instead of closing"
                                path={`${path}.stops.switches.${i}.closed`}
                                value={each.closed}
                                how="Normally closed: a broken wire then reads as tripped."
                            />
                            <ChoiceField
                                label="Guards the"
                                path={`${path}.stops.switches.${i}.end`}
                                value={each.end}
                                choices={[
                                    { value: 'low', label: 'lower end' },
                                    { value: 'high', label: 'upper end' },
                                ]}
                            />
                        </FieldFold>
                        <p className="flex justify-between py-1.5">
                            <span>Runs on after it trips</span>
                            <strong>{runOn === undefined ? '–' : runOn.distance === null ? 'does not stop' : text(quantity(runOn.distance))}</strong>
                        </p>
                        <div className="py-1 text-right">
                            <button
                                type="button"
                                className={STATION_BUTTON}
                                onClick={() => edit({ path: `${path}.stops.switches`, value: stops.switches.filter((_, j) => j !== i) })}
                            >
                                Take this switch out
                            </button>
                        </div>
                    </FieldGroup>
                );
            })}
            <div className="flex flex-wrap gap-2">
                {bare.map((place) => (
                    <button key={place.id} type="button" className={STATION_BUTTON} onClick={() => add(place)}>
                        Put a switch at {place.name}
                    </button>
                ))}
            </div>
        </>
    );
}

/** Its latch, and what it must stay level with. */
export function StopsMore({ handle: { motion, chain, path } }: { handle: MotionHandle }) {
    const own = chain.curves.position_unit === 'deg' ? '°' : 'm';
    return (
        <>
            <LatchFields motion={motion} path={path} />
            <LevelFields motion={motion} path={path} keptIn={own} />
        </>
    );
}
