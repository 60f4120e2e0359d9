import type { ReactNode } from 'react';
import type { Build, Condition, Step } from '../api/types';
import { ChoiceField, TextField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { InSentence } from '../fields/sentence';
import { useBuild } from '../state/BuildContext';
import { isSelected } from '../state/motors';
import { ConditionEditor } from './ConditionEditor';
import { MEASURES, placesOf, positionUnit, questions, WAIT } from './steps';

type Ending = { until: Condition | null; for_s: number | null; give_up_s: number | null };

const SMALL = 'border border-line bg-well px-1.5 leading-normal hover:bg-ground';

/** One step as its sentence, each part of it a field in its place. */
export function StepEditor({ step, path }: { step: Step; path: string }) {
    const { stored, edit } = useBuild();
    return (
        <InSentence value={true}>
            <span className="in-sentence">
                <Words step={step} path={path} build={stored.document} set={(changed) => edit({ path, value: { ...step, ...changed } })} />
            </span>
        </InSentence>
    );
}

interface Props<S extends Step = Step> {
    step: S;
    path: string;
    build: Build;
    set: (changed: Partial<S>) => void;
}

function Words({ step, path, build, set }: Props) {
    const { stored } = useBuild();
    const tellers = (motion: string) => stored.assessment.chains.find((chain) => chain.motion === motion)?.curves.homes_onto ?? [];
    switch (step.do) {
        case 'home':
            return (
                <>
                    Home{' '}
                    <MotionPart
                        step={step}
                        path={path}
                        build={build}
                        only={(motion) => tellers(motion.id).length > 0}
                        moved={(motion) => ({ switch: tellers(motion.id)[0]!.id })}
                    />{' '}
                    <Speed step={step} path={path} /> onto{' '}
                    <ChoiceField label="Onto" path={`${path}.switch`} value={step.switch} choices={named(tellers(step.motion))} />
                    <GiveUp step={step} path={path} />
                </>
            );
        case 'go':
            return (
                <>
                    Take <MotionPart step={step} path={path} build={build} moved={(motion) => ({ place: motion.task.to })} /> to{' '}
                    <ChoiceField
                        label="To"
                        path={`${path}.place`}
                        value={step.place}
                        choices={named(placesOf(build.motions.find((each) => each.id === step.motion)))}
                    />{' '}
                    <Speed step={step} path={path} />
                    <GiveUp step={step} path={path} />
                </>
            );
        case 'go_by':
            return (
                <>
                    Move <MotionPart step={step} path={path} build={build} moved={(motion) => ({ by: (motion.places[1]!.at - motion.places[0]!.at) / 2 })} /> by{' '}
                    <By step={step} path={path} /> <Speed step={step} path={path} />
                    <GiveUp step={step} path={path} />
                </>
            );
        case 'run':
            return (
                <>
                    Run <MotionPart step={step} path={path} build={build} /> <Direction step={step} path={path} /> <Speed step={step} path={path} />{' '}
                    <EndingPart step={step} path={path} onSet={(ending) => set(ending)} />
                </>
            );
        case 'follow':
            return (
                <>
                    <MotionPart step={step} path={path} build={build} /> goes{' '}
                    <ChoiceField
                        label="What is followed"
                        path={`${path}.as`}
                        value={step.as}
                        choices={[
                            { value: 'place', label: 'where' },
                            { value: 'speed', label: 'as fast as' },
                        ]}
                    />{' '}
                    <ChoiceField
                        label="Stick or knob"
                        path={`${path}.sensor`}
                        value={step.sensor}
                        choices={named(build.sensors.filter((each) => MEASURES.includes(each.kind)))}
                    />{' '}
                    says, from <QuantityField label="Reads at one end" path={`${path}.low`} value={step.low} /> to{' '}
                    <QuantityField label="Reads at the other" path={`${path}.high`} value={step.high} />
                    {step.as === 'place' ? (
                        <>
                            , from <FollowEnd label="Goes from" step={step} path={path} field="at_low" empty="its lowest place" /> to{' '}
                            <FollowEnd label="Goes to" step={step} path={path} field="at_high" empty="its highest place" />
                        </>
                    ) : (
                        <>
                            , gently by <QuantityField label="Expo" path={`${path}.expo`} value={step.expo} />
                        </>
                    )}
                    , smoothed over <QuantityField label="Smoothed over" path={`${path}.smooth_s`} value={step.smooth_s} />, dead band{' '}
                    <QuantityField label="Dead band" path={`${path}.dead_band`} value={step.dead_band} /> <Speed step={step} path={path} />{' '}
                    <EndingPart step={step} path={path} onSet={(ending) => set(ending)} />
                </>
            );
        case 'pace':
            return (
                <>
                    Take <MotionPart step={step} path={path} build={build} moved={(motion) => ({ place: motion.task.to })} /> to{' '}
                    <ChoiceField
                        label="To"
                        path={`${path}.place`}
                        value={step.place}
                        choices={named(placesOf(build.motions.find((each) => each.id === step.motion)))}
                    />{' '}
                    as fast as{' '}
                    <ChoiceField
                        label="Knob"
                        path={`${path}.sensor`}
                        value={step.sensor}
                        choices={named(build.sensors.filter((each) => MEASURES.includes(each.kind)))}
                    />{' '}
                    says: at <QuantityField label="Reads at one end" path={`${path}.low`} value={step.low} /> with{' '}
                    <QuantityField label="Slowest" path={`${path}.slowest`} value={step.slowest} /> of its speed, at{' '}
                    <QuantityField label="Reads at the other" path={`${path}.high`} value={step.high} /> with{' '}
                    <QuantityField label="Fastest" path={`${path}.speed`} value={step.speed} />
                    <GiveUp step={step} path={path} />
                </>
            );
        case 'calibrate':
            return (
                <>
                    Set the threshold of{' '}
                    <ChoiceField
                        label="Sensor"
                        path={`${path}.sensor`}
                        value={step.sensor}
                        choices={named(build.sensors.filter((each) => MEASURES.includes(each.kind)))}
                    />{' '}
                    <Choice
                        label="How it is told"
                        value={step.button ?? ''}
                        choices={[
                            { value: '', label: 'looking by itself' },
                            ...build.sensors
                                .filter((each) => !MEASURES.includes(each.kind))
                                .map((each) => ({ value: each.id, label: `when ${each.name} is pressed` })),
                        ]}
                        onChoose={(button) => set({ button: button === '' ? null : button })}
                    />{' '}
                    {step.button === null ? (
                        <>
                            for <QuantityField label="For" path={`${path}.for_s`} value={step.for_s} />
                        </>
                    ) : (
                        'once without the thing and once with it'
                    )}
                    , at least <QuantityField label="Apart" path={`${path}.gap`} value={step.gap} /> apart
                    {step.button !== null && <GiveUp step={step} path={path} />}
                </>
            );
        case 'wait':
            return (
                <>
                    Wait <EndingPart step={step} path={path} onSet={(ending) => set(ending)} />
                </>
            );
        case 'sleep':
            return (
                <>
                    Sleep until <ConditionEditor label="Until" condition={step.until} path={`${path}.until`} />
                </>
            );
        case 'stop':
            return (
                <>
                    Stop <MotionPart step={step} path={path} build={build} />:{' '}
                    <ChoiceField
                        label="How"
                        path={`${path}.how`}
                        value={step.how}
                        choices={[
                            { value: 'brake', label: 'brake it' },
                            { value: 'coast', label: 'let it run out' },
                            { value: 'hold', label: 'hold it, powered' },
                        ]}
                    />
                </>
            );
        case 'signal':
            return (
                <>
                    Switch <ChoiceField label="Output" path={`${path}.output`} value={step.output} choices={named(build.outputs)} />{' '}
                    <ChoiceField label="Goes" path={`${path}.state`} value={step.state} choices={words(['on', 'off'])} /> for{' '}
                    <QuantityField label="For" path={`${path}.for_s`} value={step.for_s} empty="good" />
                </>
            );
        case 'repeat':
            return (
                <>
                    Repeat <QuantityField label="How often" path={`${path}.times`} value={step.times} empty="for ever" /> times,{' '}
                    <Choice
                        label="Until something is so"
                        value={step.until === null ? 'no' : 'yes'}
                        choices={[
                            { value: 'no', label: 'whatever happens' },
                            { value: 'yes', label: 'or until' },
                        ]}
                        onChoose={(choice) => set({ until: choice === 'no' ? null : questions(build)[0]!.condition })}
                    />{' '}
                    {step.until !== null && <ConditionEditor label="Until" condition={step.until} path={`${path}.until`} />}
                </>
            );
        case 'together':
            return (
                <>
                    Together, until{' '}
                    <ChoiceField
                        label="Goes on when"
                        path={`${path}.until`}
                        value={step.until}
                        choices={[
                            { value: 'all', label: 'all have ended' },
                            { value: 'any', label: 'one has ended' },
                        ]}
                    />{' '}
                    <button type="button" className={SMALL} onClick={() => set({ branches: [...step.branches, [WAIT]] })}>
                        One more beside them
                    </button>
                </>
            );
        case 'choose':
            return (
                <>
                    If <ConditionEditor label="If" condition={step.if} path={`${path}.if`} />{' '}
                    {step.otherwise.length === 0 && (
                        <button type="button" className={SMALL} onClick={() => set({ otherwise: [WAIT] })}>
                            Otherwise…
                        </button>
                    )}
                </>
            );
        case 'set':
            return <Counting step={step} path={path} build={build} set={set} />;
        case 'call':
            return (
                <>
                    Do <ChoiceField label="Routine" path={`${path}.routine`} value={step.routine} choices={named(build.routines)} />
                </>
            );
        case 'power':
            return (
                <>
                    Switch the power of{' '}
                    <Choice
                        label="Of"
                        value={step.motion === null ? `s ${step.supply}` : `m ${step.motion}`}
                        choices={[
                            ...build.motions.map((each) => ({ value: `m ${each.id}`, label: each.name })),
                            ...build.supplies.map((each) => ({ value: `s ${each.id}`, label: `all on ${each.name}` })),
                        ]}
                        onChoose={(of) => set(of.startsWith('m ') ? { motion: of.slice(2), supply: null } : { motion: null, supply: of.slice(2) })}
                    />{' '}
                    <ChoiceField label="Goes" path={`${path}.state`} value={step.state} choices={words(['on', 'off'])} /> and let it settle for{' '}
                    <QuantityField label="Time to settle" path={`${path}.settle_s`} value={step.settle_s} />
                </>
            );
        case 'change_over':
            return (
                <>
                    Change the motor over to <MotionPart step={step} path={path} build={build} only={(motion) => isSelected(build.motions, motion.id)} />; it
                    takes <QuantityField label="Takes" path={`${path}.takes_s`} value={step.takes_s} />
                </>
            );
        case 'take':
            return (
                <>
                    <ChoiceField label="Motion" path={`${path}.with`} value={step.with} choices={named(build.motions)} /> takes up{' '}
                    <ChoiceField
                        label="Thing"
                        path={`${path}.thing`}
                        value={step.thing}
                        choices={named(build.things.filter((thing) => thing.is === 'carried'))}
                    />
                </>
            );
        case 'put':
            return (
                <>
                    <ChoiceField label="Motion" path={`${path}.with`} value={step.with} choices={named(build.motions)} /> puts down what it carries
                </>
            );
        case 'fault':
            return (
                <>
                    Stop with the fault <TextField label="What it says" path={`${path}.message`} value={step.message} />
                </>
            );
    }
}

/** The motion that a step is about; what else must change with it comes along. */
function MotionPart({
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

function By({ step, path }: { step: Extract<Step, { do: 'go_by' }>; path: string }) {
    const { stored } = useBuild();
    return <QuantityField label="By" path={`${path}.by`} value={step.by} keptIn={positionUnit(stored, step.motion)} />;
}

function Speed({ step, path }: { step: { speed: number }; path: string }) {
    return (
        <>
            at <QuantityField label="Share of its speed" path={`${path}.speed`} value={step.speed} /> of its speed
        </>
    );
}

function GiveUp({ step, path }: { step: { give_up_s: number | null }; path: string }): ReactNode {
    return (
        <>
            ; give up after <QuantityField label="Give up after" path={`${path}.give_up_s`} value={step.give_up_s} empty="never" />
        </>
    );
}

function EndingPart({ step, path, onSet }: { step: Ending; path: string; onSet: (ending: Ending) => void }) {
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

function Counting({ step, path, build, set }: Props<Extract<Step, { do: 'set' }>>) {
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

function named(things: { id: string; name: string }[] | undefined) {
    return (things ?? []).map((each) => ({ value: each.id, label: each.name }));
}

/** Where one end of a stick sends it, in the unit of what moves. */
function FollowEnd({
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
function Direction({ step, path }: { step: Step & { do: 'run' }; path: string }) {
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

function words(choices: string[]) {
    return choices.map((each) => ({ value: each, label: each }));
}

/** A choice that changes more than one part of the step. */
function Choice({
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
