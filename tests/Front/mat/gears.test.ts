import { describe, expect, it } from 'vitest';
import type { TrainWheel } from '../../../resources/js/api/types';
import { snapped, toothed, turned } from '../../../resources/js/mat/gears';

const wheel = (stage: number, driver: boolean, shaft: number, teeth: number, x: number, y: number, type: TrainWheel['type'] = 'spur'): TrainWheel => ({
    stage,
    driver,
    shaft,
    plane: 0,
    teeth,
    type,
    x_mm: x,
    y_mm: y,
    outside_mm: teeth / 2 + 1,
    pitch_mm: teeth / 2,
});

describe('wheels on the plate', () => {
    it('have as many teeth as they say, to their outside diameter', () => {
        const points = toothed(wheel(0, true, 0, 17, 0, 0));
        const radii = points.map((point) => Math.hypot(point.x, point.y));
        expect(Math.max(...radii)).toBeCloseTo(9.5, 9);
        expect(radii.filter((radius, i) => radius > 8 && radii[(i + radii.length - 1) % radii.length]! < 8)).toHaveLength(17);
    });

    it.each([0, 0.3, 1.7, -2])('stand tooth in gap, whatever the drive is turned by (%s)', (drive) => {
        const [a, b] = [wheel(0, true, 0, 20, 0, 0), wheel(0, false, 1, 35, 16.5, 22)];
        const angles = turned([a, b], drive);
        const along = Math.atan2(22, 16.5);
        // Counted in teeth along the line between them: a tooth of the one where the other has a gap.
        const tooth = ((along - angles.get(a)!) / (2 * Math.PI)) * 20;
        const gap = ((along + Math.PI - angles.get(b)!) / (2 * Math.PI)) * 35;
        expect(Math.abs(tooth + gap - Math.round(tooth + gap - 0.5) - 0.5)).toBeLessThan(1e-9);
    });

    it('turn at the ratio and the way of their train', () => {
        const train = [wheel(0, true, 0, 12, 0, 0), wheel(0, false, 1, 36, 24, 0), wheel(1, true, 1, 16, 24, 0), wheel(1, false, 2, 48, 56, 0)];
        const [from, to] = [turned(train, 0), turned(train, 0.9)];
        const by = (i: number) => to.get(train[i]!)! - from.get(train[i]!)!;
        expect(by(1)).toBeCloseTo(-0.3, 9);
        expect(by(2)).toBeCloseTo(-0.3, 9);
        expect(by(3)).toBeCloseTo(0.1, 9);
        const belt = [wheel(0, true, 0, 16, 0, 0, 'belt'), wheel(0, false, 1, 32, 60, 0, 'belt')];
        expect(turned(belt, 1).get(belt[1]!)! - turned(belt, 0).get(belt[1]!)!).toBeCloseTo(0.5, 9);
    });

    it('snap to the holes, and to a tenth of a millimetre without', () => {
        expect(snapped(13.1, 4)).toBe(12);
        expect(snapped(-13.1, 6.35)).toBe(-12.7);
        expect(snapped(13.17, null)).toBe(13.2);
    });
});
