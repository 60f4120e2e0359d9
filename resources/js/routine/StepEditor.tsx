import { useId } from 'react';
import type { Condition, Step } from '../api/types';
import { ChoiceField, TextField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild } from '../state/BuildContext';
import { ConditionEditor } from './ConditionEditor';
import { questions } from './steps';

type Ending = { until: Condition | null; for_s: number | null; give_up_s: number | null };

/** The parts of one step, each a field. */
export function StepEditor({ step, path }: { step: Step; path: string }) {
    const { stored, edit } = useBuild();
    const build = stored.document;
    const motionId = 'motion' in step ? step.motion : null;
    const counter = step.do === 'set' ? build.counters.find((each) => each.id === step.counter) : undefined;
    const motion = build.motions.find((each) => each.id === motionId);
    const set = (changed: Partial<Step>) => edit({ path, value: { ...step, ...changed } });
    const motions = build.motions
        .filter((each) => step.do !== 'home' || each.stops.switches.length > 0)
        .map((each) => ({ value: each.id, label: each.name }));
    const chooseMotion = (id: string) => {
        const chosen = build.motions.find((each) => each.id === id)!;
        set(step.do === 'go' ? { motion: id, place: chosen.task.to } : step.do === 'home' ? { motion: id, switch: chosen.stops.switches[0]!.id } : { motion: id });
    };
    return (
        <div className="divide-y divide-line border border-line bg-sheet px-3">
            {motion !== undefined && step.do !== 'power' && <Choice label="Motion" value={motion.id} choices={motions} onChoose={chooseMotion} />}
            {step.do === 'go' && <ChoiceField label="To" path={`${path}.place`} value={step.place} choices={motion!.places.map((place) => ({ value: place.id, label: place.name }))} />}
            {step.do === 'home' && <ChoiceField label="Onto" path={`${path}.switch`} value={step.switch} choices={motion!.stops.switches.map((each) => ({ value: each.id, label: each.name }))} />}
            {step.do === 'run' && <ChoiceField label="Direction" path={`${path}.direction`} value={step.direction} choices={[{ value: 'up', label: 'up' }, { value: 'down', label: 'down' }]} />}
            {(step.do === 'home' || step.do === 'go' || step.do === 'run') && <QuantityField label="Share of its speed" path={`${path}.speed`} value={step.speed} how="1 is full speed; 50 % is half." />}
            {(step.do === 'run' || step.do === 'wait') && <EndingFields step={step} path={path} onSet={(ending) => set(ending)} />}
            {(step.do === 'home' || step.do === 'go') && <QuantityField label="Give up after" path={`${path}.give_up_s`} value={step.give_up_s} empty="never" />}
            {step.do === 'stop' && <ChoiceField label="How" path={`${path}.how`} value={step.how} choices={[{ value: 'brake', label: 'brake' }, { value: 'coast', label: 'run out' }, { value: 'hold', label: 'hold, powered' }]} />}
            {step.do === 'signal' && (
                <>
                    <ChoiceField label="Output" path={`${path}.output`} value={step.output} choices={build.outputs.map((output) => ({ value: output.id, label: output.name }))} />
                    <ChoiceField label="Goes" path={`${path}.state`} value={step.state} choices={[{ value: 'on', label: 'on' }, { value: 'off', label: 'off' }]} />
                    <QuantityField label="For" path={`${path}.for_s`} value={step.for_s} empty="good" />
                </>
            )}
            {step.do === 'repeat' && (
                <>
                    <QuantityField label="How often" path={`${path}.times`} value={step.times} empty="for ever" />
                    <Choice label="Until something is so" value={step.until === null ? 'no' : 'yes'} choices={[{ value: 'no', label: 'no' }, { value: 'yes', label: 'yes' }]} onChoose={(choice) => set({ until: choice === 'no' ? null : questions(build)[0]!.condition })} />
                    {step.until !== null && <ConditionEditor label="Until" condition={step.until} path={`${path}.until`} />}
                </>
            )}
            {step.do === 'together' && (
                <>
                    <ChoiceField label="Goes on when" path={`${path}.until`} value={step.until} choices={[{ value: 'all', label: 'all have ended' }, { value: 'any', label: 'one has ended' }]} />
                    <div className="py-1 text-right">
                        <button type="button" className="border border-line bg-well px-2 py-0.5" onClick={() => set({ branches: [...step.branches, [{ do: 'wait', for_s: 1, until: null, give_up_s: null }]] })}>
                            One more beside them
                        </button>
                    </div>
                </>
            )}
            {step.do === 'choose' && (
                <>
                    <ConditionEditor label="If" condition={step.if} path={`${path}.if`} />
                    {step.otherwise.length === 0 && (
                        <div className="py-1 text-right">
                            <button type="button" className="border border-line bg-well px-2 py-0.5" onClick={() => set({ otherwise: [{ do: 'wait', for_s: 1, until: null, give_up_s: null }] })}>
                                Otherwise…
                            </button>
                        </div>
                    )}
                </>
            )}
            {step.do === 'set' && (
                <>
                    <ChoiceField label="Counter or mark" path={`${path}.counter`} value={step.counter} choices={build.counters.map((each) => ({ value: each.id, label: each.name }))} />
                    {counter?.kind === 'mark' ? (
                        <Choice label="Is" value={String(step.to ?? 1)} choices={[{ value: '1', label: 'set' }, { value: '0', label: 'cleared' }]} onChoose={(to) => set({ to: Number(to), add: null })} />
                    ) : (
                        <>
                            <Choice label="Is" value={step.to === null ? 'add' : 'to'} choices={[{ value: 'add', label: 'counted on' }, { value: 'to', label: 'set to' }]} onChoose={(how) => set(how === 'add' ? { to: null, add: 1 } : { to: 0, add: null })} />
                            {step.to === null ? <QuantityField label="By" path={`${path}.add`} value={step.add} /> : <QuantityField label="To" path={`${path}.to`} value={step.to} />}
                        </>
                    )}
                </>
            )}
            {step.do === 'call' && <ChoiceField label="Routine" path={`${path}.routine`} value={step.routine} choices={build.routines.map((each) => ({ value: each.id, label: each.name }))} />}
            {step.do === 'power' && (
                <>
                    <Choice label="Of" value={step.motion === null ? `s ${step.supply}` : `m ${step.motion}`} choices={[...build.motions.map((each) => ({ value: `m ${each.id}`, label: each.name })), ...build.supplies.map((each) => ({ value: `s ${each.id}`, label: `all on ${each.name}` }))]} onChoose={(of) => set(of.startsWith('m ') ? { motion: of.slice(2), supply: null } : { motion: null, supply: of.slice(2) })} />
                    <ChoiceField label="Goes" path={`${path}.state`} value={step.state} choices={[{ value: 'on', label: 'on' }, { value: 'off', label: 'off' }]} />
                    <QuantityField label="Time to settle" path={`${path}.settle_s`} value={step.settle_s} />
                </>
            )}
            {step.do === 'fault' && <TextField label="What it says" path={`${path}.message`} value={step.message} />}
        </div>
    );
}

function EndingFields({ step, path, onSet }: { step: Ending; path: string; onSet: (ending: Ending) => void }) {
    const { stored } = useBuild();
    const first = questions(stored.document)[0]!.condition;
    const choose = (choice: string) => onSet(choice === 'time' ? { until: null, for_s: 1, give_up_s: null } : { until: first, for_s: null, give_up_s: step.give_up_s ?? 10 });
    return (
        <>
            <Choice label="Ends with" value={step.until === null ? 'time' : 'until'} choices={[{ value: 'time', label: 'a time' }, { value: 'until', label: 'something that happens' }]} onChoose={choose} />
            {step.until === null ? (
                <QuantityField label="Time" path={`${path}.for_s`} value={step.for_s} />
            ) : (
                <>
                    <ConditionEditor label="Until" condition={step.until} path={`${path}.until`} />
                    <QuantityField label="Give up after" path={`${path}.give_up_s`} value={step.give_up_s} empty="never" />
                </>
            )}
        </>
    );
}

/** A choice that changes more than one part of the step. */
function Choice({ label, value, choices, onChoose }: { label: string; value: string; choices: { value: string; label: string }[]; onChoose: (choice: string) => void }) {
    const id = useId();
    return (
        <div className="grid grid-cols-[1fr_10.5rem] items-center gap-x-3 py-1">
            <label htmlFor={id}>{label}</label>
            <select id={id} className="w-full border border-line bg-well px-2 py-1 font-semibold" value={value} onChange={(event) => onChoose(event.target.value)}>
                {choices.map((choice) => (
                    <option key={choice.value} value={choice.value}>
                        {choice.label}
                    </option>
                ))}
            </select>
        </div>
    );
}
