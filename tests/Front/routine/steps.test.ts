import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Build, Routine, Step } from '../../../resources/js/api/types';
import { freeId } from '../../../resources/js/pages/AddMotion';
import {
    besideNext,
    keyOf,
    lacking,
    listed,
    matching,
    newStep,
    placesOf,
    questions,
    stepsAt,
    type Told,
    unwrapped,
    VERBS,
} from '../../../resources/js/routine/steps';

const heron = JSON.parse(readFileSync('database/demo/heron-wharf.brookstone.json', 'utf8')) as Build;
const empty: Build = { ...heron, motions: [], sensors: [], outputs: [], routines: [] };
const crate = {
    ...{ id: 'crate', name: 'Crate', shape: 'box' as const, x_m: 0, y_m: 0, z_m: 0, length_m: 0.1, width_m: null, height_m: null },
    ...{ heading_deg: 0, lean_deg: 0, mass_kg: null, material: null, wall_m: null },
};
const full: Build = {
    ...heron,
    motions: heron.motions.map((motion, i) =>
        i === 1
            ? { ...motion, drive: { ...motion.drive!, shares: heron.motions[0]!.id, shares_by: 'selector' as const } }
            : i === 2
              ? {
                    ...motion,
                    latch: { place: motion.task.to, motion: heron.motions[0]!.id, lets_go: heron.motions[0]!.task.to, output: null, friction_coefficient: 0.3 },
                }
              : motion,
    ),
    things: [{ ...crate, is: 'carried' as const }],
    counters: [{ id: 'n', name: 'Visits', kind: 'counter', start: 0, kept: false }],
};
const told = (build: Build): Told => ({
    document: build,
    assessment: { chains: build.motions.map((motion) => ({ motion: motion.id, curves: { homes_onto: motion.stops.switches } })) },
});
const show = heron.routines.find((routine) => routine.id === 'harbour-show') as Routine;

describe('listing', () => {
    it('numbers every step, repeats opened', () => {
        const rows = listed(show.steps);
        expect(rows.map((row) => row.number)).toEqual(['1', '2', '3', '4', '4.1', '4.2', '4.3', '4.4', '5', '6', '7', '8', '9']);
        expect(rows[5]!.path).toBe('steps.3.steps.1');
        expect(rows[5]!.depth).toBe(1);
    });

    it('finds the list of each row again', () => {
        for (const row of listed(show.steps)) {
            const cut = row.path.lastIndexOf('.');
            expect(stepsAt(show, row.path.slice(0, cut))[Number(row.path.slice(cut + 1))]).toBe(row.step);
        }
    });

    it('finds nothing under a step that holds none', () => {
        expect(stepsAt(show, 'steps.0.steps')).toEqual([]);
    });
});

describe('new steps', () => {
    it.each(VERBS.map((each) => each.verb))('makes a %s step that refers to what there is', (verb) => {
        const step = newStep(verb, told(full)) as Step;
        expect(step.do).toBe(verb);
        if ('motion' in step && step.motion !== null) {
            expect(heron.motions.map((motion) => motion.id)).toContain(step.motion);
        }
    });

    it('makes none where the build lacks what it needs, and says what', () => {
        expect(newStep('home', told(empty))).toBeNull();
        expect(newStep('go', told(empty))).toBeNull();
        expect(newStep('signal', told(empty))).toBeNull();
        expect(newStep('change_over', told(heron))).toBeNull();
        expect(newStep('release', told(heron))).toBeNull();
        expect(newStep('release', told(full))).toMatchObject({ motion: heron.motions[2]!.id, by: heron.motions[0]!.id, give_up_s: 10 });
        expect(newStep('wait', told(empty))).not.toBeNull();
        expect([lacking('home'), lacking('signal'), lacking('go')]).toEqual([
            'Put a switch or a sensor at the end of a motion first.',
            'Add an output first.',
            'Add a motion first.',
        ]);
    });

    it('homes onto a sensor where that is what tells', () => {
        const sensed: Told = { document: empty, assessment: { chains: [{ motion: 'dial', curves: { homes_onto: [{ id: 'index-magnet' }] } }] } };
        expect(newStep('home', sensed)).toMatchObject({ motion: 'dial', switch: 'index-magnet' });
    });

    it('names the places that a dial makes after those that have names of their own', () => {
        const motion = { ...heron.motions[0]!, dial: { places: 3, name: 'Star' } };
        expect(placesOf(motion).slice(motion.places.length)).toEqual([
            { id: 'dial-1', name: 'Star 1' },
            { id: 'dial-2', name: 'Star 2' },
            { id: 'dial-3', name: 'Star 3' },
        ]);
        expect(questions({ ...heron, motions: [motion] }).map((each) => each.label)).toContain(`${motion.name} is at Star 3`);
    });

    it('asks for sensors and switches by name', () => {
        const asked = questions(heron);
        expect(asked.filter((each) => each.key.endsWith(' on')).map((each) => each.label)).toEqual([
            'Visitor beam is broken',
            'Attendant button is pressed',
            'Ferry bell button is pressed',
            'Dusk button is pressed',
            'Daylight is above its threshold',
            'Bridge down switch trips',
            'Bridge up switch trips',
            'Tide top switch trips',
            'Ferry quay switch trips',
        ]);
        expect(asked.every((each) => keyOf(each.condition) === each.key)).toBe(true);
        expect(new Set(asked.map((each) => each.key)).size).toBe(asked.length);
    });

    it('finds a verb by what is typed of it', () => {
        expect(matching('go')[0]!.verb).toBe('go');
        expect(matching('if')[0]!.verb).toBe('choose');
        expect(matching('move')[0]!.verb).toBe('go_by');
        expect(matching('tog').map((each) => each.verb)).toEqual(['together']);
        expect(matching('xyz')).toEqual([]);
    });

    it('puts two steps side by side and takes them apart again', () => {
        const list = show.steps;
        const beside = besideNext(list, 4);
        expect(beside).toHaveLength(list.length - 1);
        expect(unwrapped(beside, 4)).toEqual(list);
        expect(besideNext(list, list.length - 1)).toBe(list);
        expect(listed(beside).map((row) => row.number)).toContain('5b.1');
    });
});

describe('short names', () => {
    it.each([
        ['Heron neck', [], 'heron-neck'],
        ['Heron neck', ['heron-neck'], 'heron-neck-2'],
        ['Heron neck', ['heron-neck', 'heron-neck-2'], 'heron-neck-3'],
        ['—', [], 'part'],
        ['3', [], 'part'], // it begins with a letter
        ['12 apostles', [], 'apostles'],
        ['x'.repeat(200), [], 'x'.repeat(30)],
        ['x'.repeat(200), ['x'.repeat(30)], `${'x'.repeat(30)}-2`],
    ])('makes one of “%s”', (name, taken, id) => {
        expect(freeId(name, taken)).toBe(id);
    });
});
