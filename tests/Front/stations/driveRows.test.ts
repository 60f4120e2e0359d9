import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Build, Drive } from '../../../resources/js/api/types';
import { driveRows, DRIVE_WORDS } from '../../../resources/js/stations/driveRows';

const builds = ['heron-wharf', 'moth-lantern', 'quarry-tram'].map((name) => JSON.parse(readFileSync(`database/demo/${name}.brookstone.json`, 'utf8')) as Build);
const drives = builds.flatMap((build) => build.motions.flatMap((motion) => (motion.drive === null ? [] : [motion.drive.motor])));
const text = ({ si, dimension }: { si: number; dimension: string }) => `${si} (${dimension})`;
const body = {
    code: 'X',
    series: '',
    mass_kg: 0.1,
    length_mm: 10,
    width_mm: 20,
    height_mm: 30,
    shaft: 'round',
    gear_material: 'steel',
    back_drive_Nm: 0.1,
    gearbox_limit_Nm: 2,
    thermal: 'small',
    page: '',
    rotor_kgm2: 0,
};

describe('a drive in words', () => {
    it.each(drives.map((drive) => [drive.code, drive] as const))('%s: every row has a name, a value and no hole', (_, drive) => {
        const rows = driveRows(drive, text);
        expect(rows.length).toBeGreaterThanOrEqual(7);
        expect(new Set(rows.map(([name]) => name)).size).toBe(rows.length);
        rows.forEach(([name, value]) => {
            expect(name).not.toBe('');
            expect(value).not.toMatch(/undefined|NaN|null/);
        });
        expect(DRIVE_WORDS[drive.kind]).toBeDefined();
    });

    it('tells a stepper, an actuator and a wheel motor by what they have', () => {
        const stepper = {
            ...body,
            kind: 'stepper',
            holding_Nm: 0.4,
            steps_per_rev: 200,
            microsteps: 16,
            phase_A: 1.5,
            phase_ohm: 2,
            phase_mH: 3,
        } as unknown as Drive;
        const actuator = {
            ...body,
            kind: 'linear_actuator',
            rated_V: 12,
            speed_mm_s: 10,
            no_load_A: 0.3,
            stall_N: 200,
            stall_A: 3,
            stroke_m: 0.05,
            lever_m: null,
        } as unknown as Drive;
        const wheel = {
            ...body,
            kind: 'brushless',
            rated_V: 24,
            no_load_rpm: 200,
            no_load_A: 0.4,
            stall_Nm: 3,
            stall_A: 12,
            controller_A: 8,
        } as unknown as Drive;

        expect(driveRows(stepper, text)).toContainEqual(['Steps', '200 for a turn, 16 microsteps each']);
        expect(driveRows(actuator, text)).toContainEqual(['Stroke', '0.05 (length)']);
        expect(driveRows(wheel, text)).toContainEqual(['Controller gives', '8 A']);
    });
});
