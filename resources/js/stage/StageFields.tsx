import type { Build } from '../api/types';
import { ChoiceField, TextField, ToggleField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild } from '../state/BuildContext';

type Motion = Build['motions'][number];
type Body = Motion['bodies'][number];
type Thing = Build['things'][number];

const SHAPES = [
    { value: 'box', label: 'a box or plate' },
    { value: 'ball', label: 'a ball' },
    { value: 'rod', label: 'a rod, round at its ends' },
];

const IS = [
    { value: 'way', label: 'in the way' },
    { value: 'frame', label: 'part of the frame' },
    { value: 'hands', label: 'where hands can be' },
    { value: 'carried', label: 'taken up and put down' },
];

const MATERIALS = ['plywood', 'pine', 'hardwood', 'foam', 'printed', 'acrylic', 'cloth', 'aluminium', 'brass', 'steel'];

const MAGNETS = { contact_N: 20, magnet_m: 0.01, gap_m: 0.004 };

/** Where a motion stands, and on what. */
export function MountFields({ motion, index }: { motion: Motion; index: number }) {
    const { motions } = useBuild().stored.document;
    const mount = motion.mount;
    if (mount === null) {
        return null;
    }
    const at = (field: string) => `motions.${index}.mount.${field}`;
    const others = motions.filter((each) => each.id !== motion.id && each.mount !== null);
    return (
        <div className="divide-y divide-line">
            <ChoiceField
                label="Stands on"
                path={at('on')}
                value={mount.on ?? ''}
                choices={[{ value: '', label: 'the base' }, ...others.map(({ id, name }) => ({ value: id, label: name }))]}
                toValue={(id) => (id === '' ? null : id)}
            />
            <QuantityField
                label="To the right"
                path={at('x_m')}
                value={mount.x_m}
                typedIn={motion.units['mount.x_m']}

                how={mount.on === null ? undefined : 'From where that stands.'}
            />
            <QuantityField label="Further away" path={at('y_m')} value={mount.y_m} typedIn={motion.units['mount.y_m']} />
            <QuantityField label="Up" path={at('z_m')} value={mount.z_m} typedIn={motion.units['mount.z_m']} />
            <QuantityField
                label="Points towards"
                path={at('heading_deg')}
                value={mount.heading_deg}
                how="0° to the right, 90° away from you, −90° towards you."
            />
            <ChoiceField
                label="Its drive"
                path={at('drive')}
                value={mount.drive}
                choices={[
                    { value: 'rides', label: 'sits there too' },
                    { value: 'base', label: 'is on the base, and pulls through a cord or cable' },
                ]}
            />
            {mount.drive === 'rides' && motion.drive !== null && (
                <ChoiceField
                    label="Its body sits"
                    path={at('drive_side')}
                    value={mount.drive_side}
                    choices={[
                        { value: 'none', label: 'not said' },
                        { value: 'behind', label: 'behind, or below, what it moves' },
                        { value: 'before', label: 'before, or above, what it moves' },
                    ]}
                />
            )}
            <ToggleField
                label="Held by magnets"
                path={at('magnets')}
                value={mount.magnets !== null}
                toValue={(on) => (on ? MAGNETS : null)}
                how="Through a shell: a head on a ball."
            />
            {mount.magnets !== null && (
                <>
                    <QuantityField
                        label="They pull in contact"
                        path={at('magnets.contact_N')}
                        value={mount.magnets.contact_N}
                        how="All together, by a spring balance."
                    />
                    <QuantityField label="Length of a magnet" path={at('magnets.magnet_m')} value={mount.magnets.magnet_m} />
                    <QuantityField label="Gap between them" path={at('magnets.gap_m')} value={mount.magnets.gap_m} how="Shell and sliders." />
                </>
            )}
        </div>
    );
}

/** What a body or a thing is: its shape, where its middle is, and what it weighs. */
export function BodyFields({ body, path, units = {} }: { body: Body | Thing; path: string; units?: Record<string, string> }) {
    const at = (field: string) => `${path}.${field}`;
    const typed = (field: string) => units[at(field).replace(/^motions\.\d+\./, '')];
    return (
        <div className="divide-y divide-line">
            <TextField label="Name" path={at('name')} value={body.name} />
            {'is' in body && <ChoiceField label="It is" path={at('is')} value={body.is} choices={IS} />}
            <ChoiceField label="Shape" path={at('shape')} value={body.shape} choices={SHAPES} />
            <QuantityField label={body.shape === 'ball' ? 'How thick' : 'Length'} path={at('length_m')} value={body.length_m} typedIn={typed('length_m')} />
            {body.shape !== 'ball' && (
                <QuantityField
                    label={body.shape === 'rod' ? 'How thick' : 'Width'}
                    path={at('width_m')}
                    value={body.width_m}
                    typedIn={typed('width_m')}

                    empty={body.shape === 'rod' ? 'as long' : 'as long'}
                />
            )}
            {body.shape === 'box' && <QuantityField label="Height" path={at('height_m')} value={body.height_m} typedIn={typed('height_m')} empty="as wide" />}
            <QuantityField label="Middle, to the right" path={at('x_m')} value={body.x_m} typedIn={typed('x_m')} />
            <QuantityField label="Middle, further away" path={at('y_m')} value={body.y_m} typedIn={typed('y_m')} />
            <QuantityField label="Middle, up" path={at('z_m')} value={body.z_m} typedIn={typed('z_m')} />
            {body.shape !== 'ball' && (
                <>
                    <QuantityField label="Turned, from above" path={at('heading_deg')} value={body.heading_deg} typedIn={typed('heading_deg')} />
                    <QuantityField label="Far end raised" path={at('lean_deg')} value={body.lean_deg} typedIn={typed('lean_deg')} />
                </>
            )}
            <QuantityField
                label="Mass"
                path={at('mass_kg')}
                value={body.mass_kg}
                typedIn={typed('mass_kg')}

                empty={body.material === null ? 'only a shape' : 'as its material'}
            />
            <ChoiceField
                label="Made of"
                path={at('material')}
                value={body.material ?? ''}
                choices={[{ value: '', label: 'not said' }, ...MATERIALS.map((each) => ({ value: each, label: each }))]}
                toValue={(material) => (material === '' ? null : material)}
            />
            {body.material !== null && (
                <QuantityField label="Hollow, with walls of" path={at('wall_m')} value={body.wall_m} typedIn={typed('wall_m')} empty="solid" />
            )}
        </div>
    );
}
