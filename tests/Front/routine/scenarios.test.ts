import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Build, ScenarioEvent } from '../../../resources/js/api/types';
import { newEvent } from '../../../resources/js/routine/ScenarioEditor';

const heron = JSON.parse(readFileSync('database/demo/heron-wharf.brookstone.json', 'utf8')) as Build;
const dark: Build = { ...heron, sensors: heron.sensors.filter((sensor) => sensor.kind !== 'light') };
const all: ScenarioEvent['what'][] = ['sensor', 'level', 'load', 'hold', 'drag', 'heavier', 'stuck', 'wire', 'late', 'supply', 'power'];

describe('new events', () => {
    it.each(all)('makes a %s event about something that there is', (what) => {
        const event = newEvent(what, 9, heron)!;
        expect(event).toMatchObject({ what, at_s: 9 });
        const known = [...heron.sensors, ...heron.motions, ...heron.motions.flatMap((motion) => motion.stops.switches), ...heron.supplies].map(
            (each) => each.id,
        );
        for (const of of ['sensor', 'motion', 'supply']) {
            if (of in event) {
                expect(known).toContain((event as unknown as Record<string, string>)[of]);
            }
        }
    });

    it('lets a reading go over its threshold', () => {
        expect(newEvent('level', 1, heron)).toMatchObject({ sensor: 'daylight', value: 70 });
    });

    it('makes none of what the build does not have', () => {
        const bare: Build = { ...heron, motions: [], sensors: [], supplies: [] };
        expect(all.filter((what) => newEvent(what, 0, bare) !== null)).toEqual(['power']);
        expect(newEvent('level', 0, dark)).toBeNull();
        expect(newEvent('selector', 0, heron)).toBeNull();
    });

    it('changes over what has a selector', () => {
        const [first, second] = heron.motions;
        const shared: Build = { ...heron, motions: [first!, { ...second!, drive: { ...second!.drive!, shares: first!.id, shares_by: 'selector' } }] };
        expect(newEvent('selector', 3, shared)).toEqual({ what: 'selector', at_s: 3, motion: first!.id });
    });
});
