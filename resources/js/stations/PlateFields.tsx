import type { Layout } from '../api/types';
import { TextField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { FieldFold, FieldGroup, openFold, STATION_BUTTON } from './StationFields';

interface Props {
    handle: MotionHandle;
    layout: Layout;
}

/** Plates above the first: shafts under them turn in both, and end there. */
export function UpperPlateFields({ handle: { motion, path }, layout }: Props) {
    const { stored, edit } = useBuild();
    const { text } = useSpeaking();
    const mm = (value: number) => text({ si: value / 1000, dimension: 'length' });
    const at = `${path}.layout.plates`;
    const next = `plate ${layout.plates.length + 2}`;
    const top = Math.max(0, ...layout.planes);
    return (
        <>
            {layout.plates.map((each, i) => {
                const typed = (key: string) => motion.units[`layout.plates.${i}.${key}`];
                return (
                    <FieldFold
                        key={i}
                        title={`Second plate: ${each.name}`}
                        says={`above plane ${each.above_plane}, ${mm(each.width_mm)} × ${mm(each.height_mm)}`}
                        path={`${at}.${i}.`}
                    >
                        <TextField label="What it is called" path={`${at}.${i}.name`} value={each.name} />
                        <QuantityField label="Above plane" path={`${at}.${i}.above_plane`} value={each.above_plane} />
                        <QuantityField label="Left edge" path={`${at}.${i}.x_mm`} typedIn={typed('x_mm')} value={each.x_mm} />
                        <QuantityField label="Lower edge" path={`${at}.${i}.y_mm`} typedIn={typed('y_mm')} value={each.y_mm} />
                        <QuantityField label="Wide" path={`${at}.${i}.width_mm`} typedIn={typed('width_mm')} value={each.width_mm} />
                        <QuantityField label="High" path={`${at}.${i}.height_mm`} typedIn={typed('height_mm')} value={each.height_mm} />
                        <div className="py-1 text-right">
                            <button type="button" className={STATION_BUTTON} onClick={() => edit({ path: at, value: layout.plates.filter((_, j) => j !== i) })}>
                                Take {each.name} away
                            </button>
                        </div>
                    </FieldFold>
                );
            })}
            <div>
                <button
                    type="button"
                    className={STATION_BUTTON}
                    onClick={() => {
                        openFold(stored.id, `${at}.${layout.plates.length}.`);
                        edit({
                            path: at,
                            value: [
                                ...layout.plates,
                                { name: next, above_plane: top, x_mm: 0, y_mm: 0, width_mm: layout.width_mm ?? 100, height_mm: layout.height_mm ?? 60 },
                            ],
                        });
                    }}
                >
                    Put a plate above it
                </button>
            </div>
        </>
    );
}

/** Where the linkage at the load runs on the plate: checked against all that stands there, over its whole way. */
export function LinkageFields({ handle: { motion, path }, layout }: Props) {
    const { edit } = useBuild();
    const at = `${path}.layout.linkage`;
    const linkage = layout.linkage;
    if (linkage === null) {
        const load = layout.shafts[layout.shafts.length - 1]!;
        const thing = motion.mechanism;
        const apart = thing.kind === 'pushed' ? thing.pivot_distance_m : thing.kind === 'crank_rocker' ? thing.ground_m : 0.05;
        return (
            <div>
                <button
                    type="button"
                    className={STATION_BUTTON}
                    onClick={() =>
                        edit({ path: at, value: { plane: Math.max(0, ...layout.planes) + 1, x_mm: load.x_mm + apart * 1000, y_mm: load.y_mm, bar_mm: 8 } })
                    }
                >
                    Put its linkage on the plate
                </button>
            </div>
        );
    }
    const typed = (key: string) => motion.units[`layout.linkage.${key}`];
    return (
        <FieldGroup title="Its linkage on the plate">
            <QuantityField label="Runs on plane" path={`${at}.plane`} value={linkage.plane} />
            <QuantityField
                label={motion.mechanism.kind === 'crank' ? 'Slides towards, from the left' : 'Other pivot, from the left'}
                path={`${at}.x_mm`}
                typedIn={typed('x_mm')}
                value={linkage.x_mm}
            />
            <QuantityField
                label={motion.mechanism.kind === 'crank' ? 'Slides towards, from below' : 'Other pivot, from below'}
                path={`${at}.y_mm`}
                typedIn={typed('y_mm')}
                value={linkage.y_mm}
            />
            <QuantityField label="Width of its bars" path={`${at}.bar_mm`} typedIn={typed('bar_mm')} value={linkage.bar_mm} />
            <div className="py-1 text-right">
                <button type="button" className={STATION_BUTTON} onClick={() => edit({ path: at, value: null })}>
                    Take the linkage off the plate
                </button>
            </div>
        </FieldGroup>
    );
}
