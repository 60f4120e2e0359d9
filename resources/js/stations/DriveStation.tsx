import type { Drive } from '../api/types';
import { HeatChart } from '../charts/HeatChart';
import { ChoiceField, ToggleField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { driveRows } from './driveRows';
import { SharedMotorFields } from './SharedMotorFields';
import { AirFields } from './AirFields';
import { FieldGroup } from './StationFields';

/** What the drive that is chosen gets into: how warm, how much current. Choosing is done in the ranked list. */
export function DriveStation({ handle: { motion, chain } }: { handle: MotionHandle }) {
    const { say } = useSpeaking();
    const drive = motion.drive;
    if (drive === null) {
        return (
            <p className="border-l-3 border-line pl-3 text-quiet">
                No drive is chosen yet. The list shows every drive of the drawer for this load, in order, with the reason for its place. Take one.
            </p>
        );
    }
    const { motor } = drive;
    const about = motor.kind === 'air_cylinder' ? 'Force, air and current' : 'Heat, holding and current';
    return (
        <>
            {chain.drive !== null && (
                <section aria-label={about}>
                    <h2 className="mb-1 text-[1.05rem]">{about}</h2>
                    <Rows rows={chain.drive.rows.map((row) => [row.name, say(row.says)])} />
                    {chain.drive.heat !== null && <HeatChart heat={chain.drive.heat} />}
                </section>
            )}
        </>
    );
}

/** What the chosen drive is fed with and how it is driven, and what protects it and the load from each other. */
export function DriveMore({ handle: { motion, path } }: { handle: MotionHandle }) {
    const { stored } = useBuild();
    const { text } = useSpeaking();
    const drive = motion.drive;
    if (drive === null) {
        return null;
    }
    const { motor } = drive;
    const supplies = stored.document.supplies;
    const isSwitched = !['servo', 'stepper', 'air_cylinder'].includes(motor.kind);
    const supply = supplies.findIndex((each) => each.id === drive.supply);
    return (
        <>
            <FieldGroup title={`Chosen: ${drive.motors > 1 ? `${drive.motors} × ` : ''}${motor.code}`}>
                <Rows rows={driveRows(motor as Drive, text)} />
                {!['stepper', 'brushless', 'air_cylinder'].includes(motor.kind) && (
                    <QuantityField
                        label="How many of it"
                        path={`${path}.drive.motors`}
                        value={drive.motors}
                        how="Equal ones on the same thing, side by side on one channel: on one axle, or one at each side."
                    />
                )}
                {isSwitched && (
                    <QuantityField
                        label="Duty of the bridge"
                        path={`${path}.drive.duty`}
                        value={drive.duty}
                        how="1 is always on; lower is slower and weaker."
                    />
                )}
                {(motor.kind === 'linear_actuator' || motor.kind === 'air_cylinder') && (
                    <QuantityField
                        label="It acts at"
                        path={`${path}.drive.motor.lever_m`}
                        value={motor.lever_m}
                        how="From the shaft, square to it; for a carriage the pulley’s radius."
                    />
                )}
                {isSwitched && (
                    <QuantityField
                        label="Ramped up over"
                        path={`${path}.drive.ramp_s`}
                        typedIn={motion.units['drive.ramp_s']}
                        value={drive.ramp_s}
                        how="0 s: switched straight on."
                    />
                )}
                {motor.kind !== 'servo' && (
                    <ToggleField
                        label={motor.kind === 'air_cylinder' ? 'Pushes one way only' : 'Turns one way only'}
                        path={`${path}.drive.one_way`}
                        value={drive.one_way}
                        how={
                            motor.kind === 'air_cylinder'
                                ? 'A valve with one coil: a spring or the load brings it back.'
                                : 'A single transistor instead of a bridge: nothing can turn it back.'
                        }
                    />
                )}
                {motor.kind === 'servo' && (
                    <ToggleField
                        label="Power cut between moves"
                        path={`${path}.drive.gated`}
                        value={drive.gated}
                        how="A relay or transistor in its plus wire, a moment after it has arrived."
                    />
                )}
            </FieldGroup>
            <FieldGroup title="What feeds it">
                <ChoiceField
                    label="Fed from"
                    path={`${path}.drive.supply`}
                    value={drive.supply}
                    choices={supplies.map((each) => ({ value: each.id, label: `${each.name}, ${each.volts_V} V` }))}
                />
                {supply >= 0 && (
                    <QuantityField
                        label="Supply voltage"
                        path={`supplies.${supply}.volts_V`}
                        value={supplies[supply]!.volts_V}
                        how="For everything on this supply. Measure it while a motor starts."
                    />
                )}
                {supply >= 0 && <QuantityField label="Supply gives at most" path={`supplies.${supply}.max_A`} value={supplies[supply]!.max_A} />}
                {supply >= 0 && (
                    <QuantityField label="Charge of the battery" path={`supplies.${supply}.capacity_Ah`} value={supplies[supply]!.capacity_Ah} empty="mains" />
                )}
                {motor.kind === 'air_cylinder' && <AirFields motion={motion} path={path} />}
            </FieldGroup>
            <FieldGroup title="Against knocks and jams">
                <QuantityField
                    label="A clutch at the load slips at"
                    path={`${path}.drive.clutch_Nm`}
                    typedIn={motion.units['drive.clutch_Nm']}
                    value={drive.clutch_Nm}
                    empty="none"
                />
                <QuantityField
                    label="A springy coupling of"
                    path={`${path}.drive.soft_Nm_per_deg`}
                    typedIn={motion.units['drive.soft_Nm_per_deg']}
                    value={drive.soft_Nm_per_deg}
                    empty="none"
                />
                <SharedMotorFields motion={motion} path={path} />
            </FieldGroup>
        </>
    );
}

export function Rows({ rows }: { rows: [string, string][] }) {
    return (
        <dl className="narrow grid grid-cols-[8rem_1fr] gap-x-3 gap-y-0.5 py-2">
            {rows.map(([name, value]) => (
                <div key={name} className="contents">
                    <dt className="text-quiet">{name}</dt>
                    <dd>{value}</dd>
                </div>
            ))}
        </dl>
    );
}
