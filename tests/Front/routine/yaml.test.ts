import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { parse as parseYaml } from 'yaml';
import type { Build, Routine } from '../../../resources/js/api/types';
import { located, MOST_CHARACTERS, parse, toText } from '../../../resources/js/routine/yaml';

const files = ['database/demo', 'database/examples'].flatMap((folder) =>
    readdirSync(folder)
        .filter((file) => file.endsWith('.json'))
        .map((file) => `${folder}/${file}`),
);
const routines = files.flatMap((file) => (JSON.parse(readFileSync(file, 'utf8')) as Build).routines);

/** A routine of random steps, made by a seed. */
function random(seed: number): Routine {
    let state = seed;
    const next = (below: number) => (state = (state * 1103515245 + 12345) % 2147483648) % below;
    const condition = (depth: number): unknown =>
        [
            () => ({ test: 'input', sensor: 'beam', is: ['on', 'off'][next(2)], for_s: next(2) === 0 ? null : 1.5 }),
            () => ({ test: 'level', sensor: 'light', is: 'above', value: next(100), hysteresis: 0 }),
            () => ({ test: 'not', that: condition(depth + 1) }),
            () => ({ test: 'all', of: [condition(depth + 1), condition(depth + 1)] }),
        ][depth > 2 ? next(2) : next(4)]!();
    const step = (depth: number): unknown =>
        [
            () => ({ do: 'wait', for_s: next(9) + 1, until: null, give_up_s: null }),
            () => ({ do: 'wait', for_s: null, until: condition(0), give_up_s: 4 }),
            () => ({ do: 'go', motion: 'lid', place: 'open', speed: [1, 0.5][next(2)], give_up_s: 3 }),
            () => ({ do: 'fault', message: 'on: no "cup", #2' }),
            () => ({ do: 'go_by', motion: 'lift', by: [0.02, -0.02][next(2)], speed: [1, 0.5][next(2)], give_up_s: next(2) === 0 ? null : 3 }),
            () => ({ do: 'change_over', motion: 'lift', takes_s: [0.5, 1.2][next(2)] }),
            () => ({ do: 'take', with: 'lift', thing: ['crate', 'yes'][next(2)] }),
            () => ({ do: 'put', with: 'lift' }),
            () => ({ do: 'power', motion: 'jaw', supply: null, state: ['on', 'off'][next(2)], settle_s: 0.3 }),
            () => ({ do: 'repeat', times: next(2) === 0 ? null : 3, until: next(2) === 0 ? null : condition(0), steps: [step(depth + 1)] }),
            () => ({ do: 'together', until: ['all', 'any'][next(2)], branches: [[step(depth + 1)], [step(depth + 1), step(depth + 1)]] }),
            () => ({ do: 'choose', if: condition(0), then: [step(depth + 1)], otherwise: [] }),
        ][depth > 3 ? next(9) : next(12)]!();
    return {
        id: 'r',
        name: 'Yes: no',
        starts: [{ when: 'power_on' }],
        alone: next(2) === 0,
        target_s: null,
        steps: Array.from({ length: next(6) + 1 }, () => step(0)),
        if_fails: [],
    } as unknown as Routine;
}

describe('text and steps', () => {
    it.each(routines.map((routine) => [routine.name, routine] as const))('writes %s, reads it and writes the same again', (_, routine) => {
        const text = toText(routine);
        const read = parse(text);
        expect('value' in read && toText(read.value as Routine)).toBe(text);
        expect(text).not.toContain('null');
    });

    it('keeps what random routines say', () => {
        for (let seed = 1; seed <= 300; seed++) {
            const routine = random(seed);
            const text = toText(routine);
            const read = parse(text);
            expect('value' in read && toText(read.value as Routine)).toBe(text);
            // Nothing but what is as usual was left out.
            const kept = JSON.stringify('value' in read ? read.value : null);
            for (const said of ['open', 'no \\"cup\\"']) {
                expect(kept.includes(said)).toBe(JSON.stringify(routine).includes(said));
            }
        }
    });

    it('comes back as it is to readers of the older language too', () => {
        const words = [
            'on',
            'off',
            'Yes',
            'no',
            'y',
            'N',
            '12:30',
            '1:2:3',
            '12:30:45.5',
            '1_000',
            '2026-05-30',
            '2026-05-30T21:59:43Z',
            '=',
            '<<',
            '~',
            'null',
            '0x1F',
            '017',
            '1e3',
            '.inf',
            'true',
            '-',
            'a: b',
            '# x',
            '',
            ' lead',
            '"q"',
        ];
        const routine = { id: 'r', name: 'off', steps: words.map((message) => ({ do: 'fault', message })) } as unknown as Routine;
        const text = toText(routine);
        for (const version of ['1.1', '1.2'] as const) {
            const read = parseYaml(text, { version }) as { name: string; steps: { message: string }[] };
            expect(read.name).toBe('off');
            expect(read.steps.map((step) => step.message)).toEqual(words);
        }
        expect(text).toContain('message: "="');
    });

    it('leaves out what is as usual', () => {
        expect(
            toText({
                id: 'a',
                name: 'A',
                starts: [],
                alone: false,
                target_s: null,
                if_fails: [],
                steps: [
                    { do: 'home', motion: 'lid', switch: 'shut', speed: 0.5, give_up_s: null },
                    { do: 'home', motion: 'lid', switch: 'shut', speed: 1, give_up_s: 4 },
                ],
            }),
        ).toBe(
            'id: a\nname: A\nsteps:\n  - do: home\n    motion: lid\n    switch: shut\n  - do: home\n    motion: lid\n    switch: shut\n    speed: 1\n    give_up_s: 4\n',
        );
    });
});

describe('what is wrong', () => {
    it('is told at its line and column where it is no YAML', () => {
        const read = parse('id: a\nname: [A\nsteps: []\n');
        expect('errors' in read && read.errors[0]!.line).toBeGreaterThan(1);
        const twice = parse('id: a\nid: b\n');
        expect('errors' in twice && twice.errors[0]).toMatchObject({ line: 2, column: 1 });
    });

    it('is told at the field that the server names', () => {
        const read = parse('id: a\nname: A\nsteps:\n  - do: wait\n    for_s: -1\n');
        const errors =
            'place' in read
                ? located(
                      [
                          { field: 'routines.3.steps.0.for_s', message: 'Must be more than 0.' },
                          { field: 'routines.3.steps.0.give_up_s', message: 'Is missing.' },
                          { field: 'log.0', message: 'x' },
                      ],
                      'routines.3',
                      read.place,
                  )
                : [];
        expect(errors).toEqual([
            { line: 5, column: 12, message: 'steps.0.for_s: Must be more than 0.' },
            { line: 4, column: 5, message: 'steps.0.give_up_s: Is missing.' },
            { line: 1, column: 1, message: 'x' },
        ]);
    });

    it('refuses what is too long, no routine, or refers to itself', () => {
        for (const text of ['x'.repeat(MOST_CHARACTERS + 1), '- a\n- b\n', 'hello', '', 'a: &x [1]\nb: *x\n']) {
            expect('errors' in parse(text)).toBe(true);
        }
    });

    it('says which field is said twice, and where', () => {
        expect(parse('id: a\nname: A\nsteps:\n  - do: wait\n    for_s: 1\n    for_s: 2\nname: B\n')).toEqual({
            errors: [
                { line: 7, column: 1, message: 'The field name is said twice.' },
                { line: 6, column: 5, message: 'The field for_s is said twice.' },
            ],
        });
    });

    it('reads as many fields as fit into a text without holding anything up', () => {
        const keys = Array.from({ length: 14_000 }, (_, i) => `k${i}: ${i}`).join('\n');
        expect(parse(keys)).toHaveProperty('value'); // compared each with each they would take longer than a test may
    });
});
