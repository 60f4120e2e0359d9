import { X } from 'lucide-react';
import type { Build, Scenario, ScenarioEvent } from '../api/types';
import { ChoiceField, TextField, TextInput } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { InSentence } from '../fields/sentence';
import { freeId } from '../pages/AddMotion';
import { useBuild } from '../state/BuildContext';
import { isSelected } from '../state/motors';
import { MEASURES, positionUnit } from './steps';

type What = ScenarioEvent['what'];

const WHAT: { what: What; label: string }[] = [
    { what: 'sensor', label: 'a sensor is pressed, broken or let go' },
    { what: 'level', label: 'a reading changes' },
    { what: 'load', label: 'a load is picked up or put down' },
    { what: 'hold', label: 'something is held fast' },
    { what: 'drag', label: 'something drags' },
    { what: 'heavier', label: 'something is heavier' },
    { what: 'stuck', label: 'a switch or sensor is stuck' },
    { what: 'wire', label: 'a wire breaks' },
    { what: 'late', label: 'a sensor is late' },
    { what: 'supply', label: 'a supply is low' },
    { what: 'hose', label: 'a hose comes off' },
    { what: 'compressor', label: 'a compressor gives less' },
    { what: 'selector', label: 'a hand changes a shared motor over' },
    { what: 'power', label: 'the power goes or comes back' },
];

const SMALL = 'border border-line bg-well px-2 py-0.5 hover:bg-ground';

/** What the world does in a scenario: when, where things stand at first, and how long it lasts. */
export function ScenarioEditor({ scenario, onChoose }: { scenario: string | null; onChoose: (id: string | null) => void }) {
    const { stored, edit } = useBuild();
    const { scenarios } = stored.document;
    const index = scenarios.findIndex((each) => each.id === scenario);
    const begin = () => {
        const id = freeId(
            'scenario',
            scenarios.map((each) => each.id),
        );
        edit({ path: `scenarios.${scenarios.length}`, value: { id, name: `Scenario ${scenarios.length + 1}`, until_s: 60, starts_at: [], events: [] } });
        onChoose(id);
    };
    const drop = () => {
        edit({ path: 'scenarios', value: scenarios.filter((_, i) => i !== index) });
        onChoose(null);
    };
    return (
        <details className="border-y border-line py-1">
            <summary className="py-1 font-semibold">What the world does{index >= 0 && `: ${scenarios[index]!.name}`}</summary>
            {index >= 0 && <Opened scenario={scenarios[index]!} path={`scenarios.${index}`} />}
            <div className="flex gap-2 py-1">
                <button type="button" className={SMALL} onClick={begin}>
                    New scenario
                </button>
                {index >= 0 && (
                    <button type="button" className={SMALL} onClick={drop}>
                        Throw this one away
                    </button>
                )}
            </div>
        </details>
    );
}

function Opened({ scenario, path }: { scenario: Scenario; path: string }) {
    const { stored, edit } = useBuild();
    const build = stored.document;
    const last = scenario.events.at(-1)?.at_s ?? 8;
    const possible = WHAT.filter(({ what }) => newEvent(what, last, build) !== null);
    const elsewhere = build.motions.filter((each) => !scenario.starts_at.some((start) => start.motion === each.id));
    return (
        <>
            <TextInput
                label="Name of the scenario"
                path={`${path}.name`}
                value={scenario.name}
                className="w-full border border-line bg-well px-2 py-0.5 font-semibold"
            />
            <InSentence value="sentence">
                <div className="in-sentence">
                    <p>
                        It begins at <TextField label="Time of day" path={`${path}.clock`} value={scenario.clock} /> and ends after{' '}
                        <QuantityField label="Ends after" path={`${path}.until_s`} value={scenario.until_s} />.
                    </p>
                    <ul>
                        {scenario.starts_at.map((start, i) => (
                            <li key={start.motion} className="flex items-baseline gap-1">
                                <span className="flex-1">
                                    {build.motions.find((each) => each.id === start.motion)?.name} stands at{' '}
                                    <QuantityField
                                        label={`${start.motion} stands at`}
                                        path={`${path}.starts_at.${i}.at`}
                                        keptIn={positionUnit(stored, start.motion)}
                                        value={start.at}
                                    />{' '}
                                    at first.
                                </span>
                                <TakeOut
                                    label={`Let ${start.motion} stand where its task begins`}
                                    onClick={() => edit({ path: `${path}.starts_at`, value: scenario.starts_at.filter((_, j) => j !== i) })}
                                />
                            </li>
                        ))}
                    </ul>
                    <ol aria-label="Events">
                        {scenario.events.map((event, i) => (
                            <li key={i} className="flex items-baseline gap-1 border-t border-line">
                                <span className="flex-1">
                                    After <QuantityField label="After" path={`${path}.events.${i}.at_s`} value={event.at_s} />{' '}
                                    <Words event={event} path={`${path}.events.${i}`} />
                                </span>
                                <TakeOut
                                    label={`Take event ${i + 1} out`}
                                    onClick={() => edit({ path: `${path}.events`, value: scenario.events.filter((_, j) => j !== i) })}
                                />
                            </li>
                        ))}
                    </ol>
                </div>
            </InSentence>
            <div className="flex flex-wrap gap-1 py-1">
                <select
                    aria-label="Something more happens"
                    className={SMALL}
                    value=""
                    onChange={(chosen) => edit({ path: `${path}.events`, value: [...scenario.events, newEvent(chosen.target.value as What, last + 1, build)] })}
                >
                    <option value="">And then…</option>
                    {possible.map((each) => (
                        <option key={each.what} value={each.what}>
                            {each.label}
                        </option>
                    ))}
                </select>
                {elsewhere.length > 0 && (
                    <select
                        aria-label="Something stands elsewhere at first"
                        className={SMALL}
                        value=""
                        onChange={(chosen) =>
                            edit({
                                path: `${path}.starts_at`,
                                value: [
                                    ...scenario.starts_at,
                                    { motion: chosen.target.value, at: build.motions.find((each) => each.id === chosen.target.value)!.places[1]!.at },
                                ],
                            })
                        }
                    >
                        <option value="">At first…</option>
                        {elsewhere.map((each) => (
                            <option key={each.id} value={each.id}>
                                {each.name} stands elsewhere
                            </option>
                        ))}
                    </select>
                )}
            </div>
        </>
    );
}

/** A new event of a kind about the first thing that it can happen to; null when the build has none. */
export function newEvent(what: What, at_s: number, build: Build): ScenarioEvent | null {
    const motion = build.motions[0]?.id;
    const outside = build.sensors.find((each) => !MEASURES.includes(each.kind))?.id;
    const reading = build.sensors.find((each) => MEASURES.includes(each.kind));
    const input = build.motions.flatMap((each) => each.stops.switches)[0]?.id ?? build.sensors[0]?.id;
    const supply = build.supplies[0]?.id;
    switch (what) {
        case 'sensor':
            return outside === undefined ? null : { what, at_s, sensor: outside, is: 'on' };
        case 'level':
            return reading === undefined ? null : { what, at_s, sensor: reading.id, value: (reading.upper ?? 50) + 10 };
        case 'load':
            return motion === undefined ? null : { what, at_s, motion, carries: false };
        case 'hold':
            return motion === undefined ? null : { what, at_s, motion, is: 'on', at: null };
        case 'drag':
            return motion === undefined ? null : { what, at_s, motion, value: 3 };
        case 'heavier':
            return motion === undefined ? null : { what, at_s, motion, value: 1.5 };
        case 'stuck':
            return input === undefined ? null : { what, at_s, sensor: input, is: 'on' };
        case 'wire':
            return input === undefined ? null : { what, at_s, sensor: input, is: 'broken' };
        case 'late':
            return input === undefined ? null : { what, at_s, sensor: input, value: 0.3 };
        case 'supply':
            return supply === undefined ? null : { what, at_s, supply, value: 0.75 };
        case 'selector': {
            const over = build.motions.find((each) => isSelected(build.motions, each.id))?.id;
            return over === undefined ? null : { what, at_s, motion: over };
        }
        case 'hose': {
            const pushed = build.motions.find((each) => each.drive?.motor.kind === 'air_cylinder')?.id;
            return pushed === undefined ? null : { what, at_s, motion: pushed, is: 'off' };
        }
        case 'compressor': {
            const tank = build.tanks[0]?.id;
            return tank === undefined ? null : { what, at_s, tank, value: 0 };
        }
        case 'power':
            return { what, at_s, is: 'off' };
    }
}

function Words({ event, path }: { event: ScenarioEvent; path: string }) {
    const { stored } = useBuild();
    const build = stored.document;
    const named = (things: { id: string; name: string }[]) => things.map((each) => ({ value: each.id, label: each.name }));
    const motion = 'motion' in event && <ChoiceField label="Motion" path={`${path}.motion`} value={event.motion} choices={named(build.motions)} />;
    const inputs = named([...build.motions.flatMap((each) => each.stops.switches), ...build.sensors]);
    const sensors = named(build.sensors.filter((each) => MEASURES.includes(each.kind) === (event.what === 'level')));
    const sensor = 'sensor' in event && (
        <ChoiceField
            label="Sensor"
            path={`${path}.sensor`}
            value={event.sensor}
            choices={event.what === 'sensor' || event.what === 'level' ? sensors : inputs}
        />
    );
    const value = (label: string) => 'value' in event && <QuantityField label={label} path={`${path}.value`} value={event.value} />;
    const is = (choices: [string, string][]) =>
        'is' in event && (
            <ChoiceField label="What becomes of it" path={`${path}.is`} value={event.is} choices={choices.map(([one, label]) => ({ value: one, label }))} />
        );
    switch (event.what) {
        case 'selector':
            return <>a hand changes the motor over to {motion}</>;
        case 'sensor':
            return (
                <>
                    {sensor}{' '}
                    {is([
                        ['on', 'is on'],
                        ['off', 'is off'],
                    ])}
                </>
            );
        case 'level':
            return (
                <>
                    {sensor} reads {value('Reading')}
                </>
            );
        case 'load':
            return (
                <>
                    {motion}{' '}
                    <ChoiceField
                        label="What becomes of it"
                        path={`${path}.carries`}
                        value={event.carries ? 'yes' : 'no'}
                        choices={[
                            { value: 'yes', label: 'picks its load up' },
                            { value: 'no', label: 'puts its load down' },
                        ]}
                        toValue={(choice) => choice === 'yes'}
                    />
                </>
            );
        case 'hold':
            return (
                <>
                    {motion}{' '}
                    {is([
                        ['on', 'is held fast'],
                        ['off', 'is let go'],
                    ])}{' '}
                    at <QuantityField label="At" path={`${path}.at`} keptIn={positionUnit(stored, event.motion)} value={event.at} empty="wherever it is" />
                </>
            );
        case 'drag':
            return (
                <>
                    {motion} drags: {value('So many times')} times its friction
                </>
            );
        case 'heavier':
            return (
                <>
                    {motion} has {value('So many times')} times its load
                </>
            );
        case 'stuck':
            return (
                <>
                    {sensor}{' '}
                    {is([
                        ['on', 'is stuck on'],
                        ['off', 'is stuck off'],
                        ['free', 'is free again'],
                    ])}
                </>
            );
        case 'wire':
            return (
                <>
                    the wire of {sensor}{' '}
                    {is([
                        ['broken', 'breaks'],
                        ['mended', 'is mended'],
                    ])}
                </>
            );
        case 'late':
            return (
                <>
                    {sensor} tells {value('Seconds later')} s late
                </>
            );
        case 'supply':
            return (
                <>
                    <ChoiceField label="Supply" path={`${path}.supply`} value={event.supply} choices={named(build.supplies)} /> gives {value('So many times')}{' '}
                    times its voltage
                </>
            );
        case 'hose':
            return (
                <>
                    the hose of {motion}{' '}
                    {is([
                        ['off', 'comes off'],
                        ['on', 'is put on'],
                    ])}
                </>
            );
        case 'compressor':
            return (
                <>
                    the compressor of <ChoiceField label="Tank" path={`${path}.tank`} value={event.tank} choices={named(build.tanks)} /> gives{' '}
                    {value('So many times')} times its air
                </>
            );
        case 'power':
            return (
                <>
                    the power{' '}
                    {is([
                        ['off', 'goes'],
                        ['on', 'comes back'],
                    ])}
                </>
            );
    }
}

function TakeOut({ label, onClick }: { label: string; onClick: () => void }) {
    return (
        <button type="button" aria-label={label} title={label} className="p-1 hover:bg-well" onClick={onClick}>
            <X size={14} />
        </button>
    );
}
