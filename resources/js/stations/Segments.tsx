import { TextField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { FieldGroup, STATION_BUTTON } from './StationFields';

/** What is met on a part of the travel only: a window pushed open, a flap that begins to lift. */
export function Segments({ handle: { motion, chain, path } }: { handle: MotionHandle }) {
    const { edit } = useBuild();
    const turns = chain.curves.position_unit === 'deg';
    const own = turns ? '°' : 'm';
    const key = turns ? 'Nm' : 'N';
    const ends = motion.places.map((place) => place.at);
    const low = Math.min(...ends);
    const high = Math.max(...ends);
    const add = () =>
        edit({
            path: `${path}.segments.${motion.segments.length}`,
            value: { name: 'Something in the way', from: low + (high - low) * 0.8, to: high, [`load_${key}`]: turns ? 0.1 : 5 },
        });
    return (
        <section aria-label="Met on a part of the travel" className="space-y-3">
            {motion.segments.map((segment, i) => (
                <FieldGroup key={i} title={segment.name}>
                    <TextField label="What is met" path={`${path}.segments.${i}.name`} value={segment.name} />
                    <QuantityField
                        label="It begins at"
                        path={`${path}.segments.${i}.from`}
                        keptIn={own}
                        typedIn={motion.units[`segments.${i}.from`]}
                        value={segment.from}
                    />
                    <QuantityField
                        label="It ends at"
                        path={`${path}.segments.${i}.to`}
                        keptIn={own}
                        typedIn={motion.units[`segments.${i}.to`]}
                        value={segment.to}
                    />
                    <QuantityField
                        label="Pushes back with"
                        path={`${path}.segments.${i}.load_${key}`}
                        typedIn={motion.units[`segments.${i}.load_${key}`]}
                        value={turns ? segment.load_Nm : segment.load_N}
                        how="And gives it back on the way down: a flap, a spring."
                    />
                    <QuantityField
                        label="Rubs with"
                        path={`${path}.segments.${i}.drag_${key}`}
                        typedIn={motion.units[`segments.${i}.drag_${key}`]}
                        value={turns ? segment.drag_Nm : segment.drag_N}
                        how="Against whatever movement: a seal, a catch."
                    />
                    <div className="py-1.5 text-right">
                        <button
                            type="button"
                            className={STATION_BUTTON}
                            onClick={() => edit({ path: `${path}.segments`, value: motion.segments.filter((_, j) => j !== i) })}
                        >
                            Take it out
                        </button>
                    </div>
                </FieldGroup>
            ))}
            <button type="button" className={STATION_BUTTON} onClick={add}>
                It meets something on a part of its way
            </button>
        </section>
    );
}
