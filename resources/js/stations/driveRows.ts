import type { Drive } from '../api/types';

export const DRIVE_WORDS: Record<Drive['kind'], string> = {
    dc_motor: 'gear motor',
    servo: 'servo',
    continuous_servo: 'continuous-rotation servo',
    stepper: 'stepper',
    brushless: 'wheel motor',
    linear_actuator: 'linear actuator',
    air_cylinder: 'air cylinder',
};

type Text = (quantity: { si: number; dimension: string }) => string;

/** The data of a drive, in words and units. */
export function driveRows(drive: Drive, text: Text): [string, string][] {
    const torque = (si: number) => text({ si, dimension: 'torque' });
    const length = (si: number) => text({ si, dimension: 'length' });
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
            case 'air_cylinder':
                return [
                    ['Bore', `${length(drive.bore_m)}${drive.rod_m > 0 ? `, rod ${length(drive.rod_m)}` : ''}`],
                    ['Stroke', length(drive.stroke_m)],
                    ['Set to', `${drive.pressure_bar} bar, throttled to ${drive.flow_l_min} l/min`],
                    [
                        'Its valve',
                        `${drive.valve === 'shuts_in' ? 'shuts the air in' : 'vents'} when it is told nothing; ${drive.rated_V} V, ${drive.valve_A} A`,
                    ],
                    ['Its ends take up', text({ si: drive.cushion_J, dimension: 'energy' })],
                ];
        }
    })();
    return [
        ...own,
        ...(drive.kind === 'air_cylinder' ? [] : gears(drive, torque)),
        ['Size', `${drive.length_mm} × ${drive.width_mm} × ${drive.height_mm} mm, ${text({ si: drive.mass_kg, dimension: 'mass' })}`],
        ['Shaft', drive.shaft],
    ];
}

function gears(drive: Drive, torque: (si: number) => string): [string, string][] {
    return [
        ['Gears', drive.gear_material + (drive.kind === 'dc_motor' && drive.worm ? ', worm' : '')],
        ['Gears survive', torque(drive.gearbox_limit_Nm)],
        ['Holds unpowered', torque(drive.back_drive_Nm)],
    ];
}
