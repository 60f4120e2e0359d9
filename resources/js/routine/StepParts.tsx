import type { ReactNode } from 'react';
import type { Build, Condition, Step } from '../api/types';
import { ChoiceField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild } from '../state/BuildContext';
import { ConditionEditor } from './ConditionEditor';
import { MEASURES, placesOf, positionUnit, questions } from './steps';

type Ending = { until: Condition | null; for_s: number | null; give_up_s: number | null };

export interface StepProps<S extends Step = Step> {
    step: S;
    path: string;
    build: Build;
    set: (changed: Partial<S>) => void;
}

/** Which motion goes to which of its places. */
export function ToPlace({ step, path, build }: { step: Step & { motion: string; place: string }; path: string; build: Build }) {
    return (
        <>
            Take <MotionPart step={step} path={path} build={build} moved={(motion) => ({ place: motion.task.to })} /> to{' '}
            <ChoiceField
                label="To"
                path={`${path}.place`}
                value={step.place}
                choices={named(placesOf(build.motions.find((each) => each.id === step.motion)))}
            />
        </>
    );
}

/** One of the sensors that measure. */
export function Measuring({ label, step, path, build }: { label: string; step: { sensor: string }; path: string; build: Build }) {
    return (
        <ChoiceField label={label} path={`${path}.sensor`} value={step.sensor} choices={named(build.sensors.filter((each) => MEASURES.includes(each.kind)))} />
    );
}

/** The motion that a step is about; what else must change with it comes along. */
export function MotionPart({
    step,
    path,
    build,
    only = () => true,
    moved = () => ({}),
}: {
    step: Step & { motion: string };
    path: string;
    build: Build;
    only?: (motion: Build['motions'][number]) => boolean;
    moved?: (motion: Build['motions'][number]) => object;
}) {
    const { edit } = useBuild();
    return (
        <Choice
            label="Motion"
            value={step.motion}
            choices={named(build.motions.filter((each) => each.id === step.motion || only(each)))}
            onChoose={(id) => edit({ path, value: { ...step, motion: id, ...moved(build.motions.find((each) => each.id === id)!) } })}
        />
    );
}

export function By({ step, path }: { step: Extract<Step, { do: 'go_by' }>; path: string }) {
    const { stored } = useBuild();
    return <QuantityField label="By" path={`${path}.by`} value={step.by} keptIn={positionUnit(stored, step.motion)} />;
}

export function Speed({ step, path }: { step: { speed: number }; path: string }) {
    return (
        <>
            at <QuantityField label="Share of its speed" path={`${path}.speed`} value={step.speed} /> of its speed
        </>
    );
}

export function GiveUp({ step, path }: { step: { give_up_s: number | null }; path: string }): ReactNode {
    return (
        <>
            ; give up after <QuantityField label="Give up after" path={`${path}.give_up_s`} value={step.give_up_s} empty="never" />
        </>
    );
}

export function EndingPart({ step, path, onSet }: { step: Ending; path: string; onSet: (ending: Ending) => void }) {
    const { stored } = useBuild();
    const first = questions(stored.document)[0]!.condition;
    const choose = (choice: string) =>
        onSet(choice === 'time' ? { until: null, for_s: 1, give_up_s: null } : { until: first, for_s: null, give_up_s: step.give_up_s ?? 10 });
    return (
        <>
            <Choice
                label="Ends with"
                value={step.until === null ? 'time' : 'until'}
                choices={[
                    { value: 'time', label: 'for' },
                    { value: 'until', label: 'until' },
                ]}
                onChoose={choose}
            />{' '}
            {step.until === null ? (
                <QuantityField label="Time" path={`${path}.for_s`} value={step.for_s} />
            ) : (
                <>
                    <ConditionEditor label="Until" condition={step.until} path={`${path}.until`} />
                    <GiveUp step={step} path={path} />
                </>
            )}
        </>
    );
}

export function Counting({ step, path, build, set }: StepProps<Extract<Step, { do: 'set' }>>) {
    const counter = build.counters.find((each) => each.id === step.counter);
    return (
        <>
            <ChoiceField label="Counter or mark" path={`${path}.counter`} value={step.counter} choices={named(build.counters)} /> is{' '}
            {counter?.kind === 'mark' ? (
                <Choice
                    label="Is"
                    value={String(step.to ?? 1)}
                    choices={[
                        { value: '1', label: 'set' },
                        { value: '0', label: 'cleared' },
                    ]}
                    onChoose={(to) => set({ to: Number(to), add: null })}
                />
            ) : (
                <>
                    <Choice
                        label="Is"
                        value={step.to === null ? 'add' : 'to'}
                        choices={[
                            { value: 'add', label: 'counted up by' },
                            { value: 'to', label: 'set to' },
                        ]}
                        onChoose={(how) => set(how === 'add' ? { to: null, add: 1 } : { to: 0, add: null })}
                    />{' '}
                    {step.to === null ? (
                        <QuantityField label="By" path={`${path}.add`} value={step.add} />
                    ) : (
                        <QuantityField label="To" path={`${path}.to`} value={step.to} />
                    )}
                </>
            )}
        </>
    );
}

export function named(things: { id: string; name: string }[] | undefined) {
    return (things ?? []).map((each) => ({ value: each.id, label: each.name }));
}

/** Where one end of a stick sends it, in the unit of what moves. */
export function FollowEnd({
    label,
    step,
    path,
    field,
    empty,
}: {
    label: string;
    step: Step & { do: 'follow' };
    path: string;
    field: 'at_low' | 'at_high';
    empty: string;
}) {
    const { stored } = useBuild();
    return <QuantityField label={label} path={`${path}.${field}`} keptIn={positionUnit(stored, step.motion)} value={step[field]} empty={empty} />;
}

/** Which way it goes, in the words of what moves: a carriage does not go up. */
export function Direction({ step, path }: { step: Step & { do: 'run' }; path: string }) {
    const { stored } = useBuild();
    const ways = stored.assessment.chains.find((chain) => chain.motion === step.motion)?.curves.ways ?? ['up', 'down'];
    return (
        <ChoiceField
            label="Direction"
            path={`${path}.direction`}
            value={step.direction}
            choices={(['up', 'down'] as const).map((value, i) => ({ value, label: ways[i] ?? value }))}
        />
    );
}

export function words(choices: string[]) {
    return choices.map((each) => ({ value: each, label: each }));
}

/** A choice that changes more than one part of the step. */
export function Choice({
    label,
    value,
    choices,
    onChoose,
}: {
    label: string;
    value: string;
    choices: { value: string; label: string }[];
    onChoose: (choice: string) => void;
}) {
    return (
        <select aria-label={label} value={value} onChange={(event) => onChoose(event.target.value)}>
            {choices.map((choice) => (
                <option key={choice.value} value={choice.value}>
                    {choice.label}
                </option>
            ))}
        </select>
    );
}
