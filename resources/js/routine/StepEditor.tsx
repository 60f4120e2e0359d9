import { useId } from 'react';
import type { Condition, Step } from '../api/types';
import { ChoiceField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild } from '../state/BuildContext';
import { conditions } from './steps';

type Ending = { until: Condition | null; for_s: number | null; give_up_s: number | null };

/** The parts of one step, each a field. */
export function StepEditor({ step, path }: { step: Step; path: string }) {
    const { stored, edit } = useBuild();
    const build = stored.document;
    const motionId = 'motion' in step ? step.motion : null;
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
            {motion !== undefined && <Choice label="Motion" value={motion.id} choices={motions} onChoose={chooseMotion} />}
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
            {step.do === 'repeat' && <QuantityField label="How often" path={`${path}.times`} value={step.times} empty="for ever" />}
        </div>
    );
}

function EndingFields({ step, path, onSet }: { step: Ending; path: string; onSet: (ending: Ending) => void }) {
    const { stored } = useBuild();
    const possible = conditions(stored.document);
    const value = step.until === null ? 'time' : `${step.until.sensor} ${step.until.is}`;
    const choices = [{ value: 'time', label: 'a time' }, ...possible.flatMap((each) => [{ value: `${each.id} on`, label: `${each.name} ${each.on}` }, { value: `${each.id} off`, label: `${each.name} ${each.off}` }])];
    const choose = (choice: string) => {
        const [sensor, is] = choice.split(' ') as [string, 'on' | 'off'];
        onSet(choice === 'time' ? { until: null, for_s: 1, give_up_s: null } : { until: { sensor, is }, for_s: null, give_up_s: step.give_up_s ?? 10 });
    };
    return (
        <>
            <Choice label="Ends with" value={value} choices={choices} onChoose={choose} />
            {step.until === null ? <QuantityField label="Time" path={`${path}.for_s`} value={step.for_s} /> : <QuantityField label="Give up after" path={`${path}.give_up_s`} value={step.give_up_s} empty="never" />}
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
