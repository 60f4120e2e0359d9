import type { Build } from '../api/types';
import { FromDrawer, useParts, type Part } from '../drawer/FromDrawer';
import { ChoiceField, ToggleField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild } from '../state/BuildContext';
import { ReadingsPane } from './ReadingsPane';
import { MEASURES, positionUnit } from './steps';

const named = ({ id, name }: { id: string; name: string }) => ({ value: id, label: name });

/** Where a sensor sits, and how it answers. */
export function SensorMore({ sensor, path }: { sensor: Build['sensors'][number]; path: string }) {
    const { stored } = useBuild();
    const { motions, outputs, supplies } = stored.document;
    const measures = MEASURES.includes(sensor.kind);
    const unit = positionUnit(stored, sensor.motion);
    const sits = (id: string) => {
        const motion = motions.find((each) => each.id === id);
        return motion === undefined
            ? { ...sensor, motion: null, at: null, reach: null }
            : { ...sensor, motion: id, at: motion.places[0]!.at, reach: Math.abs(motion.places[1]!.at - motion.places[0]!.at) / 50 };
    };
    const parts = useParts('sensors', (part) => part.kind === sensor.kind);
    const taken = ({ current_A, signal_V, bounce_s, late_s, closed, pulled, filtered }: Part) => ({
        ...sensor,
        current_A,
        signal_V,
        bounce_s,
        late_s,
        closed: closed === 'yes',
        pulled: pulled === 'yes',
        filtered: filtered === 'yes',
    });
    const sees = (id: string) => ({ ...sensor, lamp: id === '' ? null : id, lamp_adds: id === '' ? 0 : sensor.lamp_adds });
    return (
        <details className="pl-20">
            <summary className="narrow py-1 text-quiet">more of {sensor.name}</summary>
            <FromDrawer
                label="Out of the drawer"
                parts={parts}
                edits={(part) => [{ path, value: taken(part) }]}
                says={(part) => `${part.name}: takes ${Number(part.current_A) * 1000} mA`}
            />
            {!measures && sensor.kind !== 'press' && (
                <ChoiceField
                    label="Sits on"
                    path={path}
                    value={sensor.motion ?? ''}
                    choices={[{ value: '', label: 'no motion' }, ...motions.map(named)]}
                    toValue={sits}
                />
            )}
            {sensor.motion !== null && <QuantityField label="At" path={`${path}.at`} keptIn={unit} value={sensor.at} />}
            {sensor.motion !== null && (
                <QuantityField label="So far to either side" path={`${path}.reach`} keptIn={unit} value={sensor.reach} empty="a point" />
            )}
            {measures && <QuantityField label="On above" path={`${path}.upper`} value={sensor.upper} empty="never" />}
            {measures && <QuantityField label="Off below" path={`${path}.lower`} value={sensor.lower} empty="the same" />}
            {measures && <QuantityField label="Reads at first" path={`${path}.rest`} value={sensor.rest} />}
            {measures && (
                <ChoiceField
                    label="Sees the light of"
                    path={path}
                    value={sensor.lamp ?? ''}
                    choices={[{ value: '', label: 'not said' }, ...outputs.map(named)]}
                    toValue={sees}
                />
            )}
            {measures && sensor.lamp !== null && (
                <QuantityField
                    label="Which adds to its reading"
                    path={`${path}.lamp_adds`}
                    value={sensor.lamp_adds}
                    how="Read it with the lamp on and off; 0 is nothing."
                />
            )}
            {sensor.kind === 'press' && <QuantityField label="Long from" path={`${path}.long_s`} value={sensor.long_s} />}
            {sensor.kind === 'press' && <QuantityField label="Twice within" path={`${path}.double_s`} value={sensor.double_s} />}
            {sensor.kind === 'message' && (
                <ChoiceField
                    label="Comes over"
                    path={`${path}.over`}
                    value={sensor.over}
                    choices={[
                        { value: 'contact', label: 'a contact' },
                        { value: 'serial', label: 'a serial line' },
                        { value: 'network', label: 'the network' },
                        { value: 'radio', label: 'a radio receiver' },
                        { value: 'infrared', label: 'an infrared receiver' },
                    ]}
                />
            )}
            {sensor.kind === 'message' && (
                <QuantityField
                    label="Counts as silent after"
                    path={`${path}.silent_s`}
                    value={sensor.silent_s}
                    empty="never"
                    how="Whoever sends it says it again and again; when that ends, what it said counts no more."
                />
            )}
            {sensor.kind === 'message' && sensor.silent_s !== null && (
                <ChoiceField
                    label="And is then taken as"
                    path={`${path}.silent_is`}
                    value={sensor.silent_is}
                    choices={[
                        { value: 'off', label: 'off' },
                        { value: 'on', label: 'on' },
                    ]}
                />
            )}
            {!measures && <QuantityField label="Bounces for" path={`${path}.bounce_s`} value={sensor.bounce_s} />}
            {measures && <ReadingsPane sensor={sensor} path={path} />}
            {!measures && (
                <ToggleField
                    label="Opens instead of closing"
                    path={`${path}.closed`}
                    value={sensor.closed}
                    how="Normally closed: a broken wire then reads as on."
                />
            )}
            <QuantityField label="Reports late by" path={`${path}.late_s`} value={sensor.late_s} />
            <QuantityField label="Takes itself" path={`${path}.current_A`} value={sensor.current_A} typedIn="mA" empty="as usual" />
            <QuantityField label="Puts out at most" path={`${path}.signal_V`} value={sensor.signal_V} empty={sensor.kind === 'sonar' ? '5 V' : 'as the pin'} />
            {(sensor.signal_V !== null || sensor.kind === 'sonar') && (
                <ToggleField label="Divided by two resistors" path={`${path}.divided`} value={sensor.divided} />
            )}
            {['press', 'magnet'].includes(sensor.kind) && <ToggleField label="Has its own pull-up" path={`${path}.pulled`} value={sensor.pulled} />}
            {['knock', 'wheel'].includes(sensor.kind) && <ToggleField label="Filtered" path={`${path}.filtered`} value={sensor.filtered} />}
            {sensor.kind === 'press' && (
                <ChoiceField
                    label="Stops by cutting"
                    path={`${path}.cuts`}
                    value={sensor.cuts ?? ''}
                    choices={[{ value: '', label: 'nothing' }, ...supplies.map(named)]}
                    toValue={(id) => (id === '' ? null : id)}
                    how="A stop button in the lead of a supply."
                />
            )}
        </details>
    );
}
