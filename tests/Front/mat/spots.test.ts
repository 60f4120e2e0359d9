import { describe, expect, it } from 'vitest';
import type { Curves, Mechanism } from '../../../resources/js/api/types';
import { placedBeside, spotsOf, type Boxed } from '../../../resources/js/mat/spots';
import { MECHANISMS } from '../../../resources/js/stations/mechanisms';

const ROOM = { left: 36, right: 872, top: 44, bottom: 286 };

/** The same every time. */
function scattered(count: number, seed: number): Boxed[] {
    let state = seed;
    const next = () => (state = (state * 1103515245 + 12345) % 2147483648) / 2147483648;
    return Array.from({ length: count }, () => ({ at: { x: next() * 880, y: next() * 312 }, width: 128, height: 25, isOn: next() > 0.5 }));
}

describe('fields beside the parts of a drawing', () => {
    it.each(Array.from({ length: 40 }, (_, i) => i + 1))('never lie over one another nor outside of it (%s)', (seed) => {
        const placed = placedBeside(scattered(4, seed), ROOM);
        for (const [i, one] of placed.entries()) {
            expect(one.left).toBeGreaterThanOrEqual(ROOM.left);
            expect(one.left + one.width).toBeLessThanOrEqual(ROOM.right);
            expect(one.top).toBeGreaterThanOrEqual(ROOM.top);
            expect(one.top + one.height).toBeLessThanOrEqual(ROOM.bottom);
            for (const other of placed.slice(i + 1)) {
                const apart = Math.max(
                    other.left - one.left - one.width,
                    one.left - other.left - other.width,
                    other.top - one.top - one.height,
                    one.top - other.top - other.height,
                );
                expect(apart).toBeGreaterThanOrEqual(0);
            }
        }
    });

    it('stand below their point, or on it where they say so, as long as there is room', () => {
        const box = { at: { x: 400, y: 150 }, width: 100, height: 20 };
        expect(placedBeside([box], ROOM)[0]).toMatchObject({ left: 350, top: 164 });
        expect(placedBeside([{ ...box, isOn: true }], ROOM)[0]).toMatchObject({ left: 350, top: 140 });
        expect(placedBeside([{ ...box, at: { x: 400, y: 280 } }], ROOM)[0]).toMatchObject({ left: 350, top: 246 }); // no room below
    });

    it.each(Object.keys(MECHANISMS) as Mechanism['kind'][])('are fields that a %s has in its list too, at a place that can be drawn', (kind) => {
        const { fields, example } = MECHANISMS[kind];
        const given = Object.fromEntries(fields.map(({ key }) => [key, 0.01]));
        const thing = { kind, points: [], ...given, ...example.mechanism, payload_kg: 0.2 } as unknown as Mechanism;
        const curves = { positions: [0, 1], follower: [0.1, 0.2] } as unknown as Curves;
        const spots = spotsOf(thing, 0.3, curves);
        expect(spots.length).toBeGreaterThan(0);
        for (const spot of spots) {
            expect(fields.map((field) => field.key)).toContain(spot.key);
            expect(Number.isFinite(spot.at.x) && Number.isFinite(spot.at.y)).toBe(true);
        }
        expect(new Set(spots.map((spot) => spot.key)).size).toBe(spots.length);
    });
});
