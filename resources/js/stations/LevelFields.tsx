import type { Motion } from '../api/types';
import { ChoiceField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild } from '../state/BuildContext';
import { FieldGroup } from './StationFields';

/** What it must stay level with: the other end of the same thing. */
export function LevelFields({ motion, path, keptIn }: { motion: Motion; path: string; keptIn: string }) {
    const others = useBuild().stored.document.motions.filter((each) => each.id !== motion.id);
    const { level } = motion;
    return others.length === 0 ? null : (
        <FieldGroup title="Both ends of one thing">
            <ChoiceField
                label="Must stay level with"
                path={`${path}.level`}
                value={level?.with ?? ''}
                choices={[{ value: '', label: 'nothing' }, ...others.map((each) => ({ value: each.id, label: each.name }))]}
                toValue={(id) => (id === '' ? null : { with: id, within: level?.within ?? (keptIn === 'm' ? 0.005 : 2) })}
            />
            {level !== null && (
                <QuantityField
                    label="May get apart by"
                    path={`${path}.level.within`}
                    keptIn={keptIn}
                    typedIn={motion.units['level.within']}
                    value={level.within}
                />
            )}
        </FieldGroup>
    );
}
