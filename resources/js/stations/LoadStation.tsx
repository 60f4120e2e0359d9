import { ToggleField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import type { MotionHandle } from '../state/BuildContext';
import { FieldGroup } from './StationFields';

/** What it weighs and what holds it back. */
export function LoadStation({ handle: { motion, path } }: { handle: MotionHandle }) {
    const mechanism = motion.mechanism;
    const field = (key: string, value: number | null, label: string, how?: string, empty?: string) => (
        <QuantityField key={key} label={label} path={`${path}.mechanism.${key}`} typedIn={motion.units[`mechanism.${key}`]} value={value} how={how} empty={empty} />
    );
    return (
        <FieldGroup title={mechanism.kind === 'arm' ? 'The arm' : 'The load and its drum'}>
            {mechanism.kind === 'arm' ? (
                <>
                    {field('mass_kg', mechanism.mass_kg, 'Mass of the arm', 'Weigh it finished: with paint, costume, wires and hinge.')}
                    {field('cg_m', mechanism.cg_m, 'Pivot to its balance point', 'Balance it on a pencil; measure from there to the pivot.')}
                    {field('payload_kg', mechanism.payload_kg, 'Mass of what it carries')}
                    {field('payload_m', mechanism.payload_m, 'Pivot to what it carries')}
                    {field('friction_Nm', mechanism.friction_Nm, 'Rub of the pivot', 'Pull it level with a spring balance up and down: half the difference, times the distance.')}
                    {field('counterbalance_Nm', mechanism.counterbalance_Nm, 'Counterweight at horizontal', 'Its mass times its distance from the pivot.')}
                    {field('spring_Nm_per_deg', mechanism.spring_Nm_per_deg, 'Spring at the pivot')}
                    {field('spring_rest_deg', mechanism.spring_rest_deg, 'Spring at rest at')}
                    {field('inertia_kgm2', mechanism.inertia_kgm2, 'Inertia about the pivot', 'Left empty, it is taken from the masses as points.', 'as points')}
                </>
            ) : (
                <>
                    {field('mass_kg', mechanism.mass_kg, 'Mass of the load', 'Weigh it finished, with everything that hangs on the cord.')}
                    {field('drum_radius_m', mechanism.drum_radius_m, 'Drum radius, to the cord’s centre', 'Half the drum’s diameter and half the cord’s.')}
                    {field('counterweight_kg', mechanism.counterweight_kg, 'Counterweight')}
                    {field('friction_N', mechanism.friction_N, 'Drag of the guides', 'Weigh it on its cord going up and going down: half the difference.')}
                    {field('lines', mechanism.lines, 'Parts of line that carry it')}
                </>
            )}
            <ToggleField label="The mass is a guess" path={`${path}.task.mass_guessed`} value={motion.task.mass_guessed} how="Then the program says what 30 % more would do." />
        </FieldGroup>
    );
}
