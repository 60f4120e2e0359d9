import { ChoiceField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { FieldGroup } from './StationFields';

/** The drive that is chosen, and what feeds it. Choosing is done in the ranked list. */
export function DriveStation({ handle: { motion, path } }: { handle: MotionHandle }) {
    const { stored } = useBuild();
    const { text } = useSpeaking();
    const drive = motion.drive;
    if (drive === null) {
        return <p className="border-l-3 border-line pl-3 text-quiet">No drive is chosen yet. The list shows every drive of the drawer for this load, in order, with the reason for its place. Take one.</p>;
    }
    const { motor } = drive;
    const rows: [string, string][] = [
        ...(motor.kind === 'dc_motor'
            ? ([
                  ['Rated at', `${motor.rated_V} V`],
                  ['Without load', `${motor.no_load_rpm} rpm, ${motor.no_load_A} A`],
                  ['Held', `${text({ si: motor.stall_Nm, dimension: 'torque' })}, ${motor.stall_A} A`],
              ] as [string, string][])
            : [...motor.ratings.map((rating): [string, string] => [`At ${rating.volts_V} V`, `${text({ si: rating.stall_Nm, dimension: 'torque' })}, ${rating.speed_deg_s} °/s`]), ['Travel', `${motor.travel_deg}°`] as [string, string]]),
        ['Gears', motor.gear_material + (motor.kind === 'dc_motor' && motor.worm ? ', worm' : '')],
        ['Gears survive', text({ si: motor.gearbox_limit_Nm, dimension: 'torque' })],
        ['Holds unpowered', text({ si: motor.back_drive_Nm, dimension: 'torque' })],
        ['Size', `${motor.length_mm} × ${motor.width_mm} × ${motor.height_mm} mm, ${text({ si: motor.mass_kg, dimension: 'mass' })}`],
        ['Shaft', motor.shaft],
    ];
    const supply = stored.document.supplies.findIndex((each) => each.id === drive.supply);
    return (
        <>
            <FieldGroup title={`Chosen: ${motor.code}`}>
                <dl className="narrow grid grid-cols-[8rem_1fr] gap-x-3 gap-y-0.5 py-2">
                    {rows.map(([name, value]) => (
                        <div key={name} className="contents">
                            <dt className="text-quiet">{name}</dt>
                            <dd>{value}</dd>
                        </div>
                    ))}
                </dl>
                <ChoiceField label="Fed from" path={`${path}.drive.supply`} value={drive.supply} choices={stored.document.supplies.map((each) => ({ value: each.id, label: `${each.name}, ${each.volts_V} V` }))} />
                {supply >= 0 && <QuantityField label="Supply voltage" path={`supplies.${supply}.volts_V`} value={stored.document.supplies[supply]!.volts_V} how="For everything on this supply. Measure it while a motor starts." />}
                {supply >= 0 && <QuantityField label="Supply gives at most" path={`supplies.${supply}.max_A`} value={stored.document.supplies[supply]!.max_A} />}
                {motor.kind === 'dc_motor' && <QuantityField label="Duty of the bridge" path={`${path}.drive.duty`} value={drive.duty} how="1 is always on; lower is slower and weaker." />}
            </FieldGroup>
        </>
    );
}
