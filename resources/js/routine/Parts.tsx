import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { Build, Condition, Routine } from '../api/types';
import { TextInput } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { InSentence } from '../fields/sentence';
import { freeId } from '../pages/AddMotion';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { ConditionEditor } from './ConditionEditor';
import { OutputMore } from './OutputMore';
import { SensorMore } from './SensorMore';
import { MEASURES, questions } from './steps';

/** What can be added beside the motions, with its first name. */
const ADDED = [
    { list: 'sensors', kind: 'beam', name: 'Beam' },
    { list: 'sensors', kind: 'press', name: 'Button' },
    { list: 'sensors', kind: 'magnet', name: 'Magnet pick-up' },
    { list: 'sensors', kind: 'reflective', name: 'Reflective sensor' },
    { list: 'sensors', kind: 'light', name: 'Light sensor' },
    { list: 'sensors', kind: 'distance', name: 'Distance sensor' },
    { list: 'sensors', kind: 'sonar', name: 'Distance by echo' },
    { list: 'sensors', kind: 'wheel', name: 'Wheel with pulses' },
    { list: 'sensors', kind: 'colour', name: 'Colour sensor' },
    { list: 'sensors', kind: 'knob', name: 'Knob' },
    { list: 'sensors', kind: 'knock', name: 'Knock sensor' },
    { list: 'sensors', kind: 'message', name: 'Message from outside' },
    { list: 'outputs', kind: 'lamp', name: 'Lamp' },
    { list: 'outputs', kind: 'sound', name: 'Sound' },
    { list: 'outputs', kind: 'relay', name: 'Relay' },
    { list: 'outputs', kind: 'track', name: 'Section of track' },
    { list: 'outputs', kind: 'points', name: 'Set of points' },
    { list: 'outputs', kind: 'uncoupler', name: 'Uncoupler' },
    { list: 'outputs', kind: 'valve', name: 'Valve' },
    { list: 'outputs', kind: 'servo_valve', name: 'Valve turned by a servo' },
    { list: 'outputs', kind: 'display', name: 'Display' },
    { list: 'counters', kind: 'counter', name: 'Counter' },
    { list: 'counters', kind: 'mark', name: 'Mark' },
] as const;

const SMALL = 'border border-line bg-well px-2 py-0.5 hover:bg-ground';

const KINDS: Record<Build['sensors'][number]['kind'], string> = {
    press: 'button',
    beam: 'beam',
    magnet: 'magnet',
    reflective: 'reflective',
    knock: 'knock',
    light: 'light',
    colour: 'colour',
    distance: 'distance',
    sonar: 'echo',
    wheel: 'wheel',
    knob: 'knob',
    message: 'message',
};

/** Sensors, outputs and counters of the build by name, what must never be, and what the world does in a run. */
export function Surroundings({ routine, path }: { routine: Routine; path: string }) {
    const { stored, edit } = useBuild();
    const { sensors, outputs, counters, scenarios } = stored.document;
    const [kind, setKind] = useState(0);
    const add = () => {
        const { list, kind: word, name } = ADDED[kind]!;
        const entries = stored.document[list];
        edit({
            path: `${list}.${entries.length}`,
            value: {
                id: freeId(
                    name,
                    [...sensors, ...outputs, ...counters].map((each) => each.id),
                ),
                name,
                kind: word,
            },
        });
    };
    const scenario = (sensor: Build['sensors'][number]) => {
        const measures = MEASURES.includes(sensor.kind);
        const name = measures ? `${sensor.name} changes after 10 s` : `${sensor.name} ${sensor.kind === 'beam' ? 'is broken' : 'is on'} after 10 s`;
        const events = measures
            ? [{ what: 'level', at_s: 10, sensor: sensor.id, value: (sensor.upper ?? 50) + 10 }]
            : [
                  { what: 'sensor', at_s: 10, sensor: sensor.id, is: 'on' },
                  { what: 'sensor', at_s: 11, sensor: sensor.id, is: 'off' },
              ];
        edit({
            path: `scenarios.${scenarios.length}`,
            value: {
                id: freeId(
                    name,
                    scenarios.map((each) => each.id),
                ),
                name,
                until_s: 60,
                starts_at: [],
                events,
            },
        });
    };
    return (
        <details className="border-y border-line py-1">
            <summary className="py-1 font-semibold">Target time, sensors, outputs, counters</summary>
            <QuantityField label="The whole shall take no longer than" path={`${path}.target_s`} value={routine.target_s} empty="no matter" />
            <ul className="space-y-1 py-1">
                {sensors.map((sensor, i) => (
                    <li key={sensor.id}>
                        <div className="flex items-center gap-2">
                            <span className="w-20 text-quiet">{KINDS[sensor.kind]}</span>
                            <TextInput
                                label={`Name of ${sensor.name}`}
                                path={`sensors.${i}.name`}
                                value={sensor.name}
                                className="min-w-0 flex-1 border border-line bg-well px-2 py-0.5"
                            />
                            <button type="button" className={SMALL} onClick={() => scenario(sensor)}>
                                Scenario
                            </button>
                        </div>
                        <SensorMore sensor={sensor} path={`sensors.${i}`} />
                    </li>
                ))}
                {outputs.map((output, i) => (
                    <li key={output.id}>
                        <Named of={output} word={output.kind.replace('_', ' ')} path={`outputs.${i}.name`} />
                        <OutputMore output={output} path={`outputs.${i}`} />
                    </li>
                ))}
                {counters.map((counter, i) => (
                    <li key={counter.id}>
                        <Named of={counter} word={counter.kind} path={`counters.${i}.name`} />
                    </li>
                ))}
            </ul>
            <div className="flex items-center gap-1 py-1">
                <select
                    aria-label="What is added"
                    className="min-w-0 flex-1 border border-line bg-well px-2 py-0.5"
                    value={kind}
                    onChange={(event) => setKind(Number(event.target.value))}
                >
                    {ADDED.map((each, i) => (
                        <option key={each.kind} value={i}>
                            {each.name}
                        </option>
                    ))}
                </select>
                <button type="button" className={SMALL} onClick={add}>
                    Add a {ADDED[kind]!.name.toLowerCase()}
                </button>
            </div>
            {ADDED[kind]!.list !== 'counters' && <OneMore list={ADDED[kind]!.list} kind={ADDED[kind]!.kind} />}
        </details>
    );
}

/** What the one that could be added takes of pins and boards. */
function OneMore({ list, kind }: { list: string; kind: string }) {
    const { stored } = useBuild();
    const { say } = useSpeaking();
    const { data, error } = useQuery({
        queryKey: ['one-more', stored.id, stored.version, list, kind],
        queryFn: () => api.oneMore(stored.id, list, kind),
        placeholderData: keepPreviousData,
    });
    return (
        <p className="narrow pb-1 text-quiet" role="status">
            {error !== null ? error.message : data === undefined ? '' : `One more ${say(data.says)}`}
        </p>
    );
}

function Named({ of, word, path }: { of: { name: string }; word: string; path: string }) {
    return (
        <div className="flex items-center gap-2">
            <span className="w-20 text-quiet">{word}</span>
            <TextInput label={`Name of ${of.name}`} path={path} value={of.name} className="min-w-0 flex-1 border border-line bg-well px-2 py-0.5" />
        </div>
    );
}

/** What must never be so over the whole build. */
export function Rules() {
    const { stored, edit } = useBuild();
    const { rules } = stored.document;
    const possible = questions(stored.document);
    const moves = possible.find((each) => each.key.startsWith('moving '));
    const place = possible.find((each) => each.key.startsWith('place '));
    const add = () => {
        if (moves !== undefined && place !== undefined) {
            const never: Condition = moves.condition;
            edit({
                path: `rules.${rules.length}`,
                value: {
                    id: freeId(
                        'rule',
                        rules.map((each) => each.id),
                    ),
                    name: `Rule ${rules.length + 1}`,
                    never,
                    while: { test: 'not', that: place.condition },
                },
            });
        }
    };
    return (
        <details className="border-y border-line py-1" open={rules.length > 0}>
            <summary className="py-1 font-semibold">Never ({rules.length})</summary>
            {rules.map((rule, i) => (
                <fieldset key={rule.id} className="border-t border-line py-1">
                    <legend className="sr-only">{rule.name}</legend>
                    <TextInput
                        label={`Name of ${rule.name}`}
                        path={`rules.${i}.name`}
                        value={rule.name}
                        className="w-full border border-line bg-well px-2 py-0.5 font-semibold"
                    />
                    <InSentence value="sentence">
                        <div className="in-sentence">
                            Never <ConditionEditor label="Never" condition={rule.never} path={`rules.${i}.never`} depth={1} />
                            {rule.while !== null && (
                                <>
                                    {' '}
                                    while <ConditionEditor label="While" condition={rule.while} path={`rules.${i}.while`} depth={1} />
                                </>
                            )}
                        </div>
                    </InSentence>
                    <div className="text-right">
                        <button type="button" className={SMALL} onClick={() => edit({ path: 'rules', value: rules.filter((_, j) => j !== i) })}>
                            Take {rule.name} away
                        </button>
                    </div>
                </fieldset>
            ))}
            <button type="button" className={`${SMALL} my-1`} disabled={moves === undefined} onClick={add}>
                Add a rule
            </button>
        </details>
    );
}
