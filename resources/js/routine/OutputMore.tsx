import type { Build } from '../api/types';
import { ChoiceField, ToggleField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild } from '../state/BuildContext';

const HIT = ['points', 'uncoupler'];

/** What an output takes, from where, and for how long it bears that. */
export function OutputMore({ output, path }: { output: Build['outputs'][number]; path: string }) {
    const { supplies } = useBuild().stored.document;
    const all = supplies.map(({ id, name }) => ({ value: id, label: name }));
    return (
        <details className="pl-20">
            <summary className="narrow py-1 text-quiet">more of {output.name}</summary>
            <ChoiceField
                label="Fed by"
                path={`${path}.supply`}
                value={output.supply ?? ''}
                choices={[{ value: '', label: 'its pin' }, ...all]}
                toValue={(id) => (id === '' ? null : id)}
            />
            <QuantityField label="Takes while it is on" path={`${path}.current_A`} value={output.current_A} empty="as usual" />
            {HIT.includes(output.kind) && (
                <QuantityField
                    label="Its coil bears"
                    path={`${path}.longest_s`}
                    value={output.longest_s}
                    empty="1 s"
                    how="So long it may be on at a stretch before it burns."
                />
            )}
            {['lamp', 'track', 'sound'].includes(output.kind) && (
                <ToggleField label="Its voltage is set" path={`${path}.speed`} value={output.speed} how="Brightness or speed, and not only on and off." />
            )}
            {output.kind === 'relay' && (
                <ChoiceField
                    label="Switches a supply"
                    path={`${path}.gates`}
                    value={output.gates ?? ''}
                    choices={[{ value: '', label: 'none' }, ...all]}
                    toValue={(id) => (id === '' ? null : id)}
                    how="What hangs on that has power only while this is on."
                />
            )}
        </details>
    );
}
