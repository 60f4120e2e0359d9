import { flushSync } from 'react-dom';
import type { Routine, Trace } from '../api/types';
import { SmallMat } from '../mat/SmallMat';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { save, standalone, strip } from './film';
import type { usePlayhead } from './usePlayhead';

const FRAMES = 8;

/** The run for other programs, and as a strip of pictures for a log or a friend. */
export function TakeAlong({
    routine,
    scenario,
    rehearsal,
    isPlain,
    trace,
    playhead,
}: {
    routine: Routine;
    scenario: string | null;
    rehearsal: number | null;
    isPlain: boolean;
    trace: Trace;
    playhead: ReturnType<typeof usePlayhead>;
}) {
    const { stored } = useBuild();
    const film = () => {
        const before = playhead.time;
        const [begins, ends] = [trace.start_s ?? 0, trace.end_s ?? trace.ran_s];
        const frames = Array.from({ length: FRAMES }, (_, i) => {
            const time = begins + ((ends - begins) * i) / (FRAMES - 1);
            flushSync(() => playhead.seek(time));
            return {
                time,
                pictures: [...document.querySelectorAll<SVGSVGElement>('[aria-label="The machine at the cursor"] svg')].map((svg) => ({
                    svg: standalone(svg),
                    says: svg.getAttribute('aria-label') ?? '',
                })),
            };
        });
        playhead.seek(before);
        const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
        save(
            strip(frames, 272, 170, `${stored.document.name}, ${routine.name}`, colour('--color-mat'), colour('--color-mat-ink')),
            'image/svg+xml',
            `${routine.id}-film.svg`,
        );
    };
    const which = new URLSearchParams({
        ...(rehearsal === null ? {} : { rehearsal: String(rehearsal) }),
        ...(rehearsal !== null || scenario === null ? {} : { scenario }),
    }).toString();
    const at = (ending: string) => `/api/builds/${stored.id}/routines/${routine.id}/run.${ending}${which === '' ? '' : `?${which}`}`;
    return (
        <p className="on-mat narrow flex gap-4 bg-mat px-3 pb-2 text-mat-quiet">
            Take this run along:
            {isPlain && (
                <a className="text-mat-ink underline" href={at('csv')} download>
                    table (CSV)
                </a>
            )}
            {isPlain && (
                <a className="text-mat-ink underline" href={at('vcd')} download>
                    waveforms (VCD)
                </a>
            )}
            <button type="button" className="text-mat-ink underline" onClick={film}>
                film strip (SVG)
            </button>
        </p>
    );
}

export function Machine({ routine, trace, now }: { routine: Routine; trace: Trace; now: number }) {
    const { stored } = useBuild();
    const { say } = useSpeaking();
    const sample = Math.round(now / trace.sample_s);
    const steps = trace.steps.filter((step) => step.start_s <= now && now < (step.end_s ?? Infinity) && step.do !== 'repeat' && step.do !== 'together');
    const shown = trace.motions.filter((each) => trace.steps.some((step) => step.routine === routine.id && step.motion === each.motion));
    const on = trace.outputs.filter((output) => output.changes.filter((change) => change.at_s <= now).at(-1)?.on === true);
    return (
        <section aria-label="The machine at the cursor" className="bg-mat px-3 pb-2 text-mat-ink">
            <p className="narrow pb-1">
                {steps.length === 0 ? (
                    <span className="text-mat-quiet">No step runs at {now.toFixed(2)} s.</span>
                ) : (
                    steps
                        .map(
                            (step) =>
                                (step.routine === routine.id ? '' : `${stored.document.routines.find((each) => each.id === step.routine)?.name}: `) +
                                say(step.says),
                        )
                        .join(' ')
                )}
                {on.length > 0 && <span className="text-mat-quiet"> {on.map((output) => output.name).join(', ')} on.</span>}
            </p>
            <div className="grid grid-cols-[repeat(auto-fill,minmax(17rem,1fr))] gap-1">
                {shown.map((each) => (
                    <SmallMat
                        key={each.motion}
                        motion={stored.document.motions.find((motion) => motion.id === each.motion)!}
                        chain={stored.assessment.chains.find((chain) => chain.motion === each.motion)!}
                        position={each.position[Math.min(sample, each.position.length - 1)] ?? 0}
                        isActive={steps.some((step) => step.motion === each.motion)}
                    />
                ))}
            </div>
        </section>
    );
}

export function Events({ trace, now }: { trace: Trace; now: number }) {
    const { say } = useSpeaking();
    return (
        <details className="border border-t-0 border-line bg-sheet px-3 py-1">
            <summary className="py-1 font-semibold">What happened, in words ({trace.events.length})</summary>
            <ol className="narrow columns-2 gap-8 py-1">
                {trace.events.map((event, i) => (
                    <li
                        key={i}
                        className={`flex gap-3 ${event.at_s <= now ? '' : 'text-quiet'} ${event.kind === 'hit' || event.kind === 'touch' || event.kind === 'snap' || event.kind === 'fault' || event.kind === 'left_powered' ? 'font-semibold text-fails' : ''}`}
                    >
                        <span className="w-16 shrink-0 text-right">{event.at_s.toFixed(2)} s</span>
                        {say(event.says)}
                    </li>
                ))}
            </ol>
        </details>
    );
}
