import { useState } from 'react';
import type { Build, Routine, Trigger } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { MEASURES } from './steps';

/** What a trigger says. */
export function words(trigger: Trigger, build: Build): string {
    const name = 'sensor' in trigger ? (build.sensors.find((sensor) => sensor.id === trigger.sensor)?.name ?? trigger.sensor) : '';
    switch (trigger.when) {
        case 'power_on':
            return 'the power comes on';
        case 'press':
            return `${name} is pressed${{ any: '', short: ' briefly', long: ' and held', double: ' twice' }[trigger.how]}`;
        case 'beam':
            return `${name} is ${trigger.is === 'broken' ? 'broken' : 'clear again'}`;
        case 'input':
            return `${name} goes ${trigger.is}`;
        case 'level':
            return `${name} reads ${trigger.is} ${trigger.value}${trigger.for_s > 0 ? ` for ${trigger.for_s} s` : ''}`;
        case 'knock':
            return `${name} is knocked`;
        case 'every':
            return `every ${trigger.every_s} s`;
        case 'time_of_day':
            return `it is ${trigger.at}`;
        case 'count':
            return `${build.counters.find((counter) => counter.id === trigger.counter)?.name ?? trigger.counter} reaches ${trigger.value}`;
    }
}

function possible(build: Build): Trigger[] {
    return [
        { when: 'power_on' },
        ...build.sensors.flatMap((sensor): Trigger[] => {
            const own = { sensor: sensor.id };
            switch (sensor.kind) {
                case 'press':
                    return (['any', 'short', 'long', 'double'] as const).map((how) => ({ when: 'press', ...own, how }));
                case 'beam':
                    return (['broken', 'made'] as const).map((is) => ({ when: 'beam', ...own, is }));
                case 'knock':
                    return [{ when: 'knock', ...own }];
                default:
                    return (['on', 'off'] as const).map((is) => ({ when: 'input', ...own, is }));
            }
        }),
    ];
}

const FIELD = 'w-20 border border-line bg-well px-1 py-0.5 text-right';

/** What starts the routine: picked from what there is, or with a figure of its own. */
export function StartsWhen({ routine, path }: { routine: Routine; path: string }) {
    const { stored, edit } = useBuild();
    const build = stored.document;
    const [figures, setFigures] = useState<'every' | 'time_of_day' | 'level' | 'count' | null>(null);
    const left = possible(build).filter((each) => !routine.starts.some((start) => words(start, build) === words(each, build)));
    const start = (trigger: Trigger) => edit({ path: `${path}.starts`, value: [...routine.starts, trigger] });
    const choose = (choice: string) =>
        choice === 'every' || choice === 'time_of_day' || choice === 'level' || choice === 'count' ? setFigures(choice) : start(left[Number(choice)]!);
    const analog = build.sensors.filter((sensor) => MEASURES.includes(sensor.kind));
    return (
        <div className="flex flex-wrap items-center gap-2">
            <span>Starts when</span>
            {routine.starts.map((each, i) => (
                <span key={i} className="flex items-center gap-1 border border-line bg-well px-2 py-0.5">
                    <strong>{words(each, build)}</strong>
                    <button
                        type="button"
                        aria-label={`No longer when ${words(each, build)}`}
                        className="size-6 text-quiet hover:text-ink"
                        onClick={() => edit({ path: `${path}.starts`, value: routine.starts.filter((_, j) => j !== i) })}
                    >
                        ×
                    </button>
                </span>
            ))}
            <select
                aria-label="Another start"
                className="max-w-44 border border-line bg-well px-1 py-0.5"
                value=""
                onChange={(event) => choose(event.target.value)}
            >
                <option value="" disabled>
                    {routine.starts.length === 0 ? 'nothing yet: choose' : 'or…'}
                </option>
                {left.map((each, i) => (
                    <option key={i} value={i}>
                        {words(each, build)}
                    </option>
                ))}
                {analog.length > 0 && <option value="level">a reading passes a value…</option>}
                {build.counters.length > 0 && <option value="count">a count is reached…</option>}
                <option value="every">every so often…</option>
                <option value="time_of_day">at a time of day…</option>
            </select>
            {figures !== null && <Figures kind={figures} build={build} onStart={(trigger) => (start(trigger), setFigures(null))} />}
            <label className="flex items-center gap-1">
                <input
                    type="checkbox"
                    className="size-4 accent-accent"
                    checked={routine.alone}
                    onChange={(event) => edit({ path: `${path}.alone`, value: event.target.checked })}
                />
                <span title="It does not start while something runs that moves the same things.">alone</span>
            </label>
        </div>
    );
}

function Figures({ kind, build, onStart }: { kind: 'every' | 'time_of_day' | 'level' | 'count'; build: Build; onStart: (trigger: Trigger) => void }) {
    const [text, setText] = useState({ every: '60', time_of_day: '18:00', level: '40', count: '10' }[kind]);
    const [of, setOf] = useState(kind === 'count' ? build.counters[0]?.id : build.sensors.find((sensor) => MEASURES.includes(sensor.kind))?.id);
    const [is, setIs] = useState<'above' | 'below'>('below');
    const number = Number(text.replace(',', '.'));
    const trigger = (): Trigger => {
        switch (kind) {
            case 'every':
                return { when: 'every', every_s: number };
            case 'time_of_day':
                return { when: 'time_of_day', at: text };
            case 'level':
                return { when: 'level', sensor: of!, is, value: number, hysteresis: Math.abs(number) * 0.1, for_s: 0 };
            case 'count':
                return { when: 'count', counter: of!, value: number };
        }
    };
    const choices = kind === 'count' ? build.counters : build.sensors.filter((sensor) => MEASURES.includes(sensor.kind));
    return (
        <form
            className="flex items-center gap-1"
            onSubmit={(event) => {
                event.preventDefault();
                onStart(trigger());
            }}
        >
            {(kind === 'level' || kind === 'count') && (
                <select aria-label="Of" className="border border-line bg-well px-1 py-0.5" value={of} onChange={(event) => setOf(event.target.value)}>
                    {choices.map((each) => (
                        <option key={each.id} value={each.id}>
                            {each.name}
                        </option>
                    ))}
                </select>
            )}
            {kind === 'level' && (
                <select
                    aria-label="Above or below"
                    className="border border-line bg-well px-1 py-0.5"
                    value={is}
                    onChange={(event) => setIs(event.target.value as 'above' | 'below')}
                >
                    <option value="below">below</option>
                    <option value="above">above</option>
                </select>
            )}
            <input
                aria-label={{ every: 'Seconds between', time_of_day: 'Time of day', level: 'Reading', count: 'Count' }[kind]}
                className={FIELD}
                value={text}
                autoComplete="off"
                onChange={(event) => setText(event.target.value)}
            />
            {kind === 'every' && 's'}
            <button type="submit" className="border border-line bg-well px-2 py-0.5 hover:bg-ground">
                Add it
            </button>
        </form>
    );
}
