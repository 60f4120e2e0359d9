import type { Step } from '../api/types';
import { ChoiceField, TextField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { InSentence } from '../fields/sentence';
import { useBuild } from '../state/BuildContext';
import { isSelected } from '../state/motors';
import { ConditionEditor } from './ConditionEditor';
import {
    By,
    Choice,
    Counting,
    Direction,
    EndingPart,
    FollowEnd,
    GiveUp,
    Measuring,
    MotionPart,
    named,
    Speed,
    ToPlace,
    words,
    type StepProps,
} from './StepParts';
import { MEASURES, questions, WAIT } from './steps';

const SMALL = 'border border-line bg-well px-1.5 leading-normal hover:bg-ground';

/** One step as its sentence, each part of it a field in its place. */
export function StepEditor({ step, path }: { step: Step; path: string }) {
    const { stored, edit } = useBuild();
    return (
        <InSentence value="sentence">
            <span className="in-sentence">
                <Words step={step} path={path} build={stored.document} set={(changed) => edit({ path, value: { ...step, ...changed } })} />
            </span>
        </InSentence>
    );
}

function Words({ step, path, build, set }: StepProps) {
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
                    <ToPlace step={step} path={path} build={build} /> <Speed step={step} path={path} />
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
                    <Measuring label="Stick or knob" step={step} path={path} build={build} /> says, from{' '}
                    <QuantityField label="Reads at one end" path={`${path}.low`} value={step.low} /> to{' '}
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
                    <ToPlace step={step} path={path} build={build} /> as fast as <Measuring label="Knob" step={step} path={path} build={build} /> says: at{' '}
                    <QuantityField label="Reads at one end" path={`${path}.low`} value={step.low} /> with{' '}
                    <QuantityField label="Slowest" path={`${path}.slowest`} value={step.slowest} /> of its speed, at{' '}
                    <QuantityField label="Reads at the other" path={`${path}.high`} value={step.high} /> with{' '}
                    <QuantityField label="Fastest" path={`${path}.speed`} value={step.speed} />
                    <GiveUp step={step} path={path} />
                </>
            );
        case 'calibrate':
            return (
                <>
                    Set the threshold of <Measuring label="Sensor" step={step} path={path} build={build} />{' '}
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
        case 'release':
            return (
                <>
                    Let{' '}
                    <MotionPart
                        step={step}
                        path={path}
                        build={build}
                        only={(motion) => motion.latch !== null}
                        moved={(motion) => ({ by: motion.latch!.motion })}
                    />{' '}
                    go
                    {step.by === null ? (
                        <>
                            ; what lets it go is on for <QuantityField label="On for" path={`${path}.for_s`} value={step.for_s} />
                        </>
                    ) : (
                        <GiveUp step={step} path={path} />
                    )}
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
