import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Build, Selector } from '../../../resources/js/api/types';
import { faultsOf } from '../../../resources/js/rig/faults';

const heron = JSON.parse(readFileSync('database/demo/heron-wharf.brookstone.json', 'utf8')) as Build;

describe('what can go wrong on the rig', () => {
    it('names each thing once, and takes back what it began', () => {
        const faults = faultsOf(heron);
        expect(new Set(faults.map((fault) => fault.says)).size).toBe(faults.length);
        for (const { begins, ends } of faults) {
            expect([ends.what, ends.sensor, ends.motion, ends.supply]).toEqual([begins.what, begins.sensor, begins.motion, begins.supply]);
            expect(ends).not.toEqual(begins);
        }
    });

    it('is about everything that the build has, and nothing else', () => {
        const about = new Set(faultsOf(heron).map(({ begins }) => begins.sensor ?? begins.motion ?? begins.supply));
        const things = [...heron.motions, ...heron.motions.flatMap((motion) => motion.stops.switches), ...heron.sensors, ...heron.supplies].map(
            (each) => each.id,
        );
        expect([...about].sort()).toEqual([...things].sort());
        expect(faultsOf({ ...heron, motions: [], sensors: [], supplies: [] })).toEqual([]);
    });

    it('has a hand at a selector that no servo holds', () => {
        const [first, second] = heron.motions;
        const shared = (selector: Selector | null): Build => ({
            ...heron,
            motions: [first!, { ...second!, drive: { ...second!.drive!, shares: first!.id, shares_by: 'selector', selector } }],
        });
        const says = `A hand changes over to ${second!.name}`;
        expect(faultsOf(shared(null)).find((fault) => fault.says === says)).toMatchObject({
            begins: { what: 'selector', motion: second!.id },
            ends: { what: 'selector', motion: first!.id },
        });
        expect(faultsOf(shared({ motion: 'x', place: 'a', other: 'b', tells: null })).some((fault) => fault.says === says)).toBe(false);
    });
});
