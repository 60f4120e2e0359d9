import type { Build } from '../api/types';
import { FromDrawer, useParts, type Part } from '../drawer/FromDrawer';
import { ChoiceField, TextField, ToggleField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild } from '../state/BuildContext';

const CONVERTERS = [
    { value: 'linear', label: 'a linear regulator' },
    { value: 'down', label: 'a converter down' },
    { value: 'up', label: 'a converter up' },
    { value: 'gate', label: 'a switch' },
];

const OVERLOADS = [
    { value: 'sags', label: 'sags' },
    { value: 'folds', label: 'folds back' },
    { value: 'trips', label: 'trips' },
];

const CELLS = ['other', 'alkaline', 'nickel', 'lead', 'lithium'].map((each) => ({ value: each, label: each }));

const OF_PART = ['name', 'cost', 'kind'];

/** The same supply, made of a part: what is its own (name, fuse, what feeds it) stays; a switch gives what comes. */
function takenAs(supply: Build['supplies'][number], part: Part): object {
    const of = Object.fromEntries(Object.entries(part).filter(([key]) => !OF_PART.includes(key)));
    return {
        ...supply,
        ...of,
        capacity_Ah: part.kind === 'battery' ? part.capacity_Ah : null,
        volts_V: part.kind === 'converter' && part.converter === 'gate' ? supply.volts_V : part.volts_V,
    };
}

/** All that is asked of a supply: what it gives, where that comes from, and what looks after it. */
export function SupplyFields({ supply, index }: { supply: Build['supplies'][number]; index: number }) {
    const { supplies } = useBuild().stored.document;
    const at = (field: string) => `supplies.${index}.${field}`;
    const others = supplies.filter((each) => each.id !== supply.id).map(({ id, name }) => ({ value: id, label: name }));
    const orNull = (id: string) => (id === '' ? null : id);
    const fuses = useParts('leads', (part) => part.kind === 'fuse');
    const parts = useParts('supplies', (part) => (part.kind === 'converter') === (supply.from !== null));
    return (
        <div className="grid gap-x-8 gap-y-1 py-2 lg:grid-cols-3">
            <FromDrawer
                label="Out of the drawer"
                parts={parts}
                edits={(part) => [{ path: `supplies.${index}`, value: takenAs(supply, part) }]}
                says={(part) => `${part.name}: ${part.converter === 'gate' && part.kind === 'converter' ? 'a switch' : `${part.volts_V} V`}, ${part.max_A} A`}
            />
            <TextField label="Name" path={at('name')} value={supply.name} />
            <QuantityField label="Voltage" path={at('volts_V')} value={supply.volts_V} />
            <QuantityField label="Gives at most" path={at('max_A')} value={supply.max_A} />
            <ChoiceField
                label="Comes from"
                path={at('from')}
                value={supply.from ?? ''}
                choices={[{ value: '', label: supply.capacity_Ah === null ? 'the mains' : 'its cells' }, ...others]}
                toValue={orNull}
            />
            {supply.from === null ? (
                <QuantityField label="Charge of the battery" path={at('capacity_Ah')} value={supply.capacity_Ah} empty="mains" />
            ) : (
                <>
                    <ChoiceField label="Through" path={at('converter')} value={supply.converter} choices={CONVERTERS} />
                    {['down', 'up'].includes(supply.converter) && <QuantityField label="Efficiency" path={at('efficiency')} value={supply.efficiency} />}
                    <QuantityField label="Takes without load" path={at('idle_A')} value={supply.idle_A} />
                    <QuantityField
                        label={supply.converter === 'up' ? 'Needs at least' : 'Needs more than it gives'}
                        path={at('dropout_V')}
                        value={supply.dropout_V}
                    />
                    <QuantityField label="Settles within" path={at('settles_s')} value={supply.settles_s} how="After it is switched on." />
                    <QuantityField label="Warms for each watt" path={at('theta_C_per_W')} value={supply.theta_C_per_W} empty="not said" />
                </>
            )}
            {supply.capacity_Ah !== null && (
                <>
                    <ChoiceField label="Cells" path={at('cells')} value={supply.cells} choices={CELLS} />
                    <QuantityField label="Cut off at" path={at('cutoff_V')} value={supply.cutoff_V} empty="never" />
                    <QuantityField label="Loses a month, share" path={at('self_discharge_per_month')} value={supply.self_discharge_per_month} />
                    <QuantityField label="Charged with" path={at('charger_A')} value={supply.charger_A} empty="nothing" />
                    <ToggleField label="In a closed box" path={at('boxed')} value={supply.boxed} />
                </>
            )}
            <ChoiceField label="Asked for too much it" path={at('overload')} value={supply.overload} choices={OVERLOADS} />
            <QuantityField label="Resistance inside" path={at('resistance_ohm')} value={supply.resistance_ohm} />
            <QuantityField label="Capacitor across it" path={at('capacitor_uF')} value={supply.capacitor_uF} typedIn="µF" />
            <QuantityField label="Fuse in its lead" path={at('fuse_A')} value={supply.fuse_A} empty="none" />
            <FromDrawer
                label="Fuse out of the drawer"
                parts={fuses}
                edits={(part) => [{ path: at('fuse_A'), value: part.bears_A }]}
                says={(part) => part.name as string}
            />
            {others.length > 0 && supply.from === null && (
                <ChoiceField
                    label="On one rail with"
                    path={at('beside')}
                    value={supply.beside ?? ''}
                    choices={[{ value: '', label: 'none' }, ...others]}
                    toValue={orNull}
                />
            )}
            {supply.beside !== null && <ToggleField label="A diode in each lead" path={at('diode')} value={supply.diode} />}
        </div>
    );
}
