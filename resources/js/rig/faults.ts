import type { Build } from '../api/types';
import type { RigEvent } from './queue';

/** Something that goes wrong, in words, and what the world does when it begins and ends. */
export interface Fault {
    says: string;
    begins: RigEvent;
    ends: RigEvent;
}

/** Everything that can go wrong with what a build has, one thing at a time. */
export function faultsOf(build: Build): Fault[] {
    const inputs = [...build.motions.flatMap((motion) => motion.stops.switches), ...build.sensors];
    return [
        ...inputs.flatMap(({ id, name }): Fault[] => [
            ...(['on', 'off'] as const).map((is): Fault => ({
                says: `${name} is stuck ${is}`,
                begins: { what: 'stuck', sensor: id, is },
                ends: { what: 'stuck', sensor: id, is: 'free' },
            })),
            { says: `The wire of ${name} is broken`, begins: { what: 'wire', sensor: id, is: 'broken' }, ends: { what: 'wire', sensor: id, is: 'mended' } },
            { says: `${name} reports 0.3 s late`, begins: { what: 'late', sensor: id, value: 0.3 }, ends: { what: 'late', sensor: id, value: 0 } },
        ]),
        ...build.motions.flatMap(({ id, name }): Fault[] => [
            { says: `${name} drags`, begins: { what: 'drag', motion: id, value: 3 }, ends: { what: 'drag', motion: id, value: 1 } },
            { says: `${name} is half as heavy again`, begins: { what: 'heavier', motion: id, value: 1.5 }, ends: { what: 'heavier', motion: id, value: 1 } },
        ]),
        ...build.motions.flatMap(({ id, name, drive }): Fault[] =>
            drive?.shares == null || drive.shares_by !== 'selector' || (drive.selector?.motion ?? null) !== null
                ? []
                : [{ says: `A hand changes over to ${name}`, begins: { what: 'selector', motion: id }, ends: { what: 'selector', motion: drive.shares } }],
        ),
        ...build.motions.flatMap(({ id, name, drive }): Fault[] =>
            drive?.motor.kind !== 'air_cylinder'
                ? []
                : [{ says: `The hose of ${name} is off`, begins: { what: 'hose', motion: id, is: 'off' }, ends: { what: 'hose', motion: id, is: 'on' } }],
        ),
        ...build.tanks.map(({ id, name }): Fault => ({
            says: `The compressor of ${name} gives nothing`,
            begins: { what: 'compressor', tank: id, value: 0 },
            ends: { what: 'compressor', tank: id, value: 1 },
        })),
        ...build.supplies.map(({ id, name }): Fault => ({
            says: `${name} is low`,
            begins: { what: 'supply', supply: id, value: 0.75 },
            ends: { what: 'supply', supply: id, value: 1 },
        })),
    ];
}
