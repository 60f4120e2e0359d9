import { useState } from 'react';
import type { Choice } from '../api/types';
import { TradeChart } from '../charts/TradeChart';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { Ranking, useChoice } from './Ranking';
import { Schools } from './Schools';

const TABS = [
    { tab: 'ranked', label: 'The drawer, ranked' },
    { tab: 'ways', label: 'Ways to do it' },
] as const;

/** Choosing a drive: the trade as a chart beside the mat, and under it the ranked list or the ways side by side. */
export function Choosing({ handle, chart }: { handle: MotionHandle; chart: { width: number; height: number } }) {
    const { stored } = useBuild();
    const [goal, setGoal] = useState<Choice['goal']>('as_asked');
    const [each, setEach] = useState<'drive' | 'ratio'>('drive');
    const [pick, setPick] = useState('');
    const [tab, setTab] = useState<(typeof TABS)[number]['tab']>('ranked');
    const { data, isFetching } = useChoice(stored.id, handle.motion.id, stored.version, goal, each);
    return (
        <>
            {data === undefined ? (
                <p className="border border-line bg-well p-3 text-quiet">Trying every drive with every ratio…</p>
            ) : (
                <TradeChart points={data.points} chosen={handle.motion.drive?.motor.code} onPick={setPick} {...chart} />
            )}
            <div className="col-span-2">
                <div className="flex gap-1" role="group" aria-label="How to choose">
                    {TABS.map((each) => (
                        <button
                            key={each.tab}
                            type="button"
                            aria-pressed={tab === each.tab}
                            className={`border border-b-0 border-line px-3 py-1 ${tab === each.tab ? 'bg-sheet font-semibold' : 'bg-ground text-quiet'}`}
                            onClick={() => setTab(each.tab)}
                        >
                            {each.label}
                        </button>
                    ))}
                </div>
                {tab === 'ranked' ? (
                    <Ranking
                        handle={handle}
                        choice={data}
                        isFetching={isFetching}
                        goal={goal}
                        onGoal={setGoal}
                        each={each}
                        onEach={setEach}
                        pick={pick}
                        onPick={setPick}
                    />
                ) : (
                    <Schools handle={handle} />
                )}
            </div>
        </>
    );
}
