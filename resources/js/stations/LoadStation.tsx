import { ToggleField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import type { MotionHandle } from '../state/BuildContext';
import { EasingOffers } from './EasingOffers';
import { MeasuredPoints } from './MeasuredPoints';
import { MECHANISMS } from './mechanisms';
import { Segments } from './Segments';
import { FieldGroup } from './StationFields';

/** What it weighs and what holds it back. */
export function LoadStation({ handle }: { handle: MotionHandle }) {
    const { motion, path } = handle;
    const says = MECHANISMS[motion.mechanism.kind];
    const values = motion.mechanism as unknown as Record<string, number | null>;
    return (
        <>
            <FieldGroup title={says.heading}>
                {says.fields.map(({ key, label, how, empty }) => (
                    <QuantityField
                        key={key}
                        label={label}
                        path={`${path}.mechanism.${key}`}
                        typedIn={motion.units[`mechanism.${key}`]}
                        value={values[key]!}
                        how={how}
                        empty={empty}
                    />
                ))}
                {(says.toggles ?? []).map(({ key, label, how }) => (
                    <ToggleField key={key} label={label} path={`${path}.mechanism.${key}`} value={Boolean(values[key])} how={how} />
                ))}
                <ToggleField
                    label="The mass is a guess"
                    path={`${path}.task.mass_guessed`}
                    value={motion.task.mass_guessed}
                    how="Then the program says what 30 % more would do."
                />
            </FieldGroup>
            <details className="border-l-3 border-line pl-3" open={motion.task.mass_guessed}>
                <summary className="cursor-pointer font-semibold">How to measure this</summary>
                <ol className="mt-1 list-decimal space-y-1 pl-5">
                    {says.measure.map((step) => (
                        <li key={step}>{step}</li>
                    ))}
                </ol>
            </details>
        </>
    );
}

/** What is met on a part of the way, and what would make the load lighter. */
export function LoadMore({ handle }: { handle: MotionHandle }) {
    const { motion } = handle;
    return (
        <>
            {motion.mechanism.kind === 'measured' && <MeasuredPoints handle={handle} points={motion.mechanism.points} />}
            <Segments handle={handle} />
            <EasingOffers handle={handle} />
        </>
    );
}
