import type { Build, Routine, Step } from '../api/types';

export type Verb = Step['do'];

export const VERBS: { verb: Verb; label: string }[] = [
    { verb: 'home', label: 'Home a motion' },
    { verb: 'go', label: 'Go to a place' },
    { verb: 'run', label: 'Run until' },
    { verb: 'wait', label: 'Wait' },
    { verb: 'stop', label: 'Stop a motion' },
    { verb: 'signal', label: 'Signal' },
    { verb: 'repeat', label: 'Repeat' },
];

/** A new step with the first things of the build that fit it; null when the build has none. */
export function newStep(verb: Verb, build: Build): Step | null {
    const motion = build.motions[0];
    const switched = build.motions.find((each) => each.stops.switches.length > 0);
    switch (verb) {
        case 'home':
            return switched === undefined ? null : { do: 'home', motion: switched.id, switch: switched.stops.switches[0]!.id, speed: 0.5, give_up_s: 10 };
        case 'go':
            return motion === undefined ? null : { do: 'go', motion: motion.id, place: motion.task.to, speed: 1, give_up_s: 10 };
        case 'run':
            return motion === undefined ? null : { do: 'run', motion: motion.id, direction: 'up', speed: 1, until: null, for_s: 1, give_up_s: null };
        case 'wait':
            return { do: 'wait', for_s: 1, until: null, give_up_s: null };
        case 'stop':
            return motion === undefined ? null : { do: 'stop', motion: motion.id, how: 'brake' };
        case 'signal':
            return build.outputs[0] === undefined ? null : { do: 'signal', output: build.outputs[0].id, state: 'on', for_s: null };
        case 'repeat':
            return { do: 'repeat', times: 2, steps: [{ do: 'wait', for_s: 1, until: null, give_up_s: null }] };
    }
}

/** What the verb still lacks, in words. */
export function lacking(verb: Verb): string {
    return verb === 'home' ? 'Put a switch on a motion first.' : verb === 'signal' ? 'Add an output first.' : 'Add a motion first.';
}

export interface ListedStep {
    step: Step;
    /** Inside the routine: `steps.3.steps.0`. */
    path: string;
    /** `4.1` */
    number: string;
    depth: number;
}

/** Every step in reading order, repeats opened. */
export function listed(steps: Step[], path = 'steps', number = '', depth = 0): ListedStep[] {
    return steps.flatMap((step, i) => {
        const own = { step, path: `${path}.${i}`, number: `${number}${i + 1}`, depth };
        return step.do === 'repeat' ? [own, ...listed(step.steps, `${own.path}.steps`, `${own.number}.`, depth + 1)] : [own];
    });
}

/** The list of steps at a path inside the routine: `steps` or `steps.3.steps`. */
export function stepsAt(routine: Routine, path: string): Step[] {
    return path
        .split('.')
        .filter((key) => key !== 'steps')
        .reduce<Step[]>((steps, key) => {
            const step = steps[Number(key)];
            return step?.do === 'repeat' ? step.steps : [];
        }, routine.steps);
}

/** Everything that a condition can ask for: sensors and end switches. */
export function conditions(build: Build): { id: string; name: string; on: string; off: string }[] {
    return [
        ...build.sensors.map((sensor) => ({ id: sensor.id, name: sensor.name, on: sensor.kind === 'beam' ? 'is broken' : 'is pressed', off: sensor.kind === 'beam' ? 'is clear' : 'is let go' })),
        ...build.motions.flatMap((motion) => motion.stops.switches.map((each) => ({ id: each.id, name: each.name, on: 'trips', off: 'is free' }))),
    ];
}
