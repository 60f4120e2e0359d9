import type { Drive } from '../api/types';

export const DRIVE_WORDS: Record<Drive['kind'], string> = {
    dc_motor: 'gear motor',
    servo: 'servo',
    continuous_servo: 'continuous-rotation servo',
    stepper: 'stepper',
    brushless: 'wheel motor',
    linear_actuator: 'linear actuator',
};

type Text = (quantity: { si: number; dimension: string }) => string;

/** The data of a drive, in words and units. */
export function driveRows(drive: Drive, text: Text): [string, string][] {
    const torque = (si: number) => text({ si, dimension: 'torque' });
    const own: [string, string][] = (() => {
        switch (drive.kind) {
            case 'dc_motor':
            case 'brushless':
                return [
                    ['Rated at', `${drive.rated_V} V`],
                    ['Without load', `${drive.no_load_rpm} rpm, ${drive.no_load_A} A`],
                    ['Held', `${torque(drive.stall_Nm)}, ${drive.stall_A} A`],
                    ...(drive.kind === 'brushless' ? [['Controller gives', `${drive.controller_A} A`] as [string, string]] : []),
                ];
            case 'servo':
            case 'continuous_servo':
                return [
                    ...drive.ratings.map((rating): [string, string] => [`At ${rating.volts_V} V`, `${torque(rating.stall_Nm)}, ${rating.speed_deg_s} °/s`]),
                    drive.kind === 'servo'
                        ? ['Travel', `${drive.travel_deg}°${drive.digital ? ', digital' : ''}`]
                        : ['Told to stop', `creeps up to ${drive.creep_deg_s} °/s`],
                ];
            case 'stepper':
                return [
                    ['Holds powered', torque(drive.holding_Nm)],
                    ['Steps', `${drive.steps_per_rev} for a turn, ${drive.microsteps} microsteps each`],
                    ['A phase', `${drive.phase_A} A, ${drive.phase_ohm} Ω, ${drive.phase_mH} mH`],
                ];
            case 'linear_actuator':
                return [
                    ['Rated at', `${drive.rated_V} V`],
                    ['Without load', `${drive.speed_mm_s} mm/s, ${drive.no_load_A} A`],
                    ['Held', `${text({ si: drive.stall_N, dimension: 'force' })}, ${drive.stall_A} A`],
                    ['Stroke', text({ si: drive.stroke_m, dimension: 'length' })],
                ];
        }
    })();
    return [
        ...own,
        ['Gears', drive.gear_material + (drive.kind === 'dc_motor' && drive.worm ? ', worm' : '')],
        ['Gears survive', torque(drive.gearbox_limit_Nm)],
        ['Holds unpowered', torque(drive.back_drive_Nm)],
        ['Size', `${drive.length_mm} × ${drive.width_mm} × ${drive.height_mm} mm, ${text({ si: drive.mass_kg, dimension: 'mass' })}`],
        ['Shaft', drive.shaft],
    ];
}
