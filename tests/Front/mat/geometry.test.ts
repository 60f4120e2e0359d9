import { describe, expect, it } from 'vitest';
import type { Arm, Curves } from '../../../resources/js/api/types';
import { angleOf, armExtent, armReach, Frame, lookUp, polar, runAt } from '../../../resources/js/mat/geometry';

const arm: Arm = {
    kind: 'arm',
    mass_kg: 0.2,
    cg_m: 0.1,
    payload_kg: 0,
    payload_m: 0,
    friction_Nm: 0,
    inertia_kgm2: null,
    counterbalance_Nm: 0,
    spring_Nm_per_deg: 0,
    spring_rest_deg: 0,
};
const margin = { left: 10, right: 10, top: 10, bottom: 10 };

describe('points on the mat', () => {
    it.each([-170, -90, -10, 0, 45, 179])('finds the angle %s° again', (degrees) => {
        expect(angleOf(polar(80, degrees), degrees)).toBeCloseTo(degrees, 9);
    });

    it('stays on the turn that is nearest', () => {
        expect(angleOf(polar(50, 10), 365)).toBeCloseTo(370, 9);
        expect(angleOf(polar(50, -170), 185)).toBeCloseTo(190, 9);
    });

    it('goes to the drawing and back', () => {
        const frame = new Frame({ left: -50, right: 150, bottom: -20, top: 80 }, 800, 300, margin);
        const back = frame.back(frame.at({ x: 33, y: -7 }));
        expect(back.x).toBeCloseTo(33, 9);
        expect(back.y).toBeCloseTo(-7, 9);
    });

    it('draws to one scale that fits both ways', () => {
        const frame = new Frame({ left: 0, right: 100, bottom: 0, top: 100 }, 800, 300, margin);
        expect(frame.scale).toBeCloseTo(2.8, 9);
        expect(frame.x(100) - frame.x(0)).toBeCloseTo(frame.y(0) - frame.y(100), 9);
        expect(frame.y(100)).toBeGreaterThanOrEqual(10);
    });

    it('keeps grid lines apart at every size', () => {
        for (const size of [5, 50, 500, 5000]) {
            const frame = new Frame({ left: 0, right: size, bottom: 0, top: size }, 800, 300, margin);
            expect(frame.gridStep() * frame.scale).toBeGreaterThanOrEqual(9);
        }
    });

    it('makes room for the whole swing', () => {
        const curves = { positions: [-30, 0, 30, 60, 90] } as Curves;
        const box = armExtent(arm, curves.positions);
        expect(box.top).toBeGreaterThan(armReach(arm));
        expect(box.right).toBeGreaterThan(armReach(arm));
        expect(box.bottom).toBeLessThan(-armReach(arm) * 0.5);
    });
});

describe('tables', () => {
    it('reads between the points and no further than the ends', () => {
        const at = (position: number) => lookUp([0, 10, 20], [1, 3, 7], position);
        expect([at(0), at(5), at(10), at(15), at(20)]).toEqual([1, 2, 3, 5, 7]);
        expect([at(-5), at(50)]).toEqual([1, 7]);
    });

    it('finds where a run is at a time', () => {
        const at = (time: number) => runAt([0, 1, 3], [0, 10, 50], time);
        expect([at(0), at(0.5), at(1), at(2), at(3), at(9)]).toEqual([0, 5, 10, 30, 50, 50]);
    });
});
