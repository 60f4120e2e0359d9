import type { AssemblyStep } from '../api/types';
import { Bands } from '../calculators/Bands';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { StepPicture } from './StepPicture';

/** What is soldered and plugged in which order, ticked off as it is done. */
export function AssemblyList({ steps, onLight }: { steps: AssemblyStep[]; onLight: (number: number | null) => void }) {
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    const { done } = stored.document.wiring;
    const stages = [...new Set(steps.map((step) => step.stage))];
    const tick = (step: AssemblyStep, isDone: boolean) =>
        edit({ path: 'wiring.done', value: isDone ? [...done, step.id] : done.filter((id) => id !== step.id) });
    const left = steps.filter((step) => !done.includes(step.id)).length;
    return (
        <div className="border border-line bg-sheet px-4 py-3">
            <p role="status" className="text-quiet">
                {left === 0 ? 'All done.' : `${steps.length - left} of ${steps.length} done.`}
            </p>
            {stages.map((stage) => (
                <fieldset key={stage} className="mt-3">
                    <legend className="font-semibold">{stage}</legend>
                    <ul>
                        {steps
                            .filter((step) => step.stage === stage)
                            .map((step) => (
                                <li key={step.id} onPointerEnter={() => onLight(step.wires[0] ?? null)} onPointerLeave={() => onLight(null)}>
                                    <label className="flex items-baseline gap-3 py-0.5">
                                        <input
                                            type="checkbox"
                                            className="size-4 shrink-0 translate-y-0.5 accent-accent"
                                            checked={done.includes(step.id)}
                                            onChange={(event) => tick(step, event.target.checked)}
                                        />
                                        <span className={done.includes(step.id) ? 'text-quiet line-through' : ''}>{say(step.says)}</span>
                                    </label>
                                    {step.picture !== null && (
                                        <div className="pb-1 pl-8">
                                            <StepPicture of={step.picture} />
                                        </div>
                                    )}
                                    {step.bands.length > 0 && (
                                        <div className="pb-1 pl-8">
                                            <Bands colours={step.bands} />
                                        </div>
                                    )}
                                </li>
                            ))}
                    </ul>
                </fieldset>
            ))}
        </div>
    );
}
