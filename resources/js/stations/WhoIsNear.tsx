import { ToggleField } from '../fields/PlainFields';
import { useBuild } from '../state/BuildContext';
import { FieldGroup } from './StationFields';

/** Who is near the build: what may be trapped, knocked or left alone. */
export function WhoIsNear() {
    const { around } = useBuild().stored.document;
    return (
        <FieldGroup title="Who is near this build">
            <ToggleField label="Strangers, children, or nobody watching" path="around.public" value={around.public} />
            <ToggleField label="Worn on the body" path="around.worn" value={around.worn} />
            <ToggleField label="Feeds or shelters animals" path="around.animals" value={around.animals} />
        </FieldGroup>
    );
}
