import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Mechanism } from '../../../resources/js/api/types';
import { MECHANISMS } from '../../../resources/js/stations/mechanisms';

interface Shape {
    properties: Record<
        string,
        { enum?: string[]; anyOf?: unknown; type?: string | string[]; minimum?: number; exclusiveMinimum?: number; maximum?: number; items?: unknown }
    >;
    required?: string[];
}

const schema = JSON.parse(readFileSync('docs/schema/build.schema.json', 'utf8')) as {
    properties: { motions: { items: { properties: { mechanism: { anyOf: Shape[] } } } } };
};
const shapes = Object.fromEntries(
    schema.properties.motions.items.properties.mechanism.anyOf.map((shape) => [shape.properties.kind!.enum![0]!, shape]),
) as Record<Mechanism['kind'], Shape>;
const kinds = Object.keys(MECHANISMS) as Mechanism['kind'][];

/** Lists have an editor of their own; what is chosen from a few words has none yet. */
const ELSEWHERE = ['kind', 'points'];

describe('the mechanisms of the forms', () => {
    it('are those of the build file', () => {
        expect([...kinds].sort()).toEqual(Object.keys(shapes).sort());
    });

    it.each(kinds)('%s: its form asks for every figure of the file, and for no other', (kind) => {
        const asked = [...MECHANISMS[kind].fields, ...(MECHANISMS[kind].toggles ?? [])].map((field) => field.key);
        expect(new Set(asked).size).toBe(asked.length);
        expect([...asked].sort()).toEqual(
            Object.keys(shapes[kind].properties)
                .filter((key) => !ELSEWHERE.includes(key))
                .sort(),
        );
    });

    it.each(kinds)('%s: no two fields have the same name', (kind) => {
        const labels = [...MECHANISMS[kind].fields, ...(MECHANISMS[kind].toggles ?? [])].map((field) => field.label);
        expect(new Set(labels).size).toBe(labels.length);
    });

    it.each(kinds)('%s: it starts from figures that the file allows', (kind) => {
        const { mechanism, places } = MECHANISMS[kind].example;
        const { properties, required = [] } = shapes[kind];
        expect(Object.keys({ kind, ...mechanism })).toEqual(expect.arrayContaining(required));
        for (const [key, value] of Object.entries(mechanism)) {
            const limits = properties[key];
            expect(limits, key).toBeDefined();
            if (typeof value === 'number') {
                expect(value, key).toBeGreaterThanOrEqual(limits!.minimum ?? limits!.exclusiveMinimum ?? -Infinity);
                expect(value, key).toBeLessThanOrEqual(limits!.maximum ?? Infinity);
            }
        }
        expect(places[1]).not.toBe(places[3]);
    });

    it.each(kinds)('%s: it says how to measure it', (kind) => {
        const { measure } = MECHANISMS[kind];
        expect(measure.length).toBeGreaterThanOrEqual(2);
        measure.forEach((step) => expect(step).toMatch(/^[A-Z].*[.?]$/));
    });
});
