import type { Motion } from '../api/types';
import { ChoiceField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild } from '../state/BuildContext';

const VALVES = [
    { value: 'shuts_in', label: 'shuts the air in' },
    { value: 'vents', label: 'lets it out' },
];

const WORKED_BY = [
    { value: 'coils', label: 'coils' },
    { value: 'servo', label: 'a small servo' },
];

/** What an air cylinder is fed with, and what its valve does. */
export function AirFields({ motion, path }: { motion: Motion; path: string }) {
    const { tanks } = useBuild().stored.document;
    const motor = motion.drive?.motor;
    if (motor?.kind !== 'air_cylinder') return null;
    const at = (field: string) => `${path}.drive.motor.${field}`;
    return (
        <>
            {tanks.length > 0 && (
                <ChoiceField
                    label="Air from"
                    path={`${path}.drive.air`}
                    value={motion.drive?.air ?? tanks[0]!.id}
                    choices={tanks.map((each) => ({ value: each.id, label: `${each.name}, ${each.tank_l} l` }))}
                />
            )}
            <QuantityField label="Regulator set to" path={at('pressure_bar')} value={motor.pressure_bar} how="Over the room’s pressure." />
            <QuantityField
                label="Throttled to"
                path={at('flow_l_min')}
                value={motor.flow_l_min}
                how="Free air that valve and throttle pass: sets how fast it goes."
            />
            <QuantityField label="Its ends take up" path={at('cushion_J')} value={motor.cushion_J} how="Energy of what it brings to its end." />
            <ChoiceField label="Told nothing, its valve" path={at('valve')} value={motor.valve} choices={VALVES} />
            <ChoiceField label="Valve worked by" path={at('worked_by')} value={motor.worked_by} choices={WORKED_BY} />
        </>
    );
}
