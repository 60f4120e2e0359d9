import { X } from 'lucide-react';
import type { Build } from '../api/types';
import { ChoiceField, TextField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { freeId } from '../pages/AddMotion';
import { useBuild } from '../state/BuildContext';
import { STATION_BUTTON } from '../stations/StationFields';

/** What gives cylinders their air: tanks, and the compressors that fill them. */
export function TankList() {
    const { stored, edit } = useBuild();
    const { tanks } = stored.document;
    const id = freeId(
        'tank',
        tanks.map((tank) => tank.id),
    );
    const tank = { id, name: tanks.length === 0 ? 'Tank' : `Tank ${tanks.length + 1}`, tank_l: 5, high_bar: 8, low_bar: 6, compressor_l_min: 25 };
    return (
        <section aria-label="Air">
            <h2 className="mb-1 text-[1.05rem]">Air</h2>
            {tanks.length === 0 ? (
                <p className="text-quiet">No tank. Cylinders need one: with it they are offered among the drives.</p>
            ) : (
                <ul className="divide-y divide-line border border-line bg-sheet">
                    {tanks.map((each, i) => (
                        <Tank key={each.id} tank={each} index={i} />
                    ))}
                </ul>
            )}
            <button type="button" className={`mt-2 ${STATION_BUTTON} print:hidden`} onClick={() => edit({ path: `tanks.${tanks.length}`, value: tank })}>
                Add a tank
            </button>
        </section>
    );
}

function Tank({ tank, index }: { tank: Build['tanks'][number]; index: number }) {
    const { stored, edit } = useBuild();
    const { tanks, supplies, motions } = stored.document;
    const at = (field: string) => `tanks.${index}.${field}`;
    const fed = motions.filter((each) => each.drive?.motor.kind === 'air_cylinder' && (each.drive.air ?? tanks[0]?.id) === tank.id);
    const isNamed = motions.some((each) => each.drive?.air === tank.id);
    return (
        <li className="px-4 py-2">
            <div className="flex items-baseline gap-x-4">
                <strong className="w-44">{tank.name}</strong>
                <span className="min-w-0 flex-1 text-quiet">{fed.length === 0 ? 'feeds nothing' : `feeds ${fed.map((each) => each.name).join(', ')}`}</span>
                {!isNamed && (
                    <button
                        type="button"
                        aria-label={`Take ${tank.name} out`}
                        title={`Take ${tank.name} out`}
                        className="p-1 hover:bg-well print:hidden"
                        onClick={() => edit({ path: 'tanks', value: tanks.filter((_, i) => i !== index) })}
                    >
                        <X size={14} />
                    </button>
                )}
            </div>
            <div className="grid gap-x-8 gap-y-1 py-2 lg:grid-cols-3">
                <TextField label="Name" path={at('name')} value={tank.name} />
                <QuantityField label="Holds" path={at('tank_l')} value={tank.tank_l} />
                <QuantityField label="Compressor stops at" path={at('high_bar')} value={tank.high_bar} />
                <QuantityField label="Compressor starts at" path={at('low_bar')} value={tank.low_bar} how="The least that cylinders are reckoned with." />
                <QuantityField
                    label="Compressor gives"
                    path={at('compressor_l_min')}
                    value={tank.compressor_l_min}
                    how="Free air; 0: it is filled beforehand."
                />
                {tank.compressor_l_min > 0 && (
                    <>
                        <ChoiceField
                            label="Compressor fed from"
                            path={at('supply')}
                            value={tank.supply ?? ''}
                            choices={[{ value: '', label: 'the mains' }, ...supplies.map((each) => ({ value: each.id, label: each.name }))]}
                            toValue={(choice) => (choice === '' ? null : choice)}
                        />
                        {tank.supply !== null && <QuantityField label="Compressor takes" path={at('compressor_A')} value={tank.compressor_A} />}
                    </>
                )}
            </div>
        </li>
    );
}
