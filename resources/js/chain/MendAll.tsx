import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { api } from '../api/client';
import type { Finding, MendAll as Plan, MendStep } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { useTried } from '../state/tried';
import { useSpeaking } from '../state/UnitsContext';
import { LinkGlyph } from './LinkGlyph';
import { Costs } from './Mends';
import { useTrying } from './trying';

/** Mend after mend until the whole build holds, each tried as those before it leave it. Nothing is saved until they are kept. */
export function MendAll({ onClose }: { onClose: () => void }) {
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    const begin = useTrying((state) => state.begin);
    const [dropped, setDropped] = useState<string[]>([]);
    const { plan, isDone, problem } = usePlan(stored.id, stored.version, dropped);
    const steps = plan?.steps ?? [];
    const upTo = (count: number) => steps.slice(0, count).flatMap((step) => step.fix.changes);
    const keep = () => {
        if (steps.length > 0) {
            edit(...upTo(steps.length));
            onClose();
        }
    };
    const look = (i: number) => {
        const text = i === 0 ? say(steps[0]!.fix.does) : `the first ${i + 1} of them`;
        void begin(stored, { does: { template: text, values: {}, text }, changes: upTo(i + 1), costs: [] });
    };
    const isLooking = useTrying((state) => state.fix !== null);
    useHotkeys('escape', onClose, { enabled: !isLooking }, [onClose]);
    const hold = useTried((state) => state.hold);
    useEffect(() => {
        hold(!isDone);
        return () => hold(false);
    }, [hold, isDone]);
    return (
        <section aria-label="Mend all" className="border-2 border-accent bg-sheet">
            <div className="flex items-center gap-4 border-b border-line bg-well px-4 py-2">
                <h2 className="flex-1 text-[1.05rem]">
                    {steps.length === 0 ? 'Mend all' : steps.length === 1 ? 'Mend all: one change' : `Mend all: ${steps.length} mends, one after the other`}
                </h2>
                <button type="button" className="bg-accent px-3 py-1 font-semibold text-sheet disabled:opacity-50" disabled={steps.length === 0} onClick={keep}>
                    {isDone || steps.length === 0 ? 'Keep them all' : `Keep these ${steps.length}`}
                </button>
                <button type="button" className="border border-line bg-sheet px-3 py-1" onClick={onClose}>
                    {isDone ? 'Drop them' : 'Stop'} <kbd className="key narrow text-quiet">Esc</kbd>
                </button>
            </div>
            <ol className="divide-y divide-line">
                {steps.map((step, i) => (
                    <StepRow key={step.mark} step={step} number={i + 1} onLook={() => look(i)} onDrop={() => setDropped([...dropped, step.mark])} />
                ))}
            </ol>
            <div className="border-t border-line px-4 py-2">
                <p role="status" className={isDone && plan !== undefined && plan.left.length === 0 ? 'font-semibold text-holds' : ''}>
                    {problem !== ''
                        ? problem
                        : isDone && plan !== undefined
                          ? ends(plan)
                          : `Mend ${steps.length + 1} is being looked for: each is tried on the whole build, with all its routines.`}
                </p>
                {isDone && <Left of={plan?.left ?? []} />}
                {dropped.length > 0 && (
                    <button type="button" className="mt-1 text-accent underline" onClick={() => setDropped([])}>
                        Take back {dropped.length === 1 ? 'the one that was dropped' : `the ${dropped.length} that were dropped`}
                    </button>
                )}
            </div>
        </section>
    );
}

function ends({ steps, left }: Plan): string {
    if (left.length === 0) {
        return steps.length === 0 ? 'There is nothing to mend.' : 'Then the whole build holds: nothing fails or is tight any more.';
    }
    return steps.length === 0
        ? 'Nothing that can be tried mends what is wrong:'
        : `Here it ends: ${left.length === 1 ? 'one finding is' : `${left.length} findings are`} left, and nothing that can be tried mends ${left.length === 1 ? 'it' : 'them'}.`;
}

function StepRow({ step, number, onLook, onDrop }: { step: MendStep; number: number; onLook: () => void; onDrop: () => void }) {
    const { say } = useSpeaking();
    const { fails, tight } = step.before;
    return (
        <li className="flex items-start gap-3 px-4 py-2">
            <span className="w-6 shrink-0 text-right text-[1.15rem] font-semibold">{number}</span>
            <div className="min-w-0 flex-1">
                <p className="font-semibold">{say(step.fix.does)}</p>
                <p className="text-quiet">{say(step.mends)}</p>
                <Costs of={step.fix} />
            </div>
            <span className="narrow shrink-0 pt-1 text-quiet">
                {[fails > 0 ? `${fails} fail` : '', tight > 0 ? `${tight} tight` : ''].filter((each) => each !== '').join(', ')} before it
            </span>
            <button
                type="button"
                className="shrink-0 border border-line bg-sheet px-2 py-0.5"
                aria-label={`Look at the build with mend ${number}`}
                onClick={onLook}
            >
                Look
            </button>
            <button type="button" className="shrink-0 border border-line bg-sheet px-2 py-0.5" aria-label={`Drop mend ${number}`} onClick={onDrop}>
                Drop
            </button>
        </li>
    );
}

/** What nothing mends that can be tried, with what a person would do. */
function Left({ of }: { of: Finding[] }) {
    const { say } = useSpeaking();
    return (
        <ul className="mt-1 space-y-1">
            {of.map((finding) => (
                <li key={`${finding.code} ${finding.place}`} className="flex gap-3">
                    <LinkGlyph verdict={finding.severity === 'fails' ? 'fails' : 'tight'} size={15} />
                    <p>
                        {say(finding.says)} {finding.instead !== null && <span className="text-quiet">{say(finding.instead)}</span>}
                    </p>
                </li>
            ))}
        </ul>
    );
}

/** Asked for until there is no more to try; what is known so far is shown. */
function usePlan(id: string, version: number, dropped: string[]) {
    const queries = useQueryClient();
    const key = ['mend-all', id, version, dropped];
    const { data, isFetching, error } = useQuery({
        queryKey: key,
        queryFn: async ({ signal }) => {
            for (;;) {
                const plan = await api.mendAll(id, dropped, signal);
                if (plan.done) {
                    return plan;
                }
                queries.setQueryData<Plan>(key, plan);
            }
        },
        staleTime: Infinity,
    });
    return { plan: data, isDone: data?.done === true && !isFetching, problem: error === null ? '' : error.message };
}
