import type { MeasuredPoint } from '../api/types';
import { QuantityField } from '../fields/QuantityField';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { FieldGroup, STATION_BUTTON } from './StationFields';

/** The readings of a spring balance over the travel. */
export function MeasuredPoints({ handle: { motion, path }, points }: { handle: MotionHandle; points: MeasuredPoint[] }) {
    const { edit } = useBuild();
    const under = `${path}.mechanism.points`;
    const last = points[points.length - 1]!;
    return (
        <section aria-label="Readings" className="space-y-3">
            {points.map((point, i) => (
                <FieldGroup key={i} title={`Reading ${i + 1}`}>
                    <QuantityField label="At" path={`${under}.${i}.at`} keptIn="°" typedIn={motion.units[`mechanism.points.${i}.at`]} value={point.at} />
                    <QuantityField
                        label="Pull while it rose"
                        path={`${under}.${i}.raise_N`}
                        typedIn={motion.units[`mechanism.points.${i}.raise_N`]}
                        value={point.raise_N}
                    />
                    <QuantityField
                        label="Pull while it sank"
                        path={`${under}.${i}.lower_N`}
                        typedIn={motion.units[`mechanism.points.${i}.lower_N`]}
                        value={point.lower_N}
                        how="What still held it; below 0 where it had to be pushed down."
                    />
                    {points.length > 2 && (
                        <div className="py-1.5 text-right">
                            <button type="button" className={STATION_BUTTON} onClick={() => edit({ path: under, value: points.filter((_, j) => j !== i) })}>
                                Take reading {i + 1} out
                            </button>
                        </div>
                    )}
                </FieldGroup>
            ))}
            <button type="button" className={STATION_BUTTON} onClick={() => edit({ path: `${under}.${points.length}`, value: { ...last, at: last.at + 10 } })}>
                Add a reading
            </button>
        </section>
    );
}
