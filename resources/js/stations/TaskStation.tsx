import { ChoiceField, TextField, ToggleField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { useNavigate } from 'react-router';
import { FieldGroup, STATION_BUTTON } from './StationFields';

/** What the motion has to do. */
export function TaskStation({ handle: { motion, chain, path } }: { handle: MotionHandle }) {
    const { stored, edit } = useBuild();
    const navigate = useNavigate();
    const own = chain.curves.position_unit === 'deg' ? '°' : 'm';
    const places = motion.places.map((place) => ({ value: place.id, label: place.name }));
    const units = motion.units;
    const isUsed = stored.document.routines.some((routine) => JSON.stringify(routine.steps).includes(`"motion":"${motion.id}"`)) || JSON.stringify(stored.document.scenarios).includes(`"motion":"${motion.id}"`);
    const remove = () => {
        edit({ path: 'motions', value: stored.document.motions.filter((each) => each.id !== motion.id) }, { path: 'log', value: stored.document.log.filter((entry) => entry.motion !== motion.id) });
        void navigate(`/builds/${stored.id}`);
    };
    return (
        <>
            <FieldGroup title="What it has to do">
                <TextField label="Name" path={`${path}.name`} value={motion.name} />
                <ChoiceField label="Starts at" path={`${path}.task.from`} value={motion.task.from} choices={places} />
                <ChoiceField label="Goes to" path={`${path}.task.to`} value={motion.task.to} choices={places} />
                {motion.places.map((place, i) => (
                    <QuantityField key={place.id} label={`${place.name} is at`} path={`${path}.places.${i}.at`} keptIn={own} typedIn={units[`places.${i}.at`]} value={place.at} how={i === 0 ? (own === '°' ? 'From horizontal, up positive: 90° points straight up.' : 'Height of the load, up positive.') : undefined} />
                ))}
                <QuantityField label="In no more than" path={`${path}.task.move_s`} typedIn={units['task.move_s']} value={motion.task.move_s} how="Count it out loud while you move it by hand." />
                <ChoiceField label="The wanted move" path={`${path}.task.profile`} value={motion.task.profile} choices={[{ value: 'trapezoid', label: 'even push' }, { value: 'cosine', label: 'soft start and end' }]} />
                <QuantityField label="May stop off its place by" path={`${path}.task.tolerance`} keptIn={own} typedIn={units['task.tolerance']} value={motion.task.tolerance} empty="no matter" />
                <ToggleField label="Must stay put with the power off" path={`${path}.task.holds_unpowered`} value={motion.task.holds_unpowered} />
                <ToggleField label="Hangs or swings over people" path={`${path}.task.over_people`} value={motion.task.over_people} />
            </FieldGroup>
            <button type="button" className={STATION_BUTTON} disabled={isUsed} title={isUsed ? 'A routine still moves it: take its steps out first.' : undefined} onClick={remove}>
                Take {motion.name} out of the build
            </button>
        </>
    );
}
