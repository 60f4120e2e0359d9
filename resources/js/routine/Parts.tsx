import type { Build, Routine, Trigger } from '../api/types';
import { TextInput } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { freeId } from '../pages/AddMotion';
import { useBuild } from '../state/BuildContext';

/** What can be added beside the motions, with its first name. */
const ADDED = [
    { list: 'sensors', kind: 'beam', name: 'Beam' },
    { list: 'sensors', kind: 'press', name: 'Button' },
    { list: 'outputs', kind: 'lamp', name: 'Lamp' },
    { list: 'outputs', kind: 'sound', name: 'Sound' },
    { list: 'outputs', kind: 'relay', name: 'Relay' },
] as const;

const SMALL = 'border border-line bg-well px-2 py-0.5 hover:bg-ground';

function words(trigger: Trigger, build: Build): string {
    if (trigger.when === 'power_on') {
        return 'the power comes on';
    }
    const name = build.sensors.find((sensor) => sensor.id === trigger.sensor)?.name ?? trigger.sensor;
    return trigger.when === 'press' ? `${name} is pressed` : `${name} is ${trigger.is === 'broken' ? 'broken' : 'clear again'}`;
}

/** What starts the routine, and how long it may take. */
export function StartsWhen({ routine, path }: { routine: Routine; path: string }) {
    const { stored, edit } = useBuild();
    const build = stored.document;
    const possible: Trigger[] = [{ when: 'power_on' }, ...build.sensors.flatMap((sensor): Trigger[] => (sensor.kind === 'press' ? [{ when: 'press', sensor: sensor.id }] : [{ when: 'beam', sensor: sensor.id, is: 'broken' }, { when: 'beam', sensor: sensor.id, is: 'made' }]))];
    const left = possible.filter((each) => !routine.starts.some((start) => JSON.stringify(start) === JSON.stringify(each)));
    return (
        <div className="flex flex-wrap items-center gap-2">
            <span>Starts when</span>
            {routine.starts.map((start, i) => (
                <span key={i} className="flex items-center gap-1 border border-line bg-well px-2 py-0.5">
                    <strong>{words(start, build)}</strong>
                    <button type="button" aria-label={`No longer when ${words(start, build)}`} className="size-6 text-quiet hover:text-ink" onClick={() => edit({ path: `${path}.starts`, value: routine.starts.filter((_, j) => j !== i) })}>
                        ×
                    </button>
                </span>
            ))}
            {left.length > 0 && (
                <select aria-label="Another start" className="border border-line bg-well px-1 py-0.5" value="" onChange={(event) => edit({ path: `${path}.starts`, value: [...routine.starts, left[Number(event.target.value)]] })}>
                    <option value="" disabled>
                        {routine.starts.length === 0 ? 'nothing yet: choose' : 'or…'}
                    </option>
                    {left.map((each, i) => (
                        <option key={i} value={i}>
                            {words(each, build)}
                        </option>
                    ))}
                </select>
            )}
        </div>
    );
}

/** Sensors and outputs of the build, by name, and what the world does in a run. */
export function Surroundings({ routine, path }: { routine: Routine; path: string }) {
    const { stored, edit } = useBuild();
    const { sensors, outputs, scenarios } = stored.document;
    const add = (list: 'sensors' | 'outputs', kind: string, name: string) => {
        const entries = stored.document[list];
        edit({ path: `${list}.${entries.length}`, value: { id: freeId(name, [...sensors, ...outputs].map((each) => each.id)), name, kind } });
    };
    const scenario = (sensor: { id: string; name: string; kind: string }) => {
        const name = `${sensor.name} ${sensor.kind === 'beam' ? 'is broken' : 'is pressed'} after 10 s`;
        edit({ path: `scenarios.${scenarios.length}`, value: { id: freeId(name, scenarios.map((each) => each.id)), name, until_s: 60, starts_at: [], events: [{ at_s: 10, sensor: sensor.id, is: 'on' }, { at_s: 11, sensor: sensor.id, is: 'off' }] } });
    };
    return (
        <details className="border-y border-line py-1">
            <summary className="py-1 font-semibold">Target time, sensors, outputs, scenarios</summary>
            <QuantityField label="The whole shall take no longer than" path={`${path}.target_s`} value={routine.target_s} empty="no matter" />
            <ul className="space-y-1 py-1">
                {sensors.map((sensor, i) => (
                    <li key={sensor.id} className="flex items-center gap-2">
                        <span className="w-14 text-quiet">{sensor.kind === 'beam' ? 'beam' : 'button'}</span>
                        <TextInput label={`Name of ${sensor.name}`} path={`sensors.${i}.name`} value={sensor.name} className="min-w-0 flex-1 border border-line bg-well px-2 py-0.5" />
                        <button type="button" className={SMALL} onClick={() => scenario(sensor)}>
                            Scenario
                        </button>
                    </li>
                ))}
                {outputs.map((output, i) => (
                    <li key={output.id} className="flex items-center gap-2">
                        <span className="w-14 text-quiet">{output.kind}</span>
                        <TextInput label={`Name of ${output.name}`} path={`outputs.${i}.name`} value={output.name} className="min-w-0 flex-1 border border-line bg-well px-2 py-0.5" />
                    </li>
                ))}
            </ul>
            <div className="flex flex-wrap gap-1 py-1">
                {ADDED.map(({ list, kind, name }) => (
                    <button key={kind} type="button" className={SMALL} onClick={() => add(list, kind, name)}>
                        Add a {name.toLowerCase()}
                    </button>
                ))}
            </div>
        </details>
    );
}
