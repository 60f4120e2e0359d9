import { describe, expect, it } from 'vitest';
import { closer, shifted, type View } from '../../../resources/js/charts/view';

describe('what is seen of a run', () => {
    it('comes closer around a time, which stays where it is', () => {
        expect(closer([0, 10], 0.5, 4, 10)).toEqual([2, 7]);
        expect(closer([2, 7], 2, 4, 10)).toEqual([0, 10]);
        for (const around of [2, 3.3, 7]) {
            const [from, to] = closer([2, 7], 0.4, around, 10);
            expect((around - from) / (to - from)).toBeCloseTo((around - 2) / 5, 9);
            expect(to - from).toBeCloseTo(2, 9);
        }
    });

    it('never leaves what there is', () => {
        expect(closer([0, 10], 3, 9, 10)).toEqual([0, 10]);
        expect(closer([6, 10], 2, 10, 10)).toEqual([2, 10]);
        expect(shifted([2, 7], 9, 10)).toEqual([5, 10]);
        expect(shifted([2, 7], -9, 10)).toEqual([0, 5]);
        expect(shifted([2, 7], 1, 10)).toEqual([3, 8]);
    });

    it('comes no closer than a twentieth of a second, and of a shorter run sees all', () => {
        const [from, to] = closer([4, 4.06], 0.1, 4.03, 10);
        expect(to - from).toBeCloseTo(0.05, 9);
        expect(closer([0, 0.02], 0.5, 0.01, 0.02)).toEqual([0, 0.02]);
    });

    it('comes back to where it was however it went', () => {
        let view: View = [0, 20];
        for (let i = 0; i < 200; i++) {
            view = i % 3 === 0 ? shifted(view, (i % 7) - 3, 20) : closer(view, 0.3 + (i % 5) * 0.4, view[0] + ((i % 4) / 3) * (view[1] - view[0]), 20);
            expect(view[0]).toBeGreaterThanOrEqual(0);
            expect(view[1]).toBeLessThanOrEqual(20 + 1e-9);
            expect(view[1] - view[0]).toBeGreaterThanOrEqual(0.05 - 1e-9);
        }
    });
});
