import type { Build, Condition, Routine, Step, StoredBuild } from '../api/types';

export type Verb = Step['do'];

export const VERBS: { verb: Verb; label: string; words: string }[] = [
    { verb: 'home', label: 'Home a motion', words: 'home reference zero' },
    { verb: 'go', label: 'Go to a place', words: 'go take move to' },
    { verb: 'go_by', label: 'Move by an amount', words: 'move by amount on back feed turn' },
    { verb: 'run', label: 'Run until', words: 'run drive until for' },
    { verb: 'follow', label: 'Follow a stick or knob', words: 'follow stick knob joystick by hand' },
    { verb: 'pace', label: 'Go at a knob’s speed', words: 'pace knob speed dial slow go at' },
    { verb: 'wait', label: 'Wait', words: 'wait pause until' },
    { verb: 'sleep', label: 'Sleep until woken', words: 'sleep wake low power battery' },
    { verb: 'calibrate', label: 'Set a threshold', words: 'calibrate threshold sensor set teach learn' },
    { verb: 'stop', label: 'Stop a motion', words: 'stop brake coast hold' },
    { verb: 'signal', label: 'Signal', words: 'signal lamp sound relay switch' },
    { verb: 'repeat', label: 'Repeat', words: 'repeat loop again times' },
    { verb: 'together', label: 'Together', words: 'together side by side at once' },
    { verb: 'choose', label: 'Choose', words: 'choose if otherwise else' },
    { verb: 'set', label: 'Count or mark', words: 'set count add mark counter' },
    { verb: 'call', label: 'Do another routine', words: 'do call routine' },
    { verb: 'power', label: 'Switch power', words: 'power gate settle' },
    { verb: 'change_over', label: 'Change over a shared motor', words: 'change over selector shared motor' },
    { verb: 'take', label: 'Take up', words: 'take grab pick carry thing' },
    { verb: 'put', label: 'Put down', words: 'put drop release thing' },
    { verb: 'release', label: 'Let a latch go', words: 'release latch let go trigger fire' },
    { verb: 'fault', label: 'Stop with a fault', words: 'fault error fail' },
];

/** The verbs that fit what is typed, best first: a label that begins so before a word that does. */
export function matching(typed: string): typeof VERBS {
    const text = typed.trim().toLowerCase();
    const rank = (each: (typeof VERBS)[number]) =>
        each.verb === text || each.label.toLowerCase().startsWith(text) ? 0 : each.words.split(' ').some((word) => word.startsWith(text)) ? 1 : 2;
    return VERBS.filter((each) => rank(each) < 2).sort((a, b) => rank(a) - rank(b));
}

export const WAIT: Step = { do: 'wait', for_s: 1, until: null, give_up_s: null };

/** A build, and what can be homed onto which switch or sensor. */
export interface Told {
    document: Build;
    assessment: { chains: { motion: string; curves: { homes_onto: { id: string }[] } }[] };
}

/** Every place of a motion: those that are named, and those that are made from a pitch. */
export function placesOf(motion: Build['motions'][number] | undefined): { id: string; name: string }[] {
    const dial = motion?.dial ?? null;
    return [...(motion?.places ?? []), ...Array.from({ length: dial?.places ?? 0 }, (_, i) => ({ id: `dial-${i + 1}`, name: `${dial!.name} ${i + 1}` }))];
}

/** A new step with the first things of the build that fit it; null when the build has none. */
export function newStep(verb: Verb, { document: build, assessment }: Told, own?: string): Step | null {
    const motion = build.motions[0];
    const tells = assessment.chains.find((each) => each.curves.homes_onto.length > 0);
    const condition = firstCondition(build);
    const shared = build.motions.find((each) => each.drive?.shares_by === 'selector' && each.drive.shares !== null);
    const other = build.routines.find((each) => each.id !== own);
    switch (verb) {
        case 'home':
            return tells === undefined ? null : { do: 'home', motion: tells.motion, switch: tells.curves.homes_onto[0]!.id, speed: 0.5, give_up_s: 10 };
        case 'go':
            return motion === undefined ? null : { do: 'go', motion: motion.id, place: motion.task.to, speed: 1, give_up_s: 10 };
        case 'go_by':
            return motion === undefined
                ? null
                : { do: 'go_by', motion: motion.id, by: (motion.places[1]!.at - motion.places[0]!.at) / 2, speed: 1, give_up_s: 10 };
        case 'run':
            return motion === undefined ? null : { do: 'run', motion: motion.id, direction: 'up', speed: 1, until: null, for_s: 1, give_up_s: null };
        case 'follow': {
            const stick = build.sensors.find((each) => MEASURES.includes(each.kind));
            const sent = build.motions.find((each) => each.drive?.motor.kind === 'servo') ?? motion;
            return sent === undefined || stick === undefined
                ? null
                : {
                      do: 'follow',
                      motion: sent.id,
                      sensor: stick.id,
                      as: sent.drive?.motor.kind === 'servo' ? 'place' : 'speed',
                      low: 0,
                      high: 100,
                      at_low: null,
                      at_high: null,
                      dead_band: 0.02,
                      expo: 0,
                      smooth_s: 0,
                      speed: 1,
                      until: null,
                      for_s: 10,
                      give_up_s: null,
                  };
        }
        case 'pace': {
            const knob = build.sensors.find((each) => MEASURES.includes(each.kind));
            return motion === undefined || knob === undefined
                ? null
                : {
                      do: 'pace',
                      motion: motion.id,
                      place: motion.task.to,
                      sensor: knob.id,
                      low: 0,
                      high: 100,
                      slowest: 0.1,
                      speed: 1,
                      give_up_s: 60,
                  };
        }
        case 'wait':
            return WAIT;
        case 'sleep': {
            const wakes = build.sensors.find((each) => !MEASURES.includes(each.kind));
            return wakes === undefined ? null : { do: 'sleep', until: { test: 'input', sensor: wakes.id, is: 'on', for_s: null } };
        }
        case 'calibrate': {
            const measures = build.sensors.find((each) => MEASURES.includes(each.kind));
            return measures === undefined ? null : { do: 'calibrate', sensor: measures.id, button: null, for_s: 5, gap: 10, give_up_s: null };
        }
        case 'stop':
            return motion === undefined ? null : { do: 'stop', motion: motion.id, how: 'brake' };
        case 'signal':
            return build.outputs[0] === undefined ? null : { do: 'signal', output: build.outputs[0].id, state: 'on', for_s: null };
        case 'repeat':
            return { do: 'repeat', times: 2, until: null, steps: [WAIT] };
        case 'together':
            return { do: 'together', until: 'all', branches: [[WAIT], [WAIT]] };
        case 'choose':
            return condition === null ? null : { do: 'choose', if: condition, then: [WAIT], otherwise: [] };
        case 'set':
            return build.counters[0] === undefined ? null : { do: 'set', counter: build.counters[0].id, to: null, add: 1 };
        case 'call':
            return other === undefined ? null : { do: 'call', routine: other.id };
        case 'take': {
            const thing = build.things.find((each) => each.is === 'carried');
            return motion === undefined || thing === undefined ? null : { do: 'take', with: motion.id, thing: thing.id };
        }
        case 'put':
            return motion === undefined ? null : { do: 'put', with: motion.id };
        case 'power':
            return motion === undefined ? null : { do: 'power', motion: motion.id, supply: null, state: 'on', settle_s: 0.3 };
        case 'change_over':
            return shared === undefined ? null : { do: 'change_over', motion: shared.id, takes_s: 0.5 };
        case 'release': {
            const held = build.motions.find((each) => each.latch !== null);
            return held === undefined
                ? null
                : { do: 'release', motion: held.id, by: held.latch!.motion, for_s: 0.3, give_up_s: held.latch!.motion === null ? null : 10 };
        }
        case 'fault':
            return { do: 'fault', message: 'it stops here' };
    }
}

/** What the verb still lacks, in words. */
export function lacking(verb: Verb): string {
    return (
        (
            {
                home: 'Put a switch or a sensor at the end of a motion first.',
                signal: 'Add an output first.',
                choose: 'Add a sensor, a switch or a counter first.',
                set: 'Add a counter or a mark first.',
                release: 'Give a motion a latch first.',
                take: 'Say on the stage first what is carried.',
                sleep: 'Add a sensor that wakes it first.',
                calibrate: 'Add a sensor that measures first.',
                pace: 'Add a sensor that measures first, a knob or a stick.',
                follow: 'Add a sensor that measures first, a knob or a stick.',
                call: 'There is no other routine yet.',
                change_over: 'Let two motions share a motor through a selector first.',
            } as Partial<Record<Verb, string>>
        )[verb] ?? 'Add a motion first.'
    );
}

/** The unit that positions of a motion are kept in. */
export function positionUnit(stored: StoredBuild, motion: string | null): string {
    return stored.assessment.chains.find((each) => each.motion === motion)?.curves.position_unit === 'm' ? 'm' : '°';
}

export interface ListedStep {
    step: Step;
    /** Inside the routine: `steps.3.steps.0`. */
    path: string;
    /** `4.1` */
    number: string;
    depth: number;
    /** What its list is, where that must be said: a branch, otherwise. */
    heading: string | null;
}

/** The lists of steps that a step holds, by field, with what is said over each. */
export function innerLists(step: Step): { field: string; steps: Step[]; heading: string | null }[] {
    switch (step.do) {
        case 'repeat':
            return [{ field: 'steps', steps: step.steps, heading: null }];
        case 'together':
            return step.branches.map((steps, i) => ({ field: `branches.${i}`, steps, heading: i === 0 ? 'one' : 'beside it' }));
        case 'choose':
            return [
                { field: 'then', steps: step.then, heading: null },
                { field: 'otherwise', steps: step.otherwise, heading: 'otherwise' },
            ];
        default:
            return [];
    }
}

/** Every step in reading order, those inside of others too. */
export function listed(steps: Step[], path = 'steps', number = '', depth = 0, heading: string | null = null): ListedStep[] {
    return steps.flatMap((step, i) => {
        const own = { step, path: `${path}.${i}`, number: `${number}${i + 1}`, depth, heading: i === 0 ? heading : null };
        const lists = innerLists(step);
        return [
            own,
            ...lists.flatMap((list, j) =>
                listed(list.steps, `${own.path}.${list.field}`, `${own.number}${lists.length > 1 ? 'abcdefgh'[j] : ''}.`, depth + 1, list.heading),
            ),
        ];
    });
}

/** The list of steps at a path inside the routine: `steps`, `steps.3.branches.0`. */
export function stepsAt(routine: Routine, path: string): Step[] {
    let at: unknown = routine;
    for (const key of path.split('.')) {
        at = (at as Record<string, unknown> | undefined)?.[key];
    }
    return Array.isArray(at) ? (at as Step[]) : [];
}

/** This step and the next as two branches side by side; one that is a branch list already takes it in. */
export function besideNext(list: Step[], index: number): Step[] {
    const [step, next] = [list[index]!, list[index + 1]];
    if (next === undefined) {
        return list;
    }
    const together: Step =
        step.do === 'together' ? { ...step, branches: [...step.branches, [next]] } : { do: 'together', until: 'all', branches: [[step], [next]] };
    return [...list.slice(0, index), together, ...list.slice(index + 2)];
}

/** What a step holds in its place, one after the other. */
export function unwrapped(list: Step[], index: number): Step[] {
    return [...list.slice(0, index), ...innerLists(list[index]!).flatMap((each) => each.steps), ...list.slice(index + 1)];
}

/** A question that a condition can ask, as one choice. */
export interface Question {
    key: string;
    label: string;
    condition: Condition;
}

const WORDS: Record<Build['sensors'][number]['kind'], [string, string]> = {
    press: ['is pressed', 'is let go'],
    message: ['says on', 'says off'],
    beam: ['is broken', 'is clear'],
    magnet: ['sees it', 'sees nothing'],
    reflective: ['sees it', 'sees nothing'],
    knock: ['is knocked', 'is quiet'],
    light: ['is above its threshold', 'is below its threshold'],
    colour: ['is above its threshold', 'is below its threshold'],
    distance: ['is above its threshold', 'is below its threshold'],
    sonar: ['is above its threshold', 'is below its threshold'],
    wheel: ['turns', 'stands still'],
    knob: ['is above its threshold', 'is below its threshold'],
};

export const MEASURES = ['light', 'colour', 'distance', 'sonar', 'knob'];

/** Everything that a condition can ask for: sensors, switches, places, counters, what moves and runs. */
export function questions(build: Build): Question[] {
    const input = (id: string, name: string, [on, off]: [string, string]): Question[] =>
        (['on', 'off'] as const).map((is) => ({
            key: `input ${id} ${is}`,
            label: `${name} ${is === 'on' ? on : off}`,
            condition: { test: 'input', sensor: id, is, for_s: null },
        }));
    return [
        ...build.sensors.flatMap((sensor) => input(sensor.id, sensor.name, WORDS[sensor.kind])),
        ...build.sensors
            .filter((sensor) => MEASURES.includes(sensor.kind))
            .flatMap((sensor): Question[] =>
                (['above', 'below'] as const).map((is) => ({
                    key: `level ${sensor.id} ${is}`,
                    label: `${sensor.name} reads ${is}…`,
                    condition: { test: 'level', sensor: sensor.id, is, value: 50, hysteresis: 5 },
                })),
            ),
        ...build.motions.flatMap((motion) => motion.stops.switches.flatMap((each) => input(each.id, each.name, ['trips', 'is free']))),
        ...build.motions.flatMap((motion) =>
            placesOf(motion).map((place): Question => ({
                key: `place ${motion.id} ${place.id}`,
                label: `${motion.name} is at ${place.name}`,
                condition: { test: 'place', motion: motion.id, place: place.id },
            })),
        ),
        ...build.motions.map((motion): Question => ({
            key: `moving ${motion.id}`,
            label: `${motion.name} moves`,
            condition: { test: 'moving', motion: motion.id },
        })),
        ...build.counters.map((counter): Question => ({
            key: `counter ${counter.id}`,
            label: counter.kind === 'mark' ? `${counter.name} is set` : `${counter.name} is at least…`,
            condition: { test: 'counter', counter: counter.id, is: 'at_least', value: 1 },
        })),
        ...build.routines.map((routine): Question => ({
            key: `routine ${routine.id}`,
            label: `${routine.name} runs`,
            condition: { test: 'routine', routine: routine.id },
        })),
        { key: 'clock', label: 'the time of day is between…', condition: { test: 'clock', from: '08:00', to: '20:00' } },
    ];
}

/** The key of the question that a condition asks; null of one made of others. */
export function keyOf(condition: Condition): string | null {
    switch (condition.test) {
        case 'input':
            return `input ${condition.sensor} ${condition.is}`;
        case 'level':
            return `level ${condition.sensor} ${condition.is}`;
        case 'place':
            return `place ${condition.motion} ${condition.place}`;
        case 'moving':
            return `moving ${condition.motion}`;
        case 'counter':
            return `counter ${condition.counter}`;
        case 'routine':
            return `routine ${condition.routine}`;
        case 'clock':
            return 'clock';
        default:
            return null;
    }
}

function firstCondition(build: Build): Condition | null {
    return questions(build).find((each) => each.key !== 'clock')?.condition ?? null;
}
